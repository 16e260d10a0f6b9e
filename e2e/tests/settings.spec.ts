import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test('the first day of the week and the pass mark recompute everything, and say how things stand', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-20' });
  await person.makeHabit({ name: 'Splice a rope', from: '2026-11-20' });
  await person.makeHabit({ name: 'Sand the hull', often: { perWeek: 3 }, from: '2026-11-02' });
  await person.visit('/today?day=2026-11-22');
  for (const name of ['Scales', 'Sand the hull']) await person.checkOff(name);
  await expect(person.row('Sand the hull')).toContainText('1 of 3 that week');
  await person.go('Settings');
  await expect(person.page.getByText(/from 23 to 29 November: 0 of 2 kept/)).toBeVisible();
  await expect(person.page.getByText(/November so far: 0 bright days, 0 ribbons/)).toBeVisible();
  await person.page
    .getByRole('radiogroup', { name: 'First day of the week' })
    .getByRole('radio', { name: 'Sun' })
    .click();
  await expect(person.page.getByText(/from 22 to 28 November: 2 of 5 kept/)).toBeVisible();
  const pass = person.page.getByLabel('Pass mark');
  await pass.fill('166');
  await expect(person.page.getByText('Write a percentage from 0 to 100')).toBeVisible();
  await pass.fill('66,5');
  await pass.blur();
  await expect(person.page.getByText(/November so far: 1 bright day, 0 ribbons/)).toBeVisible();
  await person.go('Today');
  await expect(person.row('Sand the hull')).toContainText('1 of 3 this week');
  await person.visit('/log');
  for (const told of ['0 full days', '1 bright day', '0 ribbons'])
    await expect(person.button(new RegExp(`^${told}`))).toBeVisible();
  await expect(person.button(/^Week, 22 to 28 November/)).toBeVisible();
  await person.page.keyboard.press('Control+z');
  await expect(person.page.getByText('Nothing to undo')).toBeVisible();
  await person.everythingSaved();
  await person.leave();
});

test('what is checked off before the day ends counts for the day before', async ({ browser }) => {
  const person = await Person.at(browser, { now: '2026-11-25T01:30:00Z' });
  await person.page.goto('/sign-up');
  await person.page.getByLabel('E-mail').fill(`late${Date.now()}@example.org`);
  await person.page.getByLabel('Password').fill('slow bow and long notes');
  await person.button('Create account').click();
  await expect(person.heading('Wednesday')).toBeVisible();
  await person.makeHabit({ name: 'Scales', from: '2026-11-20' });
  await person.visit('/settings');
  await person.choose('3:00');
  await expect(person.page.getByText(/By this it is Tuesday 24 November/)).toBeVisible();
  await person.visit('/today');
  await expect(person.heading('Tuesday')).toBeVisible();
  await person.checkOff('Scales');
  await person.page.clock.fastForward('01:31:00');
  await expect(person.heading('Wednesday')).toBeVisible();
  await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'false');
  await person.leave();
});

test('streaks that are left off are mentioned nowhere', { tag: '@soak' }, async ({ browser }) => {
  for (const size of [PHONE, WIDE]) {
    const person = await Person.at(browser, { size });
    await person.signUp();
    await person.makeHabit({ name: 'Scales', from: '2026-11-20' });
    for (const day of ['2026-11-23', '2026-11-24']) {
      await person.visit(`/today?day=${day}`);
      await person.checkOff('Scales');
    }
    const id = await person.page.evaluate(
      () => document.querySelectorAll('[aria-label="Streak: 2 days in a row"]').length,
    );
    expect(id).toBe(1);
    await person.visit('/settings');
    await person.page.getByRole('radiogroup', { name: 'Streaks' }).getByRole('radio', { name: 'Hidden' }).click();
    await person.openHabit('Scales');
    const page = new URL(person.page.url()).pathname;
    const cords = () => person.page.locator('svg line[stroke="#A8741A"]').count();
    for (const address of ['/today', '/log', page, `/charts`]) {
      await person.visit(address);
      await expect(person.page.getByRole('heading').first()).toBeVisible();
      await person.page.clock.runFor(300);
      expect(await person.page.getByText(/streak|in a row|longest/i).count(), address).toBe(0);
      // The charts have brass lines of their own: the pass mark.
      if (address !== '/charts') expect(await cords(), address).toBe(0);
    }
    await person.visit('/settings');
    await person.page.getByRole('radiogroup', { name: 'Streaks' }).getByRole('radio', { name: 'Shown' }).click();
    await person.visit('/log');
    await expect.poll(cords).toBe(1);
    await person.leave();
  }
});

test('day marks are one’s own scale; a faulty one is told and the one before holds', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.checkOff('Scales');
  await expect(person.page.getByLabel('Day mark ~')).toBeVisible();
  await person.visit('/settings');
  const sign = person.page.getByLabel('Sign').first();
  await person.page.getByLabel('From how many').first().fill('3');
  await expect(person.page.getByText(/Each sign needs more habits than the one before/)).toBeVisible();
  await person.page.getByLabel('From how many').first().fill('1');
  await sign.fill('⚓');
  await person.visit('/today');
  await expect(person.page.getByLabel('Day mark ⚓')).toBeVisible();
  await person.visit('/settings');
  await person.button('Back to the usual signs').click();
  await person.visit('/today');
  await expect(person.page.getByLabel('Day mark ~')).toBeVisible();
  await person.leave();
});

test('a whole day done is said once', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Scales' });
  await person.makeHabit({ name: 'Cold swim' });
  await person.peg('Scales').click();
  const words = person.page.getByText('Everything due today is done. Well done.');
  await expect(words).toHaveCount(0);
  await person.peg('Cold swim').click();
  await expect(words).toBeVisible();
  await expect(person.heading('A full day')).toBeVisible();
  await person.page.clock.runFor(7000);
  await expect(words).toHaveCount(0);
  await person.peg('Scales').click();
  await person.peg('Scales').click();
  await person.page.clock.runFor(500);
  await expect(words).toHaveCount(0);
  await person.leave();
});
