import { type Collection, type NamedBy, type RecordOf, isNamed, keyOf } from '@wimbel/contract';
import type { CheckIn, Entry } from '@wimbel/core';
import type { Pool } from 'pg';
import {
  type AnyRecord,
  type Logged,
  type Misfit,
  type Origin,
  type PartOrigins,
  type Place,
  type Reading,
  type Write,
  collectionOfMisfit,
  idsAbove,
  misfits,
  namedBy,
  placeOf,
  readLogged,
} from './queries.ts';

/**
 * An account's records during a batch: the database at one revision, overlaid with the batch's writes (unit of work). Reads are
 * cached.
 */
export type BatchState = {
  /** The revision of the records in the database. */
  at: number;
  /** How many revisions the writes take. */
  moved: () => number;
  writes: () => Write[];
  logged: (collection: Collection, key: string) => Promise<Logged | null>;
  record: <C extends Collection>(collection: C, key: string) => Promise<RecordOf<C> | null>;
  /** Records that name another, with who wrote them. */
  namedBy: (by: NamedBy, key: string) => Promise<(Origin & { record: AnyRecord })[]>;
  /** Some of the records that no longer fit the one they are recorded under, after the changes so far. */
  misfits: (misfit: Misfit, key: string, values: readonly string[], limit: number) => Promise<AnyRecord[]>;
  /** Reads what stands above some steps or milestones, all at once, so that going up needs no further reading. */
  readAbove: (collection: 'steps' | 'milestones', ids: readonly string[], limit: number) => Promise<void>;
  /** Takes a record in, or its removal (null); returns the revision it will have. */
  put: (
    collection: Collection,
    key: string,
    record: AnyRecord | null,
    origin: Origin,
    /** Origins by part; left out, all of it was written now. */
    parts?: PartOrigins,
  ) => number;
};

const isUnder = (of: 'entries' | 'checkIns', record: AnyRecord, key: string): boolean =>
  (of === 'entries' ? (record as Entry).habitId : (record as CheckIn).keyResultId) === key;

/** The state of a person's records at a revision, of which some places were read ahead. */
export function createBatchState(
  pool: Pool,
  userId: string,
  at: number,
  places: readonly Place[],
  known: Reading['logged'],
): BatchState {
  const fetched = new Set(places.map(({ collection, key }) => placeOf(collection, key)));
  const written = new Map<string, Write>();
  let moved = 0;

  async function logged(collection: Collection, key: string): Promise<Logged | null> {
    const place = placeOf(collection, key);
    const own = written.get(place);
    if (own !== undefined) return own;
    if (!fetched.has(place)) {
      fetched.add(place);
      const [reading] = await readLogged(pool, [{ userId, places: [{ collection, key }] }]);
      const found = reading?.logged.get(place);
      if (found !== undefined) known.set(place, found);
    }
    return known.get(place) ?? null;
  }

  return {
    at,
    moved: () => moved,
    writes: () => [...written.values()],
    logged,
    record: async (collection, key) => ((await logged(collection, key))?.record ?? null) as never,
    async namedBy(by, key) {
      const stored = await namedBy(pool, userId, by, key);
      const untouched = stored.filter(({ record }) => !written.has(placeOf(by.in, keyOf(by.in, record as never))));
      const own = [...written.values()].flatMap(({ collection, record, changedAt, changeId }) =>
        collection === by.in && record !== null && isNamed(by, record, key) ? [{ record, changedAt, changeId }] : [],
      );
      return [...untouched, ...own];
    },
    async misfits(misfit, key, values, limit) {
      const of = collectionOfMisfit(misfit);
      const changed = [...written.values()].filter(({ collection }) => collection === of);
      const stored = await misfits(pool, userId, misfit, key, values, limit + changed.length);
      const untouched = stored.filter((record) => !written.has(placeOf(of, keyOf(of, record as never))));
      const own = changed.flatMap(({ record }) => (record === null ? [] : [record]));
      return [...untouched.slice(0, limit), ...own.filter((record) => isUnder(of, record, key))];
    },
    async readAbove(collection, ids, limit) {
      const above = await idsAbove(pool, userId, collection, ids, limit);
      const places = above
        .map((key) => ({ collection, key }))
        .filter(({ key }) => !fetched.has(placeOf(collection, key)));
      if (places.length === 0) return;
      const [reading] = await readLogged(pool, [{ userId, places }]);
      for (const each of places) fetched.add(placeOf(each.collection, each.key));
      for (const [place, each] of reading!.logged) known.set(place, each);
    },
    put(collection, key, record, origin, parts = null) {
      const revision = at + ++moved;
      written.set(placeOf(collection, key), { collection, key, record, revision, parts, ...origin });
      return revision;
    },
  };
}
