import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { TODAY } from '../driver/server.ts';
import { ROOT, STATE } from '../../scripts/machine/system.mjs';
import { PHONE, WIDE } from '../playwright.config.ts';

type Figures = {
  actual: number;
  target: number;
  left: number;
  share: number | null;
  amount?: number;
  amountTarget?: number | null;
};
type Kept = { kept: number; asked: number; rate: number | null };
type HabitReport = {
  streak: {
    unit: string;
    current: number;
    from: string | null;
    longest: number;
    longestFrom: string | null;
    longestTo: string | null;
  };
  kept: Record<'last7' | 'last30' | 'month' | 'year' | 'all', Kept>;
  weeks: Record<string, Figures>;
  months: Record<string, Figures & { ribbon: boolean }>;
  years: Record<string, Figures>;
  last30: { done: number; sum: number; change: { done: number; sum: number } };
  finishedOn: string | null;
};
type KeyResultReport = {
  current: number;
  progress: number;
  pace: string | null;
  forecast: string | null;
  neededPerWeek: number | null;
  checkpoints: { month: string; target: number; start: number; end: number; growth: number; reached: boolean }[];
};
type GoalReport = {
  progress: number | null;
  expected: number | null;
  pace: string | null;
  daysLeft: number | null;
  keyResults: Record<string, KeyResultReport>;
  steps: Record<string, string>;
};
type Report = {
  habits: Record<string, HabitReport>;
  days: Record<string, { done: number; due: number; score: number | null }>;
  months: Record<
    string,
    Omit<Figures, 'left'> & {
      fullDays: number;
      brightDays: number;
      ribbons: number;
      ranking: string[];
      areas: Record<string, { actual: number; target: number; share: number | null }>;
    }
  >;
  goals: Record<string, GoalReport>;
};

const report = (): Report =>
  JSON.parse(
    execFileSync('npx', ['tsx', 'scripts/report.ts', join(STATE, 'e2e-sample.json'), '--today', TODAY], {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    }),
  ) as Report;
const sample = () =>
  JSON.parse(readFileSync(join(STATE, 'e2e-sample.json'), 'utf8')) as {
    habits: { id: string; name: string }[];
    areas: { id: string; name: string }[];
    goals: { id: string; title: string; state: string }[];
    keyResults: { id: string; goalId: string; title: string; checkpoints?: object }[];
    steps: { id: string; goalId: string; title: string }[];
  };

const UNIT: Record<string, string> = { days: 'day', weeks: 'week', months: 'month' };
const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
const percent = (share: number | null): string => (share === null ? '–' : `${Math.floor(share * 100 + 0.5)}\u00a0%`);
const dated = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    ...(day.startsWith(TODAY.slice(0, 4)) ? {} : { year: 'numeric' }),
    timeZone: 'UTC',
  }).format(new Date(day));

/** The amounts that a text tells, back in the unit of the record: "12.4 km" is 12400, "3:20 h" is 200, "€1,200" is 1200. */
const amountsIn = (text: string): number[] =>
  [...text.matchAll(/(\d+):(\d\d) h|([\d,]+(?:\.\d+)?)(\s?km)?/g)].map(([, hours, minutes, digits, km]) =>
    hours === undefined ? Number(digits!.replaceAll(',', '')) * (km ? 1000 : 1) : Number(hours) * 60 + Number(minutes),
  );

