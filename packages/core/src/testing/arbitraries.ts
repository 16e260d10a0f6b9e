import fc from 'fast-check';
import { WEEKDAYS, dayOf, formatDay } from '../calendar/plainDay.ts';
import type { Entry, Habit, Schedule, Terms } from '../record/records.ts';
import { aHabit } from './samples.ts';

/** The day that made-up records are looked at on, and the first that they may speak of. */
export const FIRST = dayOf('2024-01-01');
export const TODAY = dayOf('2025-03-20');

export const schedules: fc.Arbitrary<Schedule> = fc.oneof(
  fc.constant<Schedule>({ kind: 'daily' }),
  fc.subarray([...WEEKDAYS], { minLength: 1 }).map((days): Schedule => ({ kind: 'weekdays', days })),
  fc.integer({ min: 2, max: 9 }).map((every): Schedule => ({ kind: 'interval', every })),
  fc.integer({ min: 1, max: 7 }).map((times): Schedule => ({ kind: 'perWeek', times })),
  fc.integer({ min: 1, max: 31 }).map((times): Schedule => ({ kind: 'perMonth', times })),
);

/** Some day from FIRST to 40 days after TODAY. */
export const someDay = fc.integer({ min: FIRST, max: TODAY + 40 });

/** Target days of some months. */
export const monthTargets = fc.option(
  fc.dictionary(fc.constantFrom('2024-05', '2024-11', '2025-02', '2025-03'), fc.record({ days: fc.nat(34) })),
  { nil: undefined },
);

/** A habit that is checked off, with up to four terms, three pauses, and perhaps an end and target days of its own. */
export const checkHabits: fc.Arbitrary<Habit> = fc
  .record({
    terms: fc.uniqueArray(fc.record({ at: someDay, schedule: schedules }), {
      minLength: 1,
      maxLength: 4,
      selector: (each) => each.at,
    }),
    starts: fc.integer({ min: FIRST, max: TODAY - 1 }),
    ends: fc.option(someDay, { nil: undefined }),
    pauses: fc.array(fc.tuple(someDay, fc.nat(20)), { maxLength: 3 }),
    targets: monthTargets,
  })
  .map(({ terms, starts, ends, pauses, targets }) =>
    aHabit({
      terms: terms
        .sort((a, b) => a.at - b.at)
        .map(({ at, schedule }): Terms => ({ from: formatDay(at), schedule, pips: 2 })),
      startsOn: formatDay(starts),
      ...(ends === undefined ? {} : { endsOn: formatDay(Math.max(ends, starts)) }),
      ...(targets === undefined ? {} : { monthTargets: targets }),
      pauses: pauses.map(([from, length]) => ({ from: formatDay(from), to: formatDay(from + length) })),
    }),
  );

/** What is recorded of a day: mostly done, now and then missed, rest or a bare note. */
export const marks = fc.constantFrom<Partial<Entry>>(
  { mark: 'done' },
  { mark: 'done' },
  { mark: 'done' },
  { mark: 'missed' },
  { mark: 'rest' },
  { note: 'n' },
);

/** Up to 250 entries of the habit `h`, in any order. */
export const entries: fc.Arbitrary<Entry[]> = fc
  .uniqueArray(fc.tuple(someDay, marks), { maxLength: 250, selector: ([day]) => day })
  .map((list) => list.map(([day, mark]): Entry => ({ habitId: 'h', day: formatDay(day), ...mark })));
