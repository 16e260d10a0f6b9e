import {
  type DaySpan,
  type PlainDay,
  type PlainMonth,
  formatDay,
  formatMonth,
  monthOfDay,
  monthSpan,
  yearOfDay,
  yearSpan,
} from '@wimbel/core';
import { monthAndYear, monthName, shortDay, spanInWords, yearOf } from './format.ts';
import { PATHS } from '../platform/paths.ts';

const isSameSpan = (a: DaySpan, b: DaySpan): boolean => a.first === b.first && a.last === b.last;

/** The months that have a day in a span. */
export function monthsOf({ first, last }: DaySpan): PlainMonth[] {
  const months: PlainMonth[] = [];
  for (let month = monthOfDay(first); month <= monthOfDay(last); month++) months.push(month);
  return months;
}

/** A run of days as a person calls it: "Tue 24 Nov", "November", "2025", "October to December", "3 to 9 November". */
export function daysName(span: DaySpan, today: PlainDay): string {
  const { first, last } = span;
  const isThisYear = yearOfDay(first) === yearOfDay(today);
  if (first === last) return isThisYear ? shortDay(first) : `${shortDay(first)} ${yearOf(first)}`;
  if (isSameSpan(span, yearSpan(yearOfDay(first)))) return yearOf(first);
  const [from, to] = [monthOfDay(first), monthOfDay(last)];
  if (isSameSpan(span, { first: monthSpan(from).first, last: monthSpan(to).last })) {
    if (from === to) return isThisYear ? monthName(from) : monthAndYear(from);
    if (yearOfDay(first) === yearOfDay(last))
      return `${monthName(from)} to ${isThisYear ? monthName(to) : monthAndYear(to)}`;
  }
  return spanInWords(span, today);
}

const WEEK = 7;

/** The address at which a run of days is shown: a day on Today, a week, month or year in the log. */
export function daysHref({ first, last }: DaySpan): string {
  if (first === last) return `${PATHS.today}?day=${formatDay(first)}`;
  const length = last - first + 1;
  if (length <= WEEK) return `${PATHS.log}?span=week&day=${formatDay(first)}`;
  return monthOfDay(first) === monthOfDay(last)
    ? `${PATHS.log}?month=${formatMonth(monthOfDay(first))}`
    : `${PATHS.log}?span=year&day=${formatDay(first)}`;
}
