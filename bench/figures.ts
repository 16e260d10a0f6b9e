import {
  type Entry,
  type EntryYears,
  type Habit,
  type Records,
  type AccountFigures,
  type ReviewSpan,
  accountFigures,
  accountRecords,
  buildTrack,
  dayOf,
  daysInMonth,
  eachEntry,
  emptyRecords,
  formatDay,
  monthOfDay,
  monthSpan,
  reviewSpanOf,
  spanReview,
  startOfWeek,
  withEntriesOn,
  yearOfDay,
} from '@wimbel/core';
import seedrandom from 'seedrandom';
import { line, ratio, rounds, say, sideBySide } from './measure.ts';
import { type ReferenceBook, type ReferenceKind, emptyDays, scanAll, scanRow } from './reference.ts';

const TODAY = dayOf('2026-11-24');
const HABITS = 50;
const DAYS = 3653;
const FIRST = TODAY - DAYS + 1;
const ROUNDS = rounds(41);

const KINDS: readonly ReferenceKind[] = ['daily', 'perWeek', 'secondDay', 'perMonth'];
const SCHEDULES: Record<ReferenceKind, Habit['terms'][number]['schedule']> = {
  daily: { kind: 'daily' },
  perWeek: { kind: 'perWeek', times: 3 },
  secondDay: { kind: 'interval', every: 2 },
  perMonth: { kind: 'perMonth', times: 12 },
};
const kindOf = (index: number): ReferenceKind => KINDS[index % KINDS.length]!;

/** Fifty habits of ten years, done four days of five. */
function tenYears(): Records {
  const random = seedrandom('ten years');
  const habits = Array.from({ length: HABITS }, (_, index): Habit => ({
    id: `h${index}`,
    name: `Habit ${index}`,
    areaId: `a${index % 5}`,
    order: index,
    aim: 'build',
    partOfDay: 'any',
    measure: index % 3 === 0 ? { kind: 'amount', unit: 'min', step: 5 } : { kind: 'check' },
    terms: [
      {
        from: formatDay(FIRST),
        schedule: SCHEDULES[kindOf(index)],
        ...(index % 3 === 0 ? { atLeast: 20 } : {}),
        pips: 1,
      },
    ],
    startsOn: formatDay(FIRST),
  }));
  const entries = habits.flatMap((habit) =>
    Array.from({ length: DAYS }, (_, index): Entry | null => {
      if (random() > 0.8) return null;
      const base = { habitId: habit.id, day: formatDay(FIRST + index) };
      return habit.measure.kind === 'amount'
        ? { ...base, amount: 20 + Math.round(random() * 40) }
        : { ...base, mark: 'done' };
    }).filter((entry): entry is Entry => entry !== null),
  );
  return { ...emptyRecords(), habits, entries };
}

/** The same as typed arrays. */
function referenceOf(records: Records): ReferenceBook {
  const each = (of: (day: number) => number): Int32Array => Int32Array.from({ length: DAYS }, (_, i) => of(FIRST + i));
  const [week, month, year] = [startOfWeek(FIRST, 'monday'), monthOfDay(FIRST), yearOfDay(FIRST)];
  const done = new Map(records.habits.map((habit) => [habit.id, new Uint8Array(DAYS)]));
  for (const entry of records.entries) done.get(entry.habitId)![dayOf(entry.day) - FIRST] = 1;
  return {
    days: DAYS,
    weekOf: each((day) => (startOfWeek(day, 'monday') - week) / 7),
    monthOf: each((day) => monthOfDay(day) - month),
    yearOf: each((day) => yearOfDay(day) - year),
    daysInMonth: each((day) => daysInMonth(monthOfDay(day))),
    weekEnd: each((day) => startOfWeek(day, 'monday') + 6 - FIRST),
    monthEnd: each((day) => monthSpan(monthOfDay(day)).last - FIRST),
    rows: records.habits.map((habit, index) => {
      const { schedule } = habit.terms[0]!;
      return {
        kind: kindOf(index),
        times: schedule.kind === 'perWeek' || schedule.kind === 'perMonth' ? schedule.times : 0,
        done: done.get(habit.id)!,
      };
    }),
  };
}

/** Ends the run where the core and the reference do not say the same. */
/** Every part of the figures: each is computed when it is first read. */
function compute(figures: AccountFigures): AccountFigures {
  void [figures.habits, figures.months, figures.fullDayStreak, figures.pips, figures.mood, figures.goals];
  return figures;
}

