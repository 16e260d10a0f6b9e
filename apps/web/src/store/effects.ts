import { type Change, type Collection, type RecordOf, entryOfKey, isNamed, plannedRemoval } from '@wimbel/contract';
import { NO_ENTRIES, dayOf, eachEntry, entryOn } from '@wimbel/core';
import { type RecordsState, withRows } from './recordsState.ts';

type AnyRecord = RecordOf<Collection>;

/** A record as a change makes it; null where it is gone. */
export type Row = { collection: Collection; key: string; record: AnyRecord | null };

/** A record as the store has it; null where it is not there. */
export function recordAt(records: RecordsState, collection: Collection, key: string): AnyRecord | null {
  if (collection === 'settings') return records.settings;
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    return entryOn(records.entries[habitId] ?? NO_ENTRIES, dayOf(day));
  }
  return (records[collection] as Record<string, AnyRecord>)[key] ?? null;
}

/** What a change does to records: itself, or, for a removal, all that goes and lets go with it. */
export function effectsOf(records: RecordsState, { collection, key, record }: Change): Row[] {
  if (record !== null || collection === 'entries') return [{ collection, key, record }];
  const { goes, letsGo } = plannedRemoval(collection, key, ({ by, key: named }) =>
    by.in === 'entries'
      ? [...eachEntry(records.entries[named] ?? NO_ENTRIES)]
      : by.in === 'settings'
        ? []
        : Object.values<AnyRecord>(records[by.in]).filter((each) => isNamed(by, each, named)),
  );
  return [...letsGo, ...goes.map((each) => ({ ...each, record: null }))];
}

/** A record that changes touched, as it was and as they made it. */
export type Touched = { collection: Collection; key: string; before: AnyRecord | null; after: AnyRecord | null };

export const placeOf = ({ collection, key }: { collection: Collection; key: string }): string => `${collection} ${key}`;

/**
 * Goes through what changes do, one after the other; what a removal takes along is looked for in the records by then.
 * Gives what makes the records after all of them, for whoever needs those.
 */
function follow(
  records: RecordsState,
  changes: readonly Change[],
  see: (row: Row, change: Change) => void,
): () => RecordsState {
  let state = records;
  let rows: Row[] = [];
  for (const change of changes) {
    if (change.record === null && change.collection !== 'entries') {
      state = withRows(state, rows);
      rows = [];
    }
    for (const row of effectsOf(state, change)) {
      see(row, change);
      rows.push(row);
    }
  }
  return () => (rows.length > 0 ? withRows(state, rows) : state);
}

/** The records with changes made to them. */
export const withChanges = (records: RecordsState, changes: readonly Change[]): RecordsState =>
  follow(records, changes, () => undefined)();

/** What each of some changes touches, as it is before and after that change. */
export function touchedByEach(records: RecordsState, changes: readonly Change[]): Map<string, Touched[]> {
  const latest = new Map<string, AnyRecord | null>();
  const found = new Map<string, Touched[]>(changes.map((each) => [each.id, []]));
  follow(records, changes, ({ collection, key, record }, { id }) => {
    const place = placeOf({ collection, key });
    const known = latest.get(place);
    const before = known === undefined ? recordAt(records, collection, key) : known;
    latest.set(place, record);
    found.get(id)!.push({ collection, key, before, after: record });
  });
  return found;
}

/** Every record that changes touch, in the order they first do, as it is before the first of them and after the last. */
export function touchedBy(records: RecordsState, changes: readonly Change[]): Touched[] {
  const found = new Map<string, Touched>();
  for (const touched of touchedByEach(records, changes).values()) {
    for (const each of touched) {
      const place = placeOf(each);
      found.set(place, { ...each, before: found.has(place) ? found.get(place)!.before : each.before });
    }
  }
  return [...found.values()];
}
