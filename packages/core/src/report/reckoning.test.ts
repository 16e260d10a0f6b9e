import { dayOf } from '../calendar/plainDay.ts';
import { dayMarkOf } from '../day/dayMark.ts';
import { doneHabitsOn, totalsOf } from '../day/dayScore.ts';
import { withEntriesOn } from '../record/entryYears.ts';
import { type Entry, type Records, emptyRecords } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { reportOf, writeReport } from './report.ts';
import { bookOf, reckon } from './reckoning.ts';

const TODAY = dayOf('2025-06-30');

function records(): Records {
  const amount = {
    measure: { kind: 'amount', unit: 'min', step: 5 },
    terms: [{ from: '2025-01-01', schedule: { kind: 'daily' }, atLeast: 10, pips: 2 }],
  } as const;
  return {
    ...emptyRecords(),
    areas: [{ id: 'a', name: 'A', order: 0 }],
    habits: [
      aHabit({
        id: 'x',
        startsOn: '2025-01-01',
        areaId: 'a',
        terms: [{ from: '2025-01-01', schedule: { kind: 'daily' }, pips: 1 }],
      }),
      aHabit({
        id: 'y',
        startsOn: '2025-02-01',
        order: 1,
        terms: [{ from: '2025-02-01', schedule: { kind: 'perWeek', times: 3 } }],
      }),
      aHabit({ id: 'z', startsOn: '2025-01-01', order: 2, ...amount, terms: [...amount.terms] }),
    ],
    entries: [
      ...doneOn('x', '2025-01-03', '2025-05-01', '2025-06-29', '2025-06-30'),
      ...doneOn('y', '2025-06-23', '2025-06-25', '2025-06-27'),
      { habitId: 'z', day: '2025-06-30', amount: 15 },
    ],
    milestones: [{ id: 'm', goalId: 'g', title: 'M', order: 0, reachedOn: '2025-06-01', pips: 10 }],
    rewards: [{ id: 'r', title: 'R', cost: 30, order: 0 }],
    claims: [
      { id: 'c', rewardId: 'r', day: '2025-06-02', cost: 30 },
      { id: 'later', rewardId: 'r', day: '2025-07-02', cost: 30 },
    ],
    goals: [{ id: 'g', title: 'G', startsOn: '2025-01-01', state: 'open', order: 0 }],
  };
}

/** The book after one entry is written, every other list the same object as before. */
function withEntry(base: Records, book: ReturnType<typeof bookOf>, entry: Entry) {
  const changed = withEntriesOn(book.entriesOf(entry.habitId), [[dayOf(entry.day), entry]]);
  const entries = [
    ...base.entries.filter((each) => !(each.habitId === entry.habitId && each.day === entry.day)),
    entry,
  ];
  return {
    book: { ...book, entriesOf: (id: string) => (id === entry.habitId ? changed : book.entriesOf(id)) },
    records: { ...base, entries },
  };
}

describe('reckoning again after one entry', () => {
  it.each<Entry>([
    { habitId: 'x', day: '2025-06-28', mark: 'done' },
    { habitId: 'x', day: '2024-12-24', mark: 'done' },
    { habitId: 'y', day: '2025-06-30', mark: 'done' },
    { habitId: 'z', day: '2025-03-03', amount: 4 },
    { habitId: 'x', day: '2025-06-30', mark: 'rest' },
  ])('gives what computing everything anew gives: %j', (entry) => {
    const base = records();
    const book = bookOf(base);
    const first = reckon(book, TODAY);
    const next = withEntry(base, book, entry);
    const again = reckon(next.book, TODAY, first);
    expect(writeReport(again)).toEqual(reportOf(next.records, TODAY));
    const untouched = base.habits.findIndex((habit) => habit.id !== entry.habitId);
    expect(again.habits[untouched]).toBe(first.habits[untouched]);
  });

  it('starts anew on another day', () => {
    const book = bookOf(records());
    const first = reckon(book, TODAY);
    expect(writeReport(reckon(book, TODAY + 1, first))).toEqual(reportOf(records(), TODAY + 1));
  });
});

describe('the report', () => {
  it('does not depend on the order of records', () => {
    const base = records();
    const turned = {
      ...base,
      habits: [...base.habits].reverse(),
      entries: [...base.entries].reverse(),
      claims: [...base.claims].reverse(),
    };
    expect(reportOf(turned, TODAY)).toEqual(reportOf(base, TODAY));
  });

  it('counts pips of habits and milestones, and what was claimed by today', () => {
    expect(reportOf(records(), TODAY).pips).toEqual({
      earned: 16,
      spent: 30,
      balance: -14,
      months: {
        '2025-01': { earned: 1, spent: 0 },
        '2025-05': { earned: 1, spent: 0 },
        '2025-06': { earned: 14, spent: 30 },
      },
    });
  });

  it('is empty where nothing has begun', () => {
    const empty = reportOf(emptyRecords(), TODAY);
    expect(empty).toMatchObject({
      today: '2025-06-30',
      habits: {},
      days: {},
      months: {},
      fullDayStreak: { current: 0, longest: 0 },
    });
    const later = reportOf(
      {
        ...emptyRecords(),
        habits: [aHabit({ startsOn: '2026-01-01', terms: [{ from: '2026-01-01', schedule: { kind: 'daily' } }] })],
      },
      TODAY,
    );
    expect(later.days).toEqual({});
    expect(later.habits.h).toMatchObject({
      outcome: 'outside',
      weeks: {},
      months: {},
      years: {},
      kept: { all: { kept: 0, asked: 0, rate: null } },
    });
  });

  it('counts habits done on a day apart from the day score, for the day marks', () => {
    const book = bookOf(records());
    const { habits } = reckon(book, TODAY);
    const totals = totalsOf(
      habits.map((each) => each.track),
      TODAY,
    );
    expect([doneHabitsOn(totals, TODAY), doneHabitsOn(totals, TODAY + 1)]).toEqual([2, 0]);
    const scale = [
      { atLeast: 1, symbol: '·' },
      { atLeast: 3, symbol: '*' },
    ];
    expect([0, 1, 2, 3, 9].map((count) => dayMarkOf(scale, count))).toEqual([null, '·', '·', '*', '*']);
  });
});
