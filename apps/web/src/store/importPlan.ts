import { type Change, type Collection, LIST_COLLECTIONS, type RecordOf, keyOf } from '@wimbel/contract';
import { NO_ENTRIES, type Records, eachEntry } from '@wimbel/core';
import isEqual from 'fast-deep-equal';
import { placeOf, recordAt, withChanges } from '@wimbel/sync';
import { changeTo, removalOf } from './makeChange.ts';
import type { RecordsState } from '@wimbel/sync';

type AnyRecord = RecordOf<Exclude<Collection, 'settings'>>;

type Placed = AnyRecord & { id?: string; order?: number };

/** In the person's own order, then by id: what came to a device first is no matter. */
const inOrder = (records: AnyRecord[]): AnyRecord[] =>
  (records as Placed[]).sort(
    (a, b) => (a.order ?? 0) - (b.order ?? 0) || ((a.id ?? '') < (b.id ?? '') ? -1 : a.id === b.id ? 0 : 1),
  );

/** A person's records as lists, as a data file holds them. */
export function recordsOf(state: RecordsState): Records {
  const lists = LIST_COLLECTIONS.map((collection) => [
    collection,
    collection === 'entries'
      ? Object.values(state.entries).flatMap((years) => [...eachEntry(years ?? NO_ENTRIES)])
      : inOrder(Object.values<AnyRecord>(state[collection])),
  ]);
  return { settings: state.settings, ...Object.fromEntries(lists) } as Records;
}

/** Records in the order in which {@link recordsOf} gives them. */
export const inFileOrder = (records: Records): Records =>
  ({
    settings: records.settings,
    ...Object.fromEntries(
      LIST_COLLECTIONS.map((collection) => [
        collection,
        collection === 'entries' ? records.entries : inOrder([...(records[collection] as AnyRecord[])]),
      ]),
    ),
  }) as Records;

/** How a file is brought in: its records beside what is here, or in its place. */
export type ImportMode = 'merge' | 'replace';

/**
 * The changes that bring records in. Merging, a record of the file takes the place of one with the same key and nothing
 * goes; replacing, what the file does not hold goes first. What is the same already is left alone.
 */
export function planImport(state: RecordsState, file: Records, way: ImportMode): Change[] {
  const lists = LIST_COLLECTIONS.map((collection) => [collection, file[collection] as AnyRecord[]] as const);
  const inFile = new Set(
    lists.flatMap(([collection, list]) => list.map((each) => placeOf({ collection, key: keyOf(collection, each) }))),
  );
  const here = recordsOf(state);
  const removals =
    way === 'merge'
      ? []
      : LIST_COLLECTIONS.flatMap((collection) =>
          (here[collection] as AnyRecord[]).flatMap((each) => {
            const key = keyOf(collection, each);
            return inFile.has(placeOf({ collection, key })) ? [] : [removalOf(collection, key)];
          }),
        ).reverse();
  const left = withChanges(state, removals);
  const changed = lists.flatMap(([collection, list]) =>
    (collection === 'steps' ? parentsFirst(file.steps) : list).flatMap((each) =>
      isEqual(recordAt(left, collection, keyOf(collection, each)), each) ? [] : [changeTo(collection, each)],
    ),
  );
  const settings = isEqual(left.settings, file.settings) ? [] : [changeTo('settings', file.settings)];
  return [...removals, ...settings, ...changed];
}

/** Steps so ordered that each comes after the step it belongs to. */
function parentsFirst(steps: Records['steps']): Records['steps'] {
  const below = new Map<string, Records['steps']>();
  const ids = new Set(steps.map((each) => each.id));
  const tops = steps.filter((each) => each.parentId === undefined || !ids.has(each.parentId));
  for (const each of steps) if (each.parentId) below.set(each.parentId, [...(below.get(each.parentId) ?? []), each]);
  const ordered: Records['steps'] = [];
  const waiting = [...tops];
  for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
    ordered.push(next);
    waiting.push(...(below.get(next.id) ?? []));
  }
  return ordered;
}

/** How many records of each kind a file holds, the kinds without any left out. */
export const countsOf = (records: Records): [Collection, number][] =>
  LIST_COLLECTIONS.flatMap((collection): [Collection, number][] =>
    records[collection].length > 0 ? [[collection, records[collection].length]] : [],
  );
