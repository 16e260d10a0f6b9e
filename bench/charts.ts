import { type Page, chromium } from '@playwright/test';
import { type Entry, buildTrack, dayOf, formatDay, spanReview } from '@wimbel/core';
import pg from 'pg';
import { FIRST, HABITS, NOW, TODAY, fill, habits } from './tenYears.ts';
import { startWimbel } from '../tools/wimbel.ts';
import { CHROMIUM_ARGS, WIDE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { line, median, ratio, rounds, say } from './measure.ts';
import { openingMs, signIn } from './onPage.ts';

const YEAR = Number(TODAY.slice(0, 4));
const ROUNDS = rounds(7);
const OPENINGS = rounds(4);

/**
 * Kept of asked of every habit over everything, by the rules of the numbers, in SQL: due days without today while it is
 * open, and weeks against their quota, of the running one what can no longer be avoided.
 */
const KEPT = `
with days as (
  select h as habit, d::date as day, e.mark is not null as done
  from generate_series(0, ${HABITS - 1}) h
  cross join generate_series(date '${FIRST}', date '${TODAY}', interval '1 day') d
  left join entries e on e.user_id = $1 and e.habit_id = 'h' || h and e.day = d::date and e.mark = 'done'
), fixed as (
  select habit, count(*) filter (where done) as kept, count(*) filter (where done or day < date '${TODAY}') as asked
  from days where habit % 3 <> 2 group by habit
), weeks as (
  select habit, (day - date '${FIRST}') / 7 as week, count(*) filter (where done) as done,
    count(*) filter (where done or day < date '${TODAY}') as counted
  from days where habit % 3 = 2 group by habit, week
), flexible as (
  select habit, sum(least(done, 3)) as kept, round(sum(counted) * 3 / 7) as asked from weeks group by habit
)
select habit, kept, asked from fixed union all select habit, kept, asked from flexible order by habit`;

const dateInWords = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(day),
  );

type Seen = { ms: number; blockMs: number };

/** From an event on the page until a picture of the span is painted, and the longest block of the main thread meanwhile and in the second after. */
async function until(page: Page, deed: () => Promise<unknown>, heading: string): Promise<Seen> {
  await page.evaluate((title) => {
    const blocks: number[] = [];
    new PerformanceObserver((list) => list.getEntries().forEach((each) => blocks.push(each.duration))).observe({
      type: 'longtask',
    });
    const seen = new Promise<Seen>((resolve) => {
      const watch = ({ timeStamp }: MouseEvent): void => {
        const look = (): void => {
          const isThere =
            document.querySelector('h1')?.textContent === title &&
            document.querySelector('[data-shown]')?.getAttribute('data-shown') === title &&
            document.querySelector('[data-testid="days-plate"] path');
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => {
            if (!isThere) requestAnimationFrame(look);
            else {
              const ms = performance.now() - timeStamp;
              setTimeout(() => resolve({ ms, blockMs: Math.max(0, ...blocks) }), 1000);
            }
          };
          port2.postMessage(null);
        };
        requestAnimationFrame(look);
      };
      window.addEventListener('click', watch, { once: true, capture: true });
    });
    Object.assign(globalThis, { seen });
  }, heading);
  await deed();
  return page.evaluate(() => (globalThis as unknown as { seen: Promise<Seen> }).seen);
}

