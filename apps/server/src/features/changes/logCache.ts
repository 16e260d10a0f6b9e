import type { Change, Collection } from '@wimbel/contract';
import { LRUCache } from 'lru-cache';
import { type Logged, type Place, type Reading, type Writing, placeOf } from './queries.ts';

/** Capacity in records, over all accounts. */
const MOST_RECORDS = 20_000;
/** Capacity per account; a day's check-offs need fewer. */
const MOST_OF_ONE = 200;

/** A cached reading. Nothing is cached of the places in `presumed`: they are taken to be empty. */
type CachedReading = Reading & { revision: number; presumed: Place[] };

/**
 * Cache of the change log's rows of habits and entries, so that a check-off needs no read. It may be stale: a decision made by
 * it holds only if the write then finds the cached revision (optimistic locking).
 */
export type LogCache = {
  /** The reading for changes that only mark days; null for others, and where the cache does not hold what they need. */
  read: (userId: string, changes: readonly Change[], places: readonly Place[]) => CachedReading | null;
  /** Stores what was read at a revision. */
  store: (userId: string, reading: Reading) => void;
  /** Applies a committed write to the cached rows. */
  applyWrite: (writing: Writing) => void;
  invalidate: (userId: string) => void;
};

type Known = { revision: number; logged: Map<string, Logged> };

const isCached = (collection: Collection): boolean => collection === 'habits' || collection === 'entries';

export function createLogCache(): LogCache {
  const people = new LRUCache<string, Known>({
    maxSize: MOST_RECORDS,
    sizeCalculation: ({ logged }) => Math.max(1, logged.size),
  });

  /** Caches the newest rows of an account; evicts the oldest first. */
  function keep(userId: string, { revision, logged }: Known): void {
    for (const place of logged.keys()) {
      if (logged.size <= MOST_OF_ONE) break;
      logged.delete(place);
    }
    people.set(userId, { revision, logged });
  }

  return {
    read(userId, changes, places) {
      const known = people.get(userId);
      if (known === undefined) return null;
      if (changes.some(({ collection, record }) => collection !== 'entries' || record === null)) return null;
      const presumed: Place[] = [];
      for (const place of places) {
        if (known.logged.has(placeOf(place.collection, place.key))) continue;
        if (place.collection !== 'entries') return null;
        presumed.push(place);
      }
      return { revision: known.revision, logged: new Map(known.logged), presumed };
    },
    store(userId, { revision, logged }) {
      if (revision === null) return;
      const known = people.get(userId);
      if (known !== undefined && known.revision > revision) return;
      const all = known?.revision === revision ? new Map(known.logged) : new Map<string, Logged>();
      for (const [place, each] of logged) {
        if (isCached(place.slice(0, place.indexOf(' ')) as Collection)) all.set(place, each);
      }
      keep(userId, { revision, logged: all });
    },
    applyWrite({ userId, at, moved, writes }) {
      const known = people.get(userId);
      if (known?.revision !== at) {
        people.delete(userId);
        return;
      }
      const logged = new Map(known.logged);
      for (const { collection, key, ...each } of writes) {
        const place = placeOf(collection, key);
        logged.delete(place);
        if (isCached(collection)) logged.set(place, each);
      }
      keep(userId, { revision: at + moved, logged });
    },
    invalidate: (userId) => void people.delete(userId),
  };
}
