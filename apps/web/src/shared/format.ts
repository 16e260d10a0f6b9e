import {
  type AskKind,
  type Outcome,
  type PlainDay,
  type PlainMonth,
  formatDay,
  monthSpan,
  wholePercent,
} from '@wimbel/core';

const LOCALE = 'en-GB';

const dates = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat(LOCALE, { timeZone: 'UTC', ...options });
  // A day is shown as the instant of its midnight in UTC, so that no zone of this device shifts it.
  return (day: PlainDay): string => format.format(new Date(day * 86_400_000));
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
const monthLong = dates({ month: 'long' });
const monthShort = dates({ month: 'short' });
const year = dates({ year: 'numeric' });

export const monthName = (month: PlainMonth): string => monthLong(monthSpan(month).first);
export const monthAbbreviation = (month: PlainMonth): string => monthShort(monthSpan(month).first).slice(0, 3);
export const monthYear = (month: PlainMonth): string => year(monthSpan(month).first);
export const yearOf = (day: PlainDay): string => year(day);

/** The day's number in its month. */
export const dateNumber = (day: PlainDay): string => String(Number(formatDay(day).slice(8)));

/** A date with its year where it is not the one of `today`. */
export const dateNear = (day: PlainDay, today: PlainDay): string =>
  yearOf(day) === yearOf(today) ? dayAndMonth(day) : fullDate(day);

/** "78 %", or "–" where there is no share. */
export const percent = (ratio: number | null): string => (ratio === null ? '–' : `${wholePercent(ratio)}\u00a0%`);

const numbers = new Intl.NumberFormat(LOCALE, { maximumFractionDigits: 2 });
export const number = (value: number): string => numbers.format(value);

/** "400 m", "1 h 20" for long stretches of minutes, "€24". */
export function amount(value: number, unit: string): string {
  if (unit === 'min' && value >= 100) {
    const minutes = Math.round(value);
    return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')} h`;
  }
  if (unit.length === 1 && !/[a-z]/i.test(unit)) return `${unit}${number(value)}`;
  return unit === '' ? number(value) : `${number(value)} ${unit}`;
}

/** "400 of 600 m" */
export const amountOf = (value: number, target: number, unit: string): string =>
  unit.length === 1 && !/[a-z]/i.test(unit)
    ? `${unit}${number(value)} of ${number(target)}`
    : `${number(value)} of ${amount(target, unit)}`;

/** A sum of money by the currency's own rules. */
export function money(value: number, currency: string): string {
  try {
    return new Intl.NumberFormat(LOCALE, {
      style: 'currency',
      currency,
      maximumFractionDigits: value % 1 === 0 ? 0 : 2,
    }).format(value);
  } catch {
    return `${number(value)} ${currency}`;
  }
}

/** "1 day", "23 days" */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${number(count)} ${count === 1 ? one : many}`;

const UNITS: Record<AskKind, string> = { days: 'day', weeks: 'week', months: 'month' };
export const streakLength = (length: number, unit: AskKind): string => counted(length, UNITS[unit]);

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

const DECIMAL_MARK = new Intl.NumberFormat(globalThis.navigator?.language).format(1.5).charAt(1);
const GROUPED = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/;

/**
 * A number as a person types it, with a comma or a point before the decimals. "1,200" is twelve hundred where this
 * device's language writes decimals with a point. Null for anything that is not a number.
 */
export function parseTyped(text: string, decimalMark = DECIMAL_MARK): number | null {
  const bare = text.trim().replace(/\s/g, '');
  const cleaned = decimalMark === '.' && GROUPED.test(bare) ? bare.replaceAll(',', '') : bare.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(cleaned) ? Number(cleaned) : null;
}
