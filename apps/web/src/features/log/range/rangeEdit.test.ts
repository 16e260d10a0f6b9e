import {
  type Entry,
  type Habit,
  NO_ENTRIES,
  type PlainDay,
  dayOf,
  formatDay,
  buildTrackFromYears,
  withEntriesOn,
} from '@wimbel/core';
import {
  type Cell,
  asTheWeekBefore,
  checkedOff,
  drawnOver,
  emptied,
  marked,
  pasted,
  tableOf,
  textOf,
  withAmount,
} from './rangeEdit.ts';

const TODAY = dayOf('2026-11-24');
const habit = (more: Partial<Habit> = {}): Habit => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});
const minutes = habit({
  id: 'm',
  measure: { kind: 'amount', unit: 'min', step: 5 },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atLeast: 20 }],
});
const weekends = habit({
  terms: [{ from: '2026-11-01', schedule: { kind: 'weekdays', days: ['saturday', 'sunday'] } }],
});

/** A row of days of a habit with what is recorded on some of them. */
function row(of: Habit, first: string, count: number, said: Record<string, Partial<Entry>> = {}): Cell[] {
  const entries = Object.entries(said).map(([day, more]): Entry => ({ habitId: of.id, day, ...more }));
  const years = withEntriesOn(
    NO_ENTRIES,
    entries.map((entry) => [dayOf(entry.day), entry] as const),
  );
  const track = buildTrackFromYears(of, years, TODAY, 'monday');
  return Array.from({ length: count }, (_, index): Cell => {
    const day: PlainDay = dayOf(first) + index;
    return { track, day, entry: entries.find((entry) => entry.day === formatDay(day)) };
  });
}
const told = (entries: readonly Entry[]): string[] =>
  entries.map(({ day, mark, amount, note }) =>
    [day.slice(8), mark, amount, note].filter((each) => each !== undefined).join(' '),
  );

describe('checking a range off', () => {
  it('marks its due days that are not done yet, and takes all back where all are done', () => {
    const cells = row(habit(), '2026-11-20', 3, { '2026-11-21': { mark: 'done' }, '2026-11-22': { note: 'tired' } });
    expect(told(checkedOff([cells]))).toEqual(['20 done', '22 done tired']);
    const done = row(habit(), '2026-11-20', 2, {
      '2026-11-20': { mark: 'done', note: 'slow' },
      '2026-11-21': { mark: 'done' },
    });
    expect(told(checkedOff([done]))).toEqual(['20 slow', '21']);
  });

  it('passes over days that are not due, unless no other is picked', () => {
    expect(told(checkedOff([row(weekends, '2026-11-19', 5)]))).toEqual(['21 done', '22 done']);
    // Every third day from the first; those on which it is late are not due once more.
    const third = habit({ terms: [{ from: '2026-11-01', schedule: { kind: 'interval', every: 3 } }] });
    expect(told(checkedOff([row(third, '2026-11-17', 7)]))).toEqual(['19 done', '22 done']);
    expect(told(checkedOff([row(weekends, '2026-11-17', 2)]))).toEqual(['17 done', '18 done']);
    // Before its first day a habit goes by the schedule that it begins with.
    expect(told(checkedOff([row(weekends, '2026-10-22', 5)]))).toEqual(['24 done', '25 done']);
  });

  it('fills amounts up to what the day asks for, and never takes any away', () => {
    const cells = row(minutes, '2026-11-20', 3, { '2026-11-20': { amount: 5 }, '2026-11-21': { amount: 45 } });
    expect(told(checkedOff([cells]))).toEqual(['20 20', '22 20']);
    expect(told(withAmount([cells, row(habit(), '2026-11-20', 1)], 30))).toEqual(['20 30', '21 30', '22 30']);
  });

  it('keeps a limit by none at all, and leaves an amount over it as it was', () => {
    const tea = habit({ ...minutes, terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atMost: 2 }] });
    const cells = row(tea, '2026-11-20', 3, { '2026-11-20': { amount: 1 }, '2026-11-21': { amount: 3 } });
    expect(told(checkedOff([cells]))).toEqual(['22 0']);
  });

  it('by drawing, makes all what the first becomes', () => {
    const cells = row(habit(), '2026-11-20', 3, { '2026-11-21': { mark: 'done' } });
    expect(told(drawnOver([cells]))).toEqual(['20 done', '22 done']);
    expect(told(drawnOver([cells.slice(1)]))).toEqual(['21']);
  });
});

