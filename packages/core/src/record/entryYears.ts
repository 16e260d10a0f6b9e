import { type PlainDay, dayFromParts, dayOf, isLeapYear } from '../calendar/plainDay.ts';
import { yearOfDay } from '../calendar/year.ts';
import type { Entry } from './records.ts';

/**
 * The entries of one habit by year: a list with a place for each day of the year, null where nothing is recorded. A year
 * stays the same object while nothing in it changes, so that what changed is found by looking at few years and not at all
 * entries. Keys are years as numbers, in order.
 */
export type EntryYears = Readonly<Record<number, EntryYear>>;
/** The entries of a habit in one year, by the day’s place in it. */
export type EntryYear = readonly (Entry | null)[];

/** Nothing recorded. */
export const NO_ENTRIES: EntryYears = Object.freeze({});

const emptyYear = (year: number): (Entry | null)[] => new Array<Entry | null>(isLeapYear(year) ? 366 : 365).fill(null);

/** The first day of a year: the day at place 0 of its list. */
export const firstOfYear = (year: number): PlainDay => dayFromParts(year, 1, 1);

/** Entries of one habit, sorted in. Of two on the same day the later in the list stays. */
export function entryYearsOf(entries: Iterable<Entry>): EntryYears {
  const years: Record<number, (Entry | null)[]> = {};
  for (const entry of entries) {
    const day = dayOf(entry.day);
    const year = yearOfDay(day);
    (years[year] ??= emptyYear(year))[day - firstOfYear(year)] = entry;
  }
  return years;
}

/** The entry of a day; null without one. */
export function entryOn(years: EntryYears, day: PlainDay): Entry | null {
  const year = yearOfDay(day);
  return years[year]?.[day - firstOfYear(year)] ?? null;
}

/** The same entries but for some days, each of which holds an entry or (null) nothing. Of two for a day the later stays. */
export function withEntriesOn(
  years: EntryYears,
  days: Iterable<readonly [day: PlainDay, entry: Entry | null]>,
): EntryYears {
  const next: Record<number, EntryYear> = { ...years };
  // Each year is copied once, however many of its days there are.
  const copies = new Map<number, (Entry | null)[]>();
  for (const [day, entry] of days) {
    const year = yearOfDay(day);
    let list = copies.get(year);
    if (list === undefined) {
      list = [...(years[year] ?? emptyYear(year))];
      copies.set(year, list);
      next[year] = list;
    }
    list[day - firstOfYear(year)] = entry;
  }
  return next;
}

/** Every year that has a list, in order. */
export const yearsOf = (years: EntryYears): number[] => Object.keys(years).map(Number);

/** Every entry, in the order of days. */
export function* eachEntry(years: EntryYears): Generator<Entry> {
  for (const year of yearsOf(years)) for (const entry of years[year]!) if (entry !== null) yield entry;
}

/** The days on which two records of a habit differ, in order. */
export function changedDays(before: EntryYears, after: EntryYears): PlainDay[] {
  const days: PlainDay[] = [];
  for (const year of new Set([...yearsOf(before), ...yearsOf(after)])) {
    const [was, is] = [before[year], after[year]];
    if (was === is) continue;
    const first = firstOfYear(year);
    const places = Math.max(was?.length ?? 0, is?.length ?? 0);
    for (let place = 0; place < places; place++)
      if ((was?.[place] ?? null) !== (is?.[place] ?? null)) days.push(first + place);
  }
  return days.sort((a, b) => a - b);
}