test('what the screens show of the sample is what the report says', async ({ browser }) => {
  const said = report();
  const { habits, goals } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const { done, due } = said.days[TODAY]!;
  await expect(person.page.getByRole('status').filter({ hasText: `${done} of ${due},` })).toBeVisible();
  for (const { id, name } of habits) {
    const { streak } = said.habits[id]!;
    const row = person.row(name);
    if ((await row.count()) === 0) continue;
    const words = `${streak.current} ${UNIT[streak.unit]}${streak.current === 1 ? '' : 's'}`;
    if (streak.current > 0) await expect(row).toContainText(words);
  }

  for (const [month, address] of [
    ['2026-11', '/log'],
    ['2026-04', '/log?month=2026-04'],
  ] as const) {
    await person.visit(address);
    const all = said.months[month]!;
    await expect(
      person.page.getByText(
        new RegExp(`^${all.fullDays} full days? · ${all.brightDays} bright days? · ${all.ribbons} ribbons?$`),
      ),
    ).toBeVisible();
    let compared = 0;
    for (const { id, name } of habits) {
      const figures = said.habits[id]!.months[month];
      const group = person.figures(name);
      if (figures === undefined || (await group.count()) === 0) continue;
      const label = await group.getAttribute('aria-label');
      expect(label).toContain(`${name}: ${figures.actual} done of ${figures.target}, ${figures.left} left`);
      expect(label?.includes('ribbon')).toBe(figures.ribbon);
      compared++;
    }
    expect(compared).toBeGreaterThan(8);
  }

  await person.visit('/goals');
  for (const { id, title, state } of goals) {
    const { progress, pace } = said.goals[id]!;
    const card = person.page.getByRole('link', { name: new RegExp(`^${title}, `) });
    await expect(card).toContainText(new RegExp(`${Math.floor(progress! * 100 + 0.5)}\\s%`));
    if (state === 'open') await expect(card).toContainText(pace === 'onPace' ? 'on pace' : pace!);
  }
  await person.leave();
});

test('the charts of a week, a month and a year say what the report says', async ({ browser }) => {
  const said = report();
  const { habits, areas } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const nameOf = new Map(habits.map(({ id, name }) => [id, name]));
  const ranked = person.card('Set against done').getByRole('link');
  const month = said.months['2026-11']!;
  for (const [address, figuresOf, count] of [
    ['/charts?span=month', (id: string) => said.habits[id]!.months['2026-11'], month.ranking.length],
    ['/charts?span=week', (id: string) => said.habits[id]!.weeks['2026-11-23'], null],
    ['/charts', (id: string) => said.habits[id]!.years['2026'], null],
  ] as const) {
    await person.visit(address);
    await ranked.first().waitFor();
    const labels = await ranked.evaluateAll((links) => links.map((each) => each.getAttribute('aria-label')!));
    if (count !== null) expect(labels).toHaveLength(count);
    expect(labels.length).toBeGreaterThan(9);
    for (const label of labels) {
      const [, name, actual, target, share] = /^\d+\. (.*): (\d+) of (\d+), ([\d–]+\s?%?)/.exec(label)!;
      const figures = figuresOf(habits.find((each) => each.name === name)!.id)!;
      expect([name, Number(actual), Number(target), share]).toEqual([
        name,
        figures.actual,
        figures.target,
        percent(figures.share),
      ]);
    }
  }
  await person.visit('/charts?span=month');
  const order = await ranked.evaluateAll((links) => links.map((each) => each.getAttribute('aria-label')!));
  expect(order.map((label) => /^\d+\. (.*): \d+ of/.exec(label)![1])).toEqual(
    month.ranking.map((id) => nameOf.get(id)),
  );
  for (const [id, { actual, target, share }] of Object.entries(month.areas)) {
    const name = areas.find((area) => area.id === id)?.name ?? 'No area';
    await expect(page.getByRole('group', { name: `${name}: ${actual} of ${target}, ${percent(share)}` })).toBeVisible();
  }
  await expect(
    page.getByRole('img', { name: `Heat map of November 2026: ${counted(month.fullDays, 'full day')} of 24` }),
  ).toBeVisible();
  await expect(
    page.getByRole('img', {
      name: `Share per day of November 2026: ${counted(month.brightDays, 'day')} at the pass mark`,
    }),
  ).toBeVisible();
  const kept = Object.values(said.habits).reduce((sum, each) => sum + each.kept.month.kept, 0);
  const asked = Object.values(said.habits).reduce((sum, each) => sum + each.kept.month.asked, 0);
  await expect(page.getByRole('note', { name: 'In words' })).toContainText(
    `${percent(kept / asked)} kept, ${kept} of ${asked}`,
  );
  await person.leave();
});

