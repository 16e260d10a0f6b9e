import { type Page, chromium } from '@playwright/test';
import { startWimbel } from '../tools/wimbel.ts';
import { CHROMIUM_ARGS, PHONE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { line, median, ratio, rounds, say } from './measure.ts';
import { openingMs, signIn, signUp, tapMs } from './onPage.ts';
import { sendYear } from './year.ts';

/** Somebody with very many habits, beside somebody with a tenth of them; both for a year up to today. */
const MANY = 450;
const FEW = 45;
const AREAS = 15;
const DAYS = 365;
const OPENINGS = rounds(5);
const TAPS = rounds(20);

const now = new Date();
const first = new Date(now.getTime() - (DAYS - 1) * 86_400_000).toISOString().slice(0, 10);

const wimbel = await startWimbel('bench', {
  now: now.toISOString(),
  env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' },
});
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});

/** Milliseconds from a letter typed into the find field until something is found. */
async function findMs(page: Page): Promise<number> {
  await page.keyboard.press('/');
  await page.getByRole('combobox').waitFor();
  const startedMs = performance.now();
  await page.getByRole('combobox').fill('habit 4');
  await page
    .getByRole('row', { name: /^Habit 4/ })
    .first()
    .waitFor();
  const ms = performance.now() - startedMs;
  await page.keyboard.press('Escape');
  return ms;
}

async function measured(habits: number) {
  const email = `many${habits}@example.org`;
  await sendYear(await signUp(wimbel.url, email), { habits, areas: AREAS, first, days: DAYS });
  const page = await (await browser.newContext({ baseURL: wimbel.url, viewport: PHONE })).newPage();
  await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(page, email);
  const peg = '[role=checkbox][aria-label*=":"]';
  await page.locator(peg).first().waitFor({ timeout: 240_000 });
  const times = { today: [], log: [], tap: [], find: [] } as Record<string, number[]>;
  for (let i = 0; i < OPENINGS; i++) {
    times.log!.push(await openingMs(page, '/log', '[data-day]'));
    times.today!.push(await openingMs(page, '/today', peg));
    times.find!.push(await findMs(page));
  }
  const own = '[role=checkbox][aria-label="Habit 1: done"]';
  for (let i = 0; i < TAPS; i++) {
    await page.locator(own).scrollIntoViewIfNeeded();
    times.tap!.push(await tapMs(page, own));
    // What is done settles below after a moment.
    await page.waitForTimeout(1500);
  }
  return Object.fromEntries(Object.entries(times).map(([name, each]) => [name, median(each)]));
}

try {
  const few = await measured(FEW);
  const many = await measured(MANY);
  say(`\n${MANY} habits in ${AREAS} areas × ${DAYS} days beside ${FEW}, on a phone, in Chromium (medians)`);
  for (const [name, words] of [
    ['today', 'opening Today by its address'],
    ['log', 'opening the log by its address'],
    ['tap', 'from tap to painted peg on Today'],
    ['find', 'finding by a name'],
  ] as const) {
    line(`${words}, ${FEW} habits`, few[name]!);
    line(`${words}, ${MANY} habits`, many[name]!);
    ratio(`${words}, ten times the habits`, many[name]! / few[name]!);
  }
} finally {
  await browser.close();
  await wimbel.end();
}
