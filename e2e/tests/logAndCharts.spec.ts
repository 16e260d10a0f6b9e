import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: a day of last month is mended in the log, and the month, the streak and the heat map follow`,
    { tag: soakIf(size === PHONE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      await person.signUp();
      await person.makeHabit({ name: 'Scales', from: '2026-10-29' });
      await person.go('Log');
      await expect(person.heading('November')).toBeVisible();
      await person.button('The month before').click();
      await expect(person.heading('October')).toBeVisible();
      for (const day of ['Thursday 29 October', 'Saturday 31 October'])
        await (await person.reach('Scales', day)).click();
      await expect(person.figures('Scales')).toHaveAccessibleName(
        /^Scales: 2 done of 3, 1 short, 2 of 3 kept, 67\s%(,|\.)/,
      );
      await expect(person.page.getByText('2 of 3 due')).toBeVisible();

      await person.go('Charts');
      await person.page.getByRole('button', { name: /^Charts of/ }).click();
      await person.choose('Scales');
      await expect(
        person.page
          .getByText('1 day, 31 October to 31 October')
          .or(person.page.getByText('1 day, 29 October to 29 October')),
      ).toBeVisible();

      await person.go('Log');
      await person.button('The month before').click();
      await (await person.reach('Scales', 'Friday 30 October')).click();
      await expect(person.cell('Scales', 'Friday 30 October')).toHaveAttribute('aria-checked', 'true');
      await expect(person.figures('Scales')).toHaveAccessibleName(
        /^Scales: 3 done of 3, 0 short, 3 of 3 kept, 100\s%(,|\.)/,
      );
      await expect(person.page.getByText('3 of 3 due')).toBeVisible();
      // Three days are too few for a ribbon.
      for (const told of ['3 full days', '3 bright days', '0 ribbons'])
        await expect(person.button(new RegExp(`^${told}`))).toBeVisible();
      await person.reach('Scales', 'Friday 30 October');
      await expect(person.button(/^Friday 30 October: 1 done, 1 of 1, 100/)).toBeVisible();

      await person.go('Charts');
      await expect(person.page.getByRole('img', { name: /^Heat map of 2026: 3 full days of 27/ })).toBeVisible();
      await person.page.getByRole('button', { name: /^Charts of/ }).click();
      await person.choose('Scales');
      await expect(person.page.getByText('3 days, 29 October to 31 October')).toBeVisible();
      await expect(person.page.getByRole('img', { name: /^Heat map of 2026, Scales: 3 of 26 due/ })).toBeVisible();
      await person.everythingSaved();
      await person.leave();
    },
  );
}

test('a tap on the heat map names the day and its numbers, and leads to it', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-20' });
  await person.visit('/today?day=2026-11-21');
  await person.checkOff('Scales');
  await person.go('Charts');
  const plate = person.page.getByTestId('days-plate');
  const box = (await plate.boundingBox())!;
  const [column, row] = [21 - 0.5, 11 - 0.5];
  await plate.click({ position: { x: 40 + (column * (box.width - 40)) / 31, y: (row * box.height) / 12 } });
  await expect(person.page.getByText('Saturday 21 November: 1 of 1, 100 %, a full day')).toBeVisible();
  await plate.press('ArrowLeft');
  await expect(person.page.getByText('Friday 20 November: 0 of 1, 0 %')).toBeVisible();
  await plate.press('ArrowRight');
  await person.button('See it in the log').first().click();
  await expect(person.page).toHaveURL(/\/log\?span=week&day=2026-11-21&at=2026-11-21$/);
  await expect(person.cell('Scales', 'Saturday 21 November')).toHaveAttribute('aria-checked', 'true');
  // The keyboard begins at that day.
  await expect(person.cell('Scales', 'Saturday 21 November')).toHaveAttribute('tabindex', '0');
  await person.page.goBack();
  await expect(person.page.getByTestId('days-plate')).toBeVisible();
  await person.leave();
});

test('the pegboard is walked and edited by keyboard', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-02' });
  await person.makeHabit({ name: 'Pages', how: { unit: 'pages', step: 5, atLeast: 20 }, from: '2026-11-02' });
  await person.go('Log');
  await person.cell('Scales', 'Tuesday 24 November').focus();
  const { keyboard } = person.page;
  await keyboard.press('ArrowLeft');
  await expect(person.cell('Scales', 'Monday 23 November')).toBeFocused();
  await keyboard.press('Space');
  await expect(person.cell('Scales', 'Monday 23 November')).toHaveAttribute('aria-checked', 'true');
  await keyboard.press('Home');
  await expect(person.cell('Scales', 'Sunday 1 November')).toBeFocused();
  await keyboard.press('End');
  await keyboard.press('ArrowDown');
  await expect(person.cell('Pages', 'Tuesday 24 November')).toBeFocused();
  await keyboard.press('Enter');
  await person.page.getByLabel(/^Amount/).fill('12,5');
  await keyboard.press('Escape');
  await expect(person.cell('Pages', 'Tuesday 24 November')).toHaveAccessibleName(/part done, 12.5 pages/);
  await person.leave();
});

test('any month and year has its own address, and back returns', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/log?month=2026-02');
  await expect(person.heading('February')).toBeVisible();
  await expect(await person.reach('Scales, slow bow', 'Saturday 28 February')).toBeVisible();
  await expect(person.page.getByRole('checkbox', { name: /29 February/ })).toHaveCount(0);
  await person.button('The month after').click();
  await expect(person.heading('March')).toBeVisible();
  await person.page.goBack();
  await expect(person.heading('February')).toBeVisible();
  await person.page.reload();
  await expect(person.heading('February')).toBeVisible();
  await person.page.goto('/log?month=1999-13');
  await expect(person.heading('November')).toBeVisible();
  await person.leave();
});
