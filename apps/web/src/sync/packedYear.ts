import { type Entry, type EntryYear, firstOfYear, formatDay, isLeapYear } from '@wimbel/core';

/**
 * The days of a habit in a year as they are kept on the device: one letter for each day, since most are a mark and nothing
 * else, and by their place the entries that are more. Reading a letter takes less than reading a record.
 */
export type KeptYear = { habitId: string; year: number; marks: string; others: Readonly<Record<number, Entry>> };

const LETTERS = { done: 'd', missed: 'm', rest: 'r' } as const;
const MARKS: Record<string, Entry['mark']> = { d: 'done', m: 'missed', r: 'rest' };
const NOTHING = '.';
const OTHER = 'o';

const textsOfYear = new Map<number, string[]>();

/** The days of a year as texts, the same for every habit. */
function daysOf(year: number): string[] {
  let texts = textsOfYear.get(year);
  if (texts === undefined) {
    const first = firstOfYear(year);
    texts = Array.from({ length: isLeapYear(year) ? 366 : 365 }, (_, at) => formatDay(first + at));
    textsOfYear.set(year, texts);
  }
  return texts;
}

/** Whether an entry is a mark and nothing else, said the way it would be read again. */
function isMarkAlone(entry: Entry, habitId: string, day: string): boolean {
  const [first, second, third, ...more] = Object.keys(entry);
  const isSaid = first === 'habitId' && second === 'day' && third === 'mark' && more.length === 0;
  return isSaid && entry.habitId === habitId && entry.day === day && Object.hasOwn(LETTERS, entry.mark ?? '');
}

/** A year as it is to be kept. */
export function keptYear(habitId: string, year: number, days: EntryYear): KeptYear {
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

/** Whether a year is kept as {@link keptYear} gives it, and not as the list of entries it used to be. */
export const isPacked = (kept: object): boolean => 'marks' in kept;

/** The days of a year that was kept; null where it is damaged. Years that were kept as a list of entries are read as well. */
export function daysKept(kept: unknown): EntryYear | null {
  const { habitId, year, marks, others, days } = (kept ?? {}) as Partial<KeptYear> & { days?: unknown };
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
