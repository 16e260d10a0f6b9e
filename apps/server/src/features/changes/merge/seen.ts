import type { Logged } from '../queries.ts';

/** How many ids of merged changes a record remembers. */
const MOST_SEEN = 40;

/** The ids of the last changes merged into a record, for idempotency. */
export const seenWith = (held: Logged, changeId: string): string[] =>
  [...(held.parts?.seen ?? [held.changeId]), changeId].slice(-MOST_SEEN);
