import { type Entry, type MonthPage, type Records, parseMonth } from '@wimbel/core';
import { isDay, isId } from './plain.ts';

/** The name of a collection of records, as changes and the data file spell it. */
export type Collection = keyof Records;

/** A record of a collection. */
export type RecordOf<C extends Collection> = C extends 'settings'
  ? Records['settings']
  : Records[C] extends (infer R)[]
    ? R
    : never;

/**
 * Every collection, in the order of the data file: a record only names records of collections before its own (or of its
 * own).
 */
export const COLLECTIONS = [
  'settings',
  'areas',
  'goals',
  'habits',
  'entries',
  'keyResults',
  'checkIns',
  'steps',
  'milestones',
  'seasons',
  'months',
  'prompts',
  'journal',
  'reviews',
  'habitNotes',
  'rewards',
  'claims',
  'quotes',
  'reminders',
] as readonly Collection[];

/** The collections that are lists; settings are one record. */
export type ListCollection = Exclude<Collection, 'settings'>;
/** The collections that hold many records; settings are one. */
export const LIST_COLLECTIONS = COLLECTIONS.filter((each): each is ListCollection => each !== 'settings');

/** The key of the one settings record. */
export const SETTINGS_KEY = 'settings';

/** The key of a habit’s entry: `YYYY-MM-DD HABIT`. */
export const entryKey = (habitId: string, day: string): string => `${day} ${habitId}`;

/** The habit and day that an entry's key names. */
export const entryOfKey = (key: string): { habitId: string; day: string } => ({
  day: key.slice(0, 10),
  habitId: key.slice(11),
});

/** The key of a record in its collection: its id; an entry's day and habit; a month page's month. */
export function keyOf<C extends Collection>(collection: C, record: RecordOf<C>): string {
  if (collection === 'settings') return SETTINGS_KEY;
  if (collection === 'entries') return entryKey((record as Entry).habitId, (record as Entry).day);
  if (collection === 'months') return (record as MonthPage).month;
  return (record as { id: string }).id;
}

/** Whether a record of a collection could have this key. */
export function isKey(collection: Collection, key: string): boolean {
  if (collection === 'settings') return key === SETTINGS_KEY;
  if (collection === 'months') return parseMonth(key) !== null;
  const { habitId, day } = entryOfKey(key);
  if (collection === 'entries') return key[10] === ' ' && isDay(day) && isId(habitId);
  return isId(key);
}
