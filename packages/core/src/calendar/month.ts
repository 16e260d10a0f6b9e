import { type PlainDay, dayFromParts, daysInMonthOf, partsOfDay } from './plainDay.ts';
import type { DaySpan } from './span.ts';

/** A calendar month as one whole number: year × 12 + (month − 1), so that neighbours differ by 1. */
export type PlainMonth = number;

/** The month of a year (1 to 9999) and a number from 1 to 12. */
export const monthFromParts = (year: number, month: number): PlainMonth => year * 12 + month - 1;

/** The year and the number (1 to 12) of a month. */
export const partsOfMonth = (month: PlainMonth): { year: number; month: number } => ({
  year: Math.floor(month / 12),
  month: (((month % 12) + 12) % 12) + 1,
});

/** The month that a day lies in. */
export function monthOfDay(day: PlainDay): PlainMonth {
  const { year, month } = partsOfDay(day);
  return monthFromParts(year, month);
}

/** How many days a month has: 28 to 31. */
export function daysInMonth(month: PlainMonth): number {
  const parts = partsOfMonth(month);
  return daysInMonthOf(parts.year, parts.month);
}

/** The first and the last day of a month. */
export function monthSpan(month: PlainMonth): DaySpan {
  const parts = partsOfMonth(month);
  const first = dayFromParts(parts.year, parts.month, 1);
  return { first, last: first + daysInMonthOf(parts.year, parts.month) - 1 };
}

/** `YYYY-MM`. */
export function formatMonth(month: PlainMonth): string {
  const parts = partsOfMonth(month);
  return `${String(parts.year).padStart(4, '0')}-${String(parts.month).padStart(2, '0')}`;
}

/** The month written as `YYYY-MM`, or null for anything else. */
export function parseMonth(text: string): PlainMonth | null {
  const match = /^(\d{4})-(\d{2})$/.exec(text);
  if (match === null) return null;
  const month = Number(match[2]);
  return month >= 1 && month <= 12 ? monthFromParts(Number(match[1]), month) : null;
}

/** The month written as `YYYY-MM`; throws a RangeError where {@link parseMonth} gives null. */
export function monthOf(text: string): PlainMonth {
  const month = parseMonth(text);
  if (month === null) throw new RangeError(`"${text}" is not a month, written YYYY-MM`);
  return month;
}
