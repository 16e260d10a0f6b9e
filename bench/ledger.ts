import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, PHONE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { line, median, ratio, rounds, say } from './measure.ts';
import { signIn, signUp } from './onPage.ts';
import { FIRST, NOW, fill, habits } from './tenYears.ts';

const ROUNDS = rounds(5);

type Seen = { ms: number; blockMs: number };

/** Opens the ledger from Rewards until its first line is there; the longest block of the main thread meanwhile and a moment after. */
async function opened(page: Page): Promise<Seen> {
  await page.getByRole('link', { name: 'Today', exact: true }).first().click();
  await page
    .getByText(/to go today|full day|Nothing left/)
    .first()
    .waitFor();
  await page
    .getByRole('link', { name: /^Rewards: / })
    .first()
    .click();
  await page.getByRole('button', { name: 'Everything earned and spent' }).waitFor();
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    const blocks: number[] = [];
    Object.assign(globalThis, { blocks });
    new PerformanceObserver((list) => list.getEntries().forEach((each) => blocks.push(each.duration))).observe({
      type: 'longtask',
    });
  });
  const startedMs = performance.now();
  await page.getByRole('button', { name: 'Everything earned and spent' }).click();
  await page.locator('[data-index="0"]').first().waitFor();
  const ms = performance.now() - startedMs;
  await page.waitForTimeout(800);
  return {
    ms,
    blockMs: await page.evaluate(() => Math.max(0, ...(globalThis as unknown as { blocks: number[] }).blocks)),
  };
}

async function run(url: string, email: string): Promise<Seen[]> {
  const page = await (await browser.newContext({ baseURL: url, viewport: PHONE })).newPage();
  await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(page, email);
  await page
    .getByRole('link', { name: /^Rewards: / })
    .first()
    .waitFor({ timeout: 240_000 });
  await page.waitForTimeout(4000);
  const seen: Seen[] = [];
  for (let round = 0; round < ROUNDS; round++) seen.push(await opened(page));
  await page.close();
  return seen;
}

const wimbel = await startWimbel('bench', { now: NOW });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
try {
  const one = await signUp(wimbel.url, 'one@example.org');
  await one.send([
    ['habits', 'h0', habits[0]!],
    ['entries', `${FIRST} h0`, { habitId: 'h0', day: FIRST, mark: 'done' }],
  ]);
  // Last: while the database is filled nothing else is done here.
  await fill(wimbel.url, wimbel.databaseUrl(), 'many@example.org');
  const few = await run(wimbel.url, 'one@example.org');
  const all = await run(wimbel.url, 'many@example.org');
  say('The ledger of 50 habits × 10 years beside that of one day, medians of 5');
  line('opening it', median(all.map(({ ms }) => ms)));
  ratio('opening it, beside one day', median(all.map(({ ms }) => ms)) / median(few.map(({ ms }) => ms)));
  say(
    `  longest blocks by round: ${all.map(({ blockMs }) => Math.round(blockMs)).join(', ')} ms; with one day ${few.map(({ blockMs }) => Math.round(blockMs)).join(', ')} ms`,
  );
} finally {
  await browser.close();
  await wimbel.end();
}