test('charts go from span to span and back, of everything, an area or a habit, and every mark leads to its day', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.openSample();
  await person.go('Charts');
  await expect(page.getByRole('heading', { name: '2026', exact: true })).toBeVisible();
  await expect(
    person.card('Goals on one axis').getByRole('link', { name: /^Swim across the bay, 34.*behind, at this rate by/ }),
  ).toBeVisible();
  await person.choose('Month');
  await expect(person.heading('November 2026').first()).toBeVisible();
  await person.button('The month before').first().click();
  await expect(person.heading('October 2026')).toBeVisible();
  const weeks = person.card('Weeks compared');
  await weeks.getByTestId('bars').press('Home');
  await expect(weeks.getByRole('status')).toContainText(/^Week of 28 September to 4 October: \d+ of \d+, \d+/);
  await page.goBack();
  await expect(person.heading('November 2026').first()).toBeVisible();
  await person.choose('All');
  await expect(page.getByTestId('days-plate')).toHaveCount(2);
  await page.reload();
  await expect(page.getByTestId('days-plate')).toHaveCount(2);
  await person.choose('Quarter');
  await expect(person.heading('October to December 2026')).toBeVisible();
  await page.getByRole('button', { name: /^Charts of/ }).click();
  await person.choose('Boat yard');
  await expect(page.getByRole('link', { name: /^1\. / })).toBeVisible();
  await expect(person.card('Set against done')).not.toContainText('Cold swim');
  await page.getByRole('button', { name: /^Charts of/ }).click();
  await person.choose('Cold swim');
  await expect(
    page.getByRole('img', { name: /^Heat map of October to December 2026, Cold swim: \d+ of \d+ asked/ }),
  ).toBeVisible();
  await expect(person.card('Added up')).toContainText(/24 November: \d+ days of \d+, \d+ planned by then/);
  await page.getByTestId('days-plate').press('ArrowLeft');
  await person.card('Cold swim').getByRole('button', { name: 'See it in the log' }).click();
  await expect(page).toHaveURL(/\/log\?span=week&day=2026-11-2\d&at=/);
  await person.visit('/charts');
  const saved = async (deed: () => Promise<void>, ending: string, holds: RegExp): Promise<void> => {
    const saving = page.waitForEvent('download');
    await deed();
    const file = await saving;
    expect(file.suggestedFilename()).toBe(ending);
    expect(readFileSync(await file.path(), 'latin1')).toMatch(holds);
    await expect(page.getByText(`Saved as ${ending}`)).toBeVisible();
  };
  await person.button('Save or print').click();
  await saved(
    () => person.button('All figures, as CSV').click(),
    'wimbel-2026-figures.csv',
    /habit,Cold swim,2026-01-01,2026-12-31,159,140,/,
  );
  for (const [card, what, ending, holds] of [
    [
      'Every day',
      'Save as SVG',
      'wimbel-2026-every-day.svg',
      /^<svg [^>]*xmlns="http:\/\/www.w3.org\/2000\/svg"[\s\S]*Every day[\s\S]*everything asked/,
    ],
    ['Goals on one axis', 'Save as PNG', 'wimbel-2026-goals-on-one-axis.png', /^.PNG/],
    ['Set against done', 'Save as SVG', 'wimbel-2026-set-against-done.svg', /2\. Cold swim[\s\S]*159 of 140, 114/],
    ['Weekdays', 'Save its figures, as CSV', 'wimbel-2026-weekdays.csv', /Weekday,Kept,Asked,Rate,Before\nMonday,/],
  ] as const) {
    await person.button(`More of ${card}`).click();
    await saved(() => person.button(what).click(), ending, holds);
  }
  await person.button('Between two days').click();
  await page.getByLabel('First day').fill('2026-11-10');
  await page.getByLabel('Last day').fill('2026-11-01');
  await person.button('Show').click();
  await expect(page.getByText('The last day is before the first')).toBeVisible();
  await page.getByLabel('Last day').fill('2026-11-20');
  await person.button('Show').click();
  await expect(person.heading('10 to 20 November')).toBeVisible();
  await expect(page.getByRole('note', { name: 'In words' })).toContainText('as many days before.');
  await person.card('Part by part').getByTestId('bars').press('Home');
  await expect(person.card('Part by part').getByRole('status')).toContainText(/^10 November: \d+ of \d+, /);
  await person.button('The stretch before').click();
  await expect(person.heading('30 October to 9 November')).toBeVisible();
  await person.choose('Week');
  await expect(person.heading('23 to 29 November')).toBeVisible();
  await person.visit('/charts?span=month&day=2024-02-10');
  await expect(person.heading('February 2024')).toBeVisible();
  await expect(page.getByText('Nothing was asked in this span.')).toBeVisible();
  await person.leave();
});

