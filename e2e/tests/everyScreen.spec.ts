import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

const DAILY = ['/today', '/log', '/goals', '/charts', '/journal'];
/** Sheets over a screen: what is tapped to open them. */
const SHEETS = [
  'Find',
  'Check in',
  'Add a key result',
  'More about this goal',
  'Add a milestone',
  'Run the halyards, more',
];
const SCREENS = [
  '/today',
  '/log',
  '/log?span=week',
  '/log?as=list',
  '/habits/swim',
  '/habits/new',
  '/habits/list?start=music',
  '/habits/targets',
  '/settings',
  '/settings/habits',
  '/settings/areas',
  '/charts',
  '/charts?span=month',
  '/charts?span=quarter&area=bay',
  '/charts?span=all&habit=swim',
  '/charts?goal=island&span=month',
  '/charts?span=week',
  '/charts?from=2026-11-01&to=2026-11-10',
  '/goals',
  '/goals/island',
  '/goals/new',
  '/goals/new/direct',
  '/goals/year',
  '/goals/due',
  '/journal',
  '/journal?day=2026-11-22',
  '/journal/pages',
  '/journal/pages?q=harbour',
  '/charts/weeks',
  '/journal/moods',
  '/journal/moods?span=year',
  '/journal/look-back?span=month&day=2026-10-15',
  '/journal/look-back?span=year&day=2025-12-15',
  '/journal/take-along?from=2026-11-02&to=2026-11-24',
  '/journal/year-turn?page=habits',
  '/journal/year-turn?page=words',
  '/seasons',
  '/seasons/winter-bench?open=2',
  '/seasons/before-the-leaves',
  '/seasons/winter-bench/edit',
  '/seasons/new?page=carry&after=before-the-leaves',
  '/seasons/new/direct',
  '/rewards',
  '/rewards/ledger',
  '/rewards/pips',
  '/settings/prompts',
  '/settings/quotes',
  '/settings/account',
  '/settings/bring-in',
  '/log-print?month=2026-10',
];

test('text at 200 % loses nothing', { tag: '@soak' }, async ({ browser }) => {
  test.setTimeout(400_000);
  // A window shown at twice its size has half the room: 1280 × 800 become 640 × 400. 320 is the narrowest phone.
  for (const size of [
    { width: 640, height: 400 },
    { width: 320, height: 640 },
  ]) {
    const person = await Person.at(browser, { size });
    await person.openSample();
    // Each of the others in one of the two rooms, those of every day in both.
    const shown = SCREENS.filter((each, at) => DAILY.includes(each) || (at % 2 === 0) === (size.width === 320));
    for (const address of shown) {
      await person.visit(address);
      await expect(person.page.getByRole('heading').first()).toBeVisible();
      await person.page.clock.runFor(500);
      // What is only being laid out may be cut for a moment.
      await expect.poll(() => person.cutWords(), `${address} at ${size.width}`).toEqual([]);
    }
    await person.leave();
  }
});

/** Faults that axe finds on what is shown, each with its place. */
async function analyse(person: Person, what: string): Promise<void> {
  await person.page.clock.runFor(500);
  // What is still moving has other colours.
  await person.page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running'));
  const { violations } = await new AxeBuilder({ page: person.page as never })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    // A picture is looked at as one thing, by its name: its thousands of marks have none.
    .exclude('svg > *')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${what}: ${id} ${nodes[0]?.html.slice(0, 420)} ${nodes[0]?.failureSummary}`),
  ).toEqual([]);
}

test('the screens of every day have no fault that axe finds and cut no word on a narrow phone, in both themes', async ({
  browser,
}) => {
  const narrow = { width: 320, height: 640 };
  const person = await Person.at(browser, { size: narrow });
  await person.openSample();
  for (const [at, address] of [...DAILY, '/habits/new', '/goals/island'].entries()) {
    const colorScheme = at % 2 === 0 ? 'dark' : 'light';
    await person.page.emulateMedia({ colorScheme });
    await person.visit(address);
    await expect(person.page.getByRole('heading').first()).toBeVisible();
    await analyse(person, `${address} ${colorScheme}`);
    await expect.poll(() => person.cutWords(), address).toEqual([]);
  }
  await person
    .button(/^Check in/)
    .first()
    .click();
  await person.page.getByRole('dialog').waitFor();
  await analyse(person, 'Check in');
  await person.leave();
});

for (const [scheme, size] of [
  ['light', PHONE],
  ['dark', WIDE],
] as const) {
  test(`no screen has a fault that axe finds, in the ${scheme} theme`, { tag: '@soak' }, async ({ browser }) => {
    test.setTimeout(600_000);
    const person = await Person.at(browser, { size, scheme });
    await person.openSample();
    // The screens of every day in both themes, the others and the sheets each in one.
    const half = (of: readonly string[]): string[] =>
      of.filter((_, index) => (index % 2 === 0) === (scheme === 'light'));
    const others = half(SCREENS.filter((each) => !DAILY.includes(each)));
    for (const address of [...DAILY, ...others]) {
      await person.visit(address);
      await expect(person.page.getByRole('heading').first()).toBeVisible();
      await analyse(person, address);
    }
    await person.visit('/goals/new');
    await person.page.getByLabel('The goal').fill('Carve the tiller');
    await person.button('Next').click();
    await person.button('Enough, look it over').click();
    await expect(person.heading('Look it over')).toBeVisible();
    await analyse(person, 'a plan looked over');
    await person.visit('/settings/bring-in');
    await person.page
      .getByLabel('Or paste cells here')
      .fill('Day\tSwim\n1/2/2025\tx\n2/2/2025\tno\n3/2/2025\t?\n4/2/2025\t12');
    await person.button('Read what I pasted').click();
    await expect(person.page.getByText(/^2 days of 1 habit/)).toBeVisible();
    await analyse(person, 'a table being read');
    await person.page.getByRole('button', { name: /^Swim, 2 days/ }).click();
    await person.page.getByRole('dialog').waitFor();
    await analyse(person, 'where a name goes');
    await person.page.keyboard.press('Escape');
    await person.visit('/goals/island');
    for (const key of half(SHEETS)) {
      await person.page
        .getByRole('button', { name: new RegExp(`^${key}`) })
        .first()
        .click();
      await person.page.getByRole('dialog').waitFor();
      await analyse(person, key);
      await person.page.keyboard.press('Escape');
      await expect(person.page.getByRole('dialog')).toBeHidden();
    }
    await person.leave();
  });
}
