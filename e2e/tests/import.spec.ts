import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { type Records, dayOf, daysInMonthOf, reportOf } from '@wimbel/core';
import { gridsOfFile, readDataFileText, readGrids } from '@wimbel/exchange';
import { STATE } from '../../tools/system.mjs';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

const TODAY = dayOf('2026-11-24');
const MONTHS = 'January February March April May June July August September October November December'.split(' ');

const datesOf = (year: number, month: number): number[] =>
  Array.from({ length: daysInMonthOf(year, month) }, (_, at) => at + 1);

/** What was kept on a date: scales on odd dates, a swim of ten minutes and more on every third. */
const scales = (date: number): string => (date % 2 === 1 ? 'x' : '');
const swim = (date: number): string => (date % 3 === 0 ? `${10 + date} min` : '');
/** Days of a year by these rules: 2025 has 186 odd dates, and 119 that three divides. */
const SCALES_DAYS = 186;
const SWIM_DAYS = 119;

/** A year in three shapes. */
const SHAPES: Record<string, string> = {
  'months one under another': MONTHS.map((name, at) => {
    const dates = datesOf(2025, at + 1);
    const rows = [
      `${name} 2025`,
      `Habit,${dates.join(',')},Done`,
      `Scales,${dates.map(scales).join(',')},${dates.filter((date) => date % 2).length}`,
      `Cold swim,${dates.map(swim).join(',')},${Math.floor(dates.length / 3)}`,
      `Total,${dates.map(() => 1).join(',')},`,
    ];
    return rows.join('\n');
  }).join('\n\n'),
  'days down': `Day;Scales;Cold swim (min)\n${MONTHS.flatMap((_, at) =>
    datesOf(2025, at + 1).map((date) => `${date}.${at + 1}.2025;${scales(date)};${swim(date).replace(' min', '')}`),
  ).join('\n')}`,
  'a line for each day': `Date\tHabit\tValue\n${MONTHS.flatMap((_, at) =>
    datesOf(2025, at + 1).flatMap((date) => {
      const day = `2025-${String(at + 1).padStart(2, '0')}-${String(date).padStart(2, '0')}`;
      return [
        ...(scales(date) === '' ? [] : [`${day}\tScales\tyes`]),
        ...(swim(date) === '' ? [] : [`${day}\tCold swim\t${swim(date)}`]),
      ];
    }),
  ).join('\n')}`,
};

