import { expect, test } from '@playwright/test';
import { PHONE, WIDE } from '../playwright.config.ts';
import { Person } from '../driver/person.ts';

test('the log shows only an area: its sums are the area’s, each can be asked, and the address keeps it', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Splice a rope', from: '2026-11-01', area: 'Boat yard' });
  await person.makeHabit({ name: 'Bow hold', from: '2026-11-01' });
  await person.makeHabit({ name: 'Long swim', from: '2026-11-01', often: { perWeek: 2 } });
  await person.go('Log');
  await (await person.reach('Splice a rope', 'Monday 2 November')).click();
  await (await person.reach('Bow hold', 'Monday 2 November')).click();
  await (await person.reach('Bow hold', 'Tuesday 3 November')).click();
  const rows = person.page.getByRole('rowheader').getByRole('link');
  await person.button('Which habits, in which order').click();
  await person.choose('Boat yard (1)');
  await expect(rows).toHaveText(['Splice a rope']);
  const figures = person.page.getByRole('status', { name: 'The month in figures' });
  await expect(figures).toContainText('1 of 23 due so far');
  await expect(figures).toContainText('1 full day');
  await expect(person.button(/^Monday 2 November: 1 done, 1 of 1, 100\s%/)).toBeVisible();
  // What it is made of is only the area's.
  await person.button(/^Monday 2 November: 1 done/).click();
  await expect(person.page.getByRole('dialog')).toContainText('Boat yard, Monday 2 November');
  await expect(person.page.getByRole('dialog')).not.toContainText('Bow hold');
  await person.page.keyboard.press('Escape');
  await person.page.reload();
  await expect(rows).toHaveText(['Splice a rope']);
  await person.button('The month before').click();
  await expect(person.button('Only Boat yard. Show all habits')).toBeVisible();
  await person.page.goBack();
  await person.button('Only Boat yard. Show all habits').click();
  await expect(rows).toHaveText(['Splice a rope', 'Bow hold', 'Long swim']);
  await expect(person.button(/^Tuesday 3 November: 1 done, 1 of 2/)).toBeVisible();
  await person.button('Which habits, in which order').click();
  await person.choose('Weekly (1)');
  await expect(rows).toHaveText(['Long swim']);
  await person.leave();
});

test('any seven days are a span of the log, by any first day', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Bow hold', from: '2026-11-01' });
  await person.go('Log');
  await person.choose('7 days');
  await expect(person.heading('18 to 24 November')).toBeVisible();
  await expect(person.cell('Bow hold', 'Wednesday 18 November')).toBeVisible();
  await person.button('The seven days before').click();
  await expect(person.heading('11 to 17 November')).toBeVisible();
  const first = person.page.getByLabel('First day of the seven days');
  await first.fill('2026-11-05');
  await first.press('Enter');
  await expect(person.heading('5 to 11 November')).toBeVisible();
  await person.page.reload();
  await expect(person.heading('5 to 11 November')).toBeVisible();
  await (await person.reach('Bow hold', 'Thursday 5 November')).click();
  await expect(person.figures('Bow hold')).toHaveAccessibleName(/^Bow hold: 1 done of 7/);
  await person.leave();
});

test('Today shows only some habits without changing what is to go, and leads to each of many areas', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  for (const area of ['Music', 'Boat', 'Sea', 'Birds', 'Words', 'Home'])
    await person.makeHabit({ name: `A bit of ${area}`, area });
  await person.visit('/today');
  await person.choose('By area');
  await expect(person.page.getByText('6 to go today')).toBeVisible();
  await person.button('Go to Home').click();
  await expect(person.peg('A bit of Home')).toBeInViewport();
  await person.button('Only some habits').click();
  await person.choose('Boat (1)');
  await person.button('Close').last().click();
  await expect(person.peg('A bit of Boat')).toBeVisible();
  await expect(person.peg('A bit of Music')).toBeHidden();
  await expect(person.page.getByText('6 to go today')).toBeVisible();
  await person.checkOff('A bit of Boat');
  await expect(person.page.getByText('5 to go today')).toBeVisible();
  await person.button('Only Boat. Show all habits').click();
  await expect(person.peg('A bit of Music')).toBeVisible();
  await person.leave();
});

test('compact rows show more habits on a screen, and stay on the device', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  for (const name of ['Scales', 'Long swim', 'Splice a rope']) await person.makeHabit({ name });
  await person.visit('/today');
  const heightOf = async (): Promise<number> =>
    (await person.peg('Splice a rope').boundingBox())!.y - (await person.peg('Scales').boundingBox())!.y;
  const roomy = await heightOf();
  await person.visit('/settings');
  await person.choose('Compact');
  await person.visit('/today');
  expect(await heightOf()).toBeLessThan(roomy * 0.75);
  await person.page.reload();
  await person.peg('Scales').waitFor();
  expect(await heightOf()).toBeLessThan(roomy * 0.75);
  // A finger still meets them.
  expect((await person.peg('Scales').boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await person.leave();
});

test('an area has any colour, told where it must show darker to be seen', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.visit('/settings/areas');
  await person.button('Add an area').click();
  await person.page.getByLabel('Name', { exact: true }).fill('Music');
  await person.choose('Another colour');
  const color = person.page.locator('input[type=color]');
  await color.fill('#fff0a0');
  await expect(person.page.getByText('Shown a little darker, so that it can be seen.')).toBeVisible();
  await color.fill('#7a1f5c');
  await expect(person.page.getByText('Shown a little darker')).toBeHidden();
  await person.button('Add area').click();
  await person.everythingSaved();
  expect((await person.stored()).find((each) => each.collection === 'areas')?.record).toMatchObject({
    name: 'Music',
    color: '#7a1f5c',
  });
  await person.leave();
});

test(
  'the reward of a month is told when it is earned, and found on the habit’s page, past months too',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    await person.signUp();
    await person.makeHabit({ name: 'Scales', from: '2026-10-01' });
    await person.openHabit('Scales');
    await person.button('Set the month’s target').click();
    await person.button('The month before').last().click();
    await person.page.getByRole('dialog').getByLabel('Days', { exact: true }).fill('2');
    await person.page.getByLabel('Reward for reaching it').fill('An evening at the harbour');
    await person.choose('From now on');
    await person.button('Save').click();
    await expect(person.card('Rewards of months')).toContainText('November 2026: 2 days to go');
    await expect(person.card('Rewards of months')).toContainText('October 2026: not earned');
    await person.visit('/today');
    await person.row('Scales').click();
    await expect(person.page.getByText('Reward for November: An evening at the harbour, 2 days to go')).toBeVisible();
    await person.button('Close').last().click();
    // A month that is past is filled in from paper.
    await person.visit('/log?month=2026-10');
    await (await person.reach('Scales', 'Thursday 1 October')).click();
    await expect(person.page.getByRole('dialog')).toBeHidden();
    await (await person.reach('Scales', 'Friday 2 October')).click();
    const told = person.page.getByRole('dialog', { name: 'Scales: October reached' });
    await expect(told).toContainText('Your reward: An evening at the harbour');
    await person.button('Go on').click();
    await person.openHabit('Scales');
    await expect(person.card('Rewards of months')).toContainText('October 2026: earned');
    await person.button('Enjoyed: An evening at the harbour, October 2026').click();
    await expect(person.card('Rewards of months')).toContainText('October 2026: earned, enjoyed on');
    await person.everythingSaved();
    await person.page.reload();
    await expect(person.card('Rewards of months')).toContainText('October 2026: earned, enjoyed on');
    await person.leave();
  },
);
