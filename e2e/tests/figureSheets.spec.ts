import { type Browser, expect, test } from '@playwright/test';
import { type ToldFigure, askAll, faultOf } from '../driver/figures.ts';
import { Person } from '../driver/person.ts';
import { sample } from '../driver/report.ts';
import { WIDE } from '../playwright.config.ts';

/** Somebody who goes from screen to screen and asks every figure what it is made of. */
async function askingOn(browser: Browser, addresses: readonly string[], also?: (person: Person) => Promise<void>) {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const told: ToldFigure[] = [];
  for (const address of addresses) {
    await person.visit(address);
    await expect(person.page.locator('[data-figure]').first(), address).toBeVisible();
    await expect(person.page.getByText('Working it out…')).toHaveCount(0);
    const here = await askAll(person.page);
    expect(
      here.map(faultOf).filter((fault) => fault !== null),
      address,
    ).toEqual([]);
    told.push(...here);
  }
  await also?.(person);
  await person.leave();
  return told;
}

const kindsOf = (told: readonly ToldFigure[]): Set<string> => new Set(told.map(({ kind }) => kind));

/** The parts lead somewhere, all of them where they are habits. */
const leading = (told: readonly ToldFigure[], kind: string): number[] =>
  told.filter((each) => each.kind === kind).map(({ parts }) => parts.filter(({ href }) => href).length);

test('every figure of the screens of every day is what its parts come to', async ({ browser }) => {
  const told = await askingOn(browser, [
    '/today',
    '/log?span=week',
    '/charts?span=month',
    '/habits/scales',
    '/goals/island',
  ]);
  const kinds = ['dayScore', 'kept', 'habitKept', 'habitRun', 'goalProgress', 'goalPace', 'habitTarget'];
  expect([...kindsOf(told)]).toEqual(expect.arrayContaining(kinds));
  expect(told.length).toBeGreaterThan(100);
});

test('every figure of Today and the log is what its parts come to', { tag: '@soak' }, async ({ browser }) => {
  const told = await askingOn(browser, [
    '/today',
    '/today?day=2026-11-18',
    '/today?day=2026-10-31',
    '/log?span=week',
    '/log',
    '/log?month=2026-04',
    '/log?span=sixWeeks',
    '/log?span=quarter',
    '/log?span=year',
    '/log?span=year&day=2025-12-01',
  ]);
  const kinds = ['dayScore', 'kept', 'fullDays', 'brightDays', 'ribbons', 'fullDayRun', 'habitKept'];
  expect([...kindsOf(told)]).toEqual(expect.arrayContaining(kinds));
  expect(told.length).toBeGreaterThan(300);
  expect(Math.max(...leading(told, 'kept'))).toBeGreaterThan(5);
});

test('every figure of the charts is what its parts come to', { tag: '@soak' }, async ({ browser }) => {
  const told = await askingOn(browser, [
    '/charts?span=week',
    '/charts?span=month',
    '/charts?span=month&day=2026-10-10',
    '/charts?span=quarter',
    '/charts?span=year',
    '/charts?span=all',
    '/charts?span=year&area=bay',
    ...['scales', 'swim', 'sand', 'splice', 'busk'].map((habit) => `/charts?span=year&habit=${habit}`),
    '/charts?span=all&habit=scales',
    '/charts?goal=island',
  ]);
  const kinds = ['kept', 'habitKept', 'goals', 'goalPace', 'goalForecast', 'goalProgress', 'habitTarget', 'habitPlan'];
  expect([...kindsOf(told)]).toEqual(expect.arrayContaining([...kinds, 'habitAmount', 'habitRun', 'keyResultPace']));
  expect(told.length).toBeGreaterThan(200);
});

test('every figure of a habit’s and a goal’s page is what its parts come to', { tag: '@soak' }, async ({ browser }) => {
  const { habits, goals } = sample();
  const told = await askingOn(browser, [
    ...habits.map(({ id }) => `/habits/${id}`),
    ...goals.map(({ id }) => `/goals/${id}`),
  ]);
  const ofHabit = ['habitRun', 'habitKept', 'bar', 'habitTarget', 'habitDone', 'habitAmount', 'habitMean'];
  const ofGoal = ['goalDaysLeft', 'goalProgress', 'goalExpected', 'goalPace', 'goalForecast', 'goalSteps'];
  expect([...kindsOf(told)]).toEqual(expect.arrayContaining([...ofHabit, ...ofGoal]));
  for (const parts of leading(told, 'goalProgress')) expect(parts).toBeGreaterThan(0);
});

test(
  'the figures of a key result’s and a habit’s sheet are what their parts come to',
  { tag: '@soak' },
  async ({ browser }) => {
    const { goals, keyResults } = sample();
    const told: ToldFigure[] = [];
    await askingOn(browser, ['/today'], async (person) => {
      for (const { id, title, goalId } of keyResults) {
        if (goals.find((goal) => goal.id === goalId)!.state !== 'open') continue;
        await person.visit(`/goals/${goalId}`);
        await person.keyResult(title).click();
        await expect(person.page.getByRole('dialog')).toBeVisible();
        const here = await askAll(person.page, '[data-sheet]');
        expect(here.map(faultOf).filter(Boolean), id).toEqual([]);
        told.push(...here);
        await person.page.keyboard.press('Escape');
        await expect(person.page.getByRole('dialog')).toHaveCount(0);
      }
    });
    expect([...kindsOf(told)]).toEqual(
      expect.arrayContaining([
        'keyResult',
        'keyResultExpected',
        'keyResultPace',
        'keyResultForecast',
        'keyResultNeeded',
      ]),
    );
  },
);
