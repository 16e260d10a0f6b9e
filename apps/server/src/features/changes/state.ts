import { type Collection, type NamedBy, type RecordOf, isNamed, keyOf } from '@wimbel/contract';
import type { Pool } from 'pg';
import {
  type AnyRecord,
  type Logged,
  type Origin,
  type PartOrigins,
  type Place,
  type Reading,
  type Write,
  namedBy,
  placeOf,
  readLogged,
} from './queries.ts';

/**
 * A person's records as they are after the changes taken in so far: what the database has at one revision, under what is
 * still to be written. What is asked for is fetched once.
 */
export type State = {
  /** The revision of the records in the database. */
  at: number;
  /** How many revisions the writes take. */
  moved: () => number;
  writes: () => Write[];
  logged: (collection: Collection, key: string) => Promise<Logged | null>;
  record: <C extends Collection>(collection: C, key: string) => Promise<RecordOf<C> | null>;
  /** Records that name another, with who wrote them. */
  namedBy: (by: NamedBy, key: string) => Promise<(Origin & { record: AnyRecord })[]>;
  /** Takes a record in, or its removal (null); returns the revision it will have. */
  put: (
    collection: Collection,
    key: string,
    record: AnyRecord | null,
    origin: Origin,
    /** Who wrote which part of it; left out, all of it was written now. */
    parts?: PartOrigins,
  ) => number;
};

/** The state of a person's records at a revision, of which some places were read ahead. */
export function stateOf(
  pool: Pool,
  userId: string,
  at: number,
  places: readonly Place[],
  known: Reading['logged'],
): State {
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
    put(collection, key, record, origin, parts = null) {
      const revision = at + ++moved;
      written.set(placeOf(collection, key), { collection, key, record, revision, parts, ...origin });
      return revision;
    },
  };
}
