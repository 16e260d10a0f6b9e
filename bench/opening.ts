import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, PHONE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { line, median, ratio, rounds, say } from './measure.ts';
import { openingMs, signIn } from './onPage.ts';
import { FIRST, HABITS, NOW, TODAY, fill } from './tenYears.ts';

const ROUNDS = rounds(7);
/** The processor slowed so many times, as on a phone. */
const SLOWED = 4;

type What = 'openMs' | 'blockedMs' | 'tapMs' | 'nextTapMs';

/**
 * Opens Today on a device that holds the record already, and measures in milliseconds until a peg of it is painted, how long
 * the page was ever blocked meanwhile, and until the first tap and the next one are painted.
 */
async function opened(page: Page, url: string): Promise<Record<What, number>> {
  await page.goto('about:blank');
  const openMs = await openingMs(page, `${url}/today`, '[role=checkbox]');
  await page.waitForTimeout(4000);
  const blockedMs = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const watch = new PerformanceObserver((list) => {
          watch.disconnect();
          resolve(Math.max(0, ...list.getEntries().map((each) => each.duration)));
        });
        watch.observe({ type: 'longtask', buffered: true });
        setTimeout(() => resolve(0), 500);
      }),
  );
  const tapMs = await tapped(page, 0);
  const nextTapMs = await tapped(page, 1);
  return { openMs, blockedMs, tapMs, nextTapMs };
}

/** Milliseconds from a tap on a peg until it is painted; then all is let come to rest. */
async function tapped(page: Page, at: number): Promise<number> {
  const ms = await page.evaluate(
    (index) =>
      new Promise<number>((resolve) => {
        const peg = document.querySelectorAll<HTMLElement>('[role=checkbox]')[index]!;
        const startedMs = performance.now();
        peg.click();
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - startedMs)));
      }),
    at,
  );
  await page.waitForTimeout(1500);
  return ms;
}

const wimbel = await startWimbel('bench', { now: NOW, env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
try {
  const yearAgo = `${Number(TODAY.slice(0, 4)) - 1}${TODAY.slice(4)}`;
  const spans = { 'one year': yearAgo, 'ten years': FIRST };
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: CHROMIUM_ARGS,
  });
  const pages = new Map<string, Page>();
  for (const [name, first] of Object.entries(spans)) {
    const email = `${name.replace(' ', '')}@example.org`;
    await fill(wimbel.url, wimbel.databaseUrl(), email, first);
    const context = await browser.newContext({ baseURL: wimbel.url, viewport: PHONE });
    const page = await context.newPage();
    await signIn(page, email);
    await page.getByRole('checkbox').first().waitFor();
    // The record is written down behind the screen, the app kept, and all is quiet again.
    await page.waitForTimeout(20_000);
    pages.set(name, page);
  }
  for (const slowed of [1, SLOWED]) {
    const found = new Map([...pages.keys()].map((name) => [name, [] as Awaited<ReturnType<typeof opened>>[]]));
    for (let round = 0; round < ROUNDS; round++)
      for (const [name, page] of pages) {
        // Only the page that is looked at: one that is slowed takes processor time even while nothing happens in it.
        const session = await page.context().newCDPSession(page);
        await session.send('Emulation.setCPUThrottlingRate', { rate: slowed });
        found.get(name)!.push(await opened(page, wimbel.url));
        await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
        await session.detach();
      }
    say(`\nToday from the device, ${HABITS} habits, processor slowed ${slowed} ×, median of ${ROUNDS}:`);
    const of = (name: string, what: What): number => median(found.get(name)!.map((each) => each[what]));
    for (const name of pages.keys()) {
      line(`${name}: opened`, of(name, 'openMs'));
      line(`${name}: longest block`, of(name, 'blockedMs'));
      line(`${name}: the first tap painted`, of(name, 'tapMs'));
      line(`${name}: the next tap painted`, of(name, 'nextTapMs'));
    }
    ratio('ten years beside one: opened', of('ten years', 'openMs') / of('one year', 'openMs'));
    ratio('ten years beside one: a tap', of('ten years', 'nextTapMs') / of('one year', 'nextTapMs'));
  }
  await browser.close();
} finally {
  await wimbel.end();
}
