import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test('steps belong to the goal’s steps by themselves, move together, and moving them is nothing to celebrate', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.setGoal({ title: 'Carve the tiller', starts: '2026-11-01', due: '2026-12-31' });
  const add = async (title: string): Promise<void> => {
    await page.getByLabel('A new step').fill(title);
    await page.getByLabel('A new step').press('Enter');
    await expect(page.getByRole('checkbox', { name: `${title}: done` })).toBeVisible();
  };
  // Without a key result the goal goes by its steps.
  for (const title of ['Choose the ash', 'Steam it', 'Oil it']) await add(title);
  await page.getByRole('checkbox', { name: 'Choose the ash: done' }).click();
  const standing = person.card('How it stands');
  await expect(standing).toContainText('33 %');
  await expect(standing).toContainText('1 of 3 steps');
  await expect(person.button(/^1 of 3 steps done, 2 left/)).toBeVisible();

  // They join the first key result that counts steps, and one that is added later too.
  await person.addKeyResult({ title: 'Made', kind: 'Steps done' });
  await expect(page.getByText('Made is part of the goal, with 3 steps that were there')).toBeVisible();
  await expect(person.keyResult('Made')).toHaveAccessibleName(/1 of 3 steps, 33/);
  await add('Fit it');
  await expect(person.keyResult('Made')).toHaveAccessibleName(/1 of 4 steps, 25/);

  // Several change hands at once: nothing is celebrated, though all of the other is done then.
  await person.addKeyResult({ title: 'Wood', kind: 'Steps done' });
  await person.button('How steps are listed').click();
  await person.button('Choose several').click();
  await page.getByRole('checkbox', { name: 'Choose Choose the ash' }).click();
  await page.getByRole('button', { name: 'Wood', exact: true }).click();
  await expect(person.keyResult('Wood')).toHaveAccessibleName(/1 of 1 step, 100/);
  await expect(person.keyResult('Made')).toHaveAccessibleName(/0 of 3 steps, 0/);
  await page.clock.runFor(500);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(person.keyResult('Made')).toHaveAccessibleName(/1 of 4 steps, 25/);
  await person.leave();
});

test('steps sort by what presses, by priority and by due day, and say their days and their share', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  const step = (id: string, more: object) => ['steps', id, { id, goalId: 'g', title: id, ...more }] as const;
  await person.send([
    ['goals', 'g', { id: 'g', title: 'Rig her', startsOn: '2026-11-01', dueOn: '2026-12-31', state: 'open', order: 0 }],
    ...[
      step('Later', { order: 0, dueOn: '2026-12-20', priority: 1 }),
      step('Late', { order: 1, dueOn: '2026-11-20' }),
      step('Soon', { order: 2, dueOn: '2026-11-26', startsOn: '2026-11-17', priority: 2 }),
      step('Half', { order: 3, parentId: 'Soon', doneOn: '2026-11-20' }),
      step('Other half', { order: 4, parentId: 'Soon' }),
    ].map(([collection, id, record]) => [collection, id, record] as [string, string, object]),
  ]);
  await page.goto('/goals/g');
  const top = page.getByRole('list', { name: 'Steps', exact: true }).getByRole('button', { name: /, more/ });
  const order = (): Promise<string[]> =>
    top.evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')!.split(',')[0]!));
  await expect.poll(order).toEqual(['Later', 'Late', 'Soon', 'Other half', 'Half']);
  await expect(person.button(/^Soon, more, due in 2 days, 1 of 2, in progress, 10 days, priority 2/)).toBeVisible();
  for (const [sort, wanted] of [
    ['Urgent first', ['Late', 'Soon', 'Other half', 'Half', 'Later']],
    ['Priority', ['Later', 'Soon', 'Other half', 'Half', 'Late']],
    ['Due day', ['Late', 'Soon', 'Other half', 'Half', 'Later']],
    ['My order', ['Later', 'Late', 'Soon', 'Other half', 'Half']],
  ] as const) {
    await person.button('How steps are listed').click();
    await person.choose(sort);
    await person.button('Done').click();
    await expect.poll(order, sort).toEqual(wanted);
  }
  await person.leave();
});

