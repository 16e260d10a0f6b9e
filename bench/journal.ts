import { type Browser, type Page, chromium } from '@playwright/test';
import { type JournalPage, dayOf, formatDay } from '@wimbel/core';
import { CHROMIUM_ARGS, PHONE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { line, median, ratio, rounds, say } from './measure.ts';
import { signIn, signUp } from './onPage.ts';

const NOW = new Date().toISOString();
const TODAY = dayOf(NOW.slice(0, 10));
const PAGES = 3650;
const WORDS = 300;
const ROUNDS = rounds(5);
/** How many pages one request brings. */
const AT_ONCE = 100;
/** What is looked for, letter by letter; the last page back alone has it. */
const LOOKED_FOR = 'zanderfish';
const VOCABULARY =
  'the wind went round and yard was too wet to sand plank seam larch bow cello scales harbour tide slack water curlew flats ferry baker bread light cold swim buoy rope splice sail mast keel oar knot'.split(
    ' ',
  );

/** A page of three hundred words, by a rule without chance. */
function pageOf(back: number): JournalPage {
  const words = Array.from(
    { length: WORDS },
    (_, at) => VOCABULARY[(back * 31 + at * at * 7 + at) % VOCABULARY.length]!,
  );
  if (back === PAGES - 1) words[WORDS / 2] = LOOKED_FOR;
  const text = words.map((word, at) => (at % 60 === 59 ? `${word}.\n\n` : `${word} `)).join('');
  return {
    id: `page-${back}`,
    day: formatDay(TODAY - back),
    part: 'day',
    mood: ((back % 5) + 1) as JournalPage['mood'],
    feelings: [VOCABULARY[back % 9]!],
    text: text.trim(),
  };
}

type Seen = { ms: number; blockMs: number };

/** Notes every block of the main thread from now on, and gives the longest since it was asked last. */
async function watchBlocks(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const blocks: number[] = [];
    Object.assign(globalThis, { blocks });
    new PerformanceObserver((list) => list.getEntries().forEach((each) => blocks.push(each.duration))).observe({
      type: 'longtask',
    });
  });
  return () =>
    page.evaluate(async () => {
      // Blocks are told a little later.
      await new Promise((resolve) => setTimeout(resolve, 400));
      const { blocks } = globalThis as unknown as { blocks: number[] };
      return Math.max(0, ...blocks.splice(0));
    });
}

async function measured(page: Page, longest: () => Promise<number>, deed: () => Promise<unknown>): Promise<Seen> {
  await longest();
  const startedMs = performance.now();
  await deed();
  const ms = performance.now() - startedMs;
  return { ms, blockMs: await longest() };
}

async function run(browser: Browser, url: string, email: string, lookedFor: string) {
  const page = await (await browser.newContext({ baseURL: url, viewport: PHONE })).newPage();
  await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(page, email);
  await page.getByRole('link', { name: 'Journal', exact: true }).first().waitFor({ timeout: 240_000 });
  await page.waitForTimeout(3000);
  const longest = await watchBlocks(page);
  const tab = (name: string) => page.getByRole('radio', { name, exact: true });
  const seen = { open: [] as Seen[], scroll: [] as Seen[], search: [] as Seen[] };
  await page.getByRole('link', { name: 'Journal', exact: true }).first().click();
  for (let round = 0; round < ROUNDS; round++) {
    await tab('Page').click();
    await page.getByText('Your day').first().waitFor();
    await page.waitForTimeout(500);
    seen.open.push(
      await measured(page, longest, async () => {
        await tab('All pages').click();
        await page.locator('[data-index="1"]').first().waitFor();
      }),
    );
    seen.scroll.push(
      await measured(page, longest, () =>
        page.evaluate(async () => {
          const scroll = document.querySelector('[data-scroll="pages"]')!;
          for (let step = 0; step < 60; step++) {
            scroll.scrollTop += 700;
            await new Promise((resolve) => requestAnimationFrame(resolve));
          }
        }),
      ),
    );
    const field = page.getByLabel('Search all you have written');
    seen.search.push(
      await measured(page, longest, async () => {
        await field.pressSequentially(lookedFor, { delay: 30 });
        await page.getByText(/^Found 1 time/).waitFor({ timeout: 120_000 });
      }),
    );
    await field.fill('');
  }
  await page.close();
  return seen;
}

const wimbel = await startWimbel('bench', { now: NOW });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
try {
  const many = await signUp(wimbel.url, 'many@example.org');
  for (let from = 0; from < PAGES; from += AT_ONCE) {
    const pages = Array.from({ length: Math.min(AT_ONCE, PAGES - from) }, (_, index) => pageOf(from + index));
    await many.send(pages.map((each) => ['journal', each.id, each]));
  }
  const one = await signUp(wimbel.url, 'one@example.org');
  await one.send([['journal', 'page-0', { ...pageOf(PAGES - 1), id: 'page-0', day: formatDay(TODAY) }]]);
  const few = await run(browser, wimbel.url, 'one@example.org', LOOKED_FOR);
  const all = await run(browser, wimbel.url, 'many@example.org', LOOKED_FOR);
  say(`The journal: ${PAGES} pages of ${WORDS} words beside one page, medians of ${ROUNDS}`);
  for (const [what, name] of [
    ['open', 'opening the list'],
    ['scroll', 'scrolling it by 60 screens'],
    ['search', 'searching as one types; the first also gathers all'],
  ] as const) {
    const ms = (of: Seen[]): number => median(of.map((each) => each.ms));
    line(name, ms(all[what]));
    ratio(`${name}, beside one page`, ms(all[what]) / ms(few[what]));
    line(`${name}: longest block of any round`, Math.max(...all[what].map((each) => each.blockMs)));
    line(`${name}: longest block with one page`, Math.max(...few[what].map((each) => each.blockMs)));
  }
  line('the first search, with all gathered', all.search[0]!.ms);
  const rounds = (of: Seen[]): string => of.map(({ blockMs }) => Math.round(blockMs)).join(', ');
  say(
    `  longest blocks by round: opening ${rounds(all.open)}; scrolling ${rounds(all.scroll)}; searching ${rounds(all.search)}`,
  );
} finally {
  await browser.close();
  await wimbel.end();
}
