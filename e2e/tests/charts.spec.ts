import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { UNIT, counted, percent, report, sample } from '../driver/report.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test('the charts of a week, a month and a year say what the report says', async ({ browser }) => {
  const said = report();
  const { habits, areas } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const nameOf = new Map(habits.map(({ id, name }) => [id, name]));
  const ranked = person.card('Kept by habit').getByRole('link');
  const month = said.months['2026-11']!;
  for (const [address, figuresOf, count] of [
    ['/charts?span=month', (id: string) => said.habits[id]!.months['2026-11'], month.ranking.length],
    ['/charts?span=week', (id: string) => said.habits[id]!.weeks['2026-11-23'], null],
    ['/charts', (id: string) => said.habits[id]!.years['2026'], null],
  ] as const) {
    await person.visit(address);
    await ranked.first().waitFor();
    const labels = await ranked.evaluateAll((links) => links.map((each) => each.getAttribute('aria-label')!));
    if (count !== null) expect(labels).toHaveLength(count);
    expect(labels.length).toBeGreaterThan(9);
    for (const label of labels) {
      const [, name, kept, asked, rate] = /^\d+\. (.*): (?:kept (\d+) of (\d+)|nothing due yet), ([\d–]+\s?%?)/.exec(
        label,
      )!;
      const figures = figuresOf(habits.find((each) => each.name === name)!.id)!;
      expect([name, Number(kept ?? 0), Number(asked ?? 0), rate]).toEqual([
        name,
        figures.kept,
        figures.asked,
        percent(figures.rate),
      ]);
    }
  }
  await person.visit('/charts?span=month');
  await ranked.first().waitFor();
  const order = await ranked.evaluateAll((links) => links.map((each) => each.getAttribute('aria-label')!));
  expect(order.map((label) => /^\d+\. (.*): kept \d+ of/.exec(label)![1])).toEqual(
    month.ranking.map((id) => nameOf.get(id)),
  );
  // Areas are told as the headline is: by what was kept of what was due, so that they add up to it.
  for (const { id, name } of areas) {
    const own = habits.filter(({ areaId }) => areaId === id).map((habit) => said.habits[habit.id]!.kept.month);
    const [kept, asked] = (['kept', 'asked'] as const).map((of) => own.reduce((sum, each) => sum + each[of], 0));
    await expect(
      page.getByRole('group', { name: `${name}: ${kept} of ${asked}, ${percent(kept! / asked!)}` }),
    ).toBeVisible();
  }
  await expect(
    page.getByRole('img', { name: `Heat map of November 2026: ${counted(month.fullDays, 'full day')} of 24` }),
  ).toBeVisible();
  await expect(
    page.getByRole('img', {
      name: `Share per day of November 2026: ${counted(month.brightDays, 'day')} at the pass mark`,
    }),
  ).toBeVisible();
  const kept = Object.values(said.habits).reduce((sum, each) => sum + each.kept.month.kept, 0);
  const asked = Object.values(said.habits).reduce((sum, each) => sum + each.kept.month.asked, 0);
  await expect(page.getByRole('note', { name: 'In words' })).toContainText(
    `${percent(kept / asked)} kept, ${kept} of ${asked}`,
  );
  await person.leave();
});

