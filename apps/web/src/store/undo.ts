import { type Change, type Collection, type RecordOf, entryOfKey } from '@wimbel/contract';
import { NO_ENTRIES, dayOf, entryOn } from '@wimbel/core';
import type { RecordsState } from './recordsSlice.ts';
import { changeTo, removalOf } from './makeChange.ts';

/** A record as the store has it; null where it is not there. */
export function recordAt(records: RecordsState, collection: Collection, key: string): RecordOf<Collection> | null {
  if (collection === 'settings') return records.settings;
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    return entryOn(records.entries[habitId] ?? NO_ENTRIES, dayOf(day));
  }
  return (records[collection] as Record<string, RecordOf<Collection>>)[key] ?? null;
}

/** How records were before changes, to be put back: the last changed first. */
export type Before = { collection: Collection; key: string; record: RecordOf<Collection> | null }[];

export const beforeOf = (records: RecordsState, changes: readonly Change[]): Before =>
  changes.map(({ collection, key }) => ({ collection, key, record: recordAt(records, collection, key) })).reverse();

/** The changes that put records back as they were. */
export const changesBack = (before: Before): Change[] =>
  before.map(({ collection, key, record }) =>
    record === null ? removalOf(collection, key) : changeTo(collection, record as never),
  );
