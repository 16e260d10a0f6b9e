import { type PlainMonth, monthFromParts } from './month.ts';
import { type PlainDay, dayFromParts, partsOfDay } from './plainDay.ts';
import type { DaySpan } from './span.ts';

/** The year that a day lies in. */
export const yearOfDay = (day: PlainDay): number => partsOfDay(day).year;

/** The first and the last day of a year. */
export const yearSpan = (year: number): DaySpan => ({
  first: dayFromParts(year, 1, 1),
  last: dayFromParts(year, 12, 31),
});

/** The twelve months of a year, January first. */
export const monthsOfYear = (year: number): PlainMonth[] =>
  Array.from({ length: 12 }, (_, index) => monthFromParts(year, index + 1));

/** The first and last month of the calendar quarter that a month lies in. */
export function quarterOfMonth(month: PlainMonth): { first: PlainMonth; last: PlainMonth } {
  const first = month - (((month % 3) + 3) % 3);
  return { first, last: first + 2 };
}

/** The first months of the four quarters of a year. */
export const quartersOfYear = (year: number): PlainMonth[] => [1, 4, 7, 10].map((month) => monthFromParts(year, month));
