import {
  type AskKind,
  type DaySpan,
  type Outcome,
  type PartOfDay,
  type PlainDay,
  type PlainMonth,
  formatDay,
  monthSpan,
  wholePercent,
  lazy,
} from '@wimbel/core';
import { number } from './amounts.ts';

const LOCALE = 'en-GB';

const dates = (options: Intl.DateTimeFormatOptions) => {
  const format = lazy(() => new Intl.DateTimeFormat(LOCALE, { timeZone: 'UTC', ...options }));
  // A day is shown as the instant of its midnight in UTC, so that no zone of this device shifts it.
  return (day: PlainDay): string => format().format(new Date(day * 86_400_000));
};

/** "Tuesday" */
export const weekdayName = dates({ weekday: 'long' });
/** "T" */
export const weekdayLetter = dates({ weekday: 'narrow' });
/** "24 November" */
export const dayAndMonth = dates({ day: 'numeric', month: 'long' });
/** "24 November 2026" */
export const fullDate = dates({ day: 'numeric', month: 'long', year: 'numeric' });
/** "Tuesday 24 November" */
export const dayInWords = dates({ weekday: 'long', day: 'numeric', month: 'long' });
/** "Tue 24 Nov" */
export const shortDay = dates({ weekday: 'short', day: 'numeric', month: 'short' });
/** "24 Nov" */
export const shortDate = dates({ day: 'numeric', month: 'short' });
/** "Tue" */
export const weekdayShort = dates({ weekday: 'short' });
const monthLong = dates({ month: 'long' });
const monthShort = dates({ month: 'short' });
const year = dates({ year: 'numeric' });

export const monthName = (month: PlainMonth): string => monthLong(monthSpan(month).first);
export const monthAbbreviation = (month: PlainMonth): string => monthShort(monthSpan(month).first).slice(0, 3);
export const monthYear = (month: PlainMonth): string => year(monthSpan(month).first);
export const yearOf = (day: PlainDay): string => year(day);

/** "November 2026" */
export const monthAndYear = (month: PlainMonth): string => `${monthName(month)} ${monthYear(month)}`;

/** A run of days in words: "3 to 9 November", "29 December 2025 to 4 January 2026". */
export function spanInWords({ first, last }: DaySpan, today: PlainDay): string {
  if (first === last) return dateNear(first, today);
  const from =
    formatDay(first).slice(0, 7) === formatDay(last).slice(0, 7) ? dateNumber(first) : dateNear(first, today);
  return `${from} to ${dateNear(last, today)}`;
}

/** The day's number in its month. */
export const dateNumber = (day: PlainDay): string => String(Number(formatDay(day).slice(8)));

/** A date with its year where it is not the one of `today`. */
export const dateNear = (day: PlainDay, today: PlainDay): string =>
  yearOf(day) === yearOf(today) ? dayAndMonth(day) : fullDate(day);

/** "78 %", or "–" where there is no share. */
export const percent = (ratio: number | null): string => (ratio === null ? '–' : `${wholePercent(ratio)}\u00a0%`);

/** The words with a capital at their head. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The beginning of a text in one line, of at most so many characters, cut between words. */
export function beginningOf(text: string, most: number): string {
  const line = text.replaceAll(/\s+/g, ' ').trim();
  if (line.length <= most) return line;
  const cut = line.lastIndexOf(' ', most);
  return `${line.slice(0, cut > 0 ? cut : most)} …`;
}

/** "1 day", "23 days" */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${number(count)} ${count === 1 ? one : many}`;

const PERIOD_NAMES: Record<AskKind, string> = { days: 'day', weeks: 'week', months: 'month' };
export const streakLength = (length: number, unit: AskKind): string => counted(length, PERIOD_NAMES[unit]);

/** What a day came to, in a word. */
export const OUTCOME_WORDS: Record<Outcome, string> = {
  outside: 'not begun',
  blank: 'empty',
  paused: 'paused',
  part: 'part done',
  done: 'done',
  rest: 'rest',
  missed: 'missed',
};

/** Names of the parts of the day. */
export const PART_WORDS: Record<PartOfDay, string> = {
  morning: 'Morning',
  midday: 'Midday',
  evening: 'Evening',
  any: 'Any time',
};