test('every mark of the pictures names its figures as the report has them', async ({ browser }) => {
  const said = report();
  const { habits, goals } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const statusOf = (card: string) => person.card(card).getByRole('status');
  const tableOf = async (card: string): Promise<string[][]> => {
    await person.button(`More of ${card}`).click();
    await person.button('Its figures as a table').click();
    const rows = page.getByRole('table', { name: `Figures of ${card}` }).getByRole('row');
    return rows.evaluateAll((all) =>
      all.slice(1).map((row) => [...row.children].map((cell) => cell.textContent ?? '')),
    );
  };

  // The year: each day of the plate, then a few of the ring.
  await person.visit('/charts');
  const days = await tableOf('Every day');
  expect(days).toHaveLength(328);
  for (const [day, done, asked, share] of days) {
    const own = said.days[day!];
    if (own === undefined) expect([day, asked]).toEqual([day, '0']);
    else expect([day, done, asked, share]).toEqual([day, String(own.done), String(own.due), percent(own.score)]);
  }
  const ring = page.getByTestId('year-ring');
  await ring.press('Escape');
  // The first key begins at today, up and down go by weeks.
  await ring.press('ArrowLeft');
  for (const day of ['2026-11-24', '2026-11-17', '2026-11-10']) {
    const { done, due, score } = said.days[day]!;
    await expect(statusOf('The year as one turn')).toContainText(`${done} of ${due}, ${percent(score)}`);
    await ring.press('ArrowUp');
  }

  // A month: the calendar under the mouse, day by day; the share per day.
  await person.visit('/charts?span=month');
  const plate = page.getByTestId('days-plate');
  await plate.press('Home');
  for (let day = 1; day <= 24; day++) {
    const { done, due, score } = said.days[`2026-11-${String(day).padStart(2, '0')}`]!;
    await expect(statusOf('Every day')).toContainText(` ${day} November: ${done} of ${due}, ${percent(score)}`);
    await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('Escape');
  await expect(statusOf('Every day')).toContainText('Choose a day');
  const line = page.getByTestId('share-line');
  const box = (await line.boundingBox())!;
  await line.scrollIntoViewIfNeeded();
  await line.hover({ position: { x: box.width - 10, y: 60 } });
  await expect(statusOf('Share per day')).toContainText(/24 November: /);
  await page.mouse.move(0, 0);
  await expect(statusOf('Share per day')).toContainText('Choose a day');

  // A week of one habit, and its amounts.
  const swim = habits.find(({ id }) => id === 'swim')!.name;
  await person.visit('/charts?span=year&habit=swim');
  const { kept, streak, years, months } = said.habits.swim!;
  await expect(person.card(swim)).toContainText(`${kept.year.kept} of ${kept.year.asked} asked`);
  const amounts = await tableOf('Amounts compared');
  for (const [month, amount] of amounts) {
    const key = `2026-${String(new Date(`1 ${month}`).getMonth() + 1).padStart(2, '0')}`;
    if (months[key] !== undefined) expect(Number(amount!.replaceAll(',', ''))).toBe(months[key].amount);
  }
  expect(amounts).toHaveLength(12);
  await expect(person.card('Added up')).toContainText(`${years['2026']!.actual} days of ${years['2026']!.target}`);
  await page.getByTestId('runs').press('Home');
  await expect(statusOf('Runs')).toContainText(counted(streak.longest, UNIT[streak.unit]!));
  await page.getByTestId('trend').press('End');
  await expect(statusOf('Trend')).toContainText(/Four weeks to 24 November: \d+ of \d+, \d+/);

  // A goal: its key results along time.
  const island = goals.find(({ id }) => id === 'island')!;
  await person.visit('/charts?goal=island');
  await expect(person.card('The goal over time').getByRole('link')).toHaveAccessibleName(
    new RegExp(`^${island.title}, ${percent(said.goals.island!.progress)}`),
  );
  const results = await tableOf('Its key results');
  const reported = Object.values(said.goals.island!.keyResults);
  expect(results.map((row) => row[1])).toEqual(reported.map(({ progress }) => percent(progress)));
  await person.leave();
});

test('charts of a goal, an area or a habit are chosen, shared by their address, and said when they are gone', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.addHabit({ name: 'Scales', from: '2026-11-18' });
  await person.go('Charts');
  // A week of record says what it needs.
  await expect(person.card('Weekdays')).toContainText('Needs two weeks of record; so far there are 7 days.');
  await page.getByRole('button', { name: /^Charts of/ }).click();
  await person.choose('Scales');
  await expect(person.card('Trend')).toContainText('A trend needs two weeks of record');
  await expect(person.card('Runs')).toContainText('No run in this span yet.');
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Charts of: All habits' })).toBeVisible();
  await person.visit('/charts?goal=nowhere');
  await expect(page.getByText('What these charts were of is no longer there. This is everything.')).toBeVisible();
  await person.leave();
});

