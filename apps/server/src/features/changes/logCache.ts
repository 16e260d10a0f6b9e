import type { Change, Collection } from '@wimbel/contract';
import { LRUCache } from 'lru-cache';
import { type Logged, type Place, type Reading, type Writing, placeOf } from './queries.ts';

/** How many records are remembered, of all people together. */
const MOST_RECORDS = 20_000;
/** Of one person so many at most; one who checks off names no more of them in a day. */
const MOST_OF_ONE = 200;

/** A reading out of memory. Of the places in `presumed` nothing is known: they are taken to be empty. */
export type Recalled = Reading & { revision: number; presumed: Place[] };

/**
 * What was last read or written of a person's habits and entries, so that the next check-off needs no reading. It may be
 * out of date: whatever is decided by it holds only if it is then written at the very revision that is remembered.
 */
export type Memory = {
  /** What is known for changes that only mark days; null where too little is, or where they do more than that. */
  recall: (userId: string, changes: readonly Change[], places: readonly Place[]) => Recalled | null;
  /** Learns what stood at a revision. */
  learn: (userId: string, reading: Reading) => void;
  /** Takes over what was written on top of what is known. */
  wrote: (writing: Writing) => void;
  forget: (userId: string) => void;
};

type Known = { revision: number; logged: Map<string, Logged> };

const isRemembered = (collection: Collection): boolean => collection === 'habits' || collection === 'entries';

export function createMemory(): Memory {
  const people = new LRUCache<string, Known>({
    maxSize: MOST_RECORDS,
    sizeCalculation: ({ logged }) => Math.max(1, logged.size),
  });

  /** Keeps the newest records; those learnt longest ago go first. */
  function keep(userId: string, { revision, logged }: Known): void {
    for (const place of logged.keys()) {
      if (logged.size <= MOST_OF_ONE) break;
      logged.delete(place);
    }
    people.set(userId, { revision, logged });
  }

  return {
    recall(userId, changes, places) {
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
    learn(userId, { revision, logged }) {
      if (revision === null) return;
      const known = people.get(userId);
      if (known !== undefined && known.revision > revision) return;
      const all = known?.revision === revision ? new Map(known.logged) : new Map<string, Logged>();
      for (const [place, each] of logged) {
        if (isRemembered(place.slice(0, place.indexOf(' ')) as Collection)) all.set(place, each);
      }
      keep(userId, { revision, logged: all });
    },
    wrote({ userId, at, moved, writes }) {
      const known = people.get(userId);
      if (known?.revision !== at) {
        people.delete(userId);
        return;
      }
      const logged = new Map(known.logged);
      for (const { collection, key, ...each } of writes) {
        const place = placeOf(collection, key);
        logged.delete(place);
        if (isRemembered(collection)) logged.set(place, each);
      }
      keep(userId, { revision: at + moved, logged });
    },
    forget: (userId) => void people.delete(userId),
  };
}
