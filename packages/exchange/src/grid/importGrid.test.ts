import {
  DEFAULT_SETTINGS,
  type Entry,
  type Habit,
  type Records,
  dayOf,
  daysInMonthOf,
  formatDay,
  partsOfDay,
  reportOf,
} from '@wimbel/core';
import { LIST_COLLECTIONS, checkRecord } from '@wimbel/contract';
import fc from 'fast-check';
import { csvOf, tableOf } from '../tables.ts';
import { workbookOf } from '../workbook/workbook.ts';
import { type Here, type NameChoice, broughtByGrid, choicesFor, likeness } from './importGrid.ts';
import { gridsOfFile } from './file.ts';
import { type RawGrid, gridOfText } from './raw.ts';
import { readGrids } from './reading.ts';

const TODAY = dayOf('2026-11-24');
const NAMES = ['Scales', 'Cold swim', 'Splice a rope', 'Sand the hull'];
const MONTHS = 'January February March April May June July August September October November December'.split(' ');

const aHabit = (index: number, isAmount: boolean): Habit => ({
  id: `h${index}`,
  name: NAMES[index]!,
  order: index,
  aim: 'build',
  partOfDay: 'any',
  measure: isAmount ? { kind: 'amount', unit: 'min', step: 5 } : { kind: 'check' },
  terms: [{ from: '2023-01-01', schedule: { kind: 'daily' }, ...(isAmount ? { atLeast: 10 } : {}) }],
  startsOn: '2023-01-01',
});

const recordsWith = (habits: Habit[], entries: Entry[]): Records =>
  ({
    settings: DEFAULT_SETTINGS,
    ...Object.fromEntries(LIST_COLLECTIONS.map((each) => [each, []])),
    habits,
    entries,
  }) as unknown as Records;

const here = (habits: readonly Habit[], entries: readonly Entry[] = []): Here => {
  const byPlace = new Map(entries.map((each) => [`${each.day} ${each.habitId}`, each]));
  let made = 0;
  return { habits, today: TODAY, entryAt: (id, day) => byPlace.get(`${day} ${id}`), newId: () => `new${made++}` };
};

const bring = (grids: RawGrid[], at: Here, is: { isNoMissed?: boolean } = {}, choices?: NameChoice[]) => {
  const reading = readGrids(grids, TODAY);
  return broughtByGrid(reading, choices ?? choicesFor(reading, at.habits), is, at);
};

const sorted = (entries: readonly Entry[]): Entry[] =>
  [...entries].sort((a, b) => (`${a.day} ${a.habitId}` < `${b.day} ${b.habitId}` ? -1 : 1));

/** Two years of some habits, with marks and amounts. */
const aRecord = fc
  .record({
    kinds: fc.array(fc.boolean(), { minLength: 1, maxLength: 4 }),
    days: fc.uniqueArray(fc.integer({ min: dayOf('2024-02-20'), max: dayOf('2026-03-10') }), {
      minLength: 8,
      maxLength: 60,
    }),
    values: fc.infiniteStream(fc.integer({ min: 0, max: 9 })),
  })
  .map(({ kinds, days, values }) => {
    const habits = kinds.map((isAmount, at) => aHabit(at, isAmount));
    const entries = days.flatMap((day) =>
      habits.flatMap(({ id, measure }): Entry[] => {
        const { value } = values.next();
        const entry = { habitId: id, day: formatDay(day) };
        if (value < 3) return [];
        if (value === 3) return [{ ...entry, mark: 'missed' }];
        if (value === 4) return [{ ...entry, mark: 'rest' }];
        return [measure.kind === 'check' ? { ...entry, mark: 'done' } : { ...entry, amount: value * 2.5 }];
      }),
    );
    return { habits, entries };
  });

const cellOf = (entry: Entry | undefined): string =>
  entry === undefined ? '' : (entry.amount?.toString() ?? (entry.mark === 'done' ? '✓' : entry.mark!));

/** The months of a record as blocks one under another, habits down and days across. */
function monthBlocks({ habits, entries }: { habits: Habit[]; entries: Entry[] }): string {
  const byPlace = new Map(entries.map((each) => [`${each.day} ${each.habitId}`, each]));
  const months = [...new Set(entries.map(({ day }) => day.slice(0, 7)))].sort();
  return months
    .map((text) => {
      const { year, month } = partsOfDay(dayOf(`${text}-01`));
      const days = Array.from({ length: daysInMonthOf(year, month) }, (_, at) => at + 1);
      const rows = habits.map(({ id, name }) => {
        const cells = days.map((date) => cellOf(byPlace.get(`${text}-${String(date).padStart(2, '0')} ${id}`)));
        return `"${name}",${cells.join(',')},${cells.filter(Boolean).length}`;
      });
      return `${MONTHS[month - 1]} ${year}\nHabit,${days.join(',')},Total\n${rows.join('\n')}\n`;
    })
    .join('\n');
}