test('mood stands beside habits once the journal has enough of it, with both counts', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  const habit = (id: string, name: string, startsOn: string): [string, string, object] => [
    'habits',
    id,
    {
      id,
      name,
      order: 1,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: startsOn, schedule: { kind: 'daily' } }],
      startsOn,
    },
  ];
  await person.send([habit('scales', 'Scales', '2026-11-01'), habit('pieces', 'Pieces', '2026-11-20')]);
  await page.reload();
  await person.go('Charts');
  await expect(person.card('Set against done')).toBeVisible();
  await expect(person.card('Mood beside habits')).toHaveCount(0);
  const day = (index: number): string => `2026-11-${String(index).padStart(2, '0')}`;
  await person.send([
    ...Array.from({ length: 12 }, (_, index): [string, string, object] => [
      'journal',
      `j${index}`,
      { id: `j${index}`, day: day(index + 1), part: 'day', mood: index < 6 ? 4 : index < 9 ? 2 : 3 },
    ]),
    ...Array.from({ length: 6 }, (_, index): [string, string, object] => [
      'entries',
      `${day(index + 1)} scales`,
      { habitId: 'scales', day: day(index + 1), mark: 'done' },
    ]),
  ]);
  await page.reload();
  const card = person.card('Mood beside habits');
  await expect(card).toBeVisible();
  await card.getByTestId('moods').press('ArrowDown');
  await expect(card.getByRole('status')).toContainText('Scales: 4.0 on 6 done days, 2.5 on 6 others');
  await page.keyboard.press('Escape');
  await expect(card).toContainText('What went together');
  await person.visit('/charts?span=month&day=2026-10-10');
  await expect(card).toContainText('Needs five days with a mood');
  await person.leave();
});

test('a month and a year go on one sheet of paper each', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE, scheme: 'dark' });
  const { page } = person;
  await person.openSample();
  await person.visit('/charts?span=month');
  await person.button('Save or print').click();
  await person.button('Print on one page').click();
  await expect(person.heading('As it will be printed')).toBeVisible();
  for (const address of [null, '/charts/print', '/charts/print?habit=swim', '/charts/print?goal=island&span=month']) {
    if (address !== null) await person.visit(address);
    await page.getByText('Wimbel, 24 November').waitFor();
    await page.clock.runFor(1000);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type \/Page\b/g), address ?? 'from the charts').toHaveLength(1);
    expect(pdf).toMatch(/\/MediaBox \[0 0 59[45](\.\d+)? 84[12](\.\d+)?\]/);
  }
  const { violations } = await new AxeBuilder({ page: page as never })
    .withTags(['wcag2a', 'wcag2aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html.slice(0, 300)}`)).toEqual([]);
  await person.button('Back to the charts').click();
  await expect(person.heading('As it will be printed')).toBeHidden();
  await person.leave();
});

/** How the sentence of each pace begins. */
const PACE: Record<string, RegExp> = {
  reached: /Reached\./,
  overdue: /Overdue by/,
  ahead: /Ahead\./,
  behind: /Behind: by now/,
  onPace: /On pace:/,
};
/** How each state of a step is told. */
const STEP: Record<string, RegExp> = {
  doneInTime: /, done \d+ \w+(, in time)?(, |$)/,
  doneLate: /, done \d+ \w+, \d+ days? late/,
  overdue: /, overdue by \d+ days?/,
  dueSoon: /, due (today|in \d days?)/,
  open: /, more(, due \d+ \w+( \d+)?)?(, (priority|for|\w+ impact).*)?$/,
};

