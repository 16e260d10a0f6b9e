import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test(
  'on a phone: three times a week from a Thursday owes its share in its first week',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    await person.signUp();
    await person.addHabit({ name: 'Sand the hull', often: { perWeek: 3 }, from: '2026-11-19' });
    // Thursday to Sunday owe 4 of 7 of three days: 1.7, rounded to two.
    await person.visit('/log?span=week&day=2026-11-19');
    await expect(person.figures('Sand the hull')).toHaveAccessibleName(
      /^Sand the hull: 0 done of 2, 2 short, 0 of 2 kept, 0\s%(,|\.)/,
    );
    await (await person.reach('Sand the hull', 'Thursday 19 November')).click();
    await expect(person.figures('Sand the hull')).toHaveAccessibleName(
      /^Sand the hull: 1 done of 2, 1 short, 1 of 2 kept, 50\s%(,|\.)/,
    );
    await (await person.reach('Sand the hull', 'Saturday 21 November')).click();
    await expect(person.figures('Sand the hull')).toHaveAccessibleName(
      /^Sand the hull: 2 done of 2, 0 short, 2 of 2 kept, 100\s%(,|\.)/,
    );
    await person.go('Today');
    await expect(person.row('Sand the hull')).toContainText('0 of 3 this week, 6 days left');
    await expect(person.row('Sand the hull')).toContainText('1 week');
    await person.leave();
  },
);

test(
  'on a wide screen: every day becomes every other day from today, and last month stays as it was',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: WIDE });
    await person.signUp();
    await person.addHabit({ name: 'Splice a rope', from: '2026-10-01' });
    await person.visit('/log?month=2026-10');
    for (const day of ['Thursday 1 October', 'Friday 2 October'])
      await (await person.reach('Splice a rope', day)).click();
    const october = /^Splice a rope: 2 done of 31, 29 short, 2 of 31 kept, 6\s%/;
    await expect(person.figures('Splice a rope')).toHaveAccessibleName(october);
    await person.openHabit('Splice a rope');
    await person.button('Edit habit').click();
    await person.choose('Every few days');
    await person.page.getByLabel('Every how many days').fill('2');
    await person.page.getByLabel('Applies from').fill('2026-11-20');
    await person.button('Save').click();
    await expect(person.page.getByText('Choose today or a later day: past days keep their schedule')).toBeVisible();
    await person.page.getByLabel('Applies from').fill('2026-11-24');
    await person.button('Save').click();
    await expect(person.card('Schedule history')).toContainText(/Every other day.*Since 24 November 2026/);
    await expect(person.card('Schedule history')).toContainText(
      /Every day.*From the first day, 1 October to 23 November/,
    );
    await person.visit('/log?month=2026-10');
    await expect(person.figures('Splice a rope')).toHaveAccessibleName(october);
    await person.visit('/log');
    // 23 days by the old terms; 7 days of every other by the new, 3.5 rounded down.
    await expect(person.figures('Splice a rope')).toHaveAccessibleName(/0 done of 26, 26 left/);
    await person.leave();
  },
);

test('on a phone: amounts above, at and below the threshold, and a quit habit', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.addHabit({ name: 'Cold swim', how: { unit: 'm', step: 100, atLeast: 600 }, from: '2026-11-22' });
  await person.addHabit({
    name: 'Screen after supper',
    how: { unit: 'min', step: 15, atMost: 45 },
    quit: true,
    from: '2026-11-22',
  });
  const log = async (habit: string, day: string, amount: string): Promise<void> => {
    await person.visit(`/today?day=2026-11-${day}`);
    await person.row(habit).click();
    await person.page.getByLabel(/^Amount/).fill(amount);
    await person.page.keyboard.press('Escape');
  };
  const outcome = async (habit: string, state: string): Promise<void> =>
    expect(person.peg(habit)).toHaveAttribute('aria-checked', state);
  await log('Cold swim', '22', '600.5');
  await outcome('Cold swim', 'true');
  await log('Cold swim', '23', '600');
  await outcome('Cold swim', 'true');
  await log('Cold swim', '24', '599,9');
  await outcome('Cold swim', 'mixed');
  await log('Screen after supper', '22', '46');
  await outcome('Screen after supper', 'false');
  await log('Screen after supper', '23', '45');
  await outcome('Screen after supper', 'true');
  await log('Screen after supper', '24', '0');
  await outcome('Screen after supper', 'true');
  await expect(person.row('Screen after supper')).toContainText('0 min, limit 45 min · held off 2 of 3 this month');
  await person.visit('/log');
  await expect(person.figures('Cold swim')).toHaveAccessibleName(
    /2 done of 9, 7 left, 2 of 2 kept, 100\s%, 1,800.4 m in all/,
  );
  await person.page.reload();
  await expect(person.figures('Cold swim')).toHaveAccessibleName(/1,800.4 m in all/);
  await person.leave();
});

