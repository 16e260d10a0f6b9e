import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test('the focus stays where it was: on steppers, and after a note, a reason and a sheet that is closed', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const { keyboard } = person.page;
  for (const [address, name, after] of [
    ['/today', 'The day before', 'The day before'],
    ['/goals/due', 'October 2026', 'September 2026'],
    ['/goals/year', 'Goals of 2025', 'Goals of 2024'],
    ['/habits/targets', 'The month before', 'The month before'],
  ] as const) {
    await person.visit(address);
    await person.button(name).focus();
    await keyboard.press('Enter');
    await expect(person.button(after)).toBeFocused();
  }
  await person.visit('/log');
  const cell = person.cell('Scales, slow bow', 'Monday 23 November');
  for (const key of ['n', 'm']) {
    for (const leave of ['Escape', 'Close'] as const) {
      await cell.focus();
      // A day that is missed already is first taken back.
      if (key === 'm' && leave === 'Close') await keyboard.press(key);
      await keyboard.press(key);
      const sheet = person.page.getByRole('dialog');
      await expect(sheet.locator(':focus')).toHaveCount(1);
      // No person is quicker than the sheet, which hears Escape a moment after it is drawn.
      await person.page.waitForTimeout(200);
      if (leave === 'Escape') await keyboard.press('Escape');
      else await sheet.getByRole('button', { name: 'Close' }).first().click();
      await expect(sheet).toHaveCount(0);
      await expect(cell).toBeFocused();
    }
  }
  await person.leave();
});

test('a form is gone through by few tabs, its choices by arrows, and the first tap on it is never lost', async ({
  browser,
}) => {
  for (const size of [PHONE, WIDE]) {
    const person = await Person.at(browser, { size, hasTouch: size === PHONE });
    await person.signUp();
    for (const [address, first] of [
      ['/habits/new', 'Something to quit'],
      ['/goals/new/direct', 'None'],
    ] as const) {
      await person.visit(address);
      const choice = person.page.getByRole('radio', { name: first, exact: true }).first();
      const before = await choice.boundingBox();
      // The empty name has the focus; leaving it by the very first tap finds nothing wrong and moves nothing.
      if (size === PHONE) await choice.tap();
      else await choice.click();
      await expect(choice).toHaveAttribute('aria-checked', 'true');
      expect(await choice.boundingBox()).toEqual(before);
      await expect(person.page.getByRole('alert')).toHaveCount(0);
    }
    if (size === WIDE) {
      await person.visit('/habits/new');
      await person.page.getByLabel('Name', { exact: true }).fill('Long tones');
      let tabs = 0;
      const { keyboard } = person.page;
      while (!(await person.button('Add habit').evaluate((node) => node === document.activeElement))) {
        await keyboard.press('Tab');
        tabs++;
        expect(tabs).toBeLessThan(20);
        const words = await person.page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
        if (words === 'Every day') {
          await keyboard.press('ArrowRight');
          await expect(person.page.getByRole('radio', { name: 'On weekdays' })).toBeFocused();
          await keyboard.press('ArrowLeft');
          await keyboard.press('ArrowLeft');
          await expect(person.page.getByRole('radio', { name: 'Times a month' })).toHaveAttribute(
            'aria-checked',
            'true',
          );
          await keyboard.press('ArrowRight');
        }
      }
      await keyboard.press('Enter');
      await expect(person.page.getByText('Long tones is on your days')).toBeVisible();
    }
    await person.leave();
  }
});

test('a day that is typed is taken when it is whole, not at its first digit', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const field = person.page.getByLabel('Go to a day');
  await field.focus();
  await person.page.keyboard.type('03');
  await expect(person.page).toHaveURL(/\/today$/);
  await person.page.keyboard.press('Enter');
  // The first field is the month or the day, as this device writes dates.
  await expect(person.page).toHaveURL(/day=2026-(03-24|11-03)$/);
  await person.leave();
});

test('a half-filled form waits while one looks elsewhere, is forgotten when it is left, and makes an area on the way', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  for (const [address, field, words] of [
    ['/habits/new', 'Name', 'Long tones'],
    ['/goals/new/direct', 'What do you want to have reached', 'Play for Ina'],
  ] as const) {
    const name = person.page.getByLabel(field, { exact: true });
    await person.visit(address);
    await name.fill(words);
    await person.go('Log');
    await expect(person.heading('November')).toBeVisible();
    await person.page.goBack();
    await expect(name).toHaveValue(words);
    await person.button('Cancel').click();
    await person.visit('/log');
    await person.visit(address);
    await expect(name).toHaveValue('');
  }
  await person.page.getByLabel('What do you want to have reached').fill('Play for Ina');
  await person.choose('New area');
  await person.page.getByLabel('Name of the new area').fill('Music');
  await person.button('Set goal').click();
  await expect(person.heading('Play for Ina')).toBeVisible();
  await person.visit('/settings/areas');
  await expect(person.page.getByText('Music', { exact: true })).toBeVisible();
  await person.leave();
});

test('hours are taken as 1:30, and the pegboard stands in groups by how often habits are due', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Sailing', how: { unit: 'h', step: 1, atLeast: 1 } });
  await person.makeHabit({ name: 'Duets', often: { perWeek: 2 } });
  await person.visit('/log');
  await person.cell('Sailing', 'Tuesday 24 November').focus();
  for (const key of ['1', ':', '3', '0', 'Enter']) await person.page.keyboard.press(key);
  await expect(person.cell('Sailing', 'Tuesday 24 November')).toHaveAccessibleName(/: done, 1.5 h$/);
  await person.button('Which habits, in which order').click();
  await person.choose('By how often');
  await person.page.keyboard.press('Escape');
  await expect(person.page.getByRole('rowheader', { name: 'Daily' })).toBeVisible();
  await expect(person.page.getByRole('rowheader', { name: 'Weekly' })).toBeVisible();
  await expect(person.page.getByRole('rowheader', { name: 'Monthly' })).toHaveCount(0);
  await person.leave();
});

test(
  'the ring of what has the focus in a row of Today lies inside the row, which is cut at its edge',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser);
    await person.signUp();
    await person.makeHabit({ name: 'Cold swim' });
    await person.visit('/today');
    await person.peg('Cold swim').focus();
    await person.page.keyboard.press('Tab');
    const more = person.button('Cold swim, more');
    await expect(more).toBeFocused();
    await expect(more).toHaveCSS('outline-style', 'solid');
    await expect(more).toHaveCSS('outline-offset', '-3px');
    await person.leave();
  },
);
