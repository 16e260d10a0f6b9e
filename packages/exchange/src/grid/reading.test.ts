import { type PlainDay, dayOf, formatDay } from '@wimbel/core';
import { lineKey } from './blocks.ts';
import { type RawGrid, gridOfText } from './raw.ts';
import { type GridChoices, type GridReading, headKey, readGrids } from './reading.ts';

const TODAY = dayOf('2026-11-24');

const grid = (text: string, name = 'Log'): RawGrid => gridOfText(text, name).grids![0]!;
const read = (texts: string | RawGrid[], choices: GridChoices = {}, today: PlainDay = TODAY): GridReading =>
  readGrids(typeof texts === 'string' ? [grid(texts)] : texts, today, choices);

/** What was read, by name: the day and content of each cell. */
function said({ names, cells }: GridReading): Record<string, string[]> {
  const lists = names.map(({ name }): [string, string[]] => [name, []]);
  for (const { name, day, said } of cells) {
    const what = said.kind === 'amount' ? `${said.amount}${said.unit === null ? '' : ` ${said.unit}`}` : said.kind;
    lists[name]![1].push(`${formatDay(day)} ${what}`);
  }
  return Object.fromEntries(lists);
}

const numbers = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, at) => from + at);

describe('habits down, days across', () => {
  const month = [
    `October 2025,,,,,,,,,,,`,
    `Habit,Goal,${numbers(1, 7).join(',')},Done,%`,
    `,,We,Th,Fr,Sa,Su,Mo,Tu,,`,
    `Scales,20,x,,✓,yes,no,,1,4,57%`,
    `Cold swim,12,10 min,,15,,5 min,,0,3,43%`,
    `Whittle,,,,,,?,,,0,0%`,
    `Total,,2,0,2,1,1,0,1,7,`,
  ].join('\n');

  it('with a goal, totals, shares and a line of weekdays', () => {
    const reading = read(month);
    expect(said(reading)).toEqual({
      Scales: ['2025-10-01 done', '2025-10-03 done', '2025-10-04 done', '2025-10-05 no', '2025-10-07 1'],
      'Cold swim': ['2025-10-01 10 min', '2025-10-03 15', '2025-10-05 5 min', '2025-10-07 no'],
      Whittle: [],
    });
    expect(reading.names).toMatchObject([
      { name: 'Scales', kind: 'check', days: 4, noes: 1, targets: { '2025-10': 20 } },
      { name: 'Cold swim', kind: 'amount', unit: 'min', least: 5, days: 3, noes: 1, targets: { '2025-10': 12 } },
      { name: 'Whittle', days: 0, targets: {} },
    ]);
    expect(reading.unclear).toMatchObject([{ row: 5, column: 6, text: '?' }]);
    expect(reading.leftOut.map(({ name }) => name)).toEqual(['Total', 'Done', '%']);
  });

  it('with months one under another, the year said once', () => {
    const part = (name: string, rows: string) => `${name}\n,${numbers(1, 10).join(',')}\n${rows}\n\n`;
    const text = `2025\n${part('November', 'Scales,x,x\nSwim,,,x')}${part('December', 'Scales,,x')}${part('January', 'Swim,x')}`;
    const reading = read(text);
    expect(said(reading)).toEqual({
      Scales: ['2025-11-01 done', '2025-11-02 done', '2025-12-02 done'],
      Swim: ['2025-11-03 done', '2026-01-01 done'],
    });
    expect(reading.isYearGuessed).toBe(false);
  });

  it('with a month in each grid, named by it; 31 columns in every month, a leap February too', () => {
    const of = (name: string, row: string) => grid(`Habit,${numbers(1, 31).join(',')}\n${row}`, name);
    const marks = (day: number) => numbers(1, 31).map((each) => (each === day ? 'x' : ''));
    const grids = [
      of('Jan 2024', `Scales,${marks(31).join(',')}`),
      of('Feb', `Scales,${marks(29).join(',')}`),
      of('Mar', `Scales,${marks(31).join(',')}`),
      of('Apr', `Scales,${marks(31).join(',')}`),
    ];
    const reading = read(grids);
    expect(said(reading)).toEqual({ Scales: ['2024-01-31 done', '2024-02-29 done', '2024-03-31 done'] });
    expect(reading.unclear).toMatchObject([{ grid: 3, row: 1, column: 31, text: 'x' }]);
  });

  it('with dates for heads, and weeks between that are left out', () => {
    const text = 'What;29.12.2025;30.12.2025;31.12.2025;Week 1;01.01.2026;02.01.2026\nRead;1;;1;2;;1\nRun;5,5;;;;3 km;';
    expect(said(read(text))).toEqual({
      Read: ['2025-12-29 1', '2025-12-31 1', '2026-01-02 1'],
      Run: ['2025-12-29 5.5', '2026-01-01 3 km'],
    });
  });

  it('with weeks that go over into the next month', () => {
    const text = 'December 2025\nHabit,Mon 29,Tue 30,Wed 31,Thu 1,Fri 2,Sat 3\nScales,x,,x,x,,x';
    expect(said(read(text)).Scales).toEqual([
      '2025-12-29 done',
      '2025-12-31 done',
      '2026-01-01 done',
      '2026-01-03 done',
    ]);
  });

  it('takes the month that is chosen where none is said, and says so', () => {
    const text = `Habit,${numbers(1, 28).join(',')}\nScales,x`;
    const reading = read(text);
    expect(reading.withoutMonth).toHaveLength(1);
    expect(said(reading).Scales).toEqual(['2026-11-01 done']);
    const [block] = reading.blocks;
    const again = read(text, { months: { [headKey(block!)]: { year: 2025, month: 3 } } });
    expect(said(again).Scales).toEqual(['2025-03-01 done']);
  });

  it('guesses the year of months that say none, so that the last of them is not to come', () => {
    const of = (name: string) => grid(`Habit,${numbers(1, 28).join(',')}\nScales,x`, name);
    const reading = read([of('November'), of('December'), of('January')]);
    expect(reading).toMatchObject({ isYearGuessed: true, year: 2026 });
    expect(said(reading).Scales).toEqual(['2025-11-01 done', '2025-12-01 done', '2026-01-01 done']);
    expect(said(read([of('December')])).Scales).toEqual(['2025-12-01 done']);
    expect(said(read([of('December'), of('January')], { year: 2021 })).Scales).toEqual([
      '2020-12-01 done',
      '2021-01-01 done',
    ]);
  });
});