function compare({ habits, totals }: AccountFigures, book: ReferenceBook): void {
  const reference = scanAll(book);
  const check = (what: string, a: unknown, b: unknown): void => {
    if (JSON.stringify(a) !== JSON.stringify(b))
      throw new Error(`${what}: core says ${JSON.stringify(a)}, not ${JSON.stringify(b)}`);
  };
  habits.forEach((habit, index) => {
    const row = reference.rows[index]!;
    check(`weeks of ${index}`, [...habit.weeksDone], [...row.weeks]);
    check(`months of ${index}`, [...habit.monthsDone], [...row.months]);
    check(`years of ${index}`, [...habit.yearsDone], [...row.years]);
    check(`streak of ${index}`, [habit.streak.current, habit.streak.longest], [row.current, row.longest]);
    const { kept } = habit;
    if (kindOf(index) === 'daily') check(`kept of ${index}`, [kept.all.kept, kept.all.asked], [row.kept, row.due]);
  });
  check('day scores', [...totals.done, ...totals.due], [...reference.totals.done, ...reference.totals.due]);
}

// As they come from the server: what JSON makes of them.
const records = JSON.parse(JSON.stringify(tenYears())) as Records;
const account = accountRecords(records);
const reference = referenceOf(records);
const bytes = Buffer.from(JSON.stringify(records.entries));
let figures = compute(accountFigures(account, TODAY));
compare(figures, reference);
const tracks = records.habits.map((habit) =>
  buildTrack(habit, [...eachEntry(account.entriesOf(habit.id))], TODAY, 'monday'),
);
const everything = { first: FIRST, last: TODAY };

/** What the charts say of a span, from tracks that are there already. */
const reviewOf = (kind: ReviewSpan) =>
  spanReview(tracks, {
    kind,
    span: reviewSpanOf(kind, TODAY, 'monday', everything),
    weekStart: 'monday',
    today: TODAY,
  });

let turn = 0;

const changedEntries = new Map<string, EntryYears>();

/** The records after one more check-off, or one taken back, of one habit on some day of the last month. */
function afterOneCheckOff() {
  const index = turn++ % HABITS;
  const habitId = `h${index}`;
  const day = TODAY - (turn % 30);
  const entries = figures.records.entriesOf(habitId);
  const isThere = [...eachEntry(entries)].some((entry) => entry.day === formatDay(day));
  const entry: Entry = { habitId, day: formatDay(day), ...(index % 3 === 0 ? { amount: 30 } : { mark: 'done' }) };
  changedEntries.set(habitId, withEntriesOn(entries, [[day, isThere ? null : entry]]));
  return { ...account, entriesOf: (id: string) => changedEntries.get(id) ?? account.entriesOf(id) };
}

let next = afterOneCheckOff();
const oneRow = emptyDays(DAYS);
const times = sideBySide(
  {
    prepare: () => (next = afterOneCheckOff()),
    once: () => (figures = compute(figures.next(next, TODAY))),
    row: () => scanRow(reference, reference.rows[turn % HABITS]!, oneRow),
    scratch: () => compute(accountFigures(account, TODAY)),
    pass: () => scanAll(reference),
    month: () => reviewOf('month'),
    year: () => reviewOf('year'),
    all: () => reviewOf('all'),
    bytes: () => bytes.reduce((sum, byte) => (sum + byte) | 0, 0),
  },
  ROUNDS,
);

say(
  `\nEvery figure of ${HABITS} habits × 10 years (${records.entries.length} entries, ${(bytes.length / 1e6).toFixed(1)} MB as JSON)`,
);
line('everything from scratch, from the entries', times.scratch);
line('reference: one pass over typed arrays', times.pass);
ratio('from scratch / reference', times.scratch / times.pass);
line('everything after one check-off', times.once);
line('reference: one row again', times.row);
ratio('after one check-off / one row of the reference', times.once / times.row);
line('summing the bytes of the same entries', times.bytes);
line('the charts’ review of a month', times.month);
line('the charts’ review of a year', times.year);
line('the charts’ review of everything', times.all);
ratio('review of a year / reference', times.year / times.pass);
ratio('review of everything / reference', times.all / times.pass);
