import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

test('a month is put right by keyboard alone, and every step of it taken back', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-10-01' });
  await person.makeHabit({ name: 'Pages', how: { unit: 'pages', step: 5, atLeast: 20 }, from: '2026-10-01' });
  await person.go('Log');
  const { keyboard } = person.page;
  const press = async (...keys: string[]): Promise<void> => {
    for (const key of keys) await keyboard.press(key);
  };
  // Tab into the pegboard, and home past the edge into last month.
  await expect(person.cell('Scales', 'Tuesday 24 November')).toBeVisible();
  // Past the four figures above it, each of which can be asked.
  await person.page.getByRole('button', { name: 'As a list by day' }).focus();
  await press('Tab', 'Tab', 'Tab', 'Tab', 'Tab');
  await expect(person.cell('Scales', 'Tuesday 24 November')).toBeFocused();
  await press('Home');
  await expect(person.cell('Scales', 'Sunday 1 November')).toBeFocused();
  await press('ArrowLeft');
  await expect(person.heading('October')).toBeVisible();
  await expect(person.cell('Scales', 'Saturday 31 October')).toBeFocused();
  await press('Space', 'ArrowLeft', 'r', 'ArrowLeft', 'm');
  await person.page.getByLabel('Reason').fill('Visitors all day');
  await press('Escape');
  const state = (habit: string, day: string) => person.cell(habit, day);
  await expect(state('Scales', 'Saturday 31 October')).toHaveAttribute('aria-checked', 'true');
  await expect(state('Scales', 'Friday 30 October')).toHaveAccessibleName(/: rest$/);
  await expect(state('Scales', 'Thursday 29 October')).toHaveAccessibleName(/: missed$/);
  await state('Scales', 'Thursday 29 October').focus();
  await press('PageDown');
  await expect(state('Pages', 'Thursday 29 October')).toBeFocused();
  await press('2', '5', '.', '5', 'Enter');
  await expect(state('Pages', 'Thursday 29 October')).toHaveAccessibleName(/: done, 25.5 pages$/);
  await expect(state('Pages', 'Thursday 29 October')).toBeFocused();
  await press('ArrowRight', '9', 'Escape');
  await expect(state('Pages', 'Friday 30 October')).toHaveAccessibleName(/: empty$/);
  await press('ArrowLeft', 'Delete');
  await expect(state('Pages', 'Thursday 29 October')).toHaveAccessibleName(/: empty$/);
  await press('Control+z');
  await expect(state('Pages', 'Thursday 29 October')).toHaveAccessibleName(/25.5 pages$/);
  await press('n');
  await person.page.getByLabel('Note').fill('In one sitting');
  await press('Escape');
  await expect(person.page.getByRole('dialog')).toHaveCount(0);
  await expect(person.figures('Scales')).toHaveAccessibleName(/1 done of 31/);
  await state('Pages', 'Thursday 29 October').focus();
  await expect(state('Pages', 'Thursday 29 October')).toBeFocused();
  // What the habit's and the day's figures are made of is one key away, and the focus comes back.
  const sheet = person.page.getByRole('dialog');
  await press('w');
  await expect(sheet).toContainText('What was asked in October, and how much of it was kept.');
  await press('Escape');
  await expect(state('Pages', 'Thursday 29 October')).toBeFocused();
  await press('d');
  await expect(sheet).toContainText('Thursday 29 October');
  await press('Escape');
  await press('?');
  await expect(person.page.getByRole('dialog', { name: 'Keys of the pegboard' })).toContainText('empty the day');
  await press('Escape');
  // The focus comes back to where it was.
  await expect(state('Pages', 'Thursday 29 October')).toBeFocused();
  await press('t');
  await expect(person.heading('November')).toBeVisible();
  await expect(person.cell('Pages', 'Tuesday 24 November')).toBeFocused();
  await person.visit('/habits/' + (await idOf(person, 'Pages')));
  await expect(person.card('Notes')).toContainText('In one sitting');
  await person.everythingSaved();
  await person.leave();
});

const idOf = async (person: Person, name: string): Promise<string> => {
  await person.visit('/settings/habits');
  const href = await person.page.getByRole('link', { name, exact: true }).getAttribute('href');
  return href!.split('/').pop()!;
};

