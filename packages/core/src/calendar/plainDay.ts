/** A calendar date without clock or zone: whole days since 1970-01-01 in the proleptic Gregorian calendar. */
export type PlainDay = number;

/** A weekday by its English name. */
export type Weekday = 'monday' | 'tuesday' | 'wednesday' | 'thursday' | 'friday' | 'saturday' | 'sunday';

/** The weekdays in ISO order; the place in the list is the number that {@link weekdayOf} gives. */
export const WEEKDAYS: readonly Weekday[] = [
  'monday',
  'tuesday',
  'wednesday',
  'thursday',
  'friday',
  'saturday',
  'sunday',
];

/** A day as year, month (1 to 12) and day (1 to 31). */
export type DayParts = { year: number; month: number; date: number };

/** The last day that can be written with four digits of year, 9999-12-31. */
export const LAST_DAY: PlainDay = 2932896;

/** Whether a year has 366 days, by the Gregorian rule. */
export const isLeapYear = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

const LENGTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** Days in a month; `month` is 1–12. Throws a RangeError for any other month. */
export function daysInMonthOf(year: number, month: number): number {
  const length = LENGTHS[month - 1];
  if (length === undefined) throw new RangeError(`month ${month} is not one of 1–12`);
  return month === 2 && isLeapYear(year) ? 29 : length;
}

/**
 * The day of a calendar date; `month` and `date` count from 1.
 * Source: the days-from-civil algorithm (H. Hinnant), eras of 400 years starting on 1 March.
 */
export function dayFromParts(year: number, month: number, date: number): PlainDay {
  const shifted = month <= 2 ? year - 1 : year;
  const era = Math.floor(shifted / 400);
  const yearOfEra = shifted - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146097 + dayOfEra - 719468;
}

/** The calendar date of a day. Source: the civil-from-days algorithm (H. Hinnant). */
export function partsOfDay(day: PlainDay): DayParts {
  const shifted = day + 719468;
  const era = Math.floor(shifted / 146097);
  const dayOfEra = shifted - era * 146097;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36524) - Math.floor(dayOfEra / 146096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const marchMonth = Math.floor((5 * dayOfYear + 2) / 153);
  const month = marchMonth < 10 ? marchMonth + 3 : marchMonth - 9;
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    date: dayOfYear - Math.floor((153 * marchMonth + 2) / 5) + 1,
  };
}

const digitsAt = (text: string, from: number, to: number): number => {
  let value = 0;
  for (let i = from; i < to; i++) {
    const digit = text.charCodeAt(i) - 48;
    if (!(digit >= 0 && digit <= 9)) return NaN;
    value = value * 10 + digit;
  }
  return value;
};

/** The day written as `YYYY-MM-DD`, or null for anything else, dates that do not exist included. */
export function parseDay(text: string): PlainDay | null {
  if (text.length !== 10 || text[4] !== '-' || text[7] !== '-') return null;
  const year = digitsAt(text, 0, 4);
  const month = digitsAt(text, 5, 7);
  const date = digitsAt(text, 8, 10);
  if (!(year >= 0 && month >= 1 && month <= 12 && date >= 1)) return null;
  return date <= daysInMonthOf(year, month) ? dayFromParts(year, month, date) : null;
}

/** The day written as `YYYY-MM-DD`; throws a RangeError where {@link parseDay} gives null. */
export function dayOf(text: string): PlainDay {
  const day = parseDay(text);
  if (day === null) throw new RangeError(`"${text}" is not a day that exists, written YYYY-MM-DD`);
  return day;
}

const pad = (value: number, width: number): string => String(value).padStart(width, '0');

/** `YYYY-MM-DD`. Throws a RangeError for days outside the years 0–9999. */
export function formatDay(day: PlainDay): string {
  const { year, month, date } = partsOfDay(day);
  if (!(year >= 0 && year <= 9999)) throw new RangeError(`day ${day} lies outside the years 0 to 9999`);
  return `${pad(year, 4)}-${pad(month, 2)}-${pad(date, 2)}`;
}

/** 0 for Monday to 6 for Sunday. */
export const weekdayOf = (day: PlainDay): number => (((day + 3) % 7) + 7) % 7;