test('on a wide screen: a rest day, and a miss whose reason is found on the habit’s page', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.addHabit({ name: 'Scales', from: '2026-11-21' });
  await person.checkOff('Scales');
  await person.row('Scales').click();
  // Its whole week is put right at once: Monday by a tap, and then Sunday's week by its day.
  await person.page.getByRole('checkbox', { name: 'Monday 23 November: empty' }).click();
  await person.choose('Missed');
  await person.page.getByLabel('Reason').fill('Storm, stayed in');
  await person.page.keyboard.press('Escape');
  await person.visit('/today?day=2026-11-22');
  await person.row('Scales').click();
  await person.choose('Rest');
  await expect(person.page.getByText('A rest day: excused.')).toBeVisible();
  await person.button('Habit page').click();
  await expect(person.card('What got in the way')).toContainText(/Storm, stayed in.*23 November/);
  await expect(person.page.getByRole('button', { name: 'Sunday 22 November: rest' })).toBeVisible();
  await expect(person.card('Kept')).toContainText(/7 days.*1 of 3, 33/);
  await expect(person.card('Streak')).toContainText('1 day, since 24 November');
  await person.page.getByRole('button', { name: /^Saturday 21 November: empty/ }).click();
  await person.choose('Done');
  await person.button('Close').last().click();
  await expect(person.card('Kept')).toContainText(/7 days.*2 of 3, 67/);
  await person.leave();
});

test('on a phone: two weeks of pause keep the streak; archived and started again keeps it too', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.addHabit({ name: 'Scales', from: '2026-11-07' });
  for (const day of ['07', '08', '23']) {
    await person.visit(`/today?day=2026-11-${day}`);
    await person.checkOff('Scales');
  }
  await person.openHabit('Scales');
  await expect(person.card('Streak')).toContainText('1 day, since 23 November');
  await person.button('Add a pause').click();
  await person.page.getByLabel('First day').fill('2026-11-22');
  await person.page.getByLabel('Last day').fill('2026-11-09');
  await person.button('Save').click();
  await expect(person.page.getByText('The last day is before the first')).toBeVisible();
  await person.page.getByLabel('First day').fill('2026-11-09');
  await person.page.getByLabel('Last day').fill('2026-11-22');
  await person.page.getByLabel('Why').fill('On the island');
  await person.button('Save').click();
  await expect(person.card('Streak')).toContainText('3 days, since 7 November');
  await expect(person.card('Pauses')).toContainText(/9 to 22 November.*On the island/);

  await person.button('Archive this habit').click();
  await expect(person.page.getByText(/Archived, its last day was 23 November/)).toBeVisible();
  await person.go('Today');
  await expect(person.page.getByText('Scales')).toHaveCount(0);
  await person.visit('/settings/habits');
  await person.button('Start Scales again').click();
  await expect(person.page.getByText('Scales is on your days again')).toBeVisible();
  await person.go('Today');
  await expect(person.row('Scales')).toContainText('3 days');
  await person.leave();
});