test('the grid is announced: its size, its rows and columns, and one way in', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/log?span=year');
  const grid = person.page.getByRole('grid', { name: 'Pegboard, 2026 this year' });
  await expect(grid).toHaveAttribute('aria-colcount', '367');
  const rows = Number(await grid.getAttribute('aria-rowcount'));
  expect(rows).toBeGreaterThan(12);
  await expect(grid.getByRole('columnheader', { name: 'Tuesday 24 November' })).toBeVisible();
  await expect(grid.getByRole('rowheader').filter({ hasText: 'Cold swim' })).toBeVisible();
  await expect(grid.locator('[role=checkbox][tabindex="0"]')).toHaveCount(1);
  // Far fewer cells are drawn than there are.
  const drawn = await grid.getByRole('checkbox').count();
  expect(drawn).toBeLessThan(0.3 * rows * 365);
  await person.leave();
});

test(
  'what stands in a row is not cut at its edge: over a month and a year, roomy and compact, on both widths',
  { tag: '@soak' },
  async ({ browser }) => {
    for (const size of [PHONE, WIDE])
      for (const rows of ['roomy', 'compact']) {
        const person = await Person.at(browser, { size });
        await person.page.addInitScript((kept) => localStorage.setItem('wimbel.rows', kept), rows);
        await person.openSample();
        for (const span of ['month', 'year']) {
          await person.visit(`/log?span=${span}`);
          await expect(person.cell('Scales, slow bow', 'Tuesday 24 November')).toBeVisible();
          await expect(person.page.locator('[aria-busy="true"]')).toHaveCount(0);
          const cut = await person.page.evaluate(() => {
            const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
            const isOut = (row: HTMLElement): boolean => {
              const { top, bottom } = row.getBoundingClientRect();
              return [...row.querySelectorAll('[role=rowheader] *, [data-testid^=figures] *')].some((each) => {
                const box = each.getBoundingClientRect();
                return box.top < top - 1 || box.bottom > bottom + 1;
              });
            };
            return { seen: rows.length, cut: rows.filter(isOut).map((row) => row.innerText) };
          });
          expect(cut.seen).toBeGreaterThan(6);
          expect(cut.cut, `${size.width} ${rows} ${span}`).toEqual([]);
        }
        await person.leave();
      }
  },
);

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: week, six weeks from any day, quarter and year, back and forth`,
    { tag: soakIf(size === PHONE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      await person.openSample();
      await person.visit('/log');
      await expect(person.cell('Cold swim', 'Tuesday 24 November')).toBeInViewport();
      await person.choose('Week');
      await expect(person.heading('23 to 29 November')).toBeVisible();
      await person.button('The week before').click();
      await expect(person.heading('16 to 22 November')).toBeVisible();
      await person.button('This week').click();
      await person.choose('6 weeks');
      await expect(person.heading('19 Oct to 29 Nov')).toBeVisible();
      await person.page.getByLabel('First day of the six weeks').fill('2026-02-17');
      await expect(person.heading('17 Feb to 30 Mar')).toBeVisible();
      await expect(await person.reach('Cold swim', 'Monday 30 March')).toBeVisible();
      await person.choose('Quarter');
      await expect(person.heading('January to March')).toBeVisible();
      await person.choose('Year');
      await expect(person.heading('2026')).toBeVisible();
      await person.button('The year before').click();
      await expect(person.heading('2025')).toBeVisible();
      await expect(await person.reach('Cold swim', 'Wednesday 31 December')).toBeVisible();
      await person.page.goBack();
      await expect(person.heading('2026')).toBeVisible();
      await person.page.reload();
      await expect(person.heading('2026')).toBeVisible();
      await person.leave();
    },
  );

  test(
    `on a ${device}: the same records by day, amounts and notes edited where they stand`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      await person.signUp();
      await person.makeHabit({ name: 'Pages', how: { unit: 'pages', step: 5, atLeast: 20 }, from: '2026-11-22' });
      await person.makeHabit({ name: 'Scales', from: '2026-11-23' });
      await person.go('Log');
      await person.button('As a list by day').click();
      await expect(person.page.getByRole('heading', { level: 2 })).toHaveText([
        'Tuesday 24 November',
        'Monday 23 November',
        'Sunday 22 November',
      ]);
      await person.page.getByRole('checkbox', { name: 'Scales, Monday 23 November: empty' }).click();
      const amount = person.page.getByLabel('Amount, Pages, Sunday 22 November');
      await amount.fill('2x');
      await expect(amount).toHaveAttribute('aria-invalid', 'true');
      await amount.fill('22');
      const note = person.page.getByLabel('Note, Pages, Sunday 22 November');
      if (size === PHONE) await person.button('Write, Pages, Sunday 22 November').click();
      await note.fill('On the quay');
      await note.blur();
      await person.button('As the pegboard').click();
      await expect(await person.reach('Pages', 'Sunday 22 November')).toHaveAccessibleName(/: done, 22 pages$/);
      await expect(person.cell('Scales', 'Monday 23 November')).toHaveAttribute('aria-checked', 'true');
      await person.visit('/log?as=list');
      await expect(person.page.getByLabel('Note, Pages, Sunday 22 November')).toHaveValue('On the quay');
      await person.page.getByRole('link', { name: 'Open Sunday 22 November' }).click();
      await expect(person.heading('Sunday')).toBeVisible();
      await person.leave();
    },
  );
}

test('the list goes on to older days over a month in which nothing was due', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.makeHabit({ name: 'Oil the deck', often: { every: 30 }, from: '2026-10-25' });
  await person.visit('/log?span=quarter&as=list');
  await expect(person.page.getByRole('heading', { level: 2 })).toHaveText(['Tuesday 24 November', 'Sunday 25 October']);
  await person.leave();
});

test('habits stand by area with what each came to, and are sorted by name and by share', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Splice a rope', from: '2026-11-23', area: 'Boat yard' });
  await person.makeHabit({ name: 'Bow hold', from: '2026-11-23' });
  await person.checkOff('Bow hold');
  await person.go('Log');
  const rows = person.page.getByRole('rowheader').getByRole('link');
  await expect(rows).toHaveText(['Splice a rope', 'Bow hold']);
  await person.button('Which habits, in which order').click();
  await person.choose('Share');
  await person.choose('By area');
  await person.button('Close').last().click();
  await expect(rows).toHaveText(['Splice a rope', 'Bow hold']);
  await expect(person.figures('Boat yard')).toHaveAccessibleName(
    /^Boat yard: 0 done of 8, 8 left, 0 of 1 kept, 0\s%(,|\.)/,
  );
  await expect(person.figures('No area')).toHaveAccessibleName(
    /^No area: 1 done of 8, 7 left, 1 of 2 kept, 50\s%(,|\.)/,
  );
  await expect(person.figures('All habits')).toHaveAccessibleName(
    /^All habits: 1 done of 16, 15 left, 1 of 3 kept, 33\s%(,|\.)/,
  );
  await person.button('Boat yard: fold its habits').click();
  await expect(rows).toHaveText(['Bow hold']);
  await expect(person.figures('Boat yard')).toHaveAccessibleName(/^Boat yard: 0 done of 8/);
  await person.page.reload();
  await expect(person.figures('Boat yard')).toBeVisible();
  await expect(rows).toHaveText(['Bow hold']);
  await person.button('Boat yard: show its habits').click();
  await expect(rows).toHaveText(['Splice a rope', 'Bow hold']);
  await person.button('Which habits, in which order').click();
  await person.choose('All together');
  await person.button('Close').last().click();
  await expect(rows).toHaveText(['Bow hold', 'Splice a rope']);
  // The order by share stays while days are checked off.
  await (await person.reach('Splice a rope', 'Monday 23 November')).click();
  await (await person.reach('Splice a rope', 'Tuesday 24 November')).click();
  await expect(person.figures('Splice a rope')).toHaveAccessibleName(/2 done of 8/);
  await expect(rows).toHaveText(['Bow hold', 'Splice a rope']);
  await person.leave();
});

test('below the days stand their counts and marks, and each week’s total, also of the short last one', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-09-01' });
  await person.visit('/log?month=2026-09');
  for (const day of ['Monday 28 September', 'Tuesday 29 September', 'Wednesday 30 September'])
    await (await person.reach('Scales', day)).click();
  const week = (words: string | RegExp) => person.button(words);
  await expect(week(/^Week, 28 to 30 September: 3 of 3, pass mark reached/)).toBeVisible();
  await expect(week(/^Week, 21 to 27 September: 0 of 7, pass mark not reached/)).toBeVisible();
  await expect(person.button(/^Monday 28 September: 1 done, 1 of 1, 100\s%, mark ~/)).toBeVisible();
  await expect(person.figures('All habits')).toHaveAccessibleName(
    /^All habits: 3 done of 30, 27 short, 3 of 30 kept, 10\s%(,|\.)/,
  );
  await person.visit('/log');
  await expect(week(/^Week, 23 to 29 November: 0 of 1 so far, still open/)).toBeVisible();
  await person.leave();
});