/** Chooses a table as a file, and waits until it is read. */
async function choose({ page }: Person, content: string | Buffer, name = 'my-log.csv'): Promise<void> {
  await page
    .getByLabel('A table as a file')
    .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
}

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: a year kept in three shapes comes in as counted by hand, and one is undone`,
    { tag: soakIf(size === WIDE) },
    async ({ browser }) => {
      test.slow();
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.signUp();
      for (const [at, [shape, text]] of Object.entries(SHAPES).entries()) {
        await person.visit('/settings/account');
        await person.button('Bring in a table').click();
        await choose(person, text);
        const found = `${SCALES_DAYS + SWIM_DAYS} days of 2 habits, from 1 January 2025 to 31 December 2025.`;
        await expect(page.getByText(found), shape).toBeVisible();
        if (at === 0) {
          await expect(
            page.getByRole('button', { name: 'Scales, 186 days. New habit, checked off, from 1 January 2025. Change' }),
          ).toBeVisible();
          const swims = 'Cold swim, 119 days. New habit, done from 13 min, from 1 January 2025. Change';
          await expect(page.getByRole('button', { name: swims })).toBeVisible();
          // Totals are seen, and left out.
          await expect(page.getByRole('button', { name: /^Row 5, Left out/ })).toBeVisible();
          await person.button('Bring in 305 days').click();
          await expect(page.getByText('305 days of 2 habits').first()).toBeVisible();
          await expect(page).toHaveURL(/log\?month=2025-12/);
          await person.everythingSaved();
          continue;
        }
        // The same days once more say nothing new.
        await expect(page.getByRole('button', { name: 'Scales, 186 days. To Scales. Change' })).toBeVisible();
        await expect(person.button('Nothing to bring in')).toBeDisabled();
      }
      const entries = (await person.stored()).filter((each) => each.collection === 'entries');
      expect(entries).toHaveLength(SCALES_DAYS + SWIM_DAYS);
      const records = recordsOf(await person.stored());
      const years = Object.values(reportOf(records, TODAY).habits).map(({ years }) => years['2025']!.actual);
      expect(years.sort()).toEqual([SWIM_DAYS, SCALES_DAYS].sort());
      // As a screen says it.
      await person.visit('/charts?span=year&day=2025-06-01');
      await expect(page.getByText('Scales').first()).toBeVisible();
      // Another habit's table is brought in, and taken back as one step.
      await person.visit('/settings/bring-in');
      await page
        .getByLabel('Or paste cells here')
        .fill('Day\tWhittle\n2025-03-01\tx\n2025-03-02\tx\n2025-03-03\t\n2025-03-04\tx');
      await person.button('Read what I pasted').click();
      await person.button('Bring in 3 days').click();
      await expect(page.getByText('3 days of 1 habit').first()).toBeVisible();
      await page.getByRole('button', { name: 'Undo' }).first().click();
      await person.everythingSaved();
      await expect
        .poll(async () => (await person.stored()).filter(({ collection }) => collection === 'habits').length)
        .toBe(2);
      await person.leave();
    },
  );
}

/** What the server has as records, for the report. */
function recordsOf(rows: { collection: string; record: object }[]): Records {
  const file: Record<string, unknown> = { format: 'wimbel', version: 1 };
  for (const { collection, record } of rows) {
    if (collection === 'settings') file.settings = record;
    else file[collection] = [...((file[collection] as object[] | undefined) ?? []), record];
  }
  const { records, issues } = readDataFileText(JSON.stringify(file));
  expect(issues).toEqual([]);
  return records!;
}

test('where what reads cannot be fetched, that is said, and what was pasted is read once it can be', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.visit('/settings/bring-in');
  await page.route('**/reader-*.js', (route) => route.abort());
  await page
    .getByLabel('Or paste cells here')
    .fill('Date,Swim\n2026-11-20,x\n2026-11-21,x\n2026-11-22,x\n2026-11-23,x\n');
  await person.button('Read what I pasted').click();
  await expect(page.getByText(/reads it could not be fetched\. Try again once you are online\./)).toBeVisible();
  await page.unroute('**/reader-*.js');
  await person.button('Read what I pasted').click();
  await expect(page.getByText(/^4 days of 1 habit/)).toBeVisible();

  await person.visit('/settings/account');
  await page.route('**/fileReader-*.js', (route) => route.abort());
  const file = { name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from('{}') };
  await page.getByLabel('A Wimbel data file').setInputFiles(file);
  await expect(
    page.getByText(/^mine\.json can’t be read\. The part of Wimbel that reads it could not be fetched/),
  ).toBeVisible();
  await page.unroute('**/fileReader-*.js');
  await page.getByLabel('A Wimbel data file').setInputFiles(file);
  await expect(page.getByRole('dialog')).toContainText('This file cannot be brought in');
  await person.leave();
});

test('what is unclear is shown and asked, readings are changed, and names go where they are sent', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.makeHabit({ name: 'Scales, slow bow', from: '2025-01-01' });
  await person.visit('/settings/bring-in');
  // Something that is no table is refused in words, and nothing is lost.
  await choose(person, Buffer.from([1, 2, 0, 3]), 'sketch.png');
  await expect(page.getByRole('alert')).toContainText('sketch.png can’t be read. It is neither a workbook');
  const text = ['Date,Scales,Swim,Done', '1/2/2025,x,no,x', '3/2/2025,,12,x', '3/4/2025,?,7,x', '5/6/2025,x,no,x'].join(
    '\n',
  );
  await choose(person, text);
  await expect(page.getByText('4 days of 2 habits, from 1 February 2025 to 5 June 2025.')).toBeVisible();
  await expect(page.getByText('Left out: 1 cell without a clear meaning.')).toBeVisible();
  await expect(page.getByText('Says nothing clear, and is left out: “?” in row 4, column 2.')).toBeVisible();
  await person.choose('Month first');
  await expect(page.getByText('4 days of 2 habits, from 2 January 2025 to 6 May 2025.')).toBeVisible();
  await expect(person.button('Bring in 4 days')).toBeVisible();
  await person.choose('Missed');
  await expect(person.button('Bring in 6 days')).toBeVisible();
  // A column that looks like a total is a habit after all.
  await page.getByRole('button', { name: /^Column 4, Left out/ }).click();
  await person.button('Take it as a habit').click();
  await expect(person.button('Bring in 10 days')).toBeVisible();
  await page.getByRole('button', { name: /^Done, 4 days/ }).click();
  await page.getByRole('radio', { name: 'Nowhere' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/4 days of names that go nowhere/)).toBeVisible();
  await page.getByRole('button', { name: /^Scales, 2 days. To Scales, slow bow/ }).click();
  await page.getByRole('radio', { name: 'A new habit' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Scales, fast');
  await page.getByRole('dialog').getByRole('button', { name: 'Done' }).click();
  await person.button('Bring in 6 days').click();
  await expect(page.getByText(/^6 days of 2 habits, .*5 cells left out/).first()).toBeVisible();
  await person.everythingSaved();
  const rows = await person.stored();
  const names = rows.flatMap(({ collection, record }) =>
    collection === 'habits' ? [(record as { name: string }).name] : [],
  );
  expect(names.sort()).toEqual(['Scales, fast', 'Scales, slow bow', 'Swim']);
  expect(
    rows
      .flatMap(({ collection, key, record }) =>
        collection === 'entries'
          ? [[key.slice(0, 10), (record as { mark?: string }).mark, (record as { amount?: number }).amount]]
          : [],
      )
      .sort(),
  ).toEqual([
    ['2025-01-02', 'done', undefined],
    ['2025-01-02', 'missed', undefined],
    ['2025-03-02', undefined, 12],
    ['2025-03-04', undefined, 7],
    ['2025-05-06', 'done', undefined],
    ['2025-05-06', 'missed', undefined],
  ]);
  await person.leave();
});

/** All words of the main screens, on both widths. */
async function screensOf(person: Person): Promise<string[]> {
  const words: string[] = [];
  for (const size of [PHONE, WIDE]) {
    await person.page.setViewportSize(size);
    for (const address of ['/today', '/log?month=2026-10', '/goals', '/charts?span=year', '/rewards', '/seasons']) {
      await person.visit(address);
      // Some of a screen follows a moment later.
      let before = '';
      const stands = async (): Promise<boolean> => {
        await person.page.clock.runFor(500);
        const now = `${await person.page.getByRole('main').textContent()}`;
        const isSame = now === before;
        before = now;
        return isSame;
      };
      await expect.poll(stands, { intervals: [500] }).toBe(true);
      const main = person.page.getByRole('main');
      await expect(main).toContainText(/\d/);
      words.push(`${address}: ${await main.textContent()}`);
    }
  }
  return words;
}

test(
  'the sample is taken out and into a new account: the same to the byte, in every figure and on the screens; as a workbook too',
  { tag: '@soak' },
  async ({ browser }) => {
    test.slow();
    const person = await Person.at(browser, { size: PHONE });
    await person.openSample();
    const taken = async (by: Person, button: string): Promise<Buffer> => {
      const [file] = await Promise.all([by.page.waitForEvent('download'), by.button(button).click()]);
      return readFileSync(await file.path());
    };
    const shown = await screensOf(person);
    await person.visit('/settings/account');
    const out = (await taken(person, 'Download my data')).toString();
    await person.button('As a workbook').click();
    await person.choose('Everything');
    const { grids } = await gridsOfFile(await taken(person, 'Download'), 'wimbel.xlsx');
    const sample = readDataFileText(readFileSync(join(STATE, 'e2e-sample.json'), 'utf8')).records!;
    const marked = sample.entries.filter(({ mark, amount }) => mark !== undefined || (amount ?? 0) > 0);
    expect(readGrids(grids!, TODAY).cells.filter(({ said }) => said.kind !== 'no')).toHaveLength(marked.length);
    await person.leave();

    const other = await Person.at(browser, { size: PHONE });
    await other.signUp();
    await other.visit('/settings/account');
    await other.page
      .getByLabel('A Wimbel data file')
      .setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(out) });
    await other.button('Replace what is here').click();
    await expect(other.page.getByText(/records brought in/)).toBeVisible({ timeout: 60_000 });
    await expect.poll(() => other.waiting(), { timeout: 60_000 }).toBe(0);
    expect(await screensOf(other)).toEqual(shown);
    await other.visit('/settings/account');
    const again = (await taken(other, 'Download my data')).toString();
    const without = (text: string): string => text.replace(/"exportedAt": "[^"]+"/, '');
    expect(without(again)).toBe(without(out));
    const [mine, first] = [again, out].map((text) => reportOf(readDataFileText(text).records!, TODAY));
    expect(mine).toEqual(first);
    await other.leave();
  },
);

test('a table comes in whole, though its screen is left right after', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  await person.visit('/settings/account');
  await person.button('Bring in a table').click();
  await page.getByLabel('Or paste cells here').fill(SHAPES['days down']!);
  await person.button('Read what I pasted').click();
  await person.button('Bring in 305 days').click();
  await page.goBack();
  await expect(page.getByText('305 days of 2 habits').first()).toBeVisible();
  await expect(page).toHaveURL(/settings\/account/);
  await person.everythingSaved();
  const entries = (await person.stored()).filter(({ collection }) => collection === 'entries');
  expect(entries).toHaveLength(SCALES_DAYS + SWIM_DAYS);
  await person.leave();
});

/** Waits until more than half is done of what comes in: looked at with every frame, since it may be over in a second. */
const halfWay = (person: Person): Promise<unknown> =>
  person.page.waitForFunction(() => /Bringing in, (5[2-9]|[6-9]\d)/.test(document.body.innerText), null, {
    polling: 'raf',
    timeout: 60_000,
  });

test(
  'a page that is closed while a large file comes in goes on with it the next time',
  { tag: '@soak' },
  async ({ browser }) => {
    test.slow();
    const person = await Person.at(browser, { size: PHONE });
    await person.signUp();
    const habits = Array.from({ length: 8 }, (_, at) => ({
      id: `h${at}`,
      name: `Habit ${at}`,
      order: at,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: '2020-01-01', schedule: { kind: 'daily' } }],
      startsOn: '2020-01-01',
    }));
    const days = Array.from({ length: 1500 }, (_, at) =>
      new Date(Date.UTC(2021, 0, 1 + at)).toISOString().slice(0, 10),
    );
    const entries = habits.flatMap(({ id }) => days.map((day) => ({ habitId: id, day, mark: 'done' })));
    const file = { format: 'wimbel', version: 1, habits, entries };
    await person.visit('/settings/account');
    await person.page
      .getByLabel('A Wimbel data file')
      .setInputFiles({ name: 'years.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) });
    await person.button('Add to what is here').click();
    // Stopped, nothing of it is there.
    await halfWay(person);
    await person.button('Stop').click();
    await expect(person.page.getByText('Stopped. Nothing was kept of it.')).toBeVisible();
    await person.everythingSaved();
    await expect.poll(async () => (await person.stored()).length, { timeout: 60_000 }).toBe(0);
    await person.button('Add to what is here').click();
    // The first half of the progress writes the import plan to the device, the second applies it.
    await halfWay(person);
    await person.page.close();
    await person.reopen('/today');
    await expect
      .poll(async () => (await person.stored()).filter(({ collection }) => collection === 'entries').length, {
        timeout: 90_000,
      })
      .toBe(entries.length);
    await person.leave();
  },
);
