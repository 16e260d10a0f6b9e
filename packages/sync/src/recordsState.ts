import { type Collection, entryOfKey } from '@wimbel/contract';
import {
  DEFAULT_SETTINGS,
  type Entry,
  type EntryYears,
  NO_ENTRIES,
  type PlainDay,
  type Records,
  type Settings,
  dayOf,
  withEntriesOn,
} from '@wimbel/core';

type ById<T> = Record<string, T>;
type Lists = { [C in Exclude<keyof Records, 'settings' | 'entries'>]: ById<Records[C][number]> };

/** A person's whole record, by collection and key; entries by habit, year and day. */
export type RecordsState = Lists & {
  settings: Settings;
  entries: ById<EntryYears>;
  /** Whether the first fetch from the server is in. */
  isLoaded: boolean;
  /** The server's revision that the store is up to. */
  revision: number;
};

/** A map without a prototype: it holds what was put into it and nothing else. */
const emptyMap = <T>(): ById<T> => Object.create(null) as ById<T>;
const copyOf = <T>(map: ById<T>): ById<T> => Object.assign(emptyMap<T>(), map);

/** The records of a new account, not loaded. */
export const emptyRecordsState = (): RecordsState => ({
  settings: DEFAULT_SETTINGS,
  areas: emptyMap(),
  habits: emptyMap(),
  entries: emptyMap(),
  goals: emptyMap(),
  keyResults: emptyMap(),
  checkIns: emptyMap(),
  steps: emptyMap(),
  milestones: emptyMap(),
  seasons: emptyMap(),
  months: emptyMap(),
  journal: emptyMap(),
  prompts: emptyMap(),
  reviews: emptyMap(),
  habitNotes: emptyMap(),
  rewards: emptyMap(),
  claims: emptyMap(),
  quotes: emptyMap(),
  reminders: emptyMap(),
  isLoaded: false,
  revision: 0,
});

type Row = { collection: Collection; key: string; record: unknown };

/**
 * The state with some records as they are now, those that are gone (null) taken away. Made by hand and not by a draft: a
 * draft would look at every day of every year that a row touches.
 */
export function withRows(state: RecordsState, rows: readonly Row[]): RecordsState {
  const next: RecordsState = { ...state };
  const copied = new Set<Collection>();
  const daysOf = new Map<string, [day: PlainDay, entry: Entry | null][]>();
  const listOf = (collection: Exclude<Collection, 'settings' | 'entries'>): ById<unknown> => {
    if (!copied.has(collection)) {
      copied.add(collection);
      (next[collection] as ById<unknown>) = copyOf<unknown>(next[collection]);
    }
    return next[collection];
  };
  for (const { collection, key, record } of rows) {
    if (collection === 'settings') {
      if (record !== null) next.settings = record as Settings;
    } else if (collection === 'entries') {
      const { habitId, day } = entryOfKey(key);
      const days = daysOf.get(habitId) ?? [];
      days.push([dayOf(day), record as Entry | null]);
      daysOf.set(habitId, days);
    } else if (record === null) delete listOf(collection)[key];
    else listOf(collection)[key] = record;
  }
  if (daysOf.size > 0) next.entries = copyOf(next.entries);
  for (const [habitId, days] of daysOf)
    next.entries[habitId] = withEntriesOn(next.entries[habitId] ?? NO_ENTRIES, days);
  return next;
}

/** The state with a record that this device kept, in the place of what there was; it stands for the whole of it. */
export function withKept(
  state: RecordsState,
  { revision, rows, entries }: { revision: number; rows: readonly Row[]; entries: RecordsState['entries'] },
): RecordsState {
  return { ...withRows({ ...state, entries }, rows), revision, isLoaded: true };
}
