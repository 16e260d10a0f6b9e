import type { Logged } from './queries.ts';

/** How many of the changes that went into a record are known by their ids. */
const MOST_SEEN = 40;

/** The changes that went into a record of late, so that one that is sent again is known. */
export const seenWith = (held: Logged, changeId: string): string[] =>
  [...(held.parts?.seen ?? [held.changeId]), changeId].slice(-MOST_SEEN);
