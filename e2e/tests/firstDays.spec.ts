import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test.describe(`on a ${device}`, () => {
    test(
      'a person signs up, adds a habit, checks it off, and finds it again after a reload and on a second device',
      { tag: soakIf(size === WIDE) },
      async ({ browser }) => {
        const first = await Person.at(browser, { size });
        const email = await first.signUp();
        await expect(first.page.getByText('What do you want to get better at?')).toBeVisible();

        await first.addHabit({ name: 'Scales', part: 'Morning' });
        await expect(first.page.getByText('1 to go today')).toBeVisible();
        await first.checkOff('Scales');
        await expect(first.page.getByText('A full day')).toBeVisible();
        await expect(first.row('Scales')).toContainText('1 of 1 this month');
        await expect(first.row('Scales')).toContainText('1 day');

        await first.everythingSaved();
        await first.page.reload();
        await expect(first.peg('Scales')).toHaveAttribute('aria-checked', 'true');

        const second = await Person.at(browser, { size });
        await second.signIn(email);
        await expect(second.peg('Scales')).toHaveAttribute('aria-checked', 'true');
        await second.peg('Scales').click();
        await expect(second.peg('Scales')).toHaveAttribute('aria-checked', 'false');
        await expect(second.page.getByText('1 to go today')).toBeVisible();
        await second.leave();
        await first.leave();
      },
    );

    test(
      'what is checked off without a connection is kept, sent when it is back, and there on the second device',
      { tag: soakIf(size === PHONE) },
      async ({ browser }) => {
        const first = await Person.at(browser, { size });
        const email = await first.signUp();
        await first.addHabit({ name: 'Tide table' });
        await first.addHabit({ name: 'Cold swim', how: { unit: 'm', step: 100, atLeast: 300 } });
        await first.everythingSaved();

        await first.context.setOffline(true);
        await first.checkOff('Tide table');
        for (let taps = 0; taps < 3; taps++) await first.peg('Cold swim').click();
        await expect(first.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
        await expect(first.page.getByText(/Offline: 4 changes waiting to sync/)).toBeVisible();
        expect(await first.waiting()).toBe(4);

        await first.context.setOffline(false);
        await first.everythingSaved();
        await expect(first.page.getByText(/waiting to sync/)).toBeHidden();

        const second = await Person.at(browser, { size });
        await second.signIn(email);
        await expect(second.peg('Tide table')).toHaveAttribute('aria-checked', 'true');
        await expect(second.row('Cold swim')).toContainText('300 of 300 m');
        await second.leave();
        await first.leave();
      },
    );
  });
}

test('what waits on a device survives its page being closed', async ({ browser }) => {
  const person = await Person.at(browser);
  const email = await person.signUp();
  await person.addHabit({ name: 'Bow hold' });
  await person.everythingSaved();
  await person.page.route('**/api/changes', (route) => route.abort());
  await person.checkOff('Bow hold');
  await expect.poll(() => person.waiting()).toBe(1);
  await person.page.close();

  const page = await person.context.newPage();
  await page.clock.install({ time: new Date('2026-11-24T09:40:00Z') });
  await page.goto('/today');
  await expect(page.getByRole('checkbox', { name: /^Bow hold:/ })).toHaveAttribute('aria-checked', 'true');

  const other = await Person.at(browser);
  await other.signIn(email);
  await expect(other.peg('Bow hold')).toHaveAttribute('aria-checked', 'true');
  await other.leave();
  await person.leave();
});

test('on two devices the later change of the same day wins on both', { tag: '@soak' }, async ({ browser }) => {
  const first = await Person.at(browser);
  const email = await first.signUp();
  await first.addHabit({ name: 'Pages', how: { unit: 'pages', step: 5, atLeast: 20 } });
  await first.everythingSaved();
  const second = await Person.at(browser, { now: '2026-11-24T10:00:00Z' });
  await second.signIn(email);
  await expect(second.row('Pages')).toBeVisible();

  await first.context.setOffline(true);
  await first.peg('Pages').click();
  await expect(first.row('Pages')).toContainText('5 of 20 pages');
  await second.peg('Pages').click();
  await second.peg('Pages').click();
  await second.everythingSaved();
  await first.context.setOffline(false);
  await first.everythingSaved();
  await expect(first.row('Pages')).toContainText('10 of 20 pages');
  await second.page.reload();
  await expect(second.row('Pages')).toContainText('10 of 20 pages');
  await second.leave();
  await first.leave();
});