test('the pages of the goals say what the report says: every kind, pace and state', async ({ browser }) => {
  const said = report();
  const { goals, keyResults, steps } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const paces = new Set<string | null>();
  for (const { id, title, state } of goals) {
    const goal = said.goals[id]!;
    await person.visit(`/goals/${id}`);
    await expect(person.heading(title)).toBeVisible();
    const standing = person.card('How it stands');
    await expect(standing).toContainText(percent(goal.progress));
    if (state === 'open') {
      if (goal.expected !== null) await expect(standing).toContainText(`${percent(goal.expected)} expected by today`);
      await expect(standing).toContainText(goal.pace === 'onPace' ? 'on pace' : goal.pace!);
      const left = goal.daysLeft!;
      const words = left < 0 ? `overdue by ${counted(-left, 'day')}` : `${counted(left, 'day')} left`;
      await expect(page.getByText(words).first()).toBeVisible();
    } else await expect(standing).toContainText(state);
    for (const { id: own, title: name } of keyResults.filter((each) => each.goalId === id)) {
      const figures = goal.keyResults[own]!;
      const row = person.keyResult(name);
      const label = (await row.getAttribute('aria-label'))!;
      expect(label).toContain(`, ${percent(figures.progress)}.`);
      const current = /: (yes|not yet)/.test(label)
        ? label.includes(': yes')
          ? 1
          : 0
        : amountsIn(label.slice(name.length))[0];
      expect(current, label).toBe(figures.current);
      if (state !== 'open') continue;
      paces.add(figures.pace);
      await expect(row).toContainText(PACE[figures.pace!]!);
      if (figures.pace === 'ahead') await expect(row).toContainText(`reached by ${dated(figures.forecast!)}.`);
      if (figures.pace === 'behind' || figures.pace === 'onPace') {
        const needed = Number(Math.abs(figures.neededPerWeek!).toPrecision(2)).toLocaleString('en-GB');
        await expect(row).toContainText(new RegExp(`${needed.replace('.', '\\.')} \\w*\\s?a week from here`));
      }
    }
    for (const { id: own, title: name } of steps.filter((each) => each.goalId === id)) {
      const state_ = goal.steps[own]!;
      await expect(page.getByRole('button', { name: new RegExp(`^${name}, more`) })).toHaveAccessibleName(
        STEP[state_]!,
      );
    }
    for (const { id: own, title: name } of keyResults.filter((each) => each.goalId === id && each.checkpoints)) {
      await page.getByRole('radio', { name, exact: true }).click();
      const rows = page.getByRole('table', { name: `Checkpoints of ${name}` }).getByRole('row');
      const { checkpoints } = goal.keyResults[own]!;
      await expect(rows).toHaveCount(checkpoints.length + 1);
      for (const [index, each] of checkpoints.entries()) {
        const isToCome = each.month > TODAY.slice(0, 7);
        const number = (value: number): string => value.toLocaleString('en-GB');
        const cells = isToCome
          ? [number(each.target), '–', '–', '–', 'to come']
          : [
              number(each.target),
              number(each.start),
              number(each.end),
              each.growth > 0 ? `+${number(each.growth)}` : number(each.growth),
              each.reached ? 'met' : each.month === TODAY.slice(0, 7) ? 'running' : 'missed',
            ];
        expect(
          (
            await rows
              .nth(index + 1)
              .getByRole('cell')
              .allTextContents()
          ).slice(1),
        ).toEqual(cells);
      }
    }
  }
  expect(paces).toEqual(new Set(['reached', 'overdue', 'ahead', 'behind', 'onPace']));
  await person.leave();
});