test('habits are put in order by dragging and by keyboard, and the order shows everywhere', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  for (const name of ['Scales', 'Cold swim', 'Splice a rope']) await person.addHabit({ name, part: 'Morning' });
  await person.visit('/settings/habits');
  const names = () => person.page.getByRole('list', { name: 'Morning' }).getByRole('link').allInnerTexts();
  const order = async (...wanted: string[]): Promise<void> =>
    expect.poll(async () => (await names()).map((text) => text.split('\n')[0])).toEqual(wanted);
  await order('Scales', 'Cold swim', 'Splice a rope');
  await person.button('Move Splice a rope').focus();
  await person.page.keyboard.press('ArrowUp');
  await person.page.keyboard.press('ArrowUp');
  await order('Splice a rope', 'Scales', 'Cold swim');
  await expect(person.button('Move Splice a rope')).toBeFocused();
  await expect(person.page.getByText('Splice a rope is now 1 of 3')).toBeAttached();

  const from = (await person.button('Move Scales').boundingBox())!;
  const to = (await person.button('Move Cold swim').boundingBox())!;
  const { mouse } = person.page;
  await mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await mouse.down();
  await mouse.move(from.x + from.width / 2, from.y + from.height, { steps: 4 });
  await mouse.move(to.x + to.width / 2, to.y + to.height, { steps: 12 });
  await person.page.clock.runFor(300);
  await mouse.up();
  await order('Splice a rope', 'Cold swim', 'Scales');
  await person.page.reload();
  await order('Splice a rope', 'Cold swim', 'Scales');
  await person.go('Log');
  const rows = person.page.getByRole('rowheader').getByRole('link');
  await expect(rows).toHaveText(['Splice a rope', 'Cold swim', 'Scales']);
  await person.leave();
});

test(
  'a month’s target holds for it alone or from now on, and the year’s by itself',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: WIDE });
    await person.signUp();
    await person.addHabit({ name: 'Cold swim', how: { unit: 'm', step: 500, atLeast: 500 }, from: '2026-11-01' });
    await person.peg('Cold swim').click();
    await person.openHabit('Cold swim');
    await expect(person.card('Targets')).toContainText(/November.*as planned.*30 days planned, 1 done/);
    await person.button('Set the month’s target').click();
    await person.page.getByLabel('Days', { exact: true }).fill('12.5');
    await expect(person.page.getByText('Write a whole number, 0 or more')).toBeVisible();
    await person.page.getByLabel('Days', { exact: true }).fill('12');
    await person.page.getByLabel('Amount', { exact: true }).fill('6000');
    await person.page.getByLabel('Reward for reaching it').fill('Hot chocolate');
    await person.choose('From now on');
    await person.button('Save').click();
    await expect(person.card('Targets')).toContainText(/set by you.*1 of the target of 12, 11 left, 8/);
    await expect(person.card('Targets')).toContainText('500 of 6,000 m');
    await expect(person.card('Targets')).toContainText('Reward: Hot chocolate');
    await expect(person.card('Month')).toContainText('500 of 6,000 m, about 1,400 m a week');
    await person.button('Set the month’s target').click();
    await person.button('The month after').last().click();
    await expect(person.page.getByLabel('Days', { exact: true })).toHaveValue('12');
    await person.page.getByLabel('Days', { exact: true }).fill('20');
    await person.choose('This month only');
    await person.button('Save').click();
    await person.visit('/log?month=2026-12');
    await expect(person.figures('Cold swim')).toHaveAccessibleName(/0 done of 20/);
    await person.visit('/log?month=2027-01');
    await expect(person.figures('Cold swim')).toHaveAccessibleName(/0 done of 12/);
    await person.openHabit('Cold swim');
    await expect(person.card('Targets')).toContainText(/2026.*its months together.*32 days planned, 1 done/);
    await person.button('Set the year’s target').click();
    await person.page.getByLabel('Days', { exact: true }).fill('25');
    await person.button('Save').click();
    await expect(person.card('Targets')).toContainText(/2026.*set by you.*1 of the target of 25/);
    await person.page.keyboard.press('Control+z');
    await expect(person.card('Targets')).toContainText(/2026.*its months together/);
    await person.leave();
  },
);

test('a finish line is told once when it is reached, keeps its day, and can end the habit', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Splice a rope', from: '2026-11-20' });
  await person.openHabit('Splice a rope');
  await person.button('Set the finish line').click();
  await person.page.getByLabel('Done days in all').fill('2');
  await person.page.getByLabel('Reward').fill('The good marlinspike');
  await person.button('Save').click();
  await expect(person.card('Finish line')).toContainText('0 of 2 days, 2 to go');
  await person.visit('/today?day=2026-11-22');
  await person.checkOff('Splice a rope');
  await person.visit('/today');
  await person.peg('Splice a rope').click();
  const dialog = person.page.getByRole('dialog', { name: 'Splice a rope: 2 days done' });
  await expect(dialog).toContainText('Your reward: The good marlinspike');
  await dialog.getByRole('button', { name: 'End it here' }).click();
  await person.page.reload();
  await expect(person.heading('Tuesday')).toBeVisible();
  await expect(dialog).toBeHidden();
  await person.openHabit('Splice a rope');
  await expect(person.card('Finish line')).toContainText('2 days reached on 24 November');
  await person.leave();
});

