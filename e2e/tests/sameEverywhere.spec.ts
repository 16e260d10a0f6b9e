import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { counted, report, sample } from '../driver/report.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

/** "142 of 195": the two numbers of a share, wherever they stand in some words. */
const twoOf = (words: string): [number, number] => {
  const [, first, second] = /([\d,]+) of ([\d,]+)/.exec(words)!;
  return [first!, second!].map((each) => Number(each.replaceAll(',', ''))) as [number, number];
};

test('what was kept of what was due is one number in the log, in charts, by area and habit by habit, in every span', async ({
  browser,
}) => {
  const { habits, areas } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const spans = [
    // The running week, one that is over and lies across two months, and so on to the year.
    ['/log?span=week', '/charts?span=week'],
    ['/log?span=week&day=2026-10-29', '/charts?span=week&day=2026-10-29'],
    ['/log', '/charts?span=month'],
    ['/log?month=2026-09', '/charts?span=month&day=2026-09-10'],
    ['/log?span=quarter', '/charts?span=quarter'],
    ['/log?span=year', '/charts'],
  ] as const;
  for (const [inLog, inCharts] of spans) {
    await person.visit(inLog);
    const head = person.button(/^[\d,]+ of [\d,]+ due( so far)?, /);
    const [kept, asked] = twoOf((await head.getAttribute('aria-label'))!);
    expect(kept, inLog).toBeLessThanOrEqual(asked);
    await person.visit(inCharts);
    const note = page.getByRole('note', { name: 'In words' });
    await expect(note, inCharts).toContainText(
      `kept, ${kept.toLocaleString('en-GB')} of ${asked.toLocaleString('en-GB')}`,
    );
    // Its parts, in the sheet: every habit with its own two numbers.
    await note.getByRole('button').first().click();
    const made = page.getByRole('dialog').getByRole('list', { name: 'What it is made of' });
    await expect(made).toBeVisible();
    const parts = await made
      .getByRole('link')
      .evaluateAll((links) => links.map((link) => link.getAttribute('aria-label')!));
    await page.keyboard.press('Escape');
    const named = new Set(habits.map(({ name }) => name));
    const sums = parts.map((label) => twoOf(label.slice(label.lastIndexOf(': '))));
    expect(parts.every((label) => named.has(label.slice(0, label.lastIndexOf(': '))))).toBe(true);
    expect(
      sums.reduce(([k, a], [own, its]) => [k + own, a + its], [0, 0]),
      inCharts,
    ).toEqual([kept, asked]);
    // The areas together are the same.
    const card = person.card('By area');
    if ((await card.count()) === 0) continue;
    let together: [number, number] = [0, 0];
    for (const { name } of areas) {
      const own = card.getByRole('group', { name: new RegExp(`^${name}: \\d`) });
      if ((await own.count()) === 0) continue;
      const [k, a] = twoOf((await own.getAttribute('aria-label'))!);
      together = [together[0] + k, together[1] + a];
    }
    expect(together, inCharts).toEqual([kept, asked]);
  }
  await person.leave();
});

test('the month is the same on Today, in the log and in charts, and a past day shows it as it stood then', async ({
  browser,
}) => {
  const said = report();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  await person.visit('/log');
  const inLog = twoOf((await person.button(/due so far, /).getAttribute('aria-label'))!);
  await person.visit('/today');
  const onToday = person.button(/due so far, /);
  expect(twoOf((await onToday.getAttribute('aria-label'))!)).toEqual(inLog);
  const { fullDays } = said.months['2026-11']!;
  await expect(person.button(new RegExp(`^Full days: ${fullDays}\\.`))).toBeVisible();

  await person.visit('/today?day=2026-11-10');
  await expect(person.heading('November up to 10 November')).toBeVisible();
  const [kept, asked] = twoOf((await person.button(/due by then, /).getAttribute('aria-label'))!);
  // A stretch of charts from the first to that day says the same.
  await person.visit('/charts?from=2026-11-01&to=2026-11-10');
  await expect(page.getByRole('note', { name: 'In words' })).toContainText(`kept, ${kept} of ${asked}`);
  // What each habit had done by then, against its target, as the report counts the days up to it.
  const fullByThen = Object.entries(said.days).filter(
    ([day, { score }]) => day >= '2026-11-01' && day <= '2026-11-10' && score === 1,
  ).length;
  await person.visit('/today?day=2026-11-10');
  await expect(person.button(new RegExp(`^Full days: ${fullByThen}\\.`))).toBeVisible();
  await person.leave();
});

test('habits that can wait are not asked of the day, and what is to go is what its score is short of', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  // Seven habits of three days a week from Monday on: by an even spread three of them a day, after a blank Monday.
  for (let place = 1; place <= 7; place++)
    await person.makeHabit({ name: `Piece ${place}`, often: { perWeek: 3 }, from: '2026-11-23' });
  await person.go('Today');
  const score = page.getByRole('button', { name: /^\d of \d, \d+/ }).first();
  // Three of seven days each, six days left: 7 × 3/6 = 3.5, rounded down.
  await expect(score).toHaveAccessibleName(/^0 of 3, 0\s%/);
  await expect(page.getByText('3 to go today')).toBeVisible();
  await expect(page.getByText('any 3 of these', { exact: false })).toBeVisible();
  for (const [place, left] of [
    [1, 2],
    [2, 1],
  ] as const) {
    await person.checkOff(`Piece ${place}`);
    await expect(page.getByText(`${left} to go today`)).toBeVisible();
    await expect(score).toHaveAccessibleName(new RegExp(`^${place} of 3, `));
  }
  await person.checkOff('Piece 3');
  await expect(score).toHaveAccessibleName(/^3 of 3, 100\s%/);
  await expect(person.heading('A full day')).toBeVisible();
  await person.checkOff('Piece 4');
  await expect(score).toHaveAccessibleName(/^4 of 4, 100\s%/);
  await person.leave();
});

test('full days have a target, and it stands wherever they are counted', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-20' });
  for (const day of ['2026-11-21', '2026-11-22']) {
    await person.visit(`/today?day=${day}`);
    await person.checkOff('Scales');
  }
  await person.visit('/settings');
  const month = page.getByLabel('Full days to reach in a month');
  await month.fill('40');
  await expect(page.getByText('Write a whole number from 1 to 31, or nothing')).toBeVisible();
  await month.fill('12');
  await month.press('Enter');
  await page.getByLabel('Full days to reach in a year').fill('200');
  await page.getByLabel('Full days to reach in a year').press('Enter');
  await person.everythingSaved();
  await page.reload();
  await expect(month).toHaveValue('12');
  await person.go('Today');
  await expect(person.button(/^Full days: 2 of 12 aimed at/)).toBeVisible();
  await person.visit('/log');
  await expect(person.button(/^2 of 12 full days aimed at/)).toBeVisible();
  await person.visit('/log?span=year');
  await expect(person.button(/^2 of 200 full days aimed at/)).toBeVisible();
  await person.visit('/charts?span=month');
  await expect(person.card('Every day')).toContainText('2 full days of 12 aimed at');
  await person.visit('/settings');
  await month.fill('');
  await month.press('Enter');
  await person.visit('/log');
  await expect(person.button(new RegExp(`^${counted(2, 'full day')}\\.`))).toBeVisible();
  await person.leave();
});