/** Days down and habits across, a date as some people write it. */
function daysDown({ habits, entries }: { habits: Habit[]; entries: Entry[] }, isDayFirst: boolean): string {
  const byPlace = new Map(entries.map((each) => [`${each.day} ${each.habitId}`, each]));
  const days = [...new Set(entries.map(({ day }) => day))].sort();
  // A thirteenth of a month tells in which order they are written.
  const all = [...new Set([...days, '2024-02-13', '2024-02-14', '2024-02-15', '2024-02-16'])].sort();
  const rows = all.map((day) => {
    const { year, month, date } = partsOfDay(dayOf(day));
    const written = isDayFirst ? `${date}.${month}.${year}` : `${month}/${date}/${year}`;
    return [written, ...habits.map(({ id }) => cellOf(byPlace.get(`${day} ${id}`)))].join(';');
  });
  return [`Day;${habits.map(({ name }) => name).join(';')}`, ...rows].join('\r\n');
}

describe('a record comes back as it was', () => {
  const shapes: [name: string, write: (record: { habits: Habit[]; entries: Entry[] }) => string][] = [
    [
      'as its own board',
      ({ habits, entries }) => csvOf(tableOf('board', recordsWith(habits, entries), () => ({}) as never, null)),
    ],
    [
      'as its own list',
      ({ habits, entries }) => csvOf(tableOf('days', recordsWith(habits, entries), () => ({}) as never, null)),
    ],
    ['as months one under another', monthBlocks],
    ['as days down, the day first', (record) => daysDown(record, true)],
    ['as days down, the month first', (record) => daysDown(record, false)],
  ];

  it.each(shapes)('%s', (_, write) => {
    fc.assert(
      fc.property(aRecord, (record) => {
        fc.pre(new Set(record.entries.map(({ day }) => day)).size >= 5);
        const { grids } = gridOfText(write(record), 'Log');
        const { entries, left } = bring(grids!, here(record.habits));
        expect(sorted(entries)).toEqual(sorted(record.entries));
        expect(left).toEqual({ unclear: 0, nowhere: 0, future: 0 });
      }),
      { numRuns: 60 },
    );
  });

  it('as a workbook', async () => {
    await fc.assert(
      fc.asyncProperty(aRecord, async (record) => {
        fc.pre(record.entries.length > 0);
        const bytes = await workbookOf(recordsWith(record.habits, record.entries), TODAY, null);
        const { grids } = await gridsOfFile(bytes, 'wimbel.xlsx');
        const { entries } = bring(grids!, here(record.habits));
        expect(sorted(entries)).toEqual(sorted(record.entries));
      }),
      { numRuns: 4 },
    );
  }, 60_000);
});

const MONTH = 'October 2026\nHabit,1,2,3,4,5,6,7\nScales,x,,no,x,,,\nCold swim,12,x,8,,,,\nWhittle,1,,,,,,1';
const month = (): RawGrid[] => gridOfText(MONTH, 'Log').grids!;

describe('names', () => {
  it('go to the habit most like each, each habit once, and the rest to new ones', () => {
    const habits = [
      { ...aHabit(0, false), name: 'Scales, slow bow' },
      { ...aHabit(1, true), name: 'Cold swims' },
    ];
    expect(choicesFor(readGrids(month(), TODAY), habits)).toEqual([
      { to: 'habit', id: 'h0' },
      { to: 'habit', id: 'h1' },
      { to: 'new', name: 'Whittle', kind: 'check', unit: '', least: null },
    ]);
    expect(likeness('Read', 'Row')).toBeLessThan(0.7);
    expect(likeness('Read (pages)', 'read')).toBe(1);
  });

  it('of two that are like one habit only the liker goes to it', () => {
    const grids = gridOfText('October 2026\nHabit,1,2,3,4,5\nScales slow,x,,,,\nScales,,x,,,', 'Log').grids!;
    const [slow, plain] = choicesFor(readGrids(grids, TODAY), [aHabit(0, false)]);
    expect(plain).toEqual({ to: 'habit', id: 'h0' });
    expect(slow).toMatchObject({ to: 'new', name: 'Scales slow' });
  });

  it('become habits that the contract takes, done from the least amount there is', () => {
    const { habits, entries } = bring(month(), here([]));
    expect(habits.map((each) => checkRecord('habits', each).issues)).toEqual([[], [], []]);
    expect(entries.map((each) => checkRecord('entries', each).issues).flat()).toEqual([]);
    expect(habits.map(({ name, startsOn, terms }) => [name, startsOn, terms[0]!.atLeast])).toEqual([
      ['Scales', '2026-10-01', undefined],
      ['Cold swim', '2026-10-01', 8],
      ['Whittle', '2026-10-01', undefined],
    ]);
    // A mark in a row of amounts is the least that counts.
    expect(entries.filter(({ habitId }) => habitId === habits[1]!.id).map(({ amount }) => amount)).toEqual([12, 8, 8]);
  });

  it('that go nowhere bring nothing, and are counted', () => {
    const nowhere: NameChoice = { to: 'nowhere' };
    const { entries, left } = bring(month(), here([]), {}, [nowhere, nowhere, nowhere]);
    expect(entries).toEqual([]);
    expect(left).toEqual({ unclear: 0, nowhere: 7, future: 0 });
  });
});

