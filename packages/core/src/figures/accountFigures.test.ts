import fc from 'fast-check';
import { type Weekday, dayOf, formatDay } from '../calendar/plainDay.ts';
import { dayMarkOf } from '../day/dayMark.ts';
import { doneHabitsOn, totalsOf } from '../day/dayScore.ts';
import { withEntriesOn } from '../record/entryYears.ts';
import { type Entry, type Mood, type Records, emptyRecords } from '../record/records.ts';
import { runs } from '../testing/runs.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { reportOf, writeReport } from './report.ts';
import { type AccountFigures, type AccountRecords, accountFigures, accountRecords } from './accountFigures.ts';

const TODAY = dayOf('2025-06-30');
const NOW = '2025-06-30T08:00:00Z';

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

/** The records after one entry is written, every other list the same object as before. */
function withEntry(base: Records, account: AccountRecords, entry: Entry) {
  const changed = withEntriesOn(account.entriesOf(entry.habitId), [[dayOf(entry.day), entry]]);
  const entries = [
    ...base.entries.filter((each) => !(each.habitId === entry.habitId && each.day === entry.day)),
    entry,
  ];
  return {
    account: { ...account, entriesOf: (id: string) => (id === entry.habitId ? changed : account.entriesOf(id)) },
    records: { ...base, entries },
  };
}

describe('figures after one entry', () => {
  it.each<Entry>([
    { habitId: 'x', day: '2025-06-28', mark: 'done' },
    { habitId: 'x', day: '2024-12-24', mark: 'done' },
    { habitId: 'y', day: '2025-06-30', mark: 'done' },
    { habitId: 'z', day: '2025-03-03', amount: 4 },
    { habitId: 'x', day: '2025-06-30', mark: 'rest' },
  ])('gives what computing everything anew gives: %j', (entry) => {
    const base = records();
    const first = accountFigures(accountRecords(base), TODAY);
    expect(writeReport(first)).toEqual(reportOf(base, TODAY));
    const next = withEntry(base, first.records, entry);
    const again = first.next(next.account, TODAY);
    expect(writeReport(again)).toEqual(reportOf(next.records, TODAY));
    const untouched = base.habits.findIndex((habit) => habit.id !== entry.habitId);
    expect(again.habits[untouched]).toBe(first.habits[untouched]);
  });

  it('starts anew on another day', () => {
    const first = accountFigures(accountRecords(records()), TODAY);
    writeReport(first);
    expect(writeReport(first.next(first.records, TODAY + 1))).toEqual(reportOf(records(), TODAY + 1));
  });
});

/** A change that leaves every list it does not touch as it is. */
type Change = (records: Records) => Records;

const changes: fc.Arbitrary<Change> = fc.oneof(
  fc
    .record({
      habitId: fc.constantFrom('x', 'y', 'z'),
      back: fc.nat(200),
      mark: fc.constantFrom('done' as const, 'missed' as const, 'rest' as const, null),
    })
    .map(({ habitId, back, mark }): Change => {
      const day = formatDay(TODAY - back);
      return (records) => ({
        ...records,
        entries: [
          ...records.entries.filter((each) => each.habitId !== habitId || each.day !== day),
          ...(mark === null ? [] : [{ habitId, day, mark }]),
        ],
      });
    }),
  fc.nat(300).map((back): Change => (records) => ({
    ...records,
    checkIns: [
      ...records.checkIns,
      { id: `c${records.checkIns.length}`, keyResultId: 'k', day: formatDay(TODAY - back), value: back, madeAt: NOW },
    ],
  })),
  fc.boolean().map((isReached): Change => (records) => ({
    ...records,
    milestones: records.milestones.map(({ reachedOn: _, ...each }) => ({
      ...each,
      ...(isReached ? { reachedOn: '2025-06-01' } : {}),
    })),
  })),
  fc.constantFrom(0.5, 0.85).map((passMark): Change => (records) => ({
    ...records,
    settings: { ...records.settings, passMark },
  })),
  fc.constantFrom<Weekday>('monday', 'sunday').map((weekStart): Change => (records) => ({
    ...records,
    settings: { ...records.settings, weekStart },
  })),
  fc.constant<Change>((records) => ({
    ...records,
    habits: [...records.habits.slice(1), records.habits[0]!],
  })),
  fc.integer({ min: 1, max: 5 }).map((value): Change => (records) => ({
    ...records,
    journal: [{ id: `p${value}`, day: '2025-06-20', part: 'day', mood: value as Mood }],
  })),
);

const withGoals = (): Records => ({
  ...records(),
  keyResults: [
    { id: 'k', goalId: 'g', title: 'K', order: 0, measure: { kind: 'number', start: 0, target: 300, unit: '' } },
    { id: 'h', goalId: 'g', title: 'H', order: 1, measure: { kind: 'habitDays', habitId: 'x', target: 30 } },
  ],
  seasons: [{ id: 's', title: 'S', startsOn: '2025-06-02', weeks: 4, goalIds: ['g'] }],
});

/** The parts of the figures that somebody may have read before the next change. */
const READ: ((figures: AccountFigures) => unknown)[] = [
  (figures) => figures.tracks,
  (figures) => figures.totals,
  (figures) => figures.months,
  (figures) => figures.fullDayStreak,
  (figures) => figures.goals,
  (figures) => figures.seasonOf('s'),
  (figures) => figures.mood,
  (figures) => figures.pips,
];

describe('figures carried over many changes', () => {
  it('are those computed anew, whatever was read in between', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(changes, fc.subarray(READ), fc.nat(1)), { minLength: 1, maxLength: 12 }),
        (steps) => {
          let now = withGoals();
          let account = accountRecords(now);
          let [day, figures] = [TODAY, accountFigures(account, TODAY)];
          for (const [change, reads, later] of steps) {
            for (const read of reads) read(figures);
            const after = change(now);
            // Lists, and entries by habit, that did not change stay the same object, as in a store.
            const next = accountRecords(after);
            const own = (records: Records, habitId: string): string =>
              JSON.stringify(records.entries.filter((each) => each.habitId === habitId));
            const entries = new Map(
              after.habits.map(({ id }) => [id, (own(now, id) === own(after, id) ? account : next).entriesOf(id)]),
            );
            account = { ...next, entriesOf: (id) => entries.get(id)! };
            [now, day] = [after, day + later];
            figures = figures.next(account, day);
          }
          expect(writeReport(figures)).toEqual(reportOf(now, day));
        },
      ),
      { numRuns: runs(60) },
    );
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
    const { habits } = accountFigures(accountRecords(records()), TODAY);
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
