import { type Locator, expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

const TEN = [
  'Scales 10 min, mornings',
  'Long tones',
  'Knots',
  'New words, evenings',
  'Cold swim',
  'Stretch',
  'Count birds, Sat Sun',
  'No coffee after two',
  'Sand the hull, 3 a week',
  'Duets, 3 a week',
];
const NAMES = TEN.map((line) => line.replace(/( 10 min)?,.*/, ''));

type Said = { mark?: string; amount?: number };

/** What is recorded, by habit and day. */
async function recorded(person: Person): Promise<Map<string, Said>> {
  await person.everythingSaved();
  const rows = await person.stored();
  const names = new Map(
    rows.flatMap(({ collection, key, record }) =>
      collection === 'habits' ? [[key, (record as { name: string }).name] as const] : [],
    ),
  );
  return new Map(
    rows.flatMap(({ collection, record }) => {
      if (collection !== 'entries') return [];
      const { habitId, day, mark, amount } = record as { habitId: string; day: string } & Said;
      return [[`${names.get(habitId)} ${day}`, { mark, amount }] as const];
    }),
  );
}

const said = (all: Map<string, Said>, name: string): string[] =>
  [...all]
    .flatMap(([key, { mark, amount }]) =>
      key.startsWith(`${name} 2026`) ? [`${key.slice(-2)} ${mark ?? amount}`] : [],
    )
    .sort();

async function tenFromAList(person: Person): Promise<void> {
  await person.visit('/habits/list');
  await person.page.getByLabel('One habit a line').fill(TEN.join('\n'));
  await expect(person.page.getByRole('region', { name: 'What was understood' })).toContainText('3 days a week');
  await person.button('Add 10 habits').click();
  await expect(person.page.getByText('10 habits are on your days')).toBeVisible();
}

const days = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, index) => from + index);
const two = (day: number): string => String(day).padStart(2, '0');

test('a month of ten habits from before they were added takes at most 40 keys, and one undo takes back a range', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await tenFromAList(person);
  // No habit had begun in October; its board is there all the same.
  await person.visit('/log?month=2026-10');
  await person.cell('Scales', 'Thursday 1 October').focus();
  let keys = 0;
  const press = async (...names: string[]): Promise<void> => {
    for (const name of names) {
      keys++;
      await person.page.keyboard.press(name);
    }
  };
  // Eight habits on every day that is one for them.
  await press('Shift+End', ...Array.from({ length: 7 }, () => 'Shift+ArrowDown'), 'Space');
  await expect(person.page.getByText('8 habits now start earlier')).toBeVisible();
  // One of three days a week, its first week day by day, the others like it; then the same for the next.
  await press('ArrowDown', 'Home', 'Space', 'ArrowRight', 'ArrowRight', 'Space');
  await press('ArrowRight', 'ArrowRight', 'ArrowRight', 'Space', 'Home', 'Shift+End', 'f');
  await person.context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await press('Control+c', 'ArrowDown', 'Home', 'Control+v');
  // A last day on which nothing came of anything.
  await press('End', 'Shift+PageUp', 'm');
  expect(keys).toBeLessThanOrEqual(40);

  const all = await recorded(person);
  const weekends = [3, 4, 10, 11, 17, 18, 24, 25];
  const threes = [1, 3, 6, 8, 10, 13, 15, 17, 20, 22, 24, 27, 29];
  const expected = (name: string): string[] => {
    const done = name === 'Count birds' ? weekends : /hull|Duets/.test(name) ? threes : days(1, 30);
    return [
      ...done.map((day) => `${two(day)} ${name === 'Scales' ? '10' : 'done'}`),
      name === 'Scales' ? '31 missed' : '31 missed',
    ];
  };
  for (const name of NAMES) expect([name, said(all, name)]).toEqual([name, expected(name)]);

  await press('Control+z');
  for (const name of ['Duets', 'Cold swim', 'Long tones'])
    await expect(person.cell(name, 'Saturday 31 October')).toHaveAccessibleName(/: done$/);
  await person.leave();
});