describe('a day', () => {
  it('that says no is blank, or missed where that is meant, or 0 of what is kept under a limit', () => {
    const third = (at: Here, is = {}) => bring(month(), at, is).entries.find(({ day }) => day === '2026-10-03');
    const scales = aHabit(0, false);
    expect(bring(month(), here([scales])).entries.filter(({ habitId }) => habitId === 'h0')).toHaveLength(2);
    expect(third(here([scales]), { isNoMissed: true })).toEqual({ habitId: 'h0', day: '2026-10-03', mark: 'missed' });
    const limited: Habit = {
      ...aHabit(0, true),
      terms: [{ from: '2023-01-01', schedule: { kind: 'daily' }, atMost: 2 }],
    };
    expect(third(here([limited]))).toEqual({ habitId: 'h0', day: '2026-10-03', amount: 0 });
  });

  it('that is recorded keeps its note; what is the same already is left alone', () => {
    const held: Entry[] = [
      { habitId: 'h0', day: '2026-10-01', mark: 'missed', note: 'Rain' },
      { habitId: 'h0', day: '2026-10-04', mark: 'done' },
    ];
    const { entries, replaced } = bring(month(), here([aHabit(0, false)], held));
    const own = entries.filter(({ habitId }) => habitId === 'h0');
    expect(own).toEqual([{ habitId: 'h0', day: '2026-10-01', mark: 'done', note: 'Rain' }]);
    expect(replaced).toBe(1);
  });

  it('that says no with a note keeps the mark of the day, whether recorded or from a cell before', () => {
    const entries: Entry[] = [
      { habitId: 'h0', day: '2026-10-01', mark: 'done' },
      { habitId: 'h1', day: '2026-10-01', amount: 12, note: 'Cold' },
    ];
    const list = gridOfText(
      [
        'Date,Habit,Value,Note',
        '2026-10-01,Scales,no,Overslept',
        '2026-10-01,Cold swim,no,Fog',
        '2026-10-02,Scales,yes,',
        '2026-10-03,Cold swim,15,',
        '2026-10-02,Scales,no,Short',
      ].join('\n'),
      'Log',
    ).grids!;
    const habits = [aHabit(0, false), aHabit(1, true)];
    const brought = bring(list, here(habits, entries));
    expect(sorted(brought.entries)).toEqual([
      { habitId: 'h0', day: '2026-10-01', mark: 'done', note: 'Overslept' },
      { habitId: 'h1', day: '2026-10-01', amount: 12, note: 'Fog' },
      { habitId: 'h0', day: '2026-10-02', mark: 'done', note: 'Short' },
      { habitId: 'h1', day: '2026-10-03', amount: 15 },
    ]);
    expect(brought.replaced).toBe(0);
    // Chosen as missed it replaces the mark, as the person was asked.
    const missed = bring(list, here(habits, entries), { isNoMissed: true });
    expect(sorted(missed.entries)[0]).toEqual({
      habitId: 'h0',
      day: '2026-10-01',
      mark: 'missed',
      note: 'Overslept',
    });
  });

  it('after today is left out, and counted', () => {
    const text = MONTH.replace('October 2026', 'December 2026');
    const { entries, habits, left } = bring(gridOfText(text, 'Log').grids!, here([]));
    expect([entries, habits, left.future + left.nowhere]).toEqual([[], [], 7]);
  });
});

it('a goal beside a month becomes its target: days, or an amount where it is more than the month has', () => {
  const text = 'October 2026\nHabit,Goal,1,2,3,4,5\nScales,20,x,,x,,\nCold swim,300,12,9,8,,';
  const { habits, changed } = bring(gridOfText(text, 'Log').grids!, here([aHabit(0, false)]));
  expect(changed).toMatchObject([{ id: 'h0', monthTargets: { '2026-10': { days: 20 } } }]);
  expect(habits).toMatchObject([{ name: 'Cold swim', monthTargets: { '2026-10': { amount: 300 } } }]);
});