describe('a range', () => {
  it('is marked missed or rest with its notes kept, or emptied of everything', () => {
    const cells = row(habit(), '2026-11-20', 2, { '2026-11-20': { mark: 'rest', note: 'ill' } });
    expect(told(marked([cells], 'missed'))).toEqual(['20 missed ill', '21 missed']);
    expect(told(marked([cells.slice(0, 1)], 'rest'))).toEqual(['20 ill']);
    expect(told(emptied([cells]))).toEqual(['20']);
  });

  it('is filled as the week before where it is empty; a second week goes by the first', () => {
    const before: Record<string, Entry> = {
      '2026-11-03': { habitId: 'h', day: '2026-11-03', mark: 'done', note: 'before' },
      '2026-11-05': { habitId: 'h', day: '2026-11-05', mark: 'rest' },
    };
    const cells = row(habit(), '2026-11-09', 14, { '2026-11-12': { mark: 'missed' } });
    const filled = asTheWeekBefore([cells], (_, day) => before[formatDay(day)]);
    expect(told(filled)).toEqual(['10 done', '17 done']);
  });
});

describe('copying and pasting', () => {
  const cells = row(habit(), '2026-11-20', 4, {
    '2026-11-20': { mark: 'done' },
    '2026-11-21': { mark: 'missed' },
    '2026-11-22': { mark: 'rest' },
  });
  const amounts = row(minutes, '2026-11-20', 4, { '2026-11-21': { amount: 25 } });

  it('writes lines with tabs, and reads its own back as they were', () => {
    const text = textOf([cells, amounts]);
    expect(text).toBe('x\tmissed\trest\t\n\t25\t\t');
    const bare = [row(habit(), '2026-11-10', 4), row(minutes, '2026-11-10', 4)];
    const { entries, unread, beyond } = pasted(tableOf(text), bare, (line, at) => bare[line]?.[at] ?? null);
    expect(told(entries)).toEqual(['10 done', '11 missed', '12 rest', '11 25']);
    expect([unread, beyond]).toEqual([0, 0]);
  });

  it('reads what people write in grids, and counts what it cannot read or place', () => {
    const board = [row(habit(), '2026-11-20', 4), row(minutes, '2026-11-20', 4)];
    const text = 'TRUE\t1\t0\t✓\tx\r\n12,5\t-\tmany\t\r\n\r\nx\r\n';
    const { entries, unread, beyond } = pasted(tableOf(text), board, (line, at) => board[line]?.[at] ?? null);
    expect(told(entries)).toEqual(['20 done', '21 done', '23 done', '20 12.5']);
    expect([unread, beyond]).toEqual([1, 2]);
  });

  it('clears what stands where a field is empty or says no, and keeps the note; a nought is an amount', () => {
    const board = [
      row(habit(), '2026-11-20', 4, {
        '2026-11-20': { mark: 'done', note: 'slow' },
        '2026-11-21': { mark: 'done' },
        '2026-11-22': { mark: 'missed' },
        '2026-11-23': { note: 'tired' },
      }),
      row(minutes, '2026-11-20', 4, { '2026-11-20': { amount: 25 }, '2026-11-21': { amount: 30 } }),
    ];
    const at = (line: number, column: number) => board[line]?.[column] ?? null;
    const { entries, cleared, rows } = pasted(tableOf('FALSE\t\t0\tno\n0\t\tx\t'), board, at);
    expect(told(entries)).toEqual(['20 slow', '21', '22', '20 0', '21', '22 20']);
    // Of the first habit nothing is marked.
    expect([cleared, rows.map((each) => each.habit.measure.kind)]).toEqual([4, ['amount']]);
  });

  it('says a single field of the whole range', () => {
    const board = [row(habit(), '2026-11-20', 2)];
    expect(told(pasted([['rest']], board, () => null).entries)).toEqual(['20 rest', '21 rest']);
  });
});
