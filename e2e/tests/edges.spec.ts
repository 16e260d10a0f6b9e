import { chromium, expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { CHROMIUM_ARGS, PHONE, WIDE } from '../playwright.config.ts';
import { chromiumPath } from '../../tools/chromium.mjs';

const LONG =
  'Scales in all twelve keys, hands apart and then together, slowly, before anybody else in the house is awake';

/** Sends records as the app would, for what would take a person an afternoon to type. */
async function sendRecords(
  person: Person,
  records: [collection: string, key: string, record: object][],
): Promise<void> {
  const statuses = (await person.send(records)).map((each) => each.status);
  expect(new Set(statuses)).toEqual(new Set(['accepted']));
}

const habit = (id: string, order: number) => ({
  id,
  name: `Habit number ${order + 1}`,
  order,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
});

test(
  'a very long name, a sign of one’s own and more than was asked stay within the page',
  { tag: '@soak' },
  async ({ browser }) => {
    for (const size of [PHONE, WIDE]) {
      const person = await Person.at(browser, { size });
      await person.signUp();
      await person.addHabit({
        name: LONG,
        how: { unit: 'long notes', step: 50, atLeast: 20 },
        often: { perMonth: 1 },
        from: '2026-11-20',
      });
      for (const day of ['2026-11-22', '2026-11-23', '2026-11-24']) {
        await person.visit(`/today?day=${day}`);
        await person.peg(LONG).click();
      }
      await expect(person.row(LONG)).toContainText('50 of 20 long notes · 3 of');
      for (const place of ['Today', 'Log', 'Charts'] as const) {
        await person.go(place);
        await person.page.clock.runFor(300);
        const overflow = await person.page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect([place, size.width, overflow]).toEqual([place, size.width, 0]);
      }
      await person.go('Log');
      // Once a month, from the twentieth on: nothing of November is needed.
      await expect(person.page.getByText('Nothing settled yet')).toBeVisible();
      await person.leave();
    }
  },
);

test('eighty habits can be seen, and the last one checked off', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await sendRecords(
    person,
    Array.from({ length: 80 }, (_, index) => ['habits', `h${index}`, habit(`h${index}`, index)]),
  );
  await person.page.reload();
  await expect(person.page.getByText('80 to go today')).toBeVisible();
  await person.checkOff('Habit number 80');
  await expect(person.page.getByText('79 to go today')).toBeVisible();
  await person.go('Log');
  await expect(await person.reach('Habit number 80', 'Tuesday 24 November')).toHaveAttribute('aria-checked', 'true');
  await (await person.reach('Habit number 1', 'Monday 2 November')).click();
  await expect(person.figures('Habit number 1')).toHaveAccessibleName(/1 done of 30, 29 left/);
  await person.leave();
});

test('a habit of weekdays is out of the way on other days but can still be done, and a quit habit is held', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Welsh cards', often: { on: ['Mon', 'Fri'] }, from: '2026-11-20' });
  await person.addHabit({ name: 'No coffee after two', quit: true, from: '2026-11-23' });
  await expect(person.page.getByText('Not due today')).toBeVisible();
  await expect(person.page.getByText('1 to go today')).toBeVisible();
  await person.checkOff('Welsh cards');
  await expect(person.row('Welsh cards')).toContainText('1 of 2 this month');
  await person.checkOff('No coffee after two');
  await expect(person.row('No coffee after two')).toContainText('held off 1 of 2 this month');
  await person.leave();
});

test('a change that the server will not take is told in plain words, and everything else goes on', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Scales' });
  await person.everythingSaved();
  await person.page.route('**/api/changes', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
    const results = changes.map(({ id }) => ({
      id,
      status: 'refused',
      issues: [{ path: 'habitId', message: 'names "h", which is not there' }],
    }));
    return route.fulfill({ json: { revision: 1, more: false, rows: [], now: '2026-11-24T09:30:00Z', results } });
  });
  await person.peg('Scales').click();
  await expect(person.page.getByText('One change could not be saved')).toBeVisible();
  await expect(person.page.getByText(/It is kept on this device; everything else is saved/)).toBeVisible();
  // The screen shows what the server holds.
  await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'false');
  await person.button('Fix it').click();
  await expect(person.page.getByRole('dialog')).toContainText('The habit was deleted meanwhile');
  await person.button('Discard change').click();
  await expect(person.page.getByText('One change could not be saved')).toBeHidden();
  await person.leave();
});

test('what was refused can be mended and sent again, with what was written in it', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Scales' });
  await person.everythingSaved();
  let isRefusing = true;
  await person.page.route('**/api/changes', async (route) => {
    if (route.request().method() !== 'POST' || !isRefusing) return route.continue();
    const { changes } = route.request().postDataJSON() as { changes: { id: string }[] };
    const results = changes.map(({ id }) => ({
      id,
      status: 'refused',
      issues: [{ path: 'note', message: 'is longer than 20000 characters' }],
    }));
    return route.fulfill({ json: { revision: 1, more: false, rows: [], now: '2026-11-24T09:30:00Z', results } });
  });
  await person.button('Scales, more').click();
  await person.page.getByLabel('Note').fill('Bow arm loose, far too many words');
  await person.button('Close').last().click();
  await expect(person.page.getByText('One change could not be saved')).toBeVisible();
  // It outlives the page.
  await person.page.reload();
  await expect(person.page.getByText('One change could not be saved')).toBeVisible();
  isRefusing = false;
  await person.button('Fix it').click();
  await expect(person.page.getByRole('dialog')).toContainText('The note is too long');
  await person.page.getByRole('dialog').getByLabel('Note').fill('Bow arm loose');
  await person.button('Save again').click();
  await expect(person.page.getByText('One change could not be saved')).toBeHidden();
  await person.everythingSaved();
  const entries = (await person.stored()).filter(({ collection }) => collection === 'entries');
  expect(entries.map(({ record }) => record)).toMatchObject([{ day: '2026-11-24', note: 'Bow arm loose' }]);
  await person.leave();
});

test('scrollbars that take room leave a board all its days', { tag: '@soak' }, async () => {
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: CHROMIUM_ARGS,
    ignoreDefaultArgs: ['--hide-scrollbars'],
  });
  try {
    const person = await Person.at(browser, { size: WIDE });
    await person.openSample();
    for (const span of ['week', 'month']) {
      await person.visit(`/log?span=${span}`);
      const board = person.page.getByRole('grid');
      await expect(board.getByRole('row').nth(8)).toBeVisible();
      const px = await board.evaluate((node) => ({
        bar: (node as HTMLElement).offsetWidth - 2 - node.clientWidth,
        beyond: node.scrollWidth - node.clientWidth,
      }));
      expect(px.bar, `${span}: lines beyond the board's foot are scrolled to with a bar`).toBeGreaterThan(4);
      expect(px.beyond, `${span}: nothing lies beyond the board's side`).toBe(0);
      const [day, figures] = [board.getByRole('columnheader').last(), board.getByTestId(/^figures-/).first()];
      const [dayBox, figuresBox] = [(await day.boundingBox())!, (await figures.boundingBox())!];
      expect(dayBox.x + dayBox.width, `${span}: the last day stands beside the figures`).toBeLessThanOrEqual(
        figuresBox.x + 1,
      );
    }
  } finally {
    await browser.close();
  }
});
