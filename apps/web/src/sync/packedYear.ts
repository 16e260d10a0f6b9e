import { type Entry, type EntryYear, firstOfYear, formatDay, isLeapYear } from '@wimbel/core';

/**
 * Compact stored form of a habit's year: one letter per day, since most entries are a bare mark, and the other entries by day of
 * the year. A letter parses faster than a record.
 */
export type PackedYear = { habitId: string; year: number; marks: string; others: Readonly<Record<number, Entry>> };

const LETTERS = { done: 'd', missed: 'm', rest: 'r' } as const;
const MARKS: Record<string, Entry['mark']> = { d: 'done', m: 'missed', r: 'rest' };
const NOTHING = '.';
const OTHER = 'o';

const textsOfYear = new Map<number, string[]>();

/** The days of a year as text, cached for all habits. */
function daysOf(year: number): string[] {
  let texts = textsOfYear.get(year);
  if (texts === undefined) {
    const first = firstOfYear(year);
    texts = Array.from({ length: isLeapYear(year) ? 366 : 365 }, (_, at) => formatDay(first + at));
    textsOfYear.set(year, texts);
  }
  return texts;
}

/** Whether an entry is a bare mark, equal to what {@link unpackYear} returns for its letter. */
function isMarkAlone(entry: Entry, habitId: string, day: string): boolean {
  const [first, second, third, ...more] = Object.keys(entry);
  const isSaid = first === 'habitId' && second === 'day' && third === 'mark' && more.length === 0;
  return isSaid && entry.habitId === habitId && entry.day === day && Object.hasOwn(LETTERS, entry.mark ?? '');
}

/** Packs a year. */
export function packYear(habitId: string, year: number, days: EntryYear): PackedYear {
  const texts = daysOf(year);
  const others: Record<number, Entry> = {};
  let marks = '';
  for (const [at, text] of texts.entries()) {
    const entry = days[at] ?? null;
    if (entry === null) marks += NOTHING;
    else if (isMarkAlone(entry, habitId, text)) marks += LETTERS[entry.mark!];
    else {
      marks += OTHER;
      others[at] = entry;
    }
  }
  return { habitId, year, marks, others };
}

/** Whether a stored year is packed, and not the list of entries of older versions. */
export const isPacked = (kept: object): boolean => 'marks' in kept;

/** Unpacks a stored year, also the list of entries of older versions; null where it is damaged. */
export function unpackYear(kept: unknown): EntryYear | null {
  const { habitId, year, marks, others, days } = (kept ?? {}) as Partial<PackedYear> & { days?: unknown };
  if (typeof habitId !== 'string' || typeof year !== 'number') return null;
  if (Array.isArray(days)) return days as EntryYear;
  const texts = daysOf(year);
  if (typeof marks !== 'string' || marks.length !== texts.length) return null;
  if (typeof others !== 'object' || others === null) return null;
  const entries = new Array<Entry | null>(texts.length).fill(null);
  for (let at = 0; at < texts.length; at++) {
    const letter = marks[at]!;
    if (letter === NOTHING) continue;
    const mark = MARKS[letter];
    const other = letter === OTHER ? others[at] : undefined;
    if (mark !== undefined) entries[at] = { habitId, day: texts[at]!, mark };
    else if (typeof other === 'object' && other !== null) entries[at] = other;
    else return null;
  }
  return entries;
}
