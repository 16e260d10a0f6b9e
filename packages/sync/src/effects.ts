import { type Change, type Collection, type RecordOf, entryOfKey, isNamed, plannedRemoval } from '@wimbel/contract';
import { NO_ENTRIES, dayOf, eachEntry, entryOn } from '@wimbel/core';
import { type RecordsState, withRows } from './recordsState.ts';

type AnyRecord = RecordOf<Collection>;

/** A record after a change; null where it is deleted. */
export type Row = { collection: Collection; key: string; record: AnyRecord | null };

/** Looks a record up; null where there is none. */
export function recordAt(records: RecordsState, collection: Collection, key: string): AnyRecord | null {
  if (collection === 'settings') return records.settings;
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    return entryOn(records.entries[habitId] ?? NO_ENTRIES, dayOf(day));
  }
  return (records[collection] as Record<string, AnyRecord>)[key] ?? null;
}

/** The rows a change writes: its own, or, for a removal, all that is deleted or detached with it (cascade). */
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

/** Effect of changes on a record: its version before and after. */
export type ChangeEffect = { collection: Collection; key: string; before: AnyRecord | null; after: AnyRecord | null };

/** Identifies a record among all collections: its collection and key. */
export const placeOf = ({ collection, key }: { collection: Collection; key: string }): string => `${collection} ${key}`;

/**
 * Visits the effects of changes in order; the cascade of a removal is computed on the records by then. Returns a function that
 * computes the records after all of them, lazily.
 */
function visitEffects(
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

/** Applies changes to the records. */
export const withChanges = (records: RecordsState, changes: readonly Change[]): RecordsState =>
  visitEffects(records, changes, () => undefined)();

/** Effects of each change, by its id. */
export function effectsByChange(records: RecordsState, changes: readonly Change[]): Map<string, ChangeEffect[]> {
  const latest = new Map<string, AnyRecord | null>();
  const found = new Map<string, ChangeEffect[]>(changes.map((each) => [each.id, []]));
  visitEffects(records, changes, ({ collection, key, record }, { id }) => {
    const place = placeOf({ collection, key });
    const known = latest.get(place);
    const before = known === undefined ? recordAt(records, collection, key) : known;
    latest.set(place, record);
    found.get(id)!.push({ collection, key, before, after: record });
  });
  return found;
}

/** The rows that effects write. */
export const rowsAfter = (effects: Iterable<ChangeEffect>): Row[] =>
  Array.from(effects, ({ collection, key, after }) => ({ collection, key, record: after }));

/** Effects of several changes as one, by record in order of first touch: before the first change, after the last. */
export function mergedEffects(byChange: ReadonlyMap<string, readonly ChangeEffect[]>): ChangeEffect[] {
  const found = new Map<string, ChangeEffect>();
  for (const touched of byChange.values()) {
    for (const each of touched) {
      const place = placeOf(each);
      found.set(place, { ...each, before: found.has(place) ? found.get(place)!.before : each.before });
    }
  }
  return [...found.values()];
}

/** {@link mergedEffects} of changes to records. */
export const effectsOfChanges = (records: RecordsState, changes: readonly Change[]): ChangeEffect[] =>
  mergedEffects(effectsByChange(records, changes));