test('a habit done in several ways asks which, each with its amount', async ({ browser }) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Pieces', how: { unit: 'min', step: 5, atLeast: 20 }, from: '2026-11-20' });
  await person.openHabit('Pieces');
  await person.button('Change the ways of doing it').click();
  await person.page.getByLabel('Way 1', { exact: true }).fill('Slow air');
  await person.button('Add a way').click();
  await person.page.getByLabel('Way 2', { exact: true }).fill('Harbour waltz');
  await person.page.getByLabel('Group of way 2').fill('Market set');
  await person.button('Save').click();
  await person.go('Today');
  await person.peg('Pieces').click();
  await person.button('Add Slow air').click();
  await person.page.getByLabel('Slow air', { exact: true }).fill('12.5');
  await person.button('Add Harbour waltz').click();
  await person.page.getByLabel('Harbour waltz', { exact: true }).fill('10');
  await person.button('Close').last().click();
  await expect(person.row('Pieces')).toContainText('22.5 of 20 min');
  await expect(person.peg('Pieces')).toHaveAttribute('aria-checked', 'true');
  await person.page.reload();
  await person.openHabit('Pieces');
  await expect(person.card('Ways of doing it')).toContainText(/Slow air.*1 time, 12.5 min, last 24 November/);
  await person.button('Change the ways of doing it').click();
  await expect(person.button('Slow air is in use')).toBeDisabled();
  await person.leave();
});

test('a habit is deleted only after saying what goes with it, and comes back with all of it', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.addHabit({ name: 'Scales', from: '2026-11-20' });
  await person.checkOff('Scales');
  await person.openHabit('Scales');
  await person.button('Add a note').click();
  await person.page.getByLabel('Note', { exact: true }).fill('The second page helps');
  await person.page.getByLabel('Link').fill('example.org/slow-bow');
  await person.button('Save').click();
  await expect(person.page.getByRole('link', { name: 'Open https://example.org/slow-bow' })).toBeVisible();
  await person.button('Delete this habit').click();
  await expect(person.page.getByText('With it go 1 recorded day, 1 note.')).toBeVisible();
  await person.button('Delete habit and history').click();
  await expect(person.page.getByText('What do you want to get better at?')).toBeVisible();
  await person.everythingSaved();
  await person.button('Undo').click();
  await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'true');
  await person.everythingSaved();
  await person.page.reload();
  await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'true');
  await person.openHabit('Scales');
  await expect(person.card('Notes')).toContainText('The second page helps');
  await person.leave();
});

test('a new name, sign and dye show everywhere at once', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await person.addHabit({ name: 'Scales', from: '2026-11-20', area: 'Cello' });
  await person.visit('/settings/areas');
  await person.button('Edit Cello').click();
  await person.page.getByLabel('Name', { exact: true }).fill('Music');
  await person.choose('Purple');
  await person.button('Save').click();
  await person.openHabit('Scales');
  await expect(person.page.getByText('Music')).toBeVisible();
  await person.button('Edit habit').click();
  await person.page.getByLabel('Name', { exact: true }).fill('Slow scales');
  await person.choose('Note');
  await person.button('Save').click();
  await expect(person.heading('Slow scales')).toBeVisible();
  await person.go('Today');
  await expect(person.row('Slow scales')).toBeVisible();
  await person.choose('By area');
  await expect(person.heading('Music')).toBeVisible();
  await person.page.reload();
  await expect(person.heading('Music')).toBeVisible();
  await person.go('Log');
  await (await person.reach('Slow scales', 'Tuesday 24 November')).click();
  const plum = await person.page.evaluate(
    () => document.querySelector('[role=grid] svg path[fill="#7C4A78"]') !== null,
  );
  expect(plum).toBe(true);
  await person.leave();
});
