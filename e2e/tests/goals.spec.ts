import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: from a wish to a goal page by page, each of its key results fed, one reached`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.signUp();
      await person.makeHabit({ name: 'Cold swim', how: { unit: 'm', step: 100, atLeast: 600 }, from: '2026-11-20' });
      await person.go('Goals');
      await person.button('Set your first goal').click();
      await person.button('Next').click();
      await expect(page.getByText('Give the goal a title; all else is optional')).toBeVisible();
      await page.getByLabel('The goal').fill('Swim across the bay');
      await page.getByLabel('Why it matters').fill('I look at the other side every morning');
      await person.button('Next').click();
      await page.getByLabel('Done when').fill('I walk out on the far sand');
      // Whatever happens to the page, what was written is there again.
      await page.reload();
      await expect(page.getByLabel('Done when')).toHaveValue('I walk out on the far sand');
      await person.button('Next').click();
      await page.getByLabel('Starts on').fill('2026-11-14');
      await page.getByLabel('Due on').fill('2026-11-10');
      await person.button('Next').click();
      await expect(page.getByText('The due day is before the start')).toBeVisible();
      await page.getByLabel('Due on').fill('2026-12-04');
      await person.button('Next').click();
      await expect(person.heading('What shows how far you are?')).toBeVisible();
      await person.addKeyResult({ title: 'Money for the boat', kind: 'Money', target: '900' });
      await person.addKeyResult({ title: 'Minutes', kind: 'A number', start: '28', target: '22', unit: 'min' });
      await person.addKeyResult({ title: 'Doctor agrees', kind: 'Yes or no' });
      await person.addKeyResult({ title: 'Made ready', kind: 'Steps done' });
      await person.addKeyResult({ title: 'Metres', kind: 'Amount of a habit', habit: 'Cold swim', target: '2000' });
      await expect(page.getByText('28 down to 22 min')).toBeVisible();
      await person.button('Next').click();
      await page.getByRole('checkbox', { name: 'Cold swim' }).click();
      await person.button('Make a new habit').click();
      await page.getByLabel('What you will do').fill('Shoulder stretches');
      await person.button('Make the habit').click();
      await person.button('Next').click();
      for (const step of ['Find somebody to row', 'Mend the sleeve']) {
        await page.getByLabel('A first step').fill(step);
        await page.getByLabel('A first step').press('Enter');
      }
      await person.button('Next').click();
      await expect(person.heading('Look it over')).toBeVisible();
      await expect(person.button('Change: Key results')).toContainText('Money for the boat, Minutes, Doctor agrees');
      await person.button('Set goal').click();
      await expect(person.heading('Swim across the bay')).toBeVisible();
      await expect(person.button(/^by 4 December, 10 days left/)).toBeVisible();
      await expect(page.getByText('I walk out on the far sand')).toBeVisible();
      // The pages that led here are done with: back leads to the list.
      await page.goBack();
      await expect(page.getByRole('link', { name: /^Swim across the bay, 0/ })).toBeVisible();
      await page.getByRole('link', { name: /^Swim across the bay, 0/ }).click();

      await person.checkIn('Money for the boat', '300');
      await expect(person.keyResult('Money for the boat')).toHaveAccessibleName(/€300 of €900, 33/);
      await person.checkIn('Money for the boat', '150', { adds: true, note: 'A fair' });
      await expect(person.keyResult('Money for the boat')).toHaveAccessibleName(/€450 of €900, 50/);
      await person.checkIn('Minutes', '25');
      await expect(person.keyResult('Minutes')).toHaveAccessibleName(/25, down to 22 min, 50/);
      await page.getByRole('checkbox', { name: 'Mend the sleeve: done' }).click();
      await expect(person.keyResult('Made ready')).toHaveAccessibleName(/1 of 2 steps, 50/);
      await person.keyResult('Doctor agrees').click();
      await page.getByLabel('Day', { exact: true }).fill('2026-11-25');
      await page.getByRole('dialog').getByRole('button', { name: 'Check in', exact: true }).click();
      await expect(page.getByText('That day is still to come')).toBeVisible();
      await page.keyboard.press('Escape');
      await person.checkIn('Doctor agrees', 'Yes');
      const reached = page.getByRole('dialog', { name: 'Doctor agrees is reached' });
      await reached.getByLabel('How did it go').fill('He swims himself');
      await reached.getByRole('button', { name: 'Go on' }).click();
      await person.go('Today');
      await page.getByRole('checkbox', { name: /^Cold swim:/ }).click();
      await page.getByRole('link', { name: /^Goal Swim across the bay, 51/ }).click();
      await expect(person.keyResult('Metres')).toHaveAccessibleName(/100 of 2,000 m, 5/);
      // (0.5 + 0.5 + 1 + 0.5 + 0.05) / 5, and half of the time is over.
      await expect(person.card('How it stands')).toContainText('51 %');
      await expect(person.card('How it stands')).toContainText('1 of 5 key results reached');
      await expect(person.card('How it stands')).toContainText('on pace');
      const story = page.getByRole('list', { name: 'Story of the goal' });
      await expect(story).toContainText('He swims himself');
      await expect(story).toContainText('Money for the boat: €450 (+150)');
      await expect(page.getByRole('list', { name: 'Habits that carry it' })).toContainText('Shoulder stretches');

      await person.keyResult('Money for the boat').click();
      await person.button('Correct the check-in of 24 November').first().click();
      await expect(page.getByLabel('Note')).toHaveValue('A fair');
      await page.getByLabel('New value').last().fill('six');
      await person.button('Save').click();
      await expect(page.getByText('Write a number, such as 12 or 7.5')).toBeVisible();
      await page.getByLabel('New value').last().fill('600');
      await person.button('Save').click();
      await expect(page.getByText('€600 of €900, 67')).toBeVisible();
      await person.button('Remove the check-in of 24 November').first().click();
      await expect(page.getByText('€300 of €900, 33')).toBeVisible();
      await person.button('Close').last().click();
      await person.button('Undo').click();
      await expect(person.keyResult('Money for the boat')).toHaveAccessibleName(/€600 of €900, 67/);
      await person.everythingSaved();
      await page.reload();
      await expect(person.keyResult('Money for the boat')).toHaveAccessibleName(/€600 of €900, 67/);
      await person.leave();
    },
  );
}

test('one key result reached and one at 30 % make 65 %; it falls behind as days go by, says why, and is overdue', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  const { page } = person;
  await person.signUp();
  await person.setGoal({ title: 'Refit the dinghy', starts: '2026-11-14', due: '2026-12-04' });
  await person.addKeyResult({ title: 'Frames', kind: 'A number', target: '4', unit: 'frames' });
  await person.addKeyResult({ title: 'Planks', kind: 'A number', target: '10', unit: 'planks' });
  await person.checkIn('Frames', '4');
  await page.getByRole('dialog').getByRole('button', { name: 'Go on' }).click();
  await person.checkIn('Planks', '3');
  const standing = person.card('How it stands');
  await expect(standing).toContainText('65 %');
  await expect(standing).toContainText('1 of 2 key results reached');
  await expect(standing).toContainText('ahead');
  await expect(person.keyResult('Planks')).toContainText(
    'Behind: 5 planks were planned by now. About 5 planks a week from here reaches it by 4 December.',
  );
  const turnTo = async (hours: number): Promise<void> => {
    await page.clock.fastForward(hours * 3_600_000);
    await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  };
  await turnTo(8 * 24);
  await expect(standing).toContainText('90 % expected by today');
  await expect(standing).toContainText(
    'Behind: 65 % of the way, and by now 90 % was planned. 123 % a week from here reaches it by 4 December.',
  );
  await turnTo(3 * 24);
  await expect(standing).toContainText('Overdue by 1 day, with 35 % missing.');
  await expect(person.keyResult('Planks')).toContainText('Overdue by 1 day: 7 planks missing.');

  await person.checkIn('Planks', '10', { day: '2026-12-03', note: 'At last' });
  const reached = page.getByRole('dialog', { name: 'Planks is reached' });
  await expect(reached).toContainText('With it all of “Refit the dinghy” is reached.');
  await reached.getByLabel('How did it go').fill('By lamplight');
  await reached.getByRole('button', { name: 'Close the goal as reached' }).click();
  await expect(page.getByText('This goal is reached. Its figures and its story stay.')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Story of the goal' })).toContainText('By lamplight');
  await person.leave();
});

test('checkpoints are laid evenly and met or missed; a step is done late; a milestone waits for another', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.setGoal({ title: 'Learn Welsh', starts: '2026-09-01', due: '2026-12-31' });
  await person.button('Add a key result').click();
  await page.getByLabel('What is counted').fill('Words');
  await person.button('Spread them evenly').click();
  await expect(page.getByText(/both days, the start and the target are needed/)).toBeVisible();
  await page.getByLabel('Target', { exact: true }).fill('100');
  // Words that are only begun to be counted had nothing to come to in months that are over.
  await person.button('Spread them evenly').click();
  await expect(page.getByLabel('Nov 2026')).toHaveValue('74');
  await expect(page.getByLabel('Oct 2026')).toHaveCount(0);
  await person.button('Add key result').click();
  await person.keyResult('Words').click();
  await person.button('Edit key result').click();
  await person.button('Spread them evenly again').click();
  await expect(page.getByLabel('Sep 2026')).toHaveValue('24');
  await page.getByLabel('Oct 2026').fill('55');
  await person.button('Save').click();
  await person.checkIn('Words', '30', { day: '2026-09-20' });
  const months = page.getByRole('table', { name: 'Checkpoints of Words' });
  const month = async (row: number, name: string, aimed: string, end: string, told: RegExp): Promise<void> => {
    await expect(months.getByRole('row').nth(row)).toHaveText(told);
    await expect(months.getByLabel(`Aimed at, ${name}`)).toHaveValue(aimed);
    await expect(months.getByLabel(`At the end, ${name}`)).toHaveValue(end);
  };
  await month(1, 'September 2026', '24', '30', /^Sep 2026.*0.*\+30.*met$/);
  await month(2, 'October 2026', '55', '30', /^Oct 2026.*30.*0.*missed$/);
  await month(3, 'November 2026', '74', '30', /^Nov 2026.*30.*0.*still open$/);
  // What October came to is written where it stands, what is aimed at too; each is one step to take back.
  await months.getByLabel('At the end, October 2026').fill('48');
  await months.getByLabel('At the end, October 2026').press('Enter');
  await month(3, 'November 2026', '74', '48', /^Nov 2026.*48.*0.*still open$/);
  await months.getByLabel('Aimed at, October 2026').fill('45');
  await months.getByLabel('Aimed at, October 2026').press('Enter');
  await month(2, 'October 2026', '45', '48', /^Oct 2026.*30.*\+18.*met$/);
  await months.getByLabel('Aimed at, October 2026').fill('many');
  await months.getByLabel('Aimed at, October 2026').press('Tab');
  await month(2, 'October 2026', '45', '48', /met$/);
  await person.button('Undo').click();
  await month(2, 'October 2026', '55', '48', /missed$/);
  await person.addKeyResult({ title: 'First talk', kind: 'Yes or no' });
  await page.getByRole('radio', { name: 'Words', exact: true }).click();
  await page.getByTestId('progress-line').focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await expect(page.getByText(/26 August|1 September: 0, 0/)).toBeVisible();

  const steps = page.getByLabel('A new step');
  await steps.fill('The irregular verbs');
  await steps.press('Enter');
  await person.button(/^The irregular verbs, more/).click();
  await page.getByLabel('Starts on').fill('2026-11-22');
  await page.getByLabel('Due on').fill('2026-11-20');
  await person.button('Save').click();
  await expect(page.getByText('The due day is before the start')).toBeVisible();
  await page.getByLabel('Starts on').fill('2026-11-10');
  await person.choose('1, first');
  await person.choose('High');
  await page.getByLabel('A new sub-step').fill('Ten of them aloud');
  await page.getByLabel('A new sub-step').press('Enter');
  await person.button('Save').click();
  await expect(
    person.button(/^The irregular verbs, more, overdue by 4 days, 0 of 1, 11 days, priority 1, high impact/),
  ).toBeVisible();
  await page.getByRole('checkbox', { name: 'Ten of them aloud: done' }).click();
  await expect(person.button(/^The irregular verbs, more, done 24 November, 4 days late/)).toBeVisible();
  await expect(page.getByText('The irregular verbs', { exact: true }).first()).toHaveCSS(
    'text-decoration-line',
    'line-through',
  );

  for (const title of ['A short talk', 'A whole tide']) {
    await person.button('Add a milestone').click();
    await page.getByLabel('What is reached then').fill(title);
    await page.getByLabel('Due on').fill(title === 'A short talk' ? '2026-11-30' : '2026-12-20');
    if (title === 'A whole tide') await page.getByRole('checkbox', { name: 'A short talk', exact: true }).click();
    await person.button('Add milestone').click();
  }
  await expect(person.button(/^Milestone A whole tide, due 20 December, waits for A short talk/)).toBeVisible();
  await person.button(/^Milestone A short talk/).click();
  await page.getByRole('checkbox', { name: 'A whole tide', exact: true }).click();
  await person.button('Save').click();
  await expect(page.getByText(/"A whole tide" already waits for this one/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'A whole tide', exact: true }).click();
  await page.getByLabel('Reward in words').fill('Fish and chips');
  await page.getByLabel('Reward in pips').fill('some');
  await person.button('Save').click();
  await expect(page.getByText('Write a number, such as 12 or 7.5')).toBeVisible();
  await page.getByLabel('Reward in pips').fill('40');
  await person.button('Save').click();
  await expect(page.getByText('Fish and chips, 40 pips')).toBeVisible();
  await page.getByRole('checkbox', { name: 'A short talk: reached' }).click();
  await expect(person.button(/^Milestone A whole tide, due 20 December$/)).toBeVisible();
  await expect(page.getByRole('group', { name: /^Time line of Learn Welsh/ })).toContainText('A whole tide');

  await page.getByRole('button', { name: 'Put milestones in order' }).click();
  await page.getByRole('button', { name: 'Move A whole tide' }).focus();
  await page.keyboard.press('ArrowUp');
  await person.button('Done ordering').click();
  await expect(page.getByRole('list', { name: 'Milestones' }).getByRole('listitem').first()).toContainText(
    'A whole tide',
  );
  await person.leave();
});

test('a goal moves to another quarter by menu and by hand, is postponed, paused, dropped, opened again and deleted', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.setGoal({ title: 'Carve the tiller', due: '2026-12-10' });
  await person.go('Goals');
  await page.getByRole('button', { name: 'The year' }).click();
  const shelf = (name: string) => page.getByRole('group', { name, exact: true });
  await expect(shelf('October to December')).toContainText('Carve the tiller');
  await person.button('Move Carve the tiller to another quarter').click();
  await person.button('April to June 2027').click();
  await page.getByRole('dialog').getByRole('button', { name: 'Move', exact: true }).click();
  await expect(shelf('Under way, due after 2026')).toContainText('by 30 June 2027');
  const from = await page.locator('[data-handle]').boundingBox();
  const to = await shelf('October to December').boundingBox();
  await page.mouse.move(from!.x + 10, from!.y + 10);
  await page.mouse.down();
  await page.mouse.move(from!.x + 40, from!.y - 30, { steps: 4 });
  await page.mouse.move(to!.x + 80, to!.y + 40, { steps: 8 });
  await page.mouse.up();
  await expect(shelf('October to December')).toContainText('by 31 December');
  await page.getByRole('link', { name: /^Carve the tiller/ }).click();
  const story = page.getByRole('list', { name: 'Story of the goal' });
  await expect(story).toContainText('Moved; until then it was due 30 June 2027');
  await expect(story).toContainText('Moved; until then it was due 10 December');

  const menu = async (action: string): Promise<void> => {
    await person.button('More about this goal').click();
    await page.getByRole('dialog').getByRole('button', { name: action, exact: true }).click();
  };
  await menu('Postpone');
  await person.button('Postpone').click();
  await expect(page.getByText('It is due on this day already')).toBeVisible();
  await page.getByLabel('New due day', { exact: true }).fill('2026-11-01');
  await person.button('Postpone').click();
  await expect(page.getByText('The due day is before the start.')).toBeVisible();
  await person.choose('A week on');
  await page.getByLabel('Why').fill('The ash is green yet');
  await person.button('Postpone').click();
  await expect(person.button(/^by 7 January 2027, 44 days left/)).toBeVisible();
  await expect(story).toContainText('The ash is green yet');

  await menu('Pause');
  await person.button('Pause it').click();
  await expect(page.getByText('This goal is paused.')).toBeVisible();
  await person.button('Open again').click();
  await menu('Drop');
  await page.getByLabel('Why it is let go').fill('A bought one fits');
  await person.button('Drop it').click();
  await expect(page.getByText('This goal is dropped.')).toBeVisible();
  await person.go('Goals');
  await expect(shelf('No longer open')).toContainText('dropped');
  await page.getByRole('link', { name: /^Carve the tiller/ }).click();
  await menu('Open again');
  await page.getByLabel('What is different now').fill('It did not fit');
  await page.getByRole('dialog').getByRole('button', { name: 'Open again' }).click();
  await expect(story).toContainText('It did not fit');
  await expect(story).toContainText('A bought one fits');

  await menu('Delete');
  await expect(page.getByText(/Nothing else goes with it/)).toBeVisible();
  await person.button('Delete the goal').click();
  await expect(page.getByText('No goal yet')).toBeVisible();
  await person.button('Undo').click();
  await expect(page.getByRole('link', { name: /^Carve the tiller/ })).toBeVisible();
  await person.everythingSaved();
  await page.reload();
  await expect(page.getByRole('link', { name: /^Carve the tiller/ })).toBeVisible();
  await person.leave();
});

test(
  'one check-off that reaches two key results is told twice, each in its turn',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser);
    const { page } = person;
    await person.signUp();
    await person.makeHabit({ name: 'Sand the hull' });
    for (const title of ['Sail to the island', 'Keep at it']) {
      await person.setGoal({ title, due: '2026-12-31' });
      await person.addKeyResult({
        title: `${title}, an evening`,
        kind: 'Days of a habit',
        habit: 'Sand the hull',
        target: '1',
      });
    }
    await person.go('Today');
    await person.peg('Sand the hull').click();
    for (const title of ['Sail to the island', 'Keep at it']) {
      const reached = page.getByRole('dialog', { name: `${title}, an evening is reached` });
      await reached.getByLabel('How did it go').fill(`Well, for ${title}`);
      await reached.getByRole('button', { name: 'Leave it open' }).click();
      await expect(reached).toBeHidden();
    }
    // Taken back and done again, nothing is told anew.
    await person.peg('Sand the hull').click();
    await person.checkOff('Sand the hull');
    await page.clock.runFor(500);
    await expect(page.getByRole('dialog')).toBeHidden();
    await page.getByRole('link', { name: /^Goal Keep at it, 100/ }).click();
    await expect(page.getByRole('list', { name: 'Story of the goal' })).toContainText('Well, for Keep at it');
    await person.leave();
  },
);

test(
  'a goal due in a far year, typed by mistake, opens all the same; too many checkpoints are refused in words',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser);
    const { page } = person;
    await person.signUp();
    await person.setGoal({ title: 'Learn Welsh', starts: '2026-11-01', due: '9999-12-31' });
    await person.addKeyResult({ title: 'Words', kind: 'A number', target: '100' });
    await person.checkIn('Words', '5');
    await expect(page.getByTestId('progress-line')).toBeVisible();
    await person.keyResult('Words').click();
    await person.button('Edit key result').click();
    await person.button('Spread them evenly').click();
    await expect(page.getByText(/checkpoints, one a month\. Up to 60 can be laid\./)).toBeVisible();
    await page.keyboard.press('Escape');
    await person.visit('/charts');
    // Goals alone are enough for charts.
    await expect(person.card('Goals on one axis')).toContainText('Learn Welsh');
    await expect(page.getByText('No habits to draw yet')).toBeVisible();
    await person.makeHabit({ name: 'Welsh cards' });
    await person.visit('/charts?from=0002-01-01&to=2026-11-24');
    await expect(page.getByRole('heading', { name: '2026', exact: true })).toBeVisible();
    await person.leave();
  },
);

test('a goal that is not there says so, and the rest stays reachable', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.openSample();
  await person.page.goto('/goals/no-such-goal');
  await expect(person.page.getByText('Page not found')).toBeVisible();
  await person.go('Goals');
  await expect(person.page.getByRole('link', { name: /Talk a whole tide/ })).toContainText('overdue');
  await person.page.goto('/nowhere');
  await expect(person.page.getByText('There is nothing at this address.')).toBeVisible();
  await person.button('Go to Today').click();
  await expect(person.heading('Tuesday')).toBeVisible();
  await person.leave();
});
