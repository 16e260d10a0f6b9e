import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(`on a ${device}: a goal with a habit-days key result moves on a check-off, and a number by checking in`, async ({
    browser,
  }) => {
    const person = await Person.at(browser, { size });
    await person.signUp();
    await person.addHabit({ name: 'Sand the hull' });
    await person.go('Goals');
    await person.button('Set your first goal').click();
    await person.page.getByLabel('What do you want to have reached').fill('Sail to the island');
    await person.page.getByLabel('Why it matters').fill('To hear the water along her planks');
    await person.page.getByLabel('Starts on').fill('2026-11-14');
    await person.page.getByLabel('Due on').fill('2026-11-10');
    await person.button('Set goal').click();
    await expect(person.page.getByText('The due day is before the start')).toBeVisible();
    await person.page.getByLabel('Due on').fill('2026-12-04');
    await person.button('Set goal').click();
    await expect(person.heading('Sail to the island')).toBeVisible();
    await expect(person.page.getByText('by 4 December, 10 days left.')).toBeVisible();

    await person.button('Add a key result').click();
    await person.page.getByLabel('What is counted').fill('Evenings at the hull');
    await person.choose('Days of a habit');
    await person.page.getByLabel('How many days').fill('4');
    await person.button('Add key result').click();
    await expect(person.page.getByText('Choose the habit that is counted')).toBeVisible();
    await person.choose('Sand the hull');
    await person.button('Add key result').click();
    await expect(person.page.getByRole('button', { name: /^Evenings at the hull: 0 of 4 days, 0/ })).toBeVisible();

    await person.go('Today');
    await person.checkOff('Sand the hull');
    await person.go('Goals');
    await expect(person.page.getByRole('link', { name: /Sail to the island, 25 %, behind/ })).toBeVisible();
    await person.page.getByRole('link', { name: /Sail to the island/ }).click();
    await expect(person.page.getByRole('button', { name: /^Evenings at the hull: 1 of 4 days, 25/ })).toBeVisible();
    await expect(person.page.getByText('50 % expected by today')).toBeVisible();
    await expect(person.page.getByText(/Behind: 2 days planned by now\. 2\.1 days a week from here\./)).toBeVisible();

    await person.button('Add a key result').click();
    await person.page.getByLabel('What is counted').fill('Planks');
    await person.page.getByLabel('Starts at').fill('3');
    await person.page.getByLabel('Target').fill('3');
    await person.button('Add key result').click();
    await expect(person.page.getByText('The target is the same as the start')).toBeVisible();
    await person.page.getByLabel('Target').fill('13');
    await person.page.getByLabel('Unit').fill('planks');
    await person.button('Add key result').click();
    await person.page.getByRole('button', { name: /^Planks: 3 of 13 planks/ }).click();
    await person.page.getByLabel('New value').fill('some');
    await person.button('Check in').last().click();
    await expect(person.page.getByText('Write a number, such as 12 or 7.5')).toBeVisible();
    await person.page.getByLabel('New value').fill('10.5');
    await person.page.getByLabel('Note').fill('The garboard fought back');
    await person.button('Check in').last().click();
    await expect(person.page.getByRole('button', { name: /^Planks: 10.5 of 13 planks, 75/ })).toBeVisible();
    await expect(person.page.getByText('on pace', { exact: true })).toBeVisible();
    await expect(person.page.getByRole('status').filter({ hasText: '50 %' }).first()).toBeVisible();
    await person.everythingSaved();
    await person.page.reload();
    await expect(person.page.getByRole('button', { name: /^Planks: 10.5 of 13 planks, 75/ })).toBeVisible();
    await person.leave();
  });
}

test('a yes-or-no key result is answered, its history corrected, and a reached one goes through', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.visit('/goals/new');
  await person.page.getByLabel('What do you want to have reached').fill('Pass the survey');
  await person.button('Set goal').click();
  await person.button('Add a key result').click();
  await person.page.getByLabel('What is counted').fill('Survey passed');
  await person.choose('Yes or no');
  await person.button('Add key result').click();
  await person.page.getByRole('button', { name: /^Survey passed: not yet/ }).click();
  await person.choose('Yes');
  await person.button('Check in').last().click();
  await expect(person.page.getByRole('button', { name: /^Survey passed: yes, 100/ })).toBeVisible();
  await expect(person.page.getByText('reached', { exact: true })).toBeVisible();
  await person.page.getByRole('button', { name: /^Survey passed: yes/ }).click();
  await person.button('Remove the check-in of 24 November').click();
  await person.button('Close').last().click();
  await expect(person.page.getByRole('button', { name: /^Survey passed: not yet, 0/ })).toBeVisible();
  await person.button('Undo').click();
  await expect(person.page.getByRole('button', { name: /^Survey passed: yes, 100/ })).toBeVisible();
  await person.leave();
});

test('a goal that is not there says so, and the rest stays reachable', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.openSample();
  await person.page.goto('/goals/no-such-goal');
  await expect(person.page.getByText('This goal is not here')).toBeVisible();
  await person.go('Goals');
  await expect(person.page.getByRole('link', { name: /Talk a whole tide/ })).toContainText('overdue');
  await person.page.goto('/nowhere');
  await expect(person.page.getByText('This address leads nowhere.')).toBeVisible();
  await person.button('Go to Today').click();
  await expect(person.heading('Tuesday')).toBeVisible();
  await person.leave();
});
