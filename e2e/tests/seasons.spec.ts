import { expect, test } from '@playwright/test';
import { type Records, dayOf, emptyRecords, reportOf, wholePercent } from '@wimbel/core';
import { sampleRecords } from '../../scripts/sample/generate.ts';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

const TODAY = dayOf('2026-11-24');
const sample = sampleRecords(TODAY);
const report = reportOf(sample, TODAY);

const percent = (share: number | null): string => (share === null ? '–' : `${wholePercent(share)}\u00a0%`);
/** The same within a pattern for names, which are told with plain spaces. */
const named = (share: number | null): string => percent(share).replace('\u00a0', '\\s');

/** What the server keeps of somebody, as records to be reported on. */
async function recordsOf(person: Person): Promise<Records> {
  await person.everythingSaved();
  const records = emptyRecords();
  for (const { collection, record } of await person.stored()) {
    if (collection === 'settings') records.settings = { ...records.settings, ...record };
    else (records[collection as 'habits'] as object[]).push(record);
  }
  return records;
}

const week = (person: Person, number: number) =>
  person.page
    .getByRole('button', { name: new RegExp(`^Week ${number}, \\d`) })
    .and(person.page.locator('[aria-expanded]'));

test('a season from nothing: three goals with what carries them, four weeks of which one is off track, and the next', async ({
  browser,
}) => {
  test.slow();
  const person = await Person.at(browser, { size: WIDE, now: '2026-11-02T09:30:00Z' });
  const { page } = person;
  await person.signUp(undefined, 'Monday');
  await person.makeHabit({ name: 'Cold swim', often: { perWeek: 2 } });
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Seasons' }).click();
  await person.button('Begin your first season').click();
  await page.getByLabel('Vision', { exact: true }).fill('In three summers she sails to the outer island.');
  await page.getByLabel('Why it is worth hard weeks').fill('The dark months are mine.');
  await person.button('Next').click();
  // Nothing goes on without a title, and the last day is told.
  await person.button('Next').click();
  await expect(page.getByText('Give the season a title')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('The winter bench');
  await page.getByLabel('Weeks', { exact: true }).fill('0');
  await person.button('Next').click();
  await expect(page.getByText('A whole number of weeks, from 1 to 520')).toBeVisible();
  await person.choose('6 weeks');
  await page.getByLabel('Pass mark').fill('80');
  await expect(page.getByText('Its last day is Sunday 13 December.')).toBeVisible();
  await expect(page.getByText('Its weeks begin on a Monday.')).toBeVisible();
  await person.button('Next').click();
  // Three goals set here, each with a key result.
  for (const [place, [goal, counted, target]] of [
    ['Swim across the bay', 'Longest swim', '3000'],
    ['Close the planking', 'Planks', '6'],
    ['The suite by heart', 'Pages by heart', '9'],
  ].entries()) {
    await person.button('Set a goal for it').click();
    await page.getByLabel('The goal').nth(place).fill(goal!);
    await person.button(`Add a key result to ${goal}`).click();
    await page.getByLabel('What is counted').fill(counted!);
    await page.getByLabel('Target', { exact: true }).fill(target!);
    await person.button('Add key result').click();
    await expect(person.button(`Edit ${counted}`)).toBeVisible();
  }
  // What is thought out outlives the tab.
  await page.reload();
  await expect(person.button('Edit Pages by heart')).toBeVisible();
  await person.button('Next').click();
  // What carries them: a habit that is there, two made here, steps; by impact.
  const swimCard = person.card('Swim across the bay');
  await swimCard.getByRole('button', { name: 'Choose habits' }).click();
  await page.getByRole('checkbox', { name: 'Cold swim' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Done' }).click();
  for (const [goal, habit] of [
    ['Close the planking', 'Sand the hull'],
    ['The suite by heart', 'Scales'],
  ]) {
    await person.card(goal!).getByRole('button', { name: 'A new habit' }).click();
    await page.getByLabel('What you will do').fill(habit!);
    await person.choose('Times a week');
    await page.getByLabel('Days a week').fill('2');
    await person.button('Make the habit').click();
    await expect(person.card(goal!)).toContainText(habit!);
  }
  await page.getByLabel('A step for Close the planking').fill('Ask Olwen for the long clamps');
  await page.keyboard.press('Enter');
  await page.getByLabel('A step for Close the planking').fill('Buy a second plane');
  await page.keyboard.press('Enter');
  const planking = person.card('Close the planking');
  await planking
    .getByRole('radiogroup', { name: 'Impact of Ask Olwen for the long clamps' })
    .getByRole('radio', { name: 'High' })
    .click();
  await planking
    .getByRole('radiogroup', { name: 'Impact of Sand the hull' })
    .getByRole('radio', { name: 'Medium' })
    .click();
  await expect(planking.getByRole('row').nth(1)).toContainText('Ask Olwen');
  await expect(planking.getByRole('row').nth(2)).toContainText('Sand the hull');
  await person.button('Not worth doing: Buy a second plane').click();
  await page.getByLabel('Why not, in a word').fill('The old one cuts well');
  await person.button('Leave out Buy a second plane').click();
  await expect(page.getByText('Buy a second plane: The old one cuts well')).toBeVisible();
  await person.button('Next').click();
  // Months: from 2 November to 13 December, 6 planks: 28 of 41 days are over by the end of November.
  await person.button('Spread Planks evenly').click();
  await expect(page.getByLabel('Planks, November 2026')).toHaveValue('4');
  await expect(page.getByLabel('Planks, December 2026')).toHaveValue('6');
  await page.getByLabel('Planks, November 2026').fill('3');
  await person.button('Next').click();
  await expect(person.card('The season')).toContainText('Swim across the bay, Close the planking, The suite by heart');
  await person.button('Begin the season').click();
  await expect(person.heading('The winter bench')).toBeVisible();
  await expect(page.getByText('In three summers she sails to the outer island.')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Week 1 of 6, 2 November to 13 December, 41 days left' })).toBeVisible();
  await expect(page.getByText('Left out: Buy a second plane. The old one cuts well')).toBeVisible();
  await expect(page.getByLabel('Aimed at, November 2026')).toHaveValue('3');

  // Four weeks: all of it, all but one, two of six, all of it.
  const made = await recordsOf(person);
  const idOf = (name: string): string => made.habits.find((habit) => habit.name === name)!.id;
  const done = (name: string, days: string[]): [string, string, object][] =>
    days.map((day) => ['entries', `${day} ${idOf(name)}`, { habitId: idOf(name), day, mark: 'done' }]);
  const answers = await person.send([
    ...done('Cold swim', ['2026-11-02', '2026-11-05', '2026-11-09', '2026-11-11', '2026-11-17']),
    ...done('Sand the hull', ['2026-11-03', '2026-11-05', '2026-11-10', '2026-11-12', '2026-11-18']),
    ...done('Scales', ['2026-11-02', '2026-11-03', '2026-11-09', '2026-11-23']),
    [
      'entries',
      `2026-11-20 ${idOf('Scales')}`,
      { habitId: idOf('Scales'), day: '2026-11-20', mark: 'missed', note: 'Storm, no light' },
    ],
  ]);
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set(['accepted']));
  await person.onDay('2026-11-22T19:30:00Z');
  await page.getByRole('link', { name: 'Look back on week 3 of The winter bench' }).click();
  await expect(week(person, 3)).toHaveAttribute('aria-expanded', 'true');
  await expect(page.getByText('2 of 6 planned, 33 %; pass mark 80 %')).toBeVisible();
  await person.button('Storm, no light, 1 time').click();
  await expect(page.getByRole('link', { name: /Scales, Fri 20 Nov/ })).toBeVisible();
  await page.getByLabel('What would make it easier').fill('A lamp at the bench');
  await page.getByLabel('What to do next week').fill('Hang the lamp on Monday');
  await page.getByLabel('What to do next week').blur();
  await person.onDay('2026-11-24T09:30:00Z');
  await expect(page.getByRole('link', { name: /^Look back on week 3/ })).toHaveCount(0);
  await expect(page.getByText('Hang the lamp on Monday')).toBeVisible();
  const line = page.getByRole('link', { name: /^Season: The winter bench/ });
  await expect(line).toHaveAccessibleName(
    'Season: The winter bench, Week 4 of 6, 19 days left, this week 17 %, 5 left in 6 days',
  );
  for (const name of ['Cold swim', 'Sand the hull', 'Scales']) await person.checkOff(name);
  await expect(line).toHaveAccessibleName(/this week 67\s%, 2 left in 6 days/);
  for (const name of ['Cold swim', 'Sand the hull']) {
    await person.visit('/today?day=2026-11-23');
    await person.checkOff(name);
  }
  await person.visit('/today');
  await expect(line).toHaveAccessibleName(/this week 100\s%, all done/);

  // It is ended early, with this week; every figure is that of the report.
  await line.click();
  await person.button('More about this season').click();
  await person.button('End it early').click();
  await person.button('With this week, on Sunday 29 November').click();
  await person.onDay('2026-11-30T09:30:00Z');
  const ended = await recordsOf(person);
  const id = ended.seasons[0]!.id;
  const figures = reportOf(ended, dayOf('2026-11-30')).seasons[id]!;
  expect(figures.weeks.map(({ actual, target }) => `${actual}/${target}`)).toEqual(['6/6', '5/6', '2/6', '6/6']);
  await page.getByRole('link', { name: 'Look back on the whole season of The winter bench' }).click();
  await expect(person.card('Its weeks')).toContainText(percent(figures.score));
  await expect(person.card('Its weeks')).toContainText('3 of 4 weeks on track, pass mark 80 %');
  await expect(person.card('Best and worst week')).toContainText('Worst: week 3');
  await expect(person.card('Best and worst week')).toContainText('A lamp at the bench Hang the lamp on Monday');
  await page.getByLabel('What went well').first().fill('Four weeks');
  await page.getByLabel('What went well').first().blur();

  // The next: two goals go on, a habit ends, a week of rest lies between.
  await person.button('Begin the next season').click();
  await page
    .getByRole('radiogroup', { name: 'The suite by heart' })
    .getByRole('radio', { name: 'Not this time' })
    .click();
  await page.getByRole('radiogroup', { name: 'Scales' }).getByRole('radio', { name: 'Ends' }).click();
  await expect(page.getByText('ends on 29 November; its past stays')).toBeVisible();
  await person.button('Next').click();
  await person.button('Next').click();
  await page.getByLabel('Title', { exact: true }).fill('Slow water');
  await person.button('Rest a week first').click();
  await person.button('Next').click();
  await expect(page.getByRole('checkbox', { name: 'Close the planking' })).toBeChecked();
  await person.button('Enough, look it over').click();
  await person.button('Begin the season').click();
  await expect(person.heading('Slow water')).toBeVisible();
  const after = await recordsOf(person);
  const next = after.seasons.find(({ title }) => title === 'Slow water')!;
  expect([next.startsOn, next.weeks, next.goalIds.length]).toEqual(['2026-12-07', 12, 2]);
  expect(after.habits.find(({ name }) => name === 'Scales')!.endsOn).toBe('2026-11-29');
  // What ended is past: the season before has the figures it had.
  expect(reportOf(after, dayOf('2026-11-30')).seasons[id]).toEqual(figures);
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Seasons' }).click();
  await expect(
    page.getByRole('link', {
      name: `The winter bench, ${percent(figures.score)}, 3 of 4 weeks on track, 0 of 3 goals reached`,
    }),
  ).toBeVisible();
  // One step takes all of the next one back.
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('link', { name: /^Slow water/ })).toHaveCount(0);
  await person.leave();
});

for (const [name, size] of [
  ['on a phone', PHONE],
  ['on a wide screen', WIDE],
] as const) {
  test(
    `${name}: every figure of the seasons is that of the report, and each can be asked`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.openSample();
      const running = report.seasons['winter-bench']!;
      if (size === PHONE) {
        await person.go('Goals');
        await page.getByRole('link', { name: `Season: week 5 of 12, ${percent(running.score)}` }).click();
      } else {
        await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Seasons' }).click();
        for (const { id, title } of sample.seasons) {
          await expect(
            page.getByRole('link', { name: new RegExp(`^${title}, ${named(report.seasons[id]!.score)}`) }),
          ).toBeVisible();
        }
        await page.getByRole('link', { name: /^The winter bench/ }).click();
      }
      await expect(person.heading('The winter bench')).toBeVisible();
      const gone = running.weeks.slice(0, 4);
      await expect(person.card('Its weeks')).toContainText(
        `${gone.filter(({ onTrack }) => onTrack).length} of 4 weeks on track, pass mark 80 %`,
      );
      for (const [at, { score, actual, target }] of running.weeks.slice(0, 5).entries()) {
        await expect(week(person, at + 1)).toHaveAccessibleName(new RegExp(`: ${named(score)}, `));
        await page.getByRole('button', { name: new RegExp(`^Week ${at + 1}, ${named(score)}.*open it$`) }).click();
        await expect(page.getByText(`${actual} of ${target} planned, ${percent(score)}`)).toBeVisible();
      }
      const { actual, target, score } = running.weeks[4]!;
      await expect(page.getByText(`This week, ${actual} of ${target}`)).toBeVisible();
      await page
        .getByRole('button', { name: `This week, ${actual} of ${target}, ${percent(score)}. What it is made of` })
        .click();
      await expect(page.getByRole('dialog')).toContainText(`${actual} of ${target}`);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: new RegExp(`^${named(running.score)}, .*What it is made of$`) }).click();
      await expect(page.getByRole('dialog')).toContainText('Week 4, 16 to 22 November');
      await page.keyboard.press('Escape');
      // Months of a key result are those of the goal's page, corrected where they stand.
      const planks = report.goals['island']!.keyResults['planks']!.checkpoints.find(
        ({ month }) => month === '2026-11',
      )!;
      const row = page
        .getByRole('table', { name: 'Checkpoints of Planks refitted' })
        .getByRole('row', { name: /November 2026/ });
      await expect(row.getByLabel('Aimed at, November 2026')).toHaveValue(String(planks.target));
      await expect(row.getByLabel('At the end, November 2026')).toHaveValue(String(planks.end));
      await expect(row).toContainText(`+${planks.growth}`);
      await expect(page.getByRole('table', { name: 'Checkpoints of Planks refitted' }).getByRole('row')).toHaveCount(5);
      await person.leave();
    },
  );
}

