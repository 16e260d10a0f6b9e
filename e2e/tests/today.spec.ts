import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { WIDE } from '../playwright.config.ts';

test('past days are reached by arrow, by strip, by date and by swipe, and today again with one tap', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-01' });
  await person.button('The day before').click();
  await expect(person.heading('Monday')).toBeVisible();
  await person.checkOff('Scales');
  await person.page.getByRole('button', { name: /^Friday 20 November/ }).click();
  await expect(person.heading('Friday')).toBeVisible();
  await person.page.getByLabel('Go to a day').fill('2026-11-03');
  await expect(person.page.getByText('3 November', { exact: true })).toBeVisible();
  await person.page.evaluate(() => {
    const touch = (x: number) =>
      new Touch({ identifier: 1, target: document.body, pageX: x, pageY: 500, clientX: x, clientY: 500 });
    const target = document.querySelector('[aria-label="Scales, more"]')!;
    target.dispatchEvent(
      new TouchEvent('touchstart', { bubbles: true, changedTouches: [touch(80)], touches: [touch(80)] }),
    );
    target.dispatchEvent(new TouchEvent('touchend', { bubbles: true, changedTouches: [touch(260)], touches: [] }));
  });
  await expect(person.heading('Monday')).toBeVisible();
  await person.button('Today').click();
  await expect(person.heading('Tuesday')).toBeVisible();
  await expect(person.row('Scales')).toContainText('1 of 23 this month');
  await expect(person.button('The day after')).toBeDisabled();
  await person.leave();
});

test('amounts grow by a step a tap and take a typed number; part is not done', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Cold swim', how: { unit: 'm', step: 200, atLeast: 600 }, often: { perWeek: 3 } });
  await person.peg('Cold swim').click();
  await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'mixed');
  await expect(person.row('Cold swim')).toContainText('200 of 600 m · 0 of 3 this week, 6 days left');
  await person.row('Cold swim').click();
  const amount = person.page.getByLabel(/^Amount/);
  await amount.fill('a lot');
  await expect(person.page.getByText('Write a number, such as 12 or 7.5')).toBeVisible();
  await amount.fill('750');
  await person.button('Close').last().click();
  await expect(person.row('Cold swim')).toContainText('750 of 600 m · 1 of 3 this week');
  await person.page.reload();
  await expect(person.row('Cold swim')).toContainText('750 of 600 m');
  await person.leave();
});

test('rest and missed with a reason are owned up to, and a day can be emptied and that undone', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.row('Scales').click();
  await person.choose('Missed');
  await person.page.getByLabel('Reason').fill('Storm, stayed in');
  await person.button('Close').last().click();
  await expect(person.row('Scales')).toContainText('missed');
  await expect(person.page.getByText('Nothing left today')).toBeVisible();
  await person.row('Scales').click();
  await expect(person.page.getByLabel('Reason')).toHaveValue('Storm, stayed in');
  await person.button('Empty this day').click();
  await expect(person.page.getByText('1 to go today')).toBeVisible();
  await person.button('Undo').click();
  await expect(person.row('Scales')).toContainText('missed');
  await person.leave();
});

test('a flexible habit that can no longer be put off says so, and the day turns by itself', async ({ browser }) => {
  const person = await Person.at(browser, { now: '2026-11-24T22:00:00Z' });
  await person.signUp();
  await person.makeHabit({ name: 'Sand the hull', often: { perWeek: 6 }, from: '2026-11-23' });
  await expect(person.row('Sand the hull')).toContainText('0 of 6 this week, no day to spare');
  await person.checkOff('Sand the hull');
  await person.page.clock.fastForward('02:30:00');
  await expect(person.heading('Wednesday')).toBeVisible();
  await expect(person.row('Sand the hull')).toContainText('1 of 6 this week, no day to spare');
  await expect(person.peg('Sand the hull')).toHaveAttribute('aria-checked', 'false');
  await person.leave();
});

test('a habit is edited: the name everywhere at once, new terms from today on, mistakes beside their fields', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({
    name: 'Pages',
    how: { unit: 'pages', step: 5, atLeast: 10 },
    from: '2026-11-20',
    area: 'Reading',
  });
  await person.page.goto('/today?day=2026-11-23');
  await person.peg('Pages').click();
  await person.peg('Pages').click();
  await expect(person.peg('Pages')).toHaveAttribute('aria-checked', 'true');
  await person.row('Pages').click();
  await person.button('Edit habit').click();
  await person.page.getByLabel('Name', { exact: true }).fill('  ');
  await person.page.getByLabel('At least how much').fill('plenty');
  await person.button('Save').click();
  await expect(person.page.getByText('Give the habit a name')).toBeVisible();
  await expect(person.page.getByText('Write a number, such as 12 or 7.5')).toBeVisible();
  await expect(person.page.getByLabel('At least how much')).toHaveValue('plenty');
  await person.page.getByLabel('Name', { exact: true }).fill('Pages, aloud');
  await person.page.getByLabel('At least how much').fill('20');
  await person.button('Save').click();
  await person.page.goto('/today?day=2026-11-23');
  await expect(person.row('Pages, aloud')).toContainText('10 of 10 pages');
  await expect(person.peg('Pages, aloud')).toHaveAttribute('aria-checked', 'true');
  await person.button('Today').click();
  await expect(person.row('Pages, aloud')).toContainText('20 pages · 1 of 4 this month');
  await person.go('Log');
  await expect(person.figures('Pages, aloud')).toHaveAccessibleName(
    /1 done of 11, 10 left, 1 of 4 kept, 25\s%, 10 pages in all/,
  );
  await person.leave();
});

test('light and dark are chosen on the device and stay', async ({ browser }) => {
  const person = await Person.at(browser, { scheme: 'light' });
  await person.openSample();
  const paper = () => person.page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(await paper()).toBe('rgb(246, 240, 228)');
  await person.page.goto('/settings');
  await person.choose('Dark');
  expect(await paper()).toBe('rgb(29, 23, 19)');
  await person.page.reload();
  await expect(person.heading('Settings')).toBeVisible();
  expect(await paper()).toBe('rgb(29, 23, 19)');
  await person.leave();
});

test('who is not signed in is shown the way in, wrong words are told plainly, and sign-out ends it', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  await person.page.goto('/goals');
  await expect(person.button('Sign in')).toBeVisible();
  await person.button('Sign in').click();
  await expect(person.page.getByText('Write your e-mail address')).toBeVisible();
  await person.signIn('nobody@example.org', 'not a password');
  await expect(person.page.getByText('Wrong e-mail or password. Nothing was changed.')).toBeVisible();
  const email = await person.signUp();
  await person.page.goto('/settings');
  await person.button('Sign out').click();
  await expect(person.button('Sign in')).toBeVisible();
  await person.page.goto('/sign-up');
  await person.page.getByLabel('E-mail').fill(email);
  await person.page.getByLabel('Password').fill('short');
  await person.button('Create account').click();
  await expect(person.page.getByRole('alert')).toContainText('Use at least 10 characters');
  await person.page.getByLabel('Password').fill('long enough, surely');
  await person.button('Create account').click();
  await expect(person.page.getByText('No account was made with this address.')).toBeVisible();
  await person.leave();
});
