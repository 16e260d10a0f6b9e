import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { WIDE } from '../playwright.config.ts';

test('months of 28, 29, 30 and 31 days have their own days and no other', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE, now: '2024-03-10T09:00:00Z' });
  await person.signUp(undefined, 'Sunday');
  await person.makeHabit({ name: 'Scales', from: '2023-01-01' });
  for (const [month, days, target] of [
    ['2023-02', 28, 28],
    ['2024-02', 29, 29],
    ['2023-04', 30, 30],
    ['2023-12', 31, 31],
  ] as const) {
    await person.visit(`/log?month=${month}`);
    await expect(person.figures('Scales')).toHaveAccessibleName(new RegExp(`0 done of ${target},`));
    await expect(person.page.getByRole('grid')).toHaveAttribute('aria-colcount', String(days + 2));
  }
  await person.visit('/log?month=2024-02');
  await (await person.reach('Scales', 'Thursday 29 February')).click();
  await expect(person.figures('Scales')).toHaveAccessibleName(/1 done of 29/);
  await person.visit('/log?span=year&day=2024-05-01');
  await expect(person.page.getByRole('grid')).toHaveAttribute('aria-colcount', '368');
  await expect(await person.reach('Scales', 'Thursday 29 February')).toHaveAttribute('aria-checked', 'true');
  await person.leave();
});

test('a week across the year’s end is one week, from Monday as from Sunday', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE, now: '2026-01-02T09:00:00Z' });
  await person.signUp(undefined, 'Friday');
  await person.makeHabit({ name: 'Sand the hull', often: { perWeek: 3 }, from: '2025-12-01' });
  for (const day of ['2025-12-29', '2025-12-31', '2026-01-01']) {
    await person.visit(`/today?day=${day}`);
    await person.checkOff('Sand the hull');
  }
  await person.go('Today');
  await expect(person.row('Sand the hull')).toContainText('3 of 3 this week');
  await person.visit('/log?span=week');
  await expect(person.heading('29 December 2025 to 4 January')).toBeVisible();
  await expect(person.page.getByText('2026, week 1')).toBeVisible();
  await expect(person.figures('Sand the hull')).toHaveAccessibleName(/3 done of 3, 0 left, 2 of 2 kept, 100/);
  await person.visit('/today?day=2025-12-28');
  await person.checkOff('Sand the hull');
  await person.visit('/settings');
  await person.page
    .getByRole('radiogroup', { name: 'First day of the week' })
    .getByRole('radio', { name: 'Sun' })
    .click();
  await expect(person.page.getByText(/from 28 December 2025 to 3 January: \d of \d kept/)).toBeVisible();
  await person.visit('/log?span=week');
  await expect(person.figures('Sand the hull')).toHaveAccessibleName(/4 done of 3, 0 left, /);
  await person.leave();
});

test('the nights the clock changes have their one day each', { tag: '@soak' }, async ({ browser }) => {
  for (const [zone, before, after, day] of [
    ['Europe/London', '2026-10-25T00:59:00Z', '2026-10-25T23:30:00Z', 'Sunday'],
    ['America/New_York', '2026-03-08T06:59:00Z', '2026-03-09T03:30:00Z', 'Sunday'],
  ] as const) {
    const person = await Person.at(browser, { size: WIDE, now: before, zone });
    await person.signUp(undefined, day);
    await person.makeHabit({ name: 'Scales', from: before.slice(0, 8) + '01' });
    await person.checkOff('Scales');
    await person.page.clock.setFixedTime(new Date(after));
    await person.page.reload();
    await expect(person.heading(day)).toBeVisible();
    await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'true');
    await person.page.clock.setFixedTime(new Date(Date.parse(after) + 2 * 3600_000));
    await person.page.reload();
    await expect(person.heading('Monday')).toBeVisible();
    await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'false');
    await expect(person.row('Scales')).toContainText('1 day');
    await person.leave();
  }
});
