import { expect, test } from '@playwright/test';
import { dayOf, reportOf } from '@wimbel/core';
import { sampleRecords } from '../../scripts/sample/generate.ts';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

const TODAY = dayOf('2026-11-24');
const report = reportOf(sampleRecords(TODAY), TODAY);

test('a week’s look back is offered on its last day; what it means to do stands on Today in the next, and is asked about', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE, now: '2026-11-21T09:30:00Z' });
  await person.signUp(undefined, 'Saturday');
  await person.makeHabit({ name: 'Scales' });
  await person.makeHabit({ name: 'Review' });
  await person.visit('/today');
  await person.checkOff('Scales');
  await expect(person.page.getByRole('link', { name: 'Look back on this week' })).toHaveCount(0);
  await person.onDay('2026-11-22T09:30:00Z');
  await person.page.getByRole('link', { name: 'Look back on this week' }).click();
  await expect(person.heading('16 to 22 November')).toBeVisible();
  await expect(person.card('What was kept')).toContainText('kept, 1 of 2');
  await person.page.getByLabel('What to do next time').fill('Bow before phone');
  await person.page.getByLabel('What to do next time').blur();
  await person.onDay('2026-11-22T10:00:00Z');
  await expect(person.page.getByRole('link', { name: 'Look back on this week' })).toHaveCount(0);
  await person.onDay('2026-11-24T09:30:00Z');
  await expect(person.page.getByText('This week you wanted to')).toBeVisible();
  await expect(person.page.getByText('Bow before phone')).toBeVisible();
  await person.button('Put away: this week you wanted to').click();
  await expect(person.page.getByText('Bow before phone')).toBeHidden();
  await person.button('Undo').click();
  await expect(person.page.getByText('Bow before phone')).toBeVisible();
  await person.visit('/journal/look-back?span=week');
  await expect(person.page.getByText('After 16 to 22 November you wanted to')).toBeVisible();
  await person.choose('Partly');
  await person.visit('/today');
  // It was told how it went.
  await expect(person.page.getByText('Bow before phone')).toBeHidden();
  await person.leave();
});

test('a month’s look back has the figures of the report, and a habit is changed beside its miss', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/journal/look-back?span=month&day=2026-10-15');
  const october = report.months['2026-10']!;
  const sum = person.card('What was kept');
  await expect(sum).toContainText(`${october.fullDays} full day`);
  await expect(sum).toContainText(`${october.brightDays} bright day`);
  await expect(sum).toContainText(`${october.ribbons} ribbon`);
  const best = await sum.getByRole('link', { name: /^Best: / }).getAttribute('aria-label');
  const first = sampleRecords(TODAY).habits.find(({ id }) => id === october.ranking[0])!;
  expect(best).toContain(first.name);
  // The same share stands on Charts.
  const kept = (await sum.textContent())!.match(/kept, (\d+ of \d+)/)![1]!;
  const share = (await sum.textContent())!.match(/^\d+\s%/)![0];
  await person.visit('/charts?span=month&day=2026-10-15');
  await expect(person.page.getByText(`${share} kept, ${kept}`).first()).toBeVisible();
  await person.visit('/journal/look-back?span=month&day=2026-10-15');
  // As many misses as are marked in its days.
  const marked = sampleRecords(TODAY).entries.filter(({ day, mark }) => mark === 'missed' && day.startsWith('2026-10'));
  const told = (await person.card('What was missed, and why').textContent())!;
  expect(Number(told.match(/(\d+) missed day/)![1])).toBeGreaterThanOrEqual(marked.length);
  await person.button(/^Storm, stayed in, \d+ times$/).click();
  await person.button('Change Cold swim').first().click();
  const sheet = person.page.getByRole('dialog', { name: 'Cold swim' });
  await sheet.getByRole('radio', { name: 'Times a week' }).click();
  await sheet.getByLabel('Days a week').fill('2');
  await sheet.getByLabel('From which day').fill('2026-11-23');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet.getByText('Choose today or a later day: past days keep their schedule')).toBeVisible();
  await sheet.getByLabel('From which day').fill('2026-12-01');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(person.page.getByText('Cold swim is changed')).toBeVisible();
  await expect(sum).toContainText(`kept, ${kept}`);
  await person.openHabit('Cold swim');
  await expect(person.page.getByText(/2 days a week/).first()).toBeVisible();
  await person.leave();
});

test('figures make room while one types on a phone, and a habit done by looking back is checked off', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.visit('/habits/new');
  await person.page.getByLabel('Name', { exact: true }).fill('Sunday look back');
  await person.choose('Looking back');
  await person.button('Add habit').click();
  await person.visit('/journal/look-back?span=quarter');
  await expect(person.card('What was kept')).toBeVisible();
  await person.page.getByLabel('Wins, one a line').fill('Launched\nSwam\nPlayed');
  await expect(person.card('What was kept')).toBeHidden();
  await person.page.getByLabel('Wins, one a line').blur();
  await expect(person.page.getByText('Sunday look back: done by writing')).toBeVisible();
  await person.page.getByRole('checkbox', { name: 'Swam' }).click();
  await expect(person.page.getByRole('checkbox', { name: 'Swam' })).toBeChecked();
  await person.button('Show the figures').click();
  await expect(person.card('What was kept')).toBeVisible();
  await person.everythingSaved();
  await person.page.reload();
  await expect(person.page.getByRole('checkbox', { name: 'Swam' })).toBeChecked();
  await person.visit('/today');
  await expect(person.peg('Sunday look back')).toHaveAttribute('aria-checked', 'true');
  await person.visit('/journal/look-back?span=quarter');
  await person.page.getByLabel('Wins, one a line').fill('');
  await person.page.getByLabel('Wins, one a line').blur();
  await person.visit('/today');
  await expect(person.peg('Sunday look back')).toHaveAttribute('aria-checked', 'false');
  await person.leave();
});

