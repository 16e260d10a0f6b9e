import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, PHONE, WIDE } from '../e2e/playwright.config.ts';
import { startWimbel } from '../tools/wimbel.ts';
import { median, say } from './measure.ts';
import { signIn } from './onPage.ts';
import { HABITS, NOW, fill } from './tenYears.ts';

const ROUNDS = 5;
/** How long a place is given to settle, everything behind it included. */
const SETTLED_MS = 3000;
const PLACES = [
  ...['today', 'log', 'log?span=sevenDays', 'goals', 'charts', 'journal', 'seasons', 'habits/h0'],
  ...['rewards/ledger', 'settings', 'settings/account'],
];

const wimbel = await startWimbel('bench', { now: NOW, env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: CHROMIUM_ARGS,
});
try {
  await fill(wimbel.url, wimbel.databaseUrl(), 'places@example.org');
  for (const [name, viewport] of [
    ['phone', PHONE],
    ['wide', WIDE],
  ] as const) {
    const context = await browser.newContext({ baseURL: wimbel.url, viewport });
    const page = await context.newPage();
    await signIn(page, 'places@example.org');
    await page.getByRole('checkbox').first().waitFor();
    // The record is written down behind the screen, the app kept, and all is quiet again.
    await page.waitForTimeout(20_000);
    say(
      `\nEach place by its address, ${HABITS} habits × ten years, ${name}: longest block in ms, median of ${ROUNDS} (all):`,
    );
    for (const place of PLACES) {
      const longest: number[] = [];
      for (let round = 0; round < ROUNDS; round++) {
        await page.goto('about:blank');
        await page.goto(`/${place}`, { waitUntil: 'commit' });
        await page.getByRole('heading').first().waitFor();
        await page.waitForTimeout(SETTLED_MS);
        longest.push(
          await page.evaluate(
            () =>
              new Promise<number>((resolve) => {
                const watch = new PerformanceObserver((list) =>
                  resolve(Math.max(0, ...list.getEntries().map((each) => each.duration))),
                );
                watch.observe({ type: 'longtask', buffered: true });
                // Nothing was as long as 50 ms, which is where a block begins.
                setTimeout(() => resolve(0), 500);
              }),
          ),
        );
      }
      say(
        `  ${place.padEnd(22)} ${median(longest).toFixed(0).padStart(4)}  (${longest.map((each) => each.toFixed(0)).join(' ')})`,
      );
    }
    await context.close();
  }
} finally {
  await browser.close();
  await wimbel.end();
}