/** From this one on the habits lie below what a phone shows of the board at once. */
const LOWER_FROM = 'Count birds';

/** A finger on the screen, by the browser's own touch events. */
async function fingerOn(person: Person) {
  const client = await person.context.newCDPSession(person.page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { x: number; y: number }): Promise<unknown> =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] });
  const middle = async (of: Locator): Promise<{ x: number; y: number }> => {
    const box = (await of.boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  return {
    /** Goes from one place to another without leaving the screen, after holding still for a while. */
    drag: async (from: Locator, to: Locator, holdMs = 0): Promise<void> => {
      const [start, end] = [await middle(from), await middle(to)];
      await touch('touchStart', start);
      if (holdMs > 0) await person.page.clock.runFor(holdMs);
      const steps = 12;
      for (let step = 1; step <= steps; step++) {
        const share = step / steps;
        await touch('touchMove', { x: start.x + (end.x - start.x) * share, y: start.y + (end.y - start.y) * share });
      }
      await touch('touchEnd');
    },
  };
}

test('on a phone a finger draws a month of ten habits in at most 60 acts', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE, hasTouch: true });
  await person.signUp();
  await tenFromAList(person);
  await person.visit('/log?month=2026-10');
  const finger = await fingerOn(person);
  const grid = person.page.getByRole('grid');
  let acts = 1;
  await person.button('Mark days by drawing').click();
  const weekday = (day: number): string =>
    new Date(Date.UTC(2026, 9, day)).toLocaleDateString('en-GB', { weekday: 'long', timeZone: 'UTC' });
  const cell = (name: string, day: number): Locator => person.cell(name, `${weekday(day)} ${day} October`);
  const scroll = (to: { x?: number; y?: number }): Promise<void> =>
    grid.evaluate((node, { x, y }) => node.scrollTo(x ?? node.scrollLeft, y ?? node.scrollTop), to);
  const cellPx = (await cell('Scales', 1).boundingBox())!.width;
  // A week at a time, as much as is seen beside the names; the lower rows first where one is down there already.
  const split = NAMES.indexOf(LOWER_FROM);
  const halves = [NAMES.slice(0, split), NAMES.slice(split)];
  for (let first = 1; first <= 31; first += 7) {
    const last = Math.min(31, first + 6);
    await scroll({ x: (first - 1) * cellPx + Math.floor((first + 2) / 7) * 6 });
    for (const [index, half] of halves.entries()) {
      await scroll({ y: half.includes('Scales') ? 0 : 5000 });
      if (index === 1) acts++;
      for (const name of half) {
        await expect(cell(name, first)).toBeInViewport();
        acts++;
        await finger.drag(cell(name, first), cell(name, last));
      }
    }
    halves.reverse();
    if (first > 1) acts++;
  }
  expect(acts).toBeLessThanOrEqual(60);
  const all = await recorded(person);
  for (const name of NAMES) {
    expect([name, said(all, name)]).toEqual([
      name,
      days(1, 31).map((day) => `${two(day)} ${name === 'Scales' ? '10' : 'done'}`),
    ]);
  }
  await person.leave();
});