test('the turn of a month: how it stood, and its word and aims, old ones kept by a tap', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.visit('/today');
  await person.checkOff('Scales');
  await person.go('Journal');
  await person.button('Give November a word, and what to keep in mind').click();
  await person.page.getByLabel('To keep in mind, one a line').fill('Bow before phone\nOne thing at a time');
  await person.button('Done').click();
  await person.onDay('2026-12-02T09:30:00Z');
  const turn = person.card('December begins');
  await expect(turn).toContainText('kept, 1 of 7');
  await person.button('Word and aims of December').click();
  await person.page.getByLabel('A word for December').fill('cold water');
  await person.page.getByRole('checkbox', { name: 'Bow before phone' }).click();
  await person.button('Add something to keep in mind').click();
  await person.page.getByLabel('Something to keep in mind in December').fill('Warm hat');
  await person.page.keyboard.press('Enter');
  await expect(person.page.getByRole('checkbox', { name: 'Warm hat' })).toBeChecked();
  await person.button('Put away: December begins').click();
  await expect(turn).toBeHidden();
  await person.go('Journal');
  await expect(person.page.getByText('December: cold water')).toBeVisible();
  await expect(person.page.getByText('Bow before phone · Warm hat')).toBeVisible();
  await person.leave();
});

test('the turn of a year, page by page: all of it real records at the end', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.makeHabit({ name: 'Cold swim' });
  await person.visit('/today');
  await person.checkOff('Scales');
  await person.onDay('2027-01-03T09:30:00Z');
  await person.button('Go through it').click();
  await expect(person.heading('2026, as it was')).toBeVisible();
  await expect(person.card('What was kept')).toContainText('kept, 1 of 76');
  await person.button('Next').click();
  await person.page.getByLabel('Wins, one a line').fill('Began');
  await person.page.getByLabel('Wins, one a line').blur();
  await person.button('Next').click();
  const swim = person.card('Cold swim');
  await expect(swim).toContainText('Now every day');
  await swim.getByRole('radio', { name: '3 a week' }).click();
  // From 3 January on: 363 days × 3 / 7 = 155.6, and the two days before it.
  await expect(swim).toContainText('That plans 158 days');
  await expect(person.page.getByText('What is changed here holds from 3 January 2027 on.')).toBeVisible();
  await person.card('Scales').getByRole('radio', { name: 'No more' }).click();
  await expect(person.card('Scales')).toContainText('It ends on 3 January 2027. Its record stays.');
  await person.button('Next').click();
  await person.button('Set a goal').click();
  await person.page.getByLabel('Goal 1: what will be so?').fill('Swim across the bay');
  await person.button('Add a milestone').click();
  await person.page.getByLabel('Milestone 1', { exact: true }).fill('To the second buoy');
  await person.page.getByLabel('Its day', { exact: true }).fill('2026-05-01');
  await expect(person.page.getByText('Choose a day from the first of 2027 on')).toBeVisible();
  await person.page.getByLabel('Its day', { exact: true }).fill('2027-05-01');
  // What is filled in outlives the tab.
  await person.page.reload();
  await expect(person.page.getByLabel('Milestone 1', { exact: true })).toHaveValue('To the second buoy');
  await person.button('Next').click();
  await expect(person.page.getByText('2 habits changed: Scales, Cold swim.')).toBeVisible();
  await person.button('Set 2027').click();
  await expect(person.page.getByText('Swim across the bay').first()).toBeVisible();
  await person.visit('/today');
  await expect(person.card('2027 begins')).toHaveCount(0);
  await person.openHabit('Cold swim');
  await expect(person.page.getByText(/3 days a week/).first()).toBeVisible();
  await person.visit('/journal/look-back?span=year&day=2026-12-31');
  await expect(person.page.getByLabel('Wins, one a line')).toHaveValue('Began');
  // A year that is over is not planned any more.
  await expect(person.button('Plan 2027, page by page')).toBeVisible();
  await person.visit('/journal/look-back?span=year&day=2025-12-31');
  await expect(person.heading('2025')).toBeVisible();
  await expect(person.button(/^Plan 2026/)).toHaveCount(0);
  await person.leave();
});

test('what the turn of a year set is taken back by one undo, from another place and after going back too', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.visit('/today');
  await person.checkOff('Scales');
  await person.onDay('2027-01-03T09:30:00Z');
  await person.button('Go through it').click();
  await person.button('Next').click();
  await person.button('Next').click();
  await person.card('Scales').getByRole('radio', { name: 'No more' }).click();
  await person.button('Next').click();
  await person.button('Set a goal').click();
  await person.page.getByLabel('Goal 1: what will be so?').fill('Swim across the bay');
  await person.button('Next').click();
  await person.button('Set 2027').click();
  await expect(person.page.getByText('Swim across the bay').first()).toBeVisible();
  await person.go('Log');
  await expect(person.heading(/January|week/i).first()).toBeVisible();
  await person.page.goBack();
  await person.go('Goals');
  await expect(person.page.getByText('Swim across the bay')).toBeVisible();
  await person.page.keyboard.press('Control+z');
  await expect(person.page.getByText('Undone')).toBeVisible();
  await expect(person.page.getByText('Swim across the bay')).toHaveCount(0);
  await person.openHabit('Scales');
  await expect(person.page.getByText(/ended on|ends on/i)).toHaveCount(0);
  await person.leave();
});