test('a habit’s page says what the report says, for a habit of each kind', async ({ browser }) => {
  const said = report();
  const { habits } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const amounts: string[] = [];
  for (const id of ['scales', 'swim', 'sand', 'splice', 'cards', 'birds', 'coffee', 'screen', 'busk']) {
    const { streak, kept, months, years, last30, finishedOn } = said.habits[id]!;
    await person.visit(`/habits/${id}`);
    await expect(person.heading(habits.find((each) => each.id === id)!.name)).toBeVisible();
    const unit = UNIT[streak.unit]!;
    const text = async (title: string): Promise<string> =>
      (await person.card(title).innerText()).replace(/\s*\n\s*/g, ' ');

    const { current, from, longest, longestFrom, longestTo } = streak;
    expect(await text('Streak')).toContain(
      from === null ? 'Now no streak yet' : `Now ${counted(current, unit)}, since ${dated(from)}`,
    );
    expect(await text('Streak')).toContain(
      `Longest ${counted(longest, unit)}, ${dated(longestFrom!)} to ${dated(longestTo!)}`,
    );

    const names = { last7: '7 days', last30: '30 days', month: 'This month', year: 'This year', all: 'In all' };
    for (const [span, name] of Object.entries(names)) {
      const { kept: held, asked, rate } = kept[span as keyof typeof kept];
      const words = asked === 0 ? 'nothing asked' : `${held} of ${asked}, ${percent(rate)}`;
      expect(await text('Kept'), `${id} ${span}`).toContain(`${name} ${words}`);
    }

    const month = months[TODAY.slice(0, 7)]!;
    expect(await text('Month')).toContain(
      `${percent(month.share)} ${month.actual} of ${month.target}, ${month.left} left`,
    );
    expect(await person.card('Month').getByRole('img', { name: 'Ribbon' }).count()).toBe(month.ribbon ? 1 : 0);
    const year = years[TODAY.slice(0, 4)]!;
    expect(await text('Targets')).toContain(`${month.actual} of ${month.target}, ${percent(month.share)}`);
    expect(await text('Targets')).toContain(`${year.actual} of ${year.target}, ${percent(year.share)}`);
    for (const { amount, amountTarget } of [month, year]) {
      if (amount === undefined || typeof amountTarget !== 'number') continue;
      amounts.push(id);
      expect(amountsIn(await text('Targets'))).toEqual(expect.arrayContaining([amount, amountTarget]));
    }

    const sign = last30.change.done > 0 ? '+' : last30.change.done < 0 ? '\u2212' : '';
    expect(await text('30 days')).toContain(
      `Done ${counted(last30.done, 'day')}, ${sign}${Math.abs(last30.change.done)}`,
    );
    if (month.amount !== undefined)
      expect(amountsIn((await text('30 days')).replace(/^.*Amount/, ''))).toEqual(
        expect.arrayContaining([last30.sum, Math.abs(last30.change.sum)]),
      );
    if (finishedOn !== null) expect(await text('Finish line')).toContain(`reached on ${dated(finishedOn)}`);
  }
  expect(new Set(amounts)).toEqual(new Set(['swim', 'busk']));
  expect(said.habits.splice!.finishedOn).not.toBeNull();
  await person.leave();
});

test('the log says what the report says, over a week, a month and a year', async ({ browser }) => {
  const said = report();
  const { habits } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  for (const [address, of] of [
    ['/log?span=week', ({ weeks }: HabitReport) => weeks['2026-11-23']],
    ['/log?span=week&day=2026-10-29', ({ weeks }: HabitReport) => weeks['2026-10-26']],
    ['/log?span=year', ({ years }: HabitReport) => years['2026']],
    ['/log?span=year&day=2025-12-01', ({ years }: HabitReport) => years['2025']],
  ] as const) {
    await person.visit(address);
    await expect(person.page.getByRole('grid')).toBeVisible();
    let compared = 0;
    for (const { id, name } of habits) {
      const figures = of(said.habits[id]!);
      const group = person.figures(name);
      if (figures === undefined || (await group.count()) === 0) continue;
      const { actual, target, left, share, amount, amountTarget } = figures;
      const label = (await group.getAttribute('aria-label'))!;
      expect(label, address).toContain(`${name}: ${actual} done of ${target}, ${left} left, ${percent(share)}`);
      if (amount) expect(amountsIn(label.slice(label.indexOf('%') + 1)), label).toContain(amount);
      if (amountTarget) expect(amountsIn(label), label).toContain(amountTarget);
      compared++;
    }
    expect(compared, address).toBeGreaterThan(7);
  }

  await person.visit('/log');
  const { actual, target, share } = said.months['2026-11']!;
  await expect(person.figures('All habits')).toHaveAccessibleName(
    new RegExp(`${actual} done of ${target}, .*${percent(share)}`),
  );
  for (const [day, { done, due, score }] of Object.entries(said.days)) {
    if (!day.startsWith('2026-11')) continue;
    const foot = person.page.getByTestId(`day-${Math.floor(Date.parse(day) / 86_400_000)}`);
    await expect(foot, day).toHaveAccessibleName(new RegExp(`, ${done} of ${due}, ${percent(score)}`));
  }
  await person.leave();
});

