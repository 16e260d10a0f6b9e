import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import type { Habit } from '../record/records.ts';

/**
 * The habit with its first terms in force no later than `first`, the first day of its record. No figure moves by it, since
 * the first terms hold before their `from` too; but only then does a later change of terms stop short of those days.
 * Source: "Habits", terms.
 */
export function withFirstTermsFrom(habit: Habit, first: PlainDay): Habit {
  const [earliest, ...later] = [...habit.terms].sort((a, b) => (a.from < b.from ? -1 : 1));
  if (earliest === undefined || dayOf(earliest.from) <= first) return habit;
  return { ...habit, terms: [{ ...earliest, from: formatDay(first) }, ...later] };
}

/** The habit begun on a day: its active span and its first terms start there, or with an earlier record. */
export const habitBegunOn = (habit: Habit, day: PlainDay): Habit =>
  withFirstTermsFrom({ ...habit, startsOn: formatDay(day) }, day);