test(
  'charts go from span to span and back, of everything, an area or a habit, and every mark leads to its day',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await person.openSample();
    await person.go('Charts');
    await expect(page.getByRole('heading', { name: '2026', exact: true })).toBeVisible();
    await expect(
      person
        .card('Goals on one axis')
        .getByRole('group', { name: /^Swim across the bay, 34.*behind, at this rate by/ }),
    ).toBeVisible();
    await person.choose('Month');
    await expect(person.heading('November 2026').first()).toBeVisible();
    await person.button('The month before').first().click();
    await expect(person.heading('October 2026')).toBeVisible();
    const weeks = person.card('Weeks compared');
    await weeks.getByTestId('bars').press('Home');
    await expect(weeks.getByRole('status')).toContainText(/^Week of 28 September to 4 October: \d+ of \d+, \d+/);
    await page.goBack();
    await expect(person.heading('November 2026').first()).toBeVisible();
    await person.choose('All');
    await expect(page.getByTestId('days-plate')).toHaveCount(2);
    await page.reload();
    await expect(page.getByTestId('days-plate')).toHaveCount(2);
    await person.choose('Quarter');
    await expect(person.heading('October to December 2026')).toBeVisible();
    await page.getByRole('button', { name: /^Charts of/ }).click();
    await person.choose('Boat yard');
    await expect(page.getByRole('link', { name: /^1\. / })).toBeVisible();
    await expect(person.card('Kept by habit')).not.toContainText('Cold swim');
    await page.getByRole('button', { name: /^Charts of/ }).click();
    await person.choose('Cold swim');
    await expect(
      page.getByRole('img', { name: /^Heat map of October to December 2026, Cold swim: \d+ of \d+ due/ }),
    ).toBeVisible();
    await expect(person.card('Added up')).toContainText(/24 November: \d+ days of \d+, \d+ planned by then/);
    await page.getByTestId('days-plate').press('ArrowLeft');
    await person.card('Cold swim').getByRole('button', { name: 'See it in the log' }).click();
    await expect(page).toHaveURL(/\/log\?span=week&day=2026-11-2\d&at=/);
    await person.visit('/charts');
    const saved = async (deed: () => Promise<void>, ending: string, holds: RegExp): Promise<void> => {
      const saving = page.waitForEvent('download');
      await deed();
      const file = await saving;
      expect(file.suggestedFilename()).toBe(ending);
      expect(readFileSync(await file.path(), 'latin1')).toMatch(holds);
      await expect(page.getByText(`Saved as ${ending}`)).toBeVisible();
    };
    await person.button('Save or print').click();
    await saved(
      () => person.button('All figures, as CSV').click(),
      'wimbel-sample-2026-figures-2026-11-24.csv',
      /habit,Cold swim,2026-01-01,2026-12-31,159,102,107,/,
    );
    for (const [card, what, ending, holds] of [
      [
        'Every day',
        'Save as SVG',
        'wimbel-sample-2026-every-day-2026-11-24.svg',
        /^<svg [^>]*xmlns="http:\/\/www.w3.org\/2000\/svg"[\s\S]*Every day[\s\S]*everything due done/,
      ],
      ['Goals on one axis', 'Save as PNG', 'wimbel-sample-2026-goals-on-one-axis-2026-11-24.png', /^.PNG/],
      [
        'Kept by habit',
        'Save as SVG',
        'wimbel-sample-2026-kept-by-habit-2026-11-24.svg',
        /3\. Cold swim[\s\S]*102 of 107, 95/,
      ],
      [
        'Weekdays',
        'Save its figures, as CSV',
        'wimbel-sample-2026-weekdays-figures-2026-11-24.csv',
        /Weekday,Kept,Due,Rate,Before\nMonday,/,
      ],
    ] as const) {
      await person.button(`More of ${card}`).click();
      await saved(() => person.button(what).click(), ending, holds);
    }
    await person.button('Between two days').click();
    await page.getByLabel('First day').fill('2026-11-10');
    await page.getByLabel('Last day').fill('2026-11-01');
    await person.button('Show').click();
    await expect(page.getByText('The last day is before the first')).toBeVisible();
    await page.getByLabel('Last day').fill('2026-11-20');
    await person.button('Show').click();
    await expect(person.heading('10 to 20 November')).toBeVisible();
    await expect(page.getByRole('note', { name: 'In words' })).toContainText('as many days before.');
    await person.card('Part by part').getByTestId('bars').press('Home');
    await expect(person.card('Part by part').getByRole('status')).toContainText(/^10 November: \d+ of \d+, /);
    await person.button('The stretch before').click();
    await expect(person.heading('30 October to 9 November')).toBeVisible();
    await person.choose('Week');
    await expect(person.heading('23 to 29 November')).toBeVisible();
    await person.visit('/charts?span=month&day=2024-02-10');
    await expect(person.heading('February 2024')).toBeVisible();
    await expect(page.getByText('Nothing was due in this span.')).toBeVisible();
    await person.leave();
  },
);