describe('days down, habits across', () => {
  it('with dates whose order only the thirteenth tells', () => {
    const days = (order: (date: number) => string) =>
      numbers(9, 14)
        .map((date) => `${order(date)},x,${date}`)
        .join('\n');
    for (const [order, first] of [
      [(date: number) => `${date}/3/2025`, 'dayFirst'],
      [(date: number) => `3/${date}/2025`, 'monthFirst'],
    ] as const) {
      const reading = read(`Date,Scales,Pages (p)\n${days(order)}`);
      expect(reading).toMatchObject({ dateOrder: first, isOrderOpen: false });
      expect(said(reading).Scales![0]).toBe('2025-03-09 done');
      expect(said(reading).Pages!.at(-1)).toBe('2025-03-14 14');
      expect(reading.names[1]).toMatchObject({ name: 'Pages', kind: 'amount', unit: 'pages' });
    }
  });

  it('asks for the order where nothing tells it, and takes the one that is chosen', () => {
    const text = 'Date,Scales\n1/2/2025,x\n3/2/2025,x\n3/4/2025,x\n5/6/2025,x';
    expect(read(text)).toMatchObject({ isOrderOpen: true, dateOrder: 'dayFirst' });
    const reading = read(text, { dateOrder: 'monthFirst' });
    expect(said(reading).Scales).toEqual(['2025-01-02 done', '2025-03-02 done', '2025-03-04 done', '2025-05-06 done']);
  });

  it('with day numbers under a month’s name, a weekday beside them, notes and a goal below', () => {
    const rows = numbers(1, 28).map(
      (date) => `${date},Sa,${date % 2 ? '✅' : '❌'},${date === 2 ? '1:30' : ''},rain came ${date}`,
    );
    const text = `February 2025,,,,\nDay,,Swim,Row,Weather\n${rows.join('\n')}\nGoal,,20,900,\nTotal,,14,90,`;
    const reading = read(text);
    expect(said(reading).Swim!.slice(0, 3)).toEqual(['2025-02-01 done', '2025-02-02 no', '2025-02-03 done']);
    expect(said(reading).Row).toEqual(['2025-02-02 90 min']);
    expect(reading.names.map(({ name, targets }) => [name, targets])).toEqual([
      ['Swim', { '2025-02': 20 }],
      ['Row', { '2025-02': 900 }],
    ]);
    expect(reading.leftOut).toMatchObject([{ name: 'Weather', why: 'words' }]);
  });

  it('with months one under another below one line of names', () => {
    const month = (name: string, days: number) =>
      `${name}\n${numbers(1, days)
        .map((date) => `${date},${date === 1 ? 'x' : ''}`)
        .join('\n')}\n`;
    const text = `,Scales\n${month('January 2025', 31)}${month('February', 28)}`;
    expect(said(read(text)).Scales).toEqual(['2025-01-01 done', '2025-02-01 done']);
  });

  it('with months side by side', () => {
    const rows = numbers(1, 28).map((date) => `${date},x,,${date},`);
    const text = `May 2025,,,June 2025,\nDay,Scales,,Day,Scales\n${rows.join('\n')}`;
    const reading = read(text);
    expect(reading.blocks).toHaveLength(2);
    expect(said(reading).Scales).toHaveLength(28);
  });
});

