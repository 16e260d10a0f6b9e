import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

/** Pastes lines of fields from a day of a habit on. */
async function pasteAt(person: Person, habit: string, day: string, lines: readonly string[][]): Promise<void> {
  await (await person.reach(habit, day)).focus();
  await person.page.evaluate(
    (text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    },
    lines.map((fields) => fields.join('\t')).join('\n'),
  );
}

/** TRUE on some days of a month of 31, FALSE on the others. */
const august = (...done: number[]): string[] =>
  Array.from({ length: 31 }, (_, at) => (done.includes(at + 1) ? 'TRUE' : 'FALSE'));

test('a pasted month counts from its first column, can be begun on another day, and no later change reaches it', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  for (const name of ['Scales', 'Knots']) await person.makeHabit({ name });
  await person.visit('/log?month=2026-08');
  const odd = Array.from({ length: 13 }, (_, at) => 7 + at);
  await pasteAt(person, 'Scales', 'Saturday 1 August', [august(...odd), august(3, 4)]);
  await expect(page.getByText('15 days pasted. 2 habits count from 1 August')).toBeVisible();
  // Thirteen days of all 31, not of the days since the first of them.
  await expect(person.figures('Scales')).toHaveAccessibleName(/^Scales: 13 done of 31, 18 short, 13 of 31 kept, 42\s%/);
  await person.button('First days').click();
  const sheet = page.getByRole('dialog', { name: 'First days' });
  await sheet.getByLabel('They count from').fill('2026-08-05');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet.getByText('Knots has a mark before that day')).toBeVisible();
  await sheet.getByRole('checkbox', { name: /^Knots/ }).click();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Scales counts from 5 August')).toBeVisible();
  const august27 = /^Scales: 13 done of 27, 14 short, 13 of 27 kept, 48\s%/;
  await expect(person.figures('Scales')).toHaveAccessibleName(august27);

  // Fields that say no clear what stands there, and one undo brings it back.
  await pasteAt(person, 'Knots', 'Monday 3 August', [['FALSE', '']]);
  await expect(page.getByText('2 days cleared')).toBeVisible();
  await expect(person.figures('Knots')).toHaveAccessibleName(/^Knots: 0 done of 31/);
  await person.button('Undo').click();
  await expect(person.figures('Knots')).toHaveAccessibleName(/^Knots: 2 done of 31/);

  await person.openHabit('Scales');
  await person.button('Edit habit').click();
  await person.choose('Times a week');
  await page.getByLabel('Days a week').fill('3');
  await person.button('Save').click();
  const history = person.card('Schedule history');
  await expect(history).toContainText(/3 days a week.*Since 24 November 2026/);
  await expect(history).toContainText(/Every day.*From the first day, 5 August to 23 November/);
  await person.visit('/log?month=2026-08');
  await expect(person.figures('Scales')).toHaveAccessibleName(august27);
  await person.leave();
});

test('seven weeks of a weekly minimum are 16 of 21 wherever they stand, and five of the weeks are met', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Cold swim', often: { perWeek: 3 }, from: '2026-10-05' });
  await person.visit('/log?span=quarter');
  // Done on the first days of each week: 5, 3, 1, 4, 0, 3 and 4; of each week three count at most.
  const weeks = [5, 3, 1, 4, 0, 3, 4].flatMap((done) => Array.from({ length: 7 }, (_, at) => (at < done ? 'x' : '')));
  await pasteAt(person, 'Cold swim', 'Monday 5 October', [weeks]);
  await expect(page.getByText('20 days pasted')).toBeVisible();
  // 50 settled days × 3/7 are 21.4.
  await expect(person.button(/^16 of 21 due so far, 76\s%/)).toBeVisible();
  await expect(person.figures('Cold swim')).toHaveAccessibleName(/16 of 21 kept, 76\s%, 4 more than asked/);
  await expect(person.figures('All habits')).toContainText('4 more than asked');
  await person.visit('/charts?span=quarter');
  await expect(page.getByRole('note', { name: 'In words' })).toContainText(/76\s% kept, 16 of 21/);
  await page.getByRole('button', { name: /^Charts of/ }).click();
  await person.choose('Cold swim');
  await expect(person.card('Weeks compared')).toContainText('5 of 7 weeks met');
  await person.openHabit('Cold swim');
  await expect(person.card('Kept')).toContainText(/In all16 of 21, 76\s%/);
  await expect(person.card('Streak')).toContainText('5 of 7 weeks met');
  await person.visit('/journal/look-back?span=quarter&day=2026-11-01');
  await expect(person.card('What was kept')).toContainText('16 of 21');
  await expect(page.getByRole('group', { name: 'Habits by weeks' })).toContainText('5 of 7 weeks met');
  await person.button('Every habit by weeks').click();
  await expect(person.heading('Weeks')).toBeVisible();
  const cells = page.getByRole('table', { name: /^Weeks,/ });
  await expect(cells.getByRole('button', { name: /5 to 11 October: 5 of 3, met/ })).toBeVisible();
  await expect(cells.getByRole('button', { name: /19 to 25 October: 1 of 3, missed/ })).toBeVisible();
  await expect(cells.getByRole('button', { name: /23 to 29 November: 0 of 3, still open/ })).toBeVisible();
  await person.leave();
});

test('on a phone one of every few days that is late says since when, and moves the next one when it is done', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.makeHabit({ name: 'Oil the blocks', often: { every: 3 }, from: '2026-11-16' });
  for (const day of ['2026-11-16', '2026-11-20']) {
    await person.visit(`/today?day=${day}`);
    await person.checkOff('Oil the blocks');
  }
  // Done a day late on the 20th: asked again on Monday the 23rd.
  await person.go('Today');
  await expect(person.row('Oil the blocks')).toContainText('due since Monday, 2 of 2 this month');
  await person.checkOff('Oil the blocks');
  await expect(person.row('Oil the blocks')).toContainText('3 of 3 this month');
  // Done on the 24th, it is asked for again on the 27th and not before.
  await person.onDay('2026-11-26T09:30:00Z');
  await expect(person.page.getByText('Not due today')).toBeVisible();
  await person.onDay('2026-11-27T09:30:00Z');
  await expect(person.page.getByText('1 to go today')).toBeVisible();
  await person.leave();
});

test('on the first of a month the month before speaks until something of this one is settled', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE, now: '2026-12-01T09:30:00Z' });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-21' });
  await person.visit('/log?month=2026-11');
  await pasteAt(person, 'Scales', 'Saturday 21 November', [Array.from({ length: 9 }, () => 'x')]);
  await person.go('Today');
  await expect(person.row('Scales')).toContainText('9 of 10 in November');
  await person.visit('/log');
  await expect(page.getByRole('status', { name: 'The month in figures' })).toContainText(
    /Nothing settled yet.*9 of 10 kept, 90\s%/,
  );
  await person.visit('/charts?span=month');
  await expect(page.getByRole('note', { name: 'In words' })).toContainText(
    /Nothing is settled yet\.November 2026: 90\s% kept, 9 of 10\./,
  );
  await person.go('Today');
  await person.checkOff('Scales');
  await expect(person.row('Scales')).toContainText('1 of 1 this month');
  await person.leave();
});
