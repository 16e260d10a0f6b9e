import {
  type Entry,
  type Habit,
  type Records,
  type ReviewSpan,
  bookOf,
  buildTrack,
  dayOf,
  emptyRecords,
  formatDay,
  reckon,
  reviewSpanOf,
  spanReview,
} from '@wimbel/core';
import seedrandom from 'seedrandom';
import { line, ratio, say, sideBySide } from './measure.ts';

const TODAY = dayOf('2026-11-24');
const HABITS = 50;
const DAYS = 3652;
const ROUNDS = 15;

/** Fifty habits of ten years, done four days of five. */
function tenYears(): Records {
  const random = seedrandom('ten years');
  const habits = Array.from({ length: HABITS }, (_, index): Habit => {
    const schedule = [
      { kind: 'daily' } as const,
      { kind: 'perWeek', times: 3 } as const,
      { kind: 'interval', every: 2 } as const,
      { kind: 'perMonth', times: 12 } as const,
    ][index % 4]!;
    return {
      id: `h${index}`,
      name: `Habit ${index}`,
      areaId: `a${index % 5}`,
      order: index,
      aim: 'build',
      partOfDay: 'any',
      measure: index % 3 === 0 ? { kind: 'amount', unit: 'min', step: 5 } : { kind: 'check' },
      terms: [{ from: formatDay(TODAY - DAYS), schedule, ...(index % 3 === 0 ? { atLeast: 20 } : {}), pips: 1 }],
      startsOn: formatDay(TODAY - DAYS),
    };
  });
  const entries = habits.flatMap((habit) =>
    Array.from({ length: DAYS }, (_, index): Entry | null => {
      if (random() > 0.8) return null;
      const base = { habitId: habit.id, day: formatDay(TODAY - DAYS + index) };
      return habit.measure.kind === 'amount'
        ? { ...base, amount: Math.round(random() * 60) }
        : { ...base, mark: 'done' };
    }).filter((entry): entry is Entry => entry !== null),
  );
  return { ...emptyRecords(), habits, entries };
}

const records = tenYears();
const book = bookOf(records);
const bytes = Buffer.from(JSON.stringify(records.entries));
const before = reckon(book, TODAY);
const tracks = records.habits.map((habit) => buildTrack(habit, book.entriesOf(habit.id), TODAY, 'monday'));
const everything = { first: TODAY - DAYS, last: TODAY };

/** What the charts say of a span, from tracks that are there already. */
const reviewOf = (kind: ReviewSpan) =>
  spanReview(tracks, {
    kind,
    span: reviewSpanOf(kind, TODAY, 'monday', everything),
    weekStart: 'monday',
    passMark: 0.85,
    today: TODAY,
  });
let turn = 0;

/** The book after one more check-off of one habit. */
function afterOneCheckOff() {
  const habitId = `h${1 + 4 * (turn++ % 12)}`;
  const changed = [
    ...book.entriesOf(habitId).filter((each) => each.day !== formatDay(TODAY)),
    { habitId, day: formatDay(TODAY), mark: 'done' as const },
  ];
  return { ...book, entriesOf: (id: string) => (id === habitId ? changed : book.entriesOf(id)) };
}

const times = sideBySide(
  {
    once: () => reckon(afterOneCheckOff(), TODAY, before),
    scratch: () => reckon(book, TODAY),
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
line('after one check-off', times.once);
line('everything from scratch', times.scratch);
line('summing the bytes of the same entries', times.bytes);
ratio('after one check-off / from scratch', times.once / times.scratch);
ratio('after one check-off / summing the bytes', times.once / times.bytes);
ratio('from scratch / summing the bytes', times.scratch / times.bytes);
line('the charts’ review of a month', times.month);
line('the charts’ review of a year', times.year);
line('the charts’ review of everything', times.all);
ratio('review of a year / summing the bytes', times.year / times.bytes);
ratio('review of everything / summing the bytes', times.all / times.bytes);