const wimbel = await startWimbel('bench', { now: NOW });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
const sql = new pg.Client({ connectionString: wimbel.databaseUrl() });
try {
  const email = 'charts@example.org';
  const id = await fill(wimbel.url, wimbel.databaseUrl(), email);
  await sql.connect();
  const page = await (await browser.newContext({ baseURL: wimbel.url, viewport: WIDE })).newPage();
  // What runs in the page is compiled with the names of its functions kept by a helper of this name.
  await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(page, email);
  await page.getByRole('link', { name: 'Charts', exact: true }).first().waitFor({ timeout: 240_000 });
  await page.waitForTimeout(3000);

  const rounds = { year: [] as Seen[], all: [] as Seen[], before: [] as Seen[] };
  const radio = (name: string) => page.getByRole('radio', { name, exact: true });
  const sqlMs: number[] = [];
  let kept: { habit: number; kept: string; asked: string }[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    await page.getByRole('link', { name: 'Log', exact: true }).first().click();
    await page.getByRole('grid').waitFor();
    await page.waitForTimeout(1000);
    rounds.year.push(
      await until(page, () => page.getByRole('link', { name: 'Charts', exact: true }).first().click(), String(YEAR)),
    );
    rounds.all.push(await until(page, () => radio('All').click(), `Since ${dateInWords(FIRST)}`));
    await until(page, () => radio('Year').click(), String(YEAR));
    rounds.before.push(
      await until(
        page,
        () => page.getByRole('button', { name: 'The year before', exact: true }).first().click(),
        String(YEAR - 1),
      ),
    );
    const startedMs = performance.now();
    kept = (await sql.query<(typeof kept)[number]>(KEPT, [id])).rows;
    sqlMs.push(performance.now() - startedMs);
  }
  const worked = await page.evaluate(() =>
    performance
      .getEntriesByName('review')
      .map((each) => ({ kind: (each as unknown as { detail: { kind: string } }).detail.kind, ms: each.duration })),
  );

  // The same figures by core, here: every one of them has to agree with the database's.
  const { rows } = await sql.query<{ habit_id: string; day: string }>(
    `select habit_id, day::text from entries where user_id = $1 and mark = 'done'`,
    [id],
  );
  const byHabit = new Map<string, Entry[]>(habits.map((habit) => [habit.id, []]));
  for (const { habit_id: habitId, day } of rows) byHabit.get(habitId)!.push({ habitId, day, mark: 'done' });
  const today = dayOf(TODAY);
  const tracks = habits.map((habit) => buildTrack(habit, byHabit.get(habit.id)!, today, 'monday'));
  const options = {
    kind: 'all' as const,
    span: { first: dayOf(FIRST), last: today },
    weekStart: 'monday' as const,
    passMark: 0.85,
    today,
  };
  const review = spanReview(tracks, options);
  for (const { habit, kept: held, asked } of kept) {
    const own = review.habits.find((each) => each.id === `h${habit}`)!.kept;
    if (own.kept !== Number(held) || own.asked !== Number(asked))
      throw new Error(`h${habit}: core ${own.kept} of ${own.asked}, SQL ${held} of ${asked}, at ${formatDay(today)}`);
  }

  // By its address the whole record is fetched, taken in and laid out first.
  const byAddress = { all: [] as Seen[], log: [] as Seen[] };
  await page.addInitScript(() => {
    const blocks: number[] = [];
    Object.assign(globalThis, { blocks });
    new PerformanceObserver((list) => list.getEntries().forEach((each) => blocks.push(each.duration))).observe({
      type: 'longtask',
    });
  });
  for (let i = 0; i < OPENINGS; i++) {
    for (const [what, address, cell] of [
      ['all', '/charts?span=all', '[data-testid="days-plate"] path'],
      ['log', '/log?span=week', '[data-day]'],
    ] as const) {
      const ms = await openingMs(page, address, cell);
      await page.waitForTimeout(1500);
      const blockMs = await page.evaluate(() => Math.max(0, ...(globalThis as unknown as { blocks: number[] }).blocks));
      byAddress[what].push({ ms, blockMs });
    }
  }

  const of = (seen: Seen[], key: keyof Seen): number => median(seen.map((each) => each[key]));
  const reviewMs = (kind: string): number => median(worked.filter((each) => each.kind === kind).map(({ ms }) => ms));
  say(
    `\nThe charts of ${HABITS} habits × 10 years (${rows.length} records), in Chromium, beside the same figures in SQL`,
  );
  line('from the tap to the painted heat map of the year (median)', of(rounds.year, 'ms'));
  line('the same of everything, ten plates', of(rounds.all, 'ms'));
  line('the same of the year before', of(rounds.before, 'ms'));
  line('longest block of the main thread, opening the year (median)', of(rounds.year, 'blockMs'));
  line('the same, opening everything', of(rounds.all, 'blockMs'));
  line('the same, changing to the year before', of(rounds.before, 'blockMs'));
  line('everything opened by its address, the whole record fetched (median)', of(byAddress.all, 'ms'));
  line('a week of the log opened by its address, the same record fetched', of(byAddress.log, 'ms'));
  ratio('everything by its address / a week of the log', of(byAddress.all, 'ms') / of(byAddress.log, 'ms'));
  line('longest block, everything by its address', of(byAddress.all, 'blockMs'));
  line('longest block, a week of the log by its address', of(byAddress.log, 'blockMs'));
  line('the figures of ten years in the worker, tracks already there (median)', reviewMs('all'));
  line('the figures of a year in the worker', reviewMs('year'));
  line('kept of asked of ten years in one SQL query (median)', median(sqlMs));
  ratio('all figures of ten years / the SQL query of kept and asked', reviewMs('all') / median(sqlMs));
  ratio('opening everything / opening the year', of(rounds.all, 'ms') / of(rounds.year, 'ms'));
  say(`  core and SQL agree on ${kept.length} habits`);
} finally {
  await browser.close();
  await sql.end();
  await wimbel.end();
}