const DAILY = ['/today', '/log', '/habits/swim', '/settings', '/goals', '/goals/island', '/goals/new', '/goals/due'];
/** Sheets over a screen: what is tapped to open them. */
const SHEETS = ['Check in', 'Add a key result', 'More about this goal', 'Add a milestone', 'Run the halyards, more'];
const SCREENS = [
  '/today',
  '/log',
  '/log?span=week',
  '/log?as=list',
  '/habits/swim',
  '/habits/new',
  '/settings',
  '/settings/habits',
  '/settings/areas',
  '/charts',
  '/charts?span=month',
  '/charts?span=quarter&area=bay',
  '/charts?span=all&habit=swim',
  '/charts?goal=island&span=month',
  '/charts?span=week',
  '/charts?from=2026-11-01&to=2026-11-10',
  '/goals',
  '/goals/island',
  '/goals/new',
  '/goals/new/direct',
  '/goals/year',
  '/goals/due',
  '/settings/quotes',
];

test('text at 200 % loses nothing', async ({ browser }) => {
  test.setTimeout(400_000);
  // A window shown at twice its size has half the room: 1280 × 800 become 640 × 400. 320 is the narrowest phone.
  for (const size of [
    { width: 640, height: 400 },
    { width: 320, height: 640 },
  ]) {
    const person = await Person.at(browser, { size });
    await person.openSample();
    for (const address of SCREENS) {
      await person.visit(address);
      await expect(person.page.getByRole('heading').first()).toBeVisible();
      await person.page.clock.runFor(500);
      expect(await person.cutWords(), `${address} at ${size.width}`).toEqual([]);
    }
    await person.leave();
  }
});

for (const [scheme, size] of [
  ['light', PHONE],
  ['dark', WIDE],
] as const) {
  test(`no screen has a fault that axe finds, in the ${scheme} theme`, async ({ browser }) => {
    test.setTimeout(600_000);
    const person = await Person.at(browser, { size, scheme });
    await person.openSample();
    // The screens of every day in both themes, the others each in one.
    const others = SCREENS.filter((each) => !DAILY.includes(each));
    const half = others.filter((_, index) => (index % 2 === 0) === (scheme === 'light'));
    const analyse = async (what: string): Promise<void> => {
      await person.page.clock.runFor(500);
      // What is still moving has other colours.
      await person.page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running'));
      const { violations } = await new AxeBuilder({ page: person.page as never })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
        .analyze();
      expect(
        violations.map(({ id, nodes }) => `${what}: ${id} ${nodes[0]?.html.slice(0, 420)} ${nodes[0]?.failureSummary}`),
      ).toEqual([]);
    };
    for (const address of [...DAILY, ...half]) {
      await person.visit(address);
      await expect(person.page.getByRole('heading').first()).toBeVisible();
      await analyse(address);
    }
    await person.visit('/goals/new');
    await person.page.getByLabel('The goal').fill('Carve the tiller');
    await person.button('Next').click();
    await person.button('Enough, look it over').click();
    await expect(person.heading('Look it over')).toBeVisible();
    await analyse('a plan looked over');
    await person.visit('/goals/island');
    for (const key of SHEETS) {
      await person.page
        .getByRole('button', { name: new RegExp(`^${key}`) })
        .first()
        .click();
      await person.page.getByRole('dialog').waitFor();
      await analyse(key);
      await person.page.keyboard.press('Escape');
      await expect(person.page.getByRole('dialog')).toBeHidden();
    }
    await person.leave();
  });
}