describe('what is brought in counts from', () => {
  const tableOf = (title: string, rows: string[][]) =>
    gridOfText(
      [
        title,
        ['Habit', ...Array.from({ length: 31 }, (_, at) => at + 1)].join(','),
        ...rows.map((row) => row.join(',')),
      ].join('\n'),
      '',
    ).grids!;
  const month = (...done: number[]): string[] =>
    Array.from({ length: 31 }, (_, at) => (done.includes(at + 1) ? 'TRUE' : 'FALSE'));

  it('the first day of the month of its first mark, blank days too', () => {
    const grids = tableOf('August 2026', [
      ['Scales', ...month(7, 8, 9)],
      ['Swim', ...month(1)],
    ]);
    const { habits, entries, starts } = bring(grids, here([]));
    expect(habits.map(({ name, startsOn, terms }) => [name, startsOn, terms[0]!.from])).toEqual([
      ['Scales', '2026-08-01', '2026-08-01'],
      ['Swim', '2026-08-01', '2026-08-01'],
    ]);
    expect(starts).toEqual(['2026-08-01', '2026-08-01']);
    const report = reportOf(recordsWith(habits, entries), TODAY);
    expect(report.habits[habits[0]!.id]!.months['2026-08']).toMatchObject({ kept: 3, asked: 31, ribbon: false });
  });

  it('a later month where it is marked later, and never before the table', () => {
    const days = ['2026-08-20', '2026-08-21', '2026-09-01', '2026-09-02', '2026-09-03'];
    const rows = [['Day', 'Scales', 'Swim'], ...days.map((day, at) => [day, 'x', at < 3 ? '' : 'x'])];
    const grids = gridOfText(rows.map((row) => row.join(',')).join('\n'), '').grids!;
    expect(bring(grids, here([])).starts).toEqual(['2026-08-20', '2026-09-01']);
  });

  it('an earlier day of a habit that is there, and another where somebody chose one', () => {
    const grids = tableOf('August 2026', [
      ['Scales', ...month(7)],
      ['Cold swim', ...month(9)],
    ]);
    const late = {
      ...aHabit(0, false),
      startsOn: '2026-11-20',
      terms: [{ from: '2026-11-20', schedule: { kind: 'daily' as const }, pips: 2 }],
    };
    const at = here([late, aHabit(1, false)]);
    const { changed, starts } = bring(grids, at);
    expect(changed).toEqual([{ ...late, startsOn: '2026-08-01', terms: [{ ...late.terms[0]!, from: '2026-08-01' }] }]);
    // The other one was there before.
    expect(starts).toEqual(['2026-08-01', null]);
    const chosen = bring(grids, here([]), {}, [
      { to: 'new', name: 'Scales', kind: 'check', unit: '', least: null, from: '2026-08-05' },
      { to: 'nowhere' },
    ]);
    expect([chosen.habits[0]!.startsOn, chosen.starts]).toEqual(['2026-08-05', ['2026-08-05', null]]);
  });

  it('the same day as typing it does, with the same report', () => {
    fc.assert(
      fc.property(aRecord, ({ habits, entries }) => {
        const grids = gridOfText(monthBlocks({ habits, entries }), '').grids!;
        const brought = bring(grids, here([]));
        const idOf = new Map(brought.habits.map(({ id, name }) => [name, id]));
        const nameOf = new Map(habits.map(({ id, name }) => [id, name]));
        // Typed: each habit made as the table has it, from the first of its first month, then its days one by one.
        const typed = entries.flatMap((entry): Entry[] => {
          const id = idOf.get(nameOf.get(entry.habitId)!);
          return id === undefined ? [] : [{ ...entry, habitId: id }];
        });
        const first = typed.reduce((least, { day }) => (day < least ? day : least), '9999-12-31');
        const made = brought.habits.map((habit) => {
          const own = typed.filter(({ habitId }) => habitId === habit.id).map(({ day }) => day);
          const month = `${own.sort()[0]!.slice(0, 7)}-01`;
          const start = month < first.slice(0, 7) + '-01' ? first : month;
          return { ...habit, startsOn: start, terms: habit.terms.map((terms) => ({ ...terms, from: start })) };
        });
        expect(reportOf(recordsWith(brought.habits, brought.entries), TODAY)).toEqual(
          reportOf(recordsWith(made, typed), TODAY),
        );
      }),
      { numRuns: 40 },
    );
  });
});