test('on a phone a long press and a drag pick a range, and what is done to it is undone at once', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE, hasTouch: true });
  await person.signUp();
  await tenFromAList(person);
  await person.visit('/log?span=week&day=2026-11-18');
  const finger = await fingerOn(person);
  await finger.drag(
    person.cell('Long tones', 'Tuesday 17 November'),
    person.cell('New words', 'Friday 20 November'),
    600,
  );
  const bar = person.page.getByRole('toolbar');
  await expect(bar).toContainText('4 days of 3 habits');
  await expect(person.page.getByRole('gridcell', { selected: true })).toHaveCount(12);
  await bar.getByRole('button', { name: 'Done' }).click();
  await expect(person.cell('Knots', 'Thursday 19 November')).toHaveAttribute('aria-checked', 'true');
  await bar.getByRole('button', { name: 'Rest' }).click();
  await expect(person.cell('Knots', 'Thursday 19 November')).toHaveAccessibleName(/: rest$/);
  await bar.getByRole('button', { name: 'Let go' }).click();
  await expect(bar).toBeHidden();
  await person.button('Undo').click();
  await expect(person.cell('Knots', 'Thursday 19 November')).toHaveAccessibleName(/: done$/);
  // A long press that stays where it is opens the day, as before.
  await finger.drag(person.cell('Knots', 'Thursday 19 November'), person.cell('Knots', 'Thursday 19 November'), 600);
  await expect(person.page.getByRole('dialog')).toContainText('Knots');
  await person.leave();
});