describe('a line for each day of a habit', () => {
  it('with an amount, a unit and a note', () => {
    const text = [
      'day\thabit\tvalue\tunit\tnote',
      '2025-03-01\tScales\tx\t\tslow',
      '2025-03-01\tCold swim\t12\tmin\t',
      '2025-03-02\tCold swim\t8\tmin\tcold',
      '2025-03-03\tScales\tmissed\t\t',
    ].join('\n');
    const reading = read(text);
    expect(said(reading)).toEqual({
      Scales: ['2025-03-01 done', '2025-03-03 missed'],
      'Cold swim': ['2025-03-01 12 min', '2025-03-02 8 min'],
    });
    expect(reading.cells.map(({ note }) => note)).toEqual(['slow', undefined, 'cold', undefined]);
  });

  it('without a value says that it was done', () => {
    const reading = read('Sat 1 Mar 2025;Scales\nSat 1 Mar 2025;Swim\nSun 2 Mar 2025;Scales');
    expect(said(reading)).toEqual({ Scales: ['2025-03-01 done', '2025-03-02 done'], Swim: ['2025-03-01 done'] });
  });
});

describe('what was understood wrongly', () => {
  const text = `Habit,${numbers(1, 28).join(',')}\nDone,x,x\nScales,x`;

  it('a name that looks like a total is taken, and another left out', () => {
    const reading = read([grid(text, 'March 2025')]);
    expect(Object.keys(said(reading))).toEqual(['Scales']);
    const lines = { [lineKey(0, 'row', 1)]: 'take', [lineKey(0, 'row', 2)]: 'leaveOut' } as const;
    expect(said(read([grid(text, 'March 2025')], { lines }))).toEqual({ Done: ['2025-03-01 done', '2025-03-02 done'] });
  });

  it('a day is left out, and the lines of days and names are where they are said to be', () => {
    const lines = { [lineKey(0, 'column', 1)]: 'leaveOut' } as const;
    expect(said(read([grid(text, 'March 2025')], { lines })).Scales).toEqual([]);
    const odd = 'a,b\n1 Mar 2025,x\n9 Mar 2025,';
    expect(read(odd).blocks).toEqual([]);
    const reading = read(odd, { heads: { 0: { layout: 'down', at: 0 } } });
    expect(said(reading)).toEqual({ b: ['2025-03-01 done'] });
  });
});

describe('few days', () => {
  it('are read where each date is the day after the one before, across and down, over the end of a month', () => {
    const across = read('Habit,2025-02-28,2025-03-01\nScales,x,\nSwim,12 min,x');
    expect(said(across)).toEqual({
      Scales: ['2025-02-28 done'],
      Swim: ['2025-02-28 12 min', '2025-03-01 done'],
    });
    const down = read('Day\tScales\tSwim\n30/12/2025\tx\t\n31/12/2025\t\tx\n1/1/2026\tx\tx', {}, dayOf('2026-01-02'));
    expect(said(down)).toEqual({
      Scales: ['2025-12-30 done', '2026-01-01 done'],
      Swim: ['2025-12-31 done', '2026-01-01 done'],
    });
  });

  it('are none where dates stand apart, or say no year', () => {
    for (const dates of ['2025-02-01,2025-02-28', '1 Feb,2 Feb', '2025-02-28'])
      expect(read(`Habit,${dates}\nScales,x,x`).cells).toEqual([]);
  });
});

it('says nothing of a text without days', () => {
  expect(read('Dear diary,\nit rained, and then\nit did not')).toMatchObject({ blocks: [], names: [], cells: [] });
});
