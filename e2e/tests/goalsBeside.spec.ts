import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

const goal = {
  id: 'g',
  title: 'Sail to the island',
  startsOn: '2026-11-14',
  dueOn: '2026-12-04',
  state: 'open',
  order: 0,
};
const habit = {
  id: 'h',
  name: 'Sand the hull',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
};
const keyResult = (id: string, measure: object, more: object = {}) => ({
  id,
  goalId: 'g',
  title: id,
  order: 0,
  measure,
  ...more,
});
const step = (id: string, more: object = {}) => ({ id, goalId: 'g', title: id, order: 0, ...more });

test('the server by itself refuses what a form would, and keeps everything else', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  const accepted = await person.send([
    ['goals', 'g', goal],
    ['habits', 'h', habit],
    ['keyResults', 'days', keyResult('days', { kind: 'habitDays', habitId: 'h', target: 5 })],
    ['keyResults', 'hours', keyResult('hours', { kind: 'number', start: 0, target: 5 })],
    ['keyResults', 'rig', keyResult('rig', { kind: 'steps' })],
    ['steps', 'a', step('a')],
    ['steps', 'b', step('b', { parentId: 'a' })],
    ['milestones', 'm', { id: 'm', goalId: 'g', title: 'm', order: 0 }],
    ['milestones', 'n', { id: 'n', goalId: 'g', title: 'n', order: 1, after: ['m'] }],
  ]);
  expect(accepted.map((each) => each.status)).toEqual(Array(9).fill('accepted'));

  const checkIn = { id: 'c', keyResultId: 'hours', day: '2026-11-20', value: 'ten', madeAt: '2026-11-20T10:00:00Z' };
  const bad: [collection: string, key: string, record: object | null, wrong: RegExp][] = [
    ['keyResults', 'x', keyResult('x', { kind: 'number', start: 5, target: 5 }), /same as the start/],
    ['keyResults', 'x', keyResult('x', { kind: 'number', start: 'five', target: 6 }), /not a number/],
    ['keyResults', 'x', keyResult('x', { kind: 'habitDays', habitId: 'gone', target: 6 }), /not there/],
    ['keyResults', 'x', keyResult('x', { kind: 'habitAmount', habitId: 'h', target: 6 }), /only checked off/],
    ['keyResults', 'x', keyResult('x', { kind: 'yesNo' }, { startsOn: '2026-12-30' }), /before the start/],
    ['keyResults', 'x', keyResult('x', { kind: 'steps' }, { checkpoints: { '2026-11': 4 } }), /not for this kind/],
    ['keyResults', 'x', keyResult('x', { kind: 'yesNo' }, { weight: 0 }), /not above 0/],
    ['checkIns', 'c', checkIn, /not a number/],
    ['checkIns', 'c', { ...checkIn, keyResultId: 'rig', value: 1 }, /not fed by check-ins/],
    ['goals', 'g', { ...goal, dueOn: '2026-11-01' }, /before the start/],
    ['goals', 'g', { ...goal, turns: [{ on: '2026-11-24', kind: 'sold' }] }, /is none of/],
    ['steps', 'a', step('a', { parentId: 'b' }), /circle/],
    ['steps', 'a', step('a', { startsOn: '2026-11-20', dueOn: '2026-11-19' }), /before the start/],
    ['milestones', 'm', { id: 'm', goalId: 'g', title: 'm', order: 0, after: ['n'] }, /circle/],
  ];
  const answers = await person.send(bad.map(([collection, key, record]) => [collection, key, record]));
  expect(answers.map((each) => each.status)).toEqual(bad.map(() => 'refused'));
  for (const [index, [, , , wrong]] of bad.entries())
    expect(answers[index]!.issues!.map((each) => each.message).join(' '), JSON.stringify(bad[index])).toMatch(wrong);
  expect(await person.stored()).toHaveLength(9);
  await person.leave();
});