test('a season is laid over no other, shifted, lengthened, noted on, and what was written stays with its days', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.openSample();
  await person.visit('/seasons/new/direct');
  // The first free day is proposed: the day after the running one.
  await expect(page.getByText('Its weeks begin on a Monday.')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('Too soon');
  await page.getByLabel('First day').fill('2026-12-01');
  await person.button('Begin the season').click();
  await expect(page.getByText(/The winter bench runs until 17 January 2027/)).toBeVisible();
  await page.getByLabel('First day').fill('2027-01-20');
  await page.getByLabel('Weeks', { exact: true }).fill('4');
  await person.button('Begin the season').click();
  await expect(person.heading('Too soon')).toBeVisible();
  await expect(page.getByText('begins in 57 days')).toBeVisible();
  await person.visit('/seasons/winter-bench/edit');
  await page.getByLabel('Weeks', { exact: true }).fill('13');
  await person.button('Save').click();
  await expect(page.getByText(/Too soon begins on 20 January 2027/)).toBeVisible();
  await page.getByLabel('First day').fill('2026-11-02');
  await page.getByLabel('Weeks', { exact: true }).fill('11');
  await person.button('Save').click();
  await expect(page.getByText('Week 4 of 11')).toBeVisible();
  // The first week's look back lies before it now; that of the second belongs to its first.
  await expect(page.getByText('From 26 October, no longer one of its weeks')).toBeVisible();
  await expect(week(person, 1)).toHaveAccessibleName(/Two evenings at the hull/);
  await person.button('Undo').click();
  await expect(page.getByText('Week 5 of 12')).toBeVisible();
  await expect(week(person, 2)).toHaveAccessibleName(/Two evenings at the hull/);
  await person.button('Add a note').click();
  await page.getByLabel('Note', { exact: true }).fill('The harbour master’s almanac');
  await page.getByLabel('Link', { exact: true }).fill('https://tides.example/almanac');
  await person.button('Keep it').click();
  await expect(page.getByRole('link', { name: 'https://tides.example/almanac' })).toBeVisible();
  await person.button('Delete note: The harbour master’s almanac').click();
  await expect(page.getByText('The harbour master’s almanac')).toHaveCount(0);
  await person.button('Undo').click();
  await expect(page.getByText('The harbour master’s almanac')).toBeVisible();
  await person.button('What carries its goals: change').click();
  await page.getByRole('radiogroup', { name: 'Impact of Cold swim' }).getByRole('radio', { name: 'Low' }).click();
  await expect(page.getByText('Cold swim: low impact')).toBeVisible();
  await person.button('More about this season').click();
  await person.button('Delete').click();
  await expect(page.getByText('3 looks back written for it go with it.')).toBeVisible();
  await person.button('Delete season').click();
  await expect(page.getByRole('link', { name: /^The winter bench/ })).toHaveCount(0);
  await person.button('Undo').click();
  await page.getByRole('link', { name: /^The winter bench/ }).click();
  await expect(week(person, 2)).toHaveAccessibleName(/Two evenings at the hull/);
  await person.leave();
});