test('every mark of the pictures names its figures as the report has them', { tag: '@soak' }, async ({ browser }) => {
  const said = report();
  const { habits, goals } = sample();
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.openSample();
  const statusOf = (card: string) => person.card(card).getByRole('status');
  const tableOf = async (card: string): Promise<string[][]> => {
    await person.button(`More of ${card}`).click();
    await person.button('Its figures as a table').click();
    const rows = page.getByRole('table', { name: `Figures of ${card}` }).getByRole('row');
    return rows.evaluateAll((all) =>
      all.slice(1).map((row) => [...row.children].map((cell) => cell.textContent ?? '')),
    );
  };

  // The year: each day of the plate, then a few of the ring.
  await person.visit('/charts');
  const days = await tableOf('Every day');
  expect(days).toHaveLength(328);
  for (const [written, done, asked, share] of days) {
    const day = new Date(`${written} UTC`).toISOString().slice(0, 10);
    const own = said.days[day];
    if (own === undefined) expect([day, asked]).toEqual([day, '0']);
    else expect([day, done, asked, share]).toEqual([day, String(own.done), String(own.due), percent(own.score)]);
  }
  const ring = page.getByTestId('year-ring');
  await ring.press('Escape');
  // The first key begins at today, up and down go by weeks.
  await ring.press('ArrowLeft');
  for (const day of ['2026-11-24', '2026-11-17', '2026-11-10']) {
    const { done, due, score } = said.days[day]!;
    await expect(statusOf('The year as a ring')).toContainText(`${done} of ${due}, ${percent(score)}`);
    await ring.press('ArrowUp');
  }

  // A month: the calendar under the mouse, day by day; the share per day.
  await person.visit('/charts?span=month');
  const plate = page.getByTestId('days-plate');
  await plate.press('Home');
  for (let day = 1; day <= 24; day++) {
    const { done, due, score } = said.days[`2026-11-${String(day).padStart(2, '0')}`]!;
    await expect(statusOf('Every day')).toContainText(` ${day} November: ${done} of ${due}, ${percent(score)}`);
    await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('Escape');
  await expect(statusOf('Every day')).toContainText('Choose a day');
  const line = page.getByTestId('share-line');
  const box = (await line.boundingBox())!;
  await line.scrollIntoViewIfNeeded();
  await line.hover({ position: { x: box.width - 10, y: 60 } });
  await expect(statusOf('Share per day')).toContainText(/24 November: /);
  await page.mouse.move(0, 0);
  await expect(statusOf('Share per day')).toContainText('Choose a day');

  // A week of one habit, and its amounts.
  const swim = habits.find(({ id }) => id === 'swim')!.name;
  await person.visit('/charts?span=year&habit=swim');
  const { kept, streak, years, months } = said.habits.swim!;
  await expect(person.card(swim)).toContainText(`${kept.year.kept} of ${kept.year.asked} due`);
  const amounts = await tableOf('Amounts compared');
  for (const [month, amount] of amounts) {
    const key = `2026-${String(new Date(`1 ${month}`).getMonth() + 1).padStart(2, '0')}`;
    if (months[key] !== undefined) expect(Number(amount!.replaceAll(',', ''))).toBe(months[key].amount);
  }
  expect(amounts).toHaveLength(12);
  await expect(person.card('Added up')).toContainText(`${years['2026']!.actual} days of ${years['2026']!.target}`);
  await page.getByTestId('runs').press('Home');
  await expect(statusOf('Runs')).toContainText(counted(streak.longest, UNIT[streak.unit]!));
  await page.getByTestId('trend').press('End');
  await expect(statusOf('Trend')).toContainText(/Four weeks to 24 November: \d+ of \d+, \d+/);

  // A goal: its key results along time.
  const island = goals.find(({ id }) => id === 'island')!;
  await person.visit('/charts?goal=island');
  await expect(person.card('The goal over time').getByRole('group')).toHaveAccessibleName(
    new RegExp(`^${island.title}, ${percent(said.goals.island!.progress)}`),
  );
  const results = await tableOf('Its key results');
  const reported = Object.values(said.goals.island!.keyResults);
  expect(results.map((row) => row[1])).toEqual(reported.map(({ progress }) => percent(progress)));
  await person.leave();
});

test('charts of a goal, an area or a habit are chosen, shared by their address, and said when they are gone', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Scales', from: '2026-11-18' });
  await person.go('Charts');
  // A week of record says what it needs.
  await expect(person.card('Weekdays')).toContainText('Needs two weeks of record; so far there are 7 days.');
  await page.getByRole('button', { name: /^Charts of/ }).click();
  await person.choose('Scales');
  await expect(person.card('Trend')).toContainText('A trend needs two weeks of record');
  await expect(person.card('Runs')).toContainText('No run in this span yet.');
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Charts of: All habits' })).toBeVisible();
  await person.visit('/charts?goal=nowhere');
  await expect(page.getByText('What these charts were of is no longer there. This is everything.')).toBeVisible();
  await person.leave();
});

