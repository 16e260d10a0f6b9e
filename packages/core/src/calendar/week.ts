import { type PlainDay, type Weekday, WEEKDAYS, dayFromParts, partsOfDay, weekdayOf } from './plainDay.ts';
import type { DaySpan } from './span.ts';

/** The first day of the week that `day` lies in. A week is named by this day. */
export function startOfWeek(day: PlainDay, weekStart: Weekday): PlainDay {
  return day - ((weekdayOf(day) - WEEKDAYS.indexOf(weekStart) + 7) % 7);
}

/** The seven days of the week that `day` lies in. */
export function weekSpan(day: PlainDay, weekStart: Weekday): DaySpan {
  const first = startOfWeek(day, weekStart);
  return { first, last: first + 6 };
}

/** The ISO 8601 number (1–53) of the Monday week that `day` lies in; the week belongs to the year of its Thursday. */
export function isoWeekNumber(day: PlainDay): number {
  const thursday = day - weekdayOf(day) + 3;
  return Math.floor((thursday - dayFromParts(partsOfDay(thursday).year, 1, 1)) / 7) + 1;
}