test('a look back of a season is found by its words, and a week that is one of a season leads there', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  await person.visit('/journal/pages?q=alarm');
  await page.getByRole('link', { name: /^Look back on week 2 of The winter bench/ }).click();
  await expect(week(person, 2)).toHaveAttribute('aria-expanded', 'true');
  await person.visit('/journal/look-back?span=week&day=2026-11-16');
  await person.button('Week 4 of The winter bench').click();
  await expect(week(person, 4)).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('/');
  await page.getByRole('dialog').getByRole('combobox').fill('winter ben');
  await page.keyboard.press('Enter');
  await expect(person.heading('The winter bench')).toBeVisible();
  await person.visit('/goals');
  await person.button('How goals are listed').click();
  await person.choose('Season');
  await person.button('Done').click();
  await expect(page.getByRole('group', { name: 'The winter bench', exact: true })).toContainText('Swim across the bay');
  await expect(page.getByRole('group', { name: 'Turn of the tide', exact: true })).toContainText('Talk a whole tide');
  await person.leave();
});

test('whoever leaves seasons off sees none of them, anywhere', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.openSample();
  await expect(page.getByRole('link', { name: /^Season: The winter bench/ })).toBeVisible();
  await person.visit('/settings');
  await page.getByRole('radiogroup', { name: 'Seasons' }).getByRole('radio', { name: 'Hidden' }).click();
  for (const address of ['/today', '/goals', '/journal/look-back?span=week&day=2026-11-16', '/goals/island']) {
    await person.visit(address);
    await page.clock.runFor(300);
    await expect(page.locator('#root')).not.toContainText(/season|winter bench/i);
  }
  await person.page.goto('/seasons/winter-bench');
  await expect(person.heading('You left this off')).toBeVisible();
  await page.setViewportSize(WIDE);
  await expect(page.getByRole('link', { name: 'Seasons' })).toHaveCount(0);
  await page.keyboard.press('/');
  await page.getByRole('dialog').getByRole('combobox').fill('season');
  await expect(page.getByRole('dialog').getByRole('row', { name: /season|winter bench/i })).toHaveCount(0);
  await person.leave();
});