test('a range is dragged with the mouse, grown with Shift, given an amount, and pasted into from a spreadsheet', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await tenFromAList(person);
  await person.visit('/log?span=week&day=2026-11-18');
  await person.cell('Scales', 'Monday 16 November').hover();
  await person.page.mouse.down();
  await person.cell('Long tones', 'Wednesday 18 November').hover();
  await person.page.mouse.up();
  const bar = person.page.getByRole('toolbar');
  await expect(bar).toContainText('3 days of 2 habits');
  await person.cell('Long tones', 'Thursday 19 November').click({ modifiers: ['Shift'] });
  await expect(bar).toContainText('4 days of 2 habits');
  await bar.getByRole('button', { name: 'Amount' }).click();
  await person.page.getByLabel('Amount, Scales').fill('25');
  await person.page.keyboard.press('Enter');
  await expect(person.cell('Scales', 'Thursday 19 November')).toHaveAccessibleName(/done, 25 min$/);
  await expect(person.cell('Long tones', 'Thursday 19 November')).toHaveAccessibleName(/: (empty|not begun)$/);
  await person.page.keyboard.press('Escape');
  await person.cell('Scales', 'Friday 20 November').focus();
  await person.page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '12\t\t7,5\nx\tmissed\thm\n');
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(person.page.getByText('4 days pasted; 1 field could not be read')).toBeVisible();
  await expect(person.cell('Scales', 'Sunday 22 November')).toHaveAccessibleName(/7.5 min$/);
  await expect(person.cell('Long tones', 'Saturday 21 November')).toHaveAccessibleName(/: missed$/);
  await expect(bar).toBeHidden();
  await person.leave();
});

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: everything is found by any part of its name, checked off and opened by keys`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      await person.signUp();
      await tenFromAList(person);
      await person.setGoal({ title: 'Sail to the Skerries' });
      if (size === WIDE) await person.page.keyboard.press('/');
      else await person.button('Find').click();
      const field = person.page.getByRole('combobox');
      await expect(field).toBeFocused();
      await field.fill('offee');
      const found = person.page.getByRole('grid', { name: 'Found' }).getByRole('row');
      await expect(found).toHaveCount(1);
      await person.page.keyboard.press('Control+Enter');
      await expect(found.getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
      await field.fill('skerr');
      await expect(found.first()).toHaveAccessibleName('Sail to the Skerries, Goal');
      await person.page.keyboard.press('Escape');
      await expect(person.page.getByRole('dialog')).toHaveCount(0);
      await person.page.keyboard.press('Control+k');
      await person.page.keyboard.type('what is');
      await person.page.keyboard.press('Enter');
      await expect(person.heading('What is due')).toBeVisible();
      await person.button('Find').click();
      await field.fill('zzz');
      await expect(person.page.getByText('Nothing of yours has this in its name.')).toBeVisible();
      await person.leave();
    },
  );

  test(
    `on a ${device}: a first habit grows out of a small start, and another is made like it`,
    { tag: soakIf(size === PHONE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      await person.signUp();
      await person.button('Making music').click();
      const list = person.page.getByLabel('One habit a line');
      await expect(list).toHaveValue(/^Scales 10 min\n/);
      await list.fill('Scales 15 min, mornings');
      await person.button('Add 1 habit').click();
      await expect(person.row('Scales')).toContainText('15 min');
      await person.openHabit('Scales');
      await person.button('Copy this habit').click();
      await expect(person.page.getByLabel('Name', { exact: true })).toHaveValue('Scales');
      await person.page.getByLabel('Name', { exact: true }).fill('Arpeggios');
      await person.button('Add, then another').click();
      await expect(person.page.getByLabel('Name', { exact: true })).toBeFocused();
      await expect(person.page.getByLabel('Name', { exact: true })).toHaveValue('');
      await person.page.keyboard.type('Listening');
      await person.button('Add habit').click();
      await person.go('Today');
      await expect(person.row('Arpeggios')).toContainText('15 min');
      await expect(person.row('Listening')).toBeVisible();
      await person.leave();
    },
  );
}

test('a list of steps is pasted with its sub-steps, and a goal is copied to another year', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.setGoal({ title: 'Refit the dinghy', starts: '2026-03-01', due: '2026-09-30' });
  await person.addKeyResult({ title: 'Planks', kind: 'A number', start: '0', target: '40', unit: 'planks' });
  await person.page.getByLabel('A new step', { exact: true }).focus();
  await person.page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '- Empty the hull\n  - Lift the seats\n  - Take the mast out\n- Sand\n- Paint');
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  });
  await expect(person.page.getByText('5 steps added')).toBeVisible();
  await person.page.getByLabel('A new step', { exact: true }).fill('Launch');
  await person.page.keyboard.press('Enter');
  await expect(person.page.getByLabel('A new step', { exact: true })).toBeFocused();
  await expect(person.page.getByRole('list', { name: 'Steps' })).toContainText('Launch');
  await person.button('More about this goal').click();
  await person.button('Copy to another year').click();
  await person.choose('2027');
  await person.button('Copy').click();
  await expect(person.page.getByText('Refit the dinghy is copied to 2027')).toBeVisible();
  await person.everythingSaved();
  const goals = (await person.stored())
    .filter(({ collection }) => collection === 'goals')
    .map(({ record }) => record as { id: string; startsOn: string });
  expect(goals.map(({ startsOn }) => startsOn).sort()).toEqual(['2026-03-01', '2027-03-01']);
  const copy = goals.find(({ startsOn }) => startsOn === '2027-03-01')!;
  await expect(person.page).toHaveURL(new RegExp(`/goals/${copy.id}$`));
  const steps = (await person.stored()).filter(
    ({ collection, record }) => collection === 'steps' && (record as { goalId: string }).goalId === copy.id,
  );
  expect(steps).toHaveLength(6);
  expect(steps.filter(({ record }) => 'parentId' in record)).toHaveLength(2);
  await expect(person.keyResult('Planks')).toBeVisible();
  await person.leave();
});

test('ten targets are typed through like a list, taken over from last month, and set for several habits at once', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await tenFromAList(person);
  await person.visit('/habits/targets');
  const field = (habit: string) => person.page.getByLabel(`Days, ${habit}`, { exact: true });
  await expect(field('Scales')).toHaveAttribute('placeholder', '7');
  await field('Scales').focus();
  let keys = 0;
  for (const [index] of NAMES.entries()) {
    for (const key of [String(5 - (index % 3)), 'Enter']) {
      keys++;
      await person.page.keyboard.press(key);
    }
  }
  expect(keys).toBe(20);
  await expect(field('Duets')).toHaveValue('5');
  await field('Scales').fill('many');
  await expect(person.page.getByRole('alert')).toContainText('Write a whole number');
  await field('Scales').press('Escape');
  await expect(field('Scales')).toHaveValue('5');
  await person.page.getByLabel('Amount in min, Scales').fill('90');
  await person.page.getByLabel('Days in the year, Scales').fill('36');
  await person.page.keyboard.press('Enter');
  await person.button('The month after').click();
  // From now on: December goes by what was set.
  await expect(person.heading('December 2026')).toBeVisible();
  await expect(field('Long tones')).toHaveValue('4');
  await person.choose('This month only');
  await field('Long tones').fill('20');
  await person.page.keyboard.press('Enter');
  await person.button('The month after').click();
  await expect(field('Long tones')).toHaveValue('4');
  await person.button('The month before').click();
  await person.button('As last month').click();
  await expect(person.page.getByText('1 habit as in November')).toBeVisible();
  await expect(field('Long tones')).toHaveValue('4');
  await person.button('Undo').first().click();
  await expect(field('Long tones')).toHaveValue('20');
  await person.openHabit('Scales');
  await expect(person.card('Targets')).toContainText('0 of the target of 36');

  await person.visit('/settings/habits');
  await person.button('Choose several').click();
  const bar = person.page.getByRole('toolbar');
  await expect(bar.getByRole('button', { name: 'Archive' })).toBeDisabled();
  for (const name of ['Knots', 'Stretch', 'Duets'])
    await person.page.getByRole('checkbox', { name, exact: true }).click();
  await expect(bar).toContainText('3 chosen');
  await bar.getByRole('button', { name: 'Away' }).click();
  await person.page.getByLabel('Away from').fill('2026-11-24');
  await person.page.getByLabel('To', { exact: true }).fill('2026-11-20');
  await person.button('Set').click();
  await expect(person.page.getByText('The last day is before the first')).toBeVisible();
  await person.page.getByLabel('To', { exact: true }).fill('2026-11-30');
  await person.button('Set').click();
  await expect(person.page.getByText('3 habits paused for these days')).toBeVisible();
  await person.button('Choose several').click();
  for (const name of ['Knots', 'Cold swim']) await person.page.getByRole('checkbox', { name, exact: true }).click();
  await bar.getByRole('button', { name: 'Pips' }).click();
  await person.page.getByLabel('How many').fill('2');
  await person.page.keyboard.press('Enter');
  await expect(person.page.getByText('2 habits earn that from today')).toBeVisible();
  await person.everythingSaved();
  const habits = (await person.stored()).flatMap(({ collection, record }) =>
    collection === 'habits' ? [record as { name: string; pauses?: object[]; terms: { pips?: number }[] }] : [],
  );
  expect(
    habits
      .filter(({ pauses }) => pauses)
      .map(({ name }) => name)
      .sort(),
  ).toEqual(['Duets', 'Knots', 'Stretch']);
  expect(
    habits
      .filter(({ terms }) => terms.at(-1)!.pips === 2)
      .map(({ name }) => name)
      .sort(),
  ).toEqual(['Cold swim', 'Knots']);
  await person.leave();
});

test('groups of Today fold and stay so, only what is left can be shown, and a day before any habit can be recorded', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await tenFromAList(person);
  await person.checkOff('Cold swim');
  await person.page.getByRole('checkbox', { name: 'Only what is left' }).click();
  await expect(person.row('Cold swim')).toBeHidden();
  await expect(person.row('Knots')).toBeVisible();
  await person.button(/^Any time, /).click();
  await expect(person.row('Knots')).toBeHidden();
  await person.page.reload();
  await expect(person.row('Scales')).toBeVisible();
  await expect(person.row('Knots')).toBeHidden();
  await person.button(/^Any time, /).click();
  await person.page.getByRole('checkbox', { name: 'Only what is left' }).click();
  await expect(person.row('Cold swim')).toBeVisible();
  await person.visit('/today?day=2026-11-20');
  await expect(person.page.getByText('Begins later')).toBeVisible();
  await person.peg('Knots').click();
  await expect(person.page.getByText('Knots now starts on 20 November')).toBeVisible();
  await person.button('Add a habit').click();
  await expect(person.page.getByLabel('First day')).toHaveValue('2026-11-20');
  await person.leave();
});
