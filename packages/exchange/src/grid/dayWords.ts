import { type PlainDay, daysInMonthOf, dayFromParts } from '@wimbel/core';

/** Which of two numbers of a date comes first. */
export type DateOrder = 'dayFirst' | 'monthFirst';

/** A date as it is written; `year` null where it says none. */
export type WrittenDate = { year: number | null; month: number; date: number };

/** Languages whose names of months and weekdays are known. */
const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pt', 'sv', 'pl'];

const bareName = (name: string): string => name.toLowerCase().replaceAll('.', '');

function names(count: number, format: (index: number, language: string, width: 'long' | 'short') => string) {
  const known = new Map<string, number>();
  for (const language of LANGUAGES)
    for (const width of ['long', 'short'] as const)
      for (let index = 0; index < count; index++) {
        const name = bareName(format(index, language, width));
        if (/\p{L}{2}/u.test(name) && !known.has(name)) known.set(name, index);
      }
  return known;
}

let monthNames: Map<string, number> | undefined;
let weekdayNames: Map<string, number> | undefined;

const monthsByName = (): Map<string, number> =>
  (monthNames ??= new Map([
    ['sept', 8],
    ...names(12, (index, language, month) =>
      new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' }).format(Date.UTC(2024, index, 15)),
    ),
  ]));

// 1 January 2024 was a Monday.
const weekdaysByName = (): Map<string, number> =>
  (weekdayNames ??= names(7, (index, language, weekday) =>
    new Intl.DateTimeFormat(language, { weekday, timeZone: 'UTC' }).format(Date.UTC(2024, 0, 1 + index)),
  ));

/** Whether a text is the name of a weekday, or its first letters ("M", "Mo", "Mon", "Monday"). */
export function isWeekday(text: string): boolean {
  const name = bareName(text.trim());
  return /^[mtwfs]$/.test(name) || /^(mo|tu|we|th|fr|sa|su)$/.test(name) || weekdaysByName().has(name);
}

const withoutWeekday = (text: string): string => {
  const [first, ...rest] = text.trim().split(/[\s,]+/);
  return first !== undefined && rest.length > 0 && isWeekday(first) ? rest.join(' ') : text.trim();
};

const fullYear = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

const checked = (date: WrittenDate): WrittenDate | null =>
  date.month >= 1 &&
  date.month <= 12 &&
  date.date >= 1 &&
  date.date <= daysInMonthOf(date.year ?? 2024, date.month) &&
  (date.year === null || (date.year >= 1900 && date.year <= 2200))
    ? date
    : null;

const ISO = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]\d{1,2}:\d{2}.*)?$/;
const NUMBERS = /^(\d{1,2})([-/.])(\d{1,2})(?:\2(\d{4}|\d{2})?)?$/;

/** The two numbers of a date that says no month by name; null where it is no such date. */
export function numbersOfDate(text: string): [first: number, second: number] | null {
  const found = NUMBERS.exec(withoutWeekday(text));
  return found ? [Number(found[1]), Number(found[3])] : null;
}

/** Reads a date ("2025-03-01", "1/3/25", "1.3.", "Sat 1 Mar", "Mar 1, 2025"); null where a text is none. */
export function dateIn(text: string, order: DateOrder): WrittenDate | null {
  const bare = withoutWeekday(text);
  if (bare.length > 40 || !/\d/.test(bare)) return null;
  const iso = ISO.exec(bare);
  if (iso) return checked({ year: Number(iso[1]), month: Number(iso[2]), date: Number(iso[3]) });
  const numbers = NUMBERS.exec(bare);
  if (numbers) {
    const [first, second] = [Number(numbers[1]), Number(numbers[3])];
    // "1.5" is a number, and so is "10-12" a span; a day without a year is written "1.5." or "1/5".
    if (numbers[4] === undefined && numbers[2] !== '/' && !bare.endsWith('.')) return null;
    const [date, month] = order === 'dayFirst' ? [first, second] : [second, first];
    return checked({ year: numbers[4] === undefined ? null : fullYear(numbers[4]), month, date });
  }
  const words = bareName(bare)
    .replaceAll(',', ' ')
    .split(/[\s/-]+/);
  if (words.length < 2 || words.length > 3) return null;
  const at = words.findIndex((word) => monthsByName().has(word));
  const [date, year] = words.filter((_, index) => index !== at);
  if (at < 0 || !/^\d{1,2}(st|nd|rd|th)?$/.test(date!) || (year !== undefined && !/^(\d{2}|\d{4})$/.test(year)))
    return null;
  return checked({
    year: year === undefined ? null : fullYear(year),
    month: monthsByName().get(words[at]!)! + 1,
    date: Number.parseInt(date!, 10),
  });
}

/** The day of a month that a text is: "7", "07", "7.", "7th", "Mon 7"; null where it is none. */
export function dayNumberIn(text: string): number | null {
  const found = /^(\d{1,2})(?:\.|st|nd|rd|th)?$/.exec(withoutWeekday(text));
  const number = found ? Number(found[1]) : 0;
  return number >= 1 && number <= 31 ? number : null;
}

/** The month that a heading names ("October 2025", "Log, Oct 25", "2025-10", "10/2025"), and its year where it says one. */
export function monthIn(text: string): { month: number; year: number | null } | null {
  const bare = text.trim();
  if (bare === '' || bare.length > 60) return null;
  const numbers = /^(\d{4})[-/.](\d{1,2})$/.exec(bare);
  const turned = /^(\d{1,2})[-/.](\d{4})$/.exec(bare);
  const [year, month] = numbers ? [numbers[1], numbers[2]] : turned ? [turned[2], turned[1]] : [null, null];
  if (year != null)
    return Number(month) >= 1 && Number(month) <= 12 ? { year: Number(year), month: Number(month) } : null;
  const words = bareName(bare).split(/[^\p{L}\p{N}]+/u);
  const found = words.filter((word) => monthsByName().has(word));
  if (found.length !== 1) return null;
  const said = yearIn(bare) ?? words.map((word) => /^\d{2}$/.exec(word)).find(Boolean)?.[0];
  return { month: monthsByName().get(found[0]!)! + 1, year: said == null ? null : Number(fullYear(String(said))) };
}

/** The year that a text says, in four digits. */
export function yearIn(text: string): number | null {
  const found = /(?<!\d)((?:19|20|21)\d{2})(?!\d)/.exec(text);
  return found ? Number(found[1]) : null;
}

/** The day of a date whose year is known. */
export const dayOfDate = ({ month, date }: WrittenDate, year: number): PlainDay | null =>
  date <= daysInMonthOf(year, month) ? dayFromParts(year, month, date) : null;
