import { type DaySpan, type PlainDay, daysIn } from '@wimbel/core';
import { dateNumber, shortDate } from '../text/format.ts';

/** Up to so many days each has its number below. */
const MOST_NAMED = 10;

/** The days that are named below a picture: each of a few, every seventh of a month, fewer of more, then with their month. */
export function namedDays(span: DaySpan): { day: PlainDay; text: string }[] {
  const long = daysIn(span);
  const every = long <= MOST_NAMED ? 1 : Math.ceil(long / 31) * 7;
  return Array.from({ length: Math.ceil(long / every) }, (_, index) => span.first + index * every).map((day) => ({
    day,
    text: every > 7 ? shortDate(day) : dateNumber(day),
  }));
}
