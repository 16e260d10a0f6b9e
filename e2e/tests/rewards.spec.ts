import { expect, test } from '@playwright/test';
import { dayOf, reportOf } from '@wimbel/core';
import { sampleRecords } from '../../scripts/sample/generate.ts';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

const TODAY = dayOf('2026-11-24');
const report = reportOf(sampleRecords(TODAY), TODAY);
const number = (value: number): string => value.toLocaleString('en-GB');
const balance = (person: Person) => person.page.getByRole('link', { name: /^Rewards: / });

async function addReward(person: Person, title: string, cost: string): Promise<void> {
  await person.button('Add a reward').first().click();
  await person.page.getByLabel('What it is', { exact: true }).fill(title);
  await person.page.getByLabel('What it costs').fill(cost);
  await person.button('Add reward').click();
  await expect(person.page.getByText(title).first()).toBeVisible();
}

test('ten habits get their pips in one table; what is earned is claimed, goes below zero, and climbs back', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.visit('/habits/list');
  const names = Array.from({ length: 10 }, (_, index) => `Habit ${index + 1}`);
  await person.page.getByRole('textbox').first().fill(names.join('\n'));
  await person.button(/^Add 10 habits$/).click();
  await person.visit('/today');
  // Nothing earns anything yet, so nothing speaks of it.
  await expect(balance(person)).toHaveCount(0);
  await person.visit('/rewards/pips');
  await person.page.getByLabel('Habit 1: a done day earns').focus();
  for (let pips = 1; pips <= 10; pips++) {
    await person.page.keyboard.type(String(pips));
    await person.page.keyboard.press('Enter');
  }
  // 1 + 2 + … + 10 a day, seven days a week.
  await expect(person.page.getByRole('row', { name: /^Together/ })).toContainText('385');
  await person.visit('/today');
  await expect(balance(person)).toHaveAccessibleName('Rewards: 0 pips left');
  await person.checkOff('Habit 10');
  await expect(person.page.getByText('+10').first()).toBeVisible();
  await person.checkOff('Habit 9');
  await expect(balance(person)).toHaveAccessibleName('Rewards: 19 pips left');
  await balance(person).click();
  await expect(person.card('Balance')).toContainText('19 earned today');
  await addReward(person, 'Bun', '6');
  await addReward(person, 'Record', '10');
  await addReward(person, 'Lamp', '28');
  await expect(person.button(/^Change Lamp: 28 pips, 9 more: about a good day$/)).toBeVisible();
  await person.button('Claim Bun').click();
  await expect(person.page.getByText('Bun: enjoy it. 13 pips left.')).toBeVisible();
  await person.button('Undo').click();
  await person.button('Claim Bun').click();
  await person.button('Claim Record').click();
  await expect(person.card('Balance')).toContainText('3');
  await person.button('Claim Lamp, and go below zero').click();
  await expect(person.card('Balance')).toContainText('25');
  await expect(person.card('Balance')).toContainText('below zero: about 2 good days to climb back');
  await person.visit('/today');
  await expect(balance(person)).toHaveAccessibleName('Rewards: 25 pips below zero');
  // A check-off is taken back although its pips are spent.
  await person.peg('Habit 9').click();
  await expect(balance(person)).toHaveAccessibleName('Rewards: 34 pips below zero');
  for (const name of ['Habit 9', 'Habit 8', 'Habit 7', 'Habit 6', 'Habit 5']) await person.checkOff(name);
  await expect(balance(person)).toHaveAccessibleName('Rewards: 1 pip left');
  // A claim is corrected where it stands.
  await person.visit('/rewards/ledger');
  await expect(person.page.getByText('In all: 45 earned, 44 spent')).toBeVisible();
  await person.button(/^Tuesday 24 November: 45 earned, 44 spent/).click();
  await person.button('Change the claim of Lamp').click();
  await person.page.getByLabel('What it cost then').fill('20');
  await person.button('Save').click();
  await expect(person.page.getByText('In all: 45 earned, 36 spent')).toBeVisible();
  await person.leave();
});

test('other pips hold from a day on, and what was earned before stays', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/rewards/pips');
  const before = report.pips.balance;
  const field = person.page.getByLabel('Scales, slow bow: a done day earns');
  await expect(field).toHaveValue('2');
  await person.page.getByLabel('From which day').fill('2026-11-01');
  await expect(person.page.getByText('Choose today or a later day: past days keep what they earned')).toBeVisible();
  await person.page.getByLabel('From which day').fill('2026-12-01');
  await field.fill('9');
  await field.press('Enter');
  await expect(person.page.getByText('Scales, slow bow: 9 pips a done day')).toBeVisible();
  await person.visit('/rewards');
  await expect(person.card('Balance').getByLabel(`${number(before)} pips`, { exact: true })).toBeVisible();
  await person.leave();
});