test('a habit that a key result counts is deleted with clear words, and what it came to can stay', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Sand the hull' });
  await person.checkOff('Sand the hull');
  await person.openHabit('Sand the hull');
  await person.button('Set a goal with it').click();
  await page.getByLabel('The goal').fill('Sail to the island');
  await person.button('Next').click();
  await person.button('Enough, look it over').click();
  await expect(person.button('Change: Habits')).toContainText('Sand the hull');
  await expect(page.getByRole('note', { name: 'Worth a thought' })).toContainText('Nothing measures it yet');
  await person.button('Change: Key results').click();
  await person.addKeyResult({ title: 'Evenings', kind: 'Days of a habit', habit: 'Sand the hull', target: '4' });
  await person.button('Enough, look it over').click();
  await person.button('Set goal').click();
  await expect(person.keyResult('Evenings')).toHaveAccessibleName(/1 of 4 days, 25/);
  await page.getByRole('link', { name: 'Habit Sand the hull' }).click();
  await expect(person.button('Goal: Sail to the island')).toBeVisible();
  await person.button('Delete this habit').click();
  await expect(page.getByText(/“Evenings” of “Sail to the island” counts it/)).toBeVisible();
  await person.button('Delete, keep key results as numbers').click();
  await person.go('Goals');
  await page.getByRole('link', { name: /^Sail to the island, 25/ }).click();
  await expect(person.keyResult('Evenings')).toHaveAccessibleName(/1 of 4 days, 25/);
  await person.checkIn('Evenings', '1', { adds: true });
  await expect(person.keyResult('Evenings')).toHaveAccessibleName(/2 of 4 days, 50/);

  // The other way round: a habit made for the goal.
  await person.button('Habits').click();
  await person.button('Make a habit for it').click();
  await expect(page.getByRole('radio', { name: 'Sail to the island' })).toBeChecked();
  await page.getByLabel('Name', { exact: true }).fill('Tide table first');
  await person.button('Add habit').click();
  await expect(page.getByRole('list', { name: 'Habits that carry it' })).toContainText('Tide table first');
  await person.everythingSaved();
  await expect(page.getByText('could not be saved')).toBeHidden();
  await person.leave();
});

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: what is due stands on Today, and every goal is fed from Today and from the list in two taps`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.signUpWithGoals();
      const due = person.card('Due steps and milestones');
      await expect(due.getByRole('link')).toHaveCount(5);
      await expect(due.getByRole('link').first()).toHaveAccessibleName(
        'Milestone Ten minutes under eight degrees, overdue by 14 days',
      );
      await due.getByRole('checkbox', { name: 'Run the halyards: done' }).click();
      await expect(due).not.toContainText('Run the halyards');
      await page.getByRole('button', { name: 'Undo', exact: true }).click();
      await expect(due).toContainText('Run the halyards');
      await page.getByRole('link', { name: 'Due: calendar' }).click();
      await expect(person.heading('What is due')).toBeVisible();
      await expect(person.card('Overdue').getByRole('link')).toHaveCount(3);
      await person.button(/^Tuesday 24 November: 1 thing due/).click();
      await expect(person.card('Tuesday 24 November')).toContainText('Ask the harbour master for a berth');
      await expect(person.card('Overdue')).toBeHidden();
      await person.button('December 2026').click();
      await expect(page.getByText('Nothing is due in this month.')).toBeVisible();

      await person.go('Today');
      await person.button('Check in to Swim across the bay').click();
      await page.getByRole('dialog').getByLabel('New value').last().fill('26.2');
      await page.getByRole('dialog').getByRole('button', { name: 'Check in', exact: true }).click();
      await expect(page.getByText('Minutes for a kilometre: 26.2 min')).toBeVisible();
      await person.go('Goals');
      await person.button('Check in to Sail the dinghy to the island and back').click();
      await expect(page.getByRole('radio', { name: 'Hours of sanding' })).toBeChecked();
      await page.getByRole('dialog').getByLabel('New value').last().fill('45,5');
      await page.keyboard.press('Enter');
      await expect(page.getByText('Hours of sanding: 45.5 h')).toBeVisible();
      await person.leave();
    },
  );
}

test(
  'goals stand together by area, quarter, year or state, in an order of one’s own; quotes stand on top if wanted',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await person.signUpWithGoals();
    const quote = page.getByRole('note', { name: 'Quote of the day' });
    await expect(quote).toBeVisible();
    await person.go('Goals');
    await expect(quote).toBeVisible();
    const titles = (): Promise<string[]> =>
      page
        .getByRole('link', { name: / %/ })
        .evaluateAll((links) => links.map((each) => each.getAttribute('aria-label')!.split(' ').slice(0, 2).join(' ')));
    await person.button('How goals are listed').click();
    await person.choose('State');
    await person.choose('Share');
    await person.button('Done').click();
    await expect(page.getByRole('group', { name: 'Paused' })).toContainText('Row round the seal rocks');
    expect(await titles()).toEqual(['Swim across', 'Sail the', 'Talk a', 'Row round', 'Play for', 'Draw every']);
    await person.button('How goals are listed').click();
    await person.choose('Year');
    await person.choose('My order');
    await person.button('Move Talk a whole tide with the harbour master, in Welsh').focus();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await person.button('Done').click();
    await page.reload();
    await expect(page.getByRole('group', { name: '2026', exact: true })).toContainText('Talk a whole tide');
    // Within a year goals stand by their area, in the order of the areas.
    expect(await titles()).toEqual(['Talk a', 'Swim across', 'Sail the', 'Play for', 'Row round', 'Draw every']);
    await person.button('How goals are listed').click();
    await person.choose('Area');
    await person.choose('Due day');
    await person.button('Done').click();

    await person.visit('/settings/quotes');
    await person.button('Add a quote').click();
    await person.button('Add quote').click();
    await expect(page.getByText('Write the quote down')).toBeVisible();
    await page.getByLabel('The quote').fill('Wood remembers');
    await page.getByLabel('Who said it').fill('The larch');
    await person.button('Add quote').click();
    await person.button('Edit: Wood remembers').click();
    await person.button('Delete').click();
    await person.button('Undo').click();
    await expect(person.button('Edit: Wood remembers')).toBeVisible();
    await person.visit('/settings');
    await page.getByRole('radiogroup', { name: 'Quotes' }).getByRole('radio', { name: 'Hidden' }).click();
    await person.go('Today');
    await expect(quote).toBeHidden();
    await person.leave();
  },
);

test('steps are put in order by keyboard, and a sub-step of a step keeps its place', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.send([
    ['goals', 'g', goal],
    ['steps', 'a', step('Choose the ash', { id: 'a', order: 0 })],
    ['steps', 'b', step('Steam it', { id: 'b', order: 1 })],
    ['steps', 'c', step('Fire the boiler', { id: 'c', order: 2, parentId: 'b' })],
    ['steps', 'd', step('Soak it', { id: 'd', order: 3, parentId: 'b' })],
  ]);
  await page.goto('/goals/g');
  await person.button('How steps are listed').click();
  await person.button('Put in order by hand').click();
  for (const name of ['Steam it', 'Soak it']) {
    await person.button(`Move ${name}`).focus();
    await page.keyboard.press('ArrowUp');
  }
  await person.button('Done ordering').click();
  const inOrder = page.getByRole('list', { name: 'Steps', exact: true }).getByRole('listitem');
  await expect(inOrder).toHaveText([/Steam it/, /Soak it/, /Fire the boiler/, /Choose the ash/]);
  await page.getByRole('checkbox', { name: 'Steam it: done' }).click();
  await expect(page.getByText('Steam it is done, and 2 with it')).toBeVisible();
  await expect(inOrder).toHaveText([/Choose the ash/, /Steam it/, /Soak it/, /Fire the boiler/]);
  await person.leave();
});