test('a goal without anything to count is reached by one tap from the list, or on an earlier day, and taken back', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.setGoal({ title: 'Row round the rocks', starts: '2026-11-01', due: '2026-12-31' });
  await person.go('Goals');
  await person.button('Row round the rocks is reached').click();
  const closed = person.card('No longer open');
  await expect(closed).toContainText('Row round the rocks');
  await person.button('Undo').click();
  await expect(person.button('Row round the rocks is reached')).toBeVisible();

  await page.getByRole('link', { name: /^Row round the rocks/ }).click();
  await person.button('More about this goal').click();
  await person.button('Close as reached').click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('On', { exact: true }).fill('2026-11-25');
  await sheet.getByRole('button', { name: 'Close as reached' }).click();
  await expect(page.getByText('That day is still to come')).toBeVisible();
  await sheet.getByLabel('On', { exact: true }).fill('2026-11-21');
  await sheet.getByLabel('How did it go').fill('Flat calm');
  await sheet.getByRole('button', { name: 'Close as reached' }).click();
  const story = page.getByRole('list', { name: 'Story of the goal' });
  await expect(story.getByRole('listitem').filter({ hasText: 'Flat calm' })).toContainText('21');
  await person.leave();
});

test('a goal that moves to another quarter keeps its start unless asked, says what changes, and tells it', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.send([
    ['goals', 'g', { id: 'g', title: 'Rig her', startsOn: '2026-10-05', dueOn: '2026-12-10', state: 'open', order: 0 }],
    [
      'keyResults',
      'k',
      {
        id: 'k',
        goalId: 'g',
        title: 'Knots',
        order: 0,
        measure: { kind: 'number', start: 0, target: 9 },
        startsOn: '2026-10-20',
        dueOn: '2026-11-30',
      },
    ],
  ]);
  await page.goto('/goals/year');
  const move = async (start: string | null): Promise<string> => {
    await person.button('Move Rig her to another quarter').click();
    await page.getByRole('dialog').getByRole('button', { name: 'January to March 2027' }).click();
    if (start !== null) await person.choose(start);
    const told = await page.getByRole('list', { name: 'What changes' }).innerText();
    await page.getByRole('dialog').getByRole('button', { name: 'Move', exact: true }).click();
    return told;
  };
  const kept = await move(null);
  expect(kept).toContain('31 March 2027');
  expect(kept).not.toContain('1 January');
  await page.getByRole('link', { name: /^Rig her/ }).click();
  const story = page.getByRole('list', { name: 'Story of the goal' });
  await expect(story).toContainText('10 December');
  await expect(story).not.toContainText('5 October');
  await person.button('Undo').click();
  await page.goto('/goals/year');
  const moved = await move('Start with the quarter');
  expect(moved).toContain('1 January 2027');
  expect(moved).toContain('Knots');
  // It has nothing to do with this year any more.
  await expect(page.getByRole('link', { name: /^Rig her/ })).toHaveCount(0);
  await page.goto('/goals/g');
  await expect(story).toContainText('5 October');
  await person.leave();
});

test('what has a start is due through its days, and the calendar shows one area', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.openSample();
  await page.goto('/goals/due');
  const day = (name: string) => person.button(new RegExp(`^${name} November: `));
  await expect(day('Friday 20')).toHaveAccessibleName(/nothing due, 1 thing under way/);
  await expect(day('Monday 30')).toHaveAccessibleName(/1 thing due/);
  await day('Friday 20').click();
  await expect(person.card('Under way')).toContainText('Seven coats on the rails');
  await page
    .getByRole('radio', { name: 'Welsh' })
    .or(page.getByRole('checkbox', { name: 'Welsh' }))
    .click();
  await expect(page).toHaveURL(/area=words/);
  await expect(page.getByText('Seven coats on the rails')).toHaveCount(0);
  await expect(person.card('Overdue').getByRole('link')).toHaveCount(1);
  await page.reload();
  await expect(person.card('Overdue').getByRole('link')).toHaveCount(1);
  await person.leave();
});