test('every sum of the ledger is that of the report, in all and by month', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  // Rewards stand in the rail.
  await person.page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Rewards' }).click();
  await expect(person.card('Balance').getByLabel(`${number(report.pips.balance)} pips`, { exact: true })).toBeVisible();
  await person.button('Everything earned and spent').click();
  await expect(
    person.page.getByText(`In all: ${number(report.pips.earned)} earned, ${number(report.pips.spent)} spent`),
  ).toBeVisible();
  await person.choose('Month');
  for (const month of ['2026-11', '2026-10', '2026-09']) {
    const { earned, spent } = report.pips.months[month]!;
    const name = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' }).format(new Date(`${month}-15`));
    const told = [`${number(earned)} earned`, spent > 0 ? `${number(spent)} spent` : ''].filter(Boolean).join(', ');
    await expect(person.page.getByLabel(new RegExp(`^${name}: ${told}, `))).toBeVisible();
  }
  // Only one habit: its own sum, as the report has it.
  await person.button('Only one habit or reward').click();
  await person.page.getByRole('dialog').getByRole('radio', { name: 'Cold swim' }).click();
  await expect(person.page.getByText(`In all: ${number(report.habits['swim']!.pips)} earned, 0 spent`)).toBeVisible();
  // Beside its pips stands what was kept of it alone, as the report has it.
  const { kept, asked } = report.habits['swim']!.kept.month;
  await expect(person.page.getByLabel(new RegExp(`^November 2026: .*, ${kept} of ${asked} kept, `))).toBeVisible();
  await person.leave();
});

test('what was promised is ticked off once it is enjoyed, and ribbons stand by month', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.openSample();
  await person.visit('/rewards');
  const ribbons = person.card('Ribbons');
  await person.button('Ribbons of the month before').click();
  await expect(ribbons).toContainText(`${report.months['2026-10']!.ribbons} ribbons in October`);
  await expect(ribbons.getByRole('img', { name: /: earned$/ })).toHaveCount(report.months['2026-10']!.ribbons);
  const promised = person.card('Promised');
  const told = async (): Promise<number> =>
    Number((await promised.getByText(/earned, not yet enjoyed$/).textContent())!.split(' ')[0]);
  const waiting = await told();
  expect(waiting).toBeGreaterThan(1);
  await promised
    .getByRole('button', { name: /: enjoyed today$/ })
    .first()
    .click();
  await expect.poll(told).toBe(waiting - 1);
  await person.button('Undo').click();
  await expect.poll(told).toBe(waiting);
  await person.leave();
});

test('a reward is put away and brought back, put in another order by keys, and hints stay hints', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/rewards');
  await person.button(/^Change Cinnamon bun at the quay/).click();
  await person.button('Put away').click();
  await expect(person.button(/^Change Cinnamon bun at the quay/)).toHaveCount(0);
  await person.button('Bring back Cinnamon bun at the quay').click();
  await expect(person.button(/^Change Cinnamon bun at the quay/)).toBeVisible();
  const titles = (): Promise<(string | null)[]> =>
    person
      .card('Rewards')
      .getByRole('button', { name: /^Change / })
      .evaluateAll((all) => all.map((each) => each.getAttribute('aria-label')!.split(':')[0]!));
  await person.button(/^Change Brass lamp for the cabin/).click();
  await person.page.locator('#handle-lamp').focus();
  await person.page.keyboard.press('ArrowUp');
  await expect(person.page.locator('#handle-lamp')).toBeFocused();
  await person.button('Cancel').click();
  await expect
    .poll(titles)
    .toEqual([
      'Change Cinnamon bun at the quay',
      'Change Brass lamp for the cabin',
      'Change A record from the market',
      'Change A night on the outer island',
    ]);
  await person.button('Add a reward').first().click();
  await person.page.getByLabel('What it is', { exact: true }).fill('A large coffee');
  await person.page.getByLabel('What it costs').fill('1');
  await expect(person.page.getByText(/It may undo what “No coffee after two” is for/)).toBeVisible();
  await expect(person.page.getByText(/A good day earns more/)).toBeVisible();
  await person.button('Add reward').click();
  await expect(person.button('Claim A large coffee')).toBeVisible();
  await person.leave();
});

test('whoever leaves pips off sees none of them, anywhere', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await expect(balance(person)).toBeVisible();
  await person.visit('/settings');
  await person.page
    .getByRole('radiogroup', { name: 'Pips and rewards' })
    .getByRole('radio', { name: 'Hidden' })
    .click();
  await expect(person.page.getByRole('link', { name: 'Rewards' })).toHaveCount(0);
  for (const address of ['/today', '/habits/scales', '/habits/new', '/goals/island', '/settings/habits']) {
    await person.visit(address);
    await person.page.clock.runFor(300);
    await expect(person.page.locator('#root')).not.toContainText(/\bpips?\b(?! and rewards)/i);
  }
  await person.leave();
});
