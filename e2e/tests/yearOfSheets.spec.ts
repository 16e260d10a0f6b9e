import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { WIDE } from '../playwright.config.ts';

const HABITS = 25;
const MONTHS = [
  ['2026-10', 31],
  ['2026-11', 30],
  ['2026-12', 31],
] as const;

const nameOf = (at: number): string => `Habit ${String(at + 1).padStart(2, '0')}`;

/** Whether a habit is marked on a date: from the third on, and not on every (at + 2)nd. */
const isMarked = (at: number, date: number): boolean => date > 2 && date % (at + 2) !== 0;

const markedIn = (at: number, dates: number): number =>
  Array.from({ length: dates }, (_, index) => index + 1).filter((date) => isMarked(at, date)).length;

/** Three months of habits by days, each cell TRUE or FALSE. */
const SHEET = [
  ['Date', ...Array.from({ length: HABITS }, (_, at) => nameOf(at))],
  ...MONTHS.flatMap(([month, dates]) =>
    Array.from({ length: dates }, (_, index) => [
      `${month}-${String(index + 1).padStart(2, '0')}`,
      ...Array.from({ length: HABITS }, (_, at) => String(isMarked(at, index + 1)).toUpperCase()),
    ]),
  ),
]
  .map((row) => row.join('\t'))
  .join('\n');

test(
  'on 1 January a sheet of 25 habits counts by its three months, whatever is changed of a habit afterwards',
  { tag: '@soak' },
  async ({ browser }) => {
    test.slow();
    // A window that shows every line at once.
    const person = await Person.at(browser, { size: { width: 1280, height: 1900 }, now: '2027-01-01T09:30:00Z' });
    const { page } = person;
    await person.signUp(undefined, 'Friday');
    await person.visit('/settings/bring-in');
    await page.getByLabel('Or paste cells here').fill(SHEET);
    await person.button('Read what I pasted').click();
    const days = Array.from({ length: HABITS }, (_, at) =>
      MONTHS.reduce((sum, [, dates]) => sum + markedIn(at, dates), 0),
    ).reduce((sum, each) => sum + each, 0);
    await person.button(`Bring in ${days.toLocaleString('en-GB')} days`).click();
    await expect(page.getByText(/25 habits, counted from 1 October 2026/).first()).toBeVisible();
    await person.everythingSaved();

    /** What stands of every habit in a month: of all its days, though the first two say no. */
    const monthStands = async (month: string, dates: number): Promise<void> => {
      await person.visit(`/log?month=${month}`);
      let all = 0;
      for (let at = 0; at < HABITS; at++) {
        const done = markedIn(at, dates);
        all += done;
        const told = `${nameOf(at)}: ${done} done of ${dates}, ${dates - done} short, ${done} of ${dates} kept, `;
        await expect(person.figures(nameOf(at))).toHaveAccessibleName(
          new RegExp(`^${told}${Math.round((done / dates) * 100)}\\s%`),
        );
      }
      const asked = HABITS * dates;
      await expect(
        person.button(new RegExp(`^${all} of ${asked} due, ${Math.round((all / asked) * 100)}\\s%`)),
      ).toBeVisible();
    };
    await monthStands('2026-11', 30);

    await person.openHabit(nameOf(0));
    await person.button('Edit habit').click();
    await person.choose('Times a week');
    await page.getByLabel('Days a week').fill('2');
    await person.button('Save').click();
    await person.everythingSaved();
    await monthStands('2026-11', 30);

    // Of the new year nothing is settled; the old one speaks beside it.
    await person.visit('/charts?span=year');
    const all = MONTHS.flatMap(([, dates]) => Array.from({ length: HABITS }, (_, at) => markedIn(at, dates)));
    const kept = all.reduce((sum, each) => sum + each, 0);
    await expect(page.getByRole('note', { name: 'In words' })).toContainText(
      new RegExp(`Nothing is settled yet\\.2026: ${Math.round((kept / (HABITS * 92)) * 100)}\\s% kept`),
    );
    await person.leave();
  },
);

test('of twelve goals with nothing to measure six reached are half of them', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  const statuses = await person.send(
    Array.from({ length: 12 }, (_, order) => [
      'goals',
      `goal-${order}`,
      {
        id: `goal-${order}`,
        title: `Goal ${order + 1}`,
        startsOn: '2026-01-01',
        dueOn: '2026-12-31',
        order,
        ...(order < 6 ? { state: 'reached', closedOn: '2026-06-01' } : { state: 'open' }),
      },
    ]),
  );
  expect(new Set(statuses.map(({ status }) => status))).toEqual(new Set(['accepted']));
  await person.visit('/charts?span=year');
  const sum = person.card('Goals by area');
  await expect(sum).toContainText('12 set, 6 reached');
  await expect(sum).toContainText(/mean 50\s%/);
  await person.leave();
});