test(
  'mood stands beside habits once the journal has enough of it, with both counts',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await person.signUp();
    const habit = (id: string, name: string, startsOn: string): [string, string, object] => [
      'habits',
      id,
      {
        id,
        name,
        order: 1,
        aim: 'build',
        partOfDay: 'any',
        measure: { kind: 'check' },
        terms: [{ from: startsOn, schedule: { kind: 'daily' } }],
        startsOn,
      },
    ];
    await person.send([habit('scales', 'Scales', '2026-11-01'), habit('pieces', 'Pieces', '2026-11-20')]);
    await page.reload();
    await person.go('Charts');
    await expect(person.card('Kept by habit')).toBeVisible();
    await expect(person.card('Mood beside habits')).toHaveCount(0);
    const day = (index: number): string => `2026-11-${String(index).padStart(2, '0')}`;
    await person.send([
      ...Array.from({ length: 12 }, (_, index): [string, string, object] => [
        'journal',
        `j${index}`,
        { id: `j${index}`, day: day(index + 1), part: 'day', mood: index < 6 ? 4 : index < 9 ? 2 : 3 },
      ]),
      ...Array.from({ length: 6 }, (_, index): [string, string, object] => [
        'entries',
        `${day(index + 1)} scales`,
        { habitId: 'scales', day: day(index + 1), mark: 'done' },
      ]),
    ]);
    await page.reload();
    const card = person.card('Mood beside habits');
    await expect(card).toBeVisible();
    await card.getByTestId('moods').press('ArrowDown');
    await expect(card.getByRole('status')).toContainText(/Scales.*4\.0 on 6 done days.*2\.5 on 6 other days/);
    await page.keyboard.press('Escape');
    await expect(card).toContainText('What went together');
    await person.visit('/charts?span=month&day=2026-10-10');
    await expect(card).toContainText('Needs five days with a mood');
    await person.leave();
  },
);

test('a month and a year go on one sheet of paper each', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE, scheme: 'dark' });
  const { page } = person;
  await person.openSample();
  await person.visit('/charts?span=month');
  await person.button('Save or print').click();
  await person.button('Print on one page').click();
  await expect(person.heading('As it will be printed')).toBeVisible();
  for (const address of [null, '/charts/print', '/charts/print?habit=swim', '/charts/print?goal=island&span=month']) {
    if (address !== null) await person.visit(address);
    await page.getByText('Wimbel, 24 November').waitFor();
    await page.clock.runFor(1000);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf.match(/\/Type \/Page\b/g), address ?? 'from the charts').toHaveLength(1);
    expect(pdf).toMatch(/\/MediaBox \[0 0 59[45](\.\d+)? 84[12](\.\d+)?\]/);
  }
  const { violations } = await new AxeBuilder({ page: page as never })
    .withTags(['wcag2a', 'wcag2aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html.slice(0, 300)}`)).toEqual([]);
  await person.visit('/charts?span=month');
  await person.button('Save or print').click();
  await person.button('Print on one page').click();
  await person.button('Back to the charts').click();
  await expect(person.heading('As it will be printed')).toBeHidden();
  // What lay below the sheet can be used again.
  await person.choose('Week');
  await expect(person.heading('23 to 29 November')).toBeVisible();
  await person.button('Save or print').click();
  await expect(person.button('All figures, as CSV')).toBeVisible();
  await expect(person.button('Print on one page')).toHaveCount(0);
  await person.leave();
});

test(
  'long spans of many habits are worked out in a worker, and without one all the same',
  { tag: '@soak' },
  async ({ browser }) => {
    for (const hasWorker of [true, false]) {
      const person = await Person.at(browser, { size: WIDE });
      const { page } = person;
      await person.signUp();
      const first = '2017-01-02';
      await person.send(
        Array.from({ length: 30 }, (_, index): [string, string, object] => [
          'habits',
          `h${index}`,
          {
            id: `h${index}`,
            name: `Habit ${index + 1}`,
            order: index,
            aim: 'build',
            partOfDay: 'any',
            measure: { kind: 'check' },
            terms: [{ from: first, schedule: { kind: 'daily' } }],
            startsOn: first,
          },
        ]),
      );
      await person.send(
        Array.from({ length: 100 }, (_, index): [string, string, object] => {
          const day = `2020-0${1 + (index % 9)}-${10 + Math.floor(index / 9)}`;
          return ['entries', `${day} h0`, { habitId: 'h0', day, mark: 'done' }];
        }),
      );
      // Every script that is asked for by a worker is refused.
      if (!hasWorker)
        await page.addInitScript(
          'globalThis.Worker = class extends Worker { constructor() { super("/nowhere.js"); } }',
        );
      await page.reload();
      await person.visit('/charts?span=month');
      await expect(page.getByText('0\u00a0% kept, 0 of 690', { exact: false })).toBeVisible();
      expect(page.workers()).toHaveLength(0);
      await person.choose('All');
      // 30 habits on 3,613 days up to yesterday: today is still open.
      await expect(page.getByRole('note', { name: 'In words' })).toContainText('kept, 100 of 108,390.');
      await expect(page.getByTestId('days-plate')).toHaveCount(10);
      expect(page.workers()).toHaveLength(hasWorker ? 1 : 0);
      await person.leave();
    }
  },
);
