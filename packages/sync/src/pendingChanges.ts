import type { Change } from '@wimbel/contract';

/**
 * Pending changes of the outbox, in order. There may be hundreds of thousands: they are stored in chunks, so that appending and
 * acknowledging copy only the chunks they touch.
 */
export type PendingChanges = { readonly count: number; readonly parts: readonly (readonly Change[])[] };

/** Chunk size. */
const CHUNK = 500;

/** No pending changes. */
export const NO_PENDING: PendingChanges = { count: 0, parts: [] };

/** Changes as pending ones. */
export const pendingOf = (changes: readonly Change[]): PendingChanges => withPending(NO_PENDING, changes);

/** All changes, in order. */
export const allPending = ({ parts }: PendingChanges): Change[] => parts.flat();

/** The first changes, at most `most`. */
export function firstPending({ parts }: PendingChanges, most: number): Change[] {
  const first: Change[] = [];
  for (const part of parts) {
    if (first.length >= most) break;
    first.push(...part.slice(0, most - first.length));
  }
  return first;
}

/** Appends changes. */
export function withPending({ count, parts }: PendingChanges, changes: readonly Change[]): PendingChanges {
  if (changes.length === 0) return { count, parts };
  const last = parts.at(-1);
  const isRoom = last !== undefined && last.length + changes.length <= CHUNK;
  if (isRoom) return { count: count + changes.length, parts: [...parts.slice(0, -1), [...last, ...changes]] };
  const more = Array.from({ length: Math.ceil(changes.length / CHUNK) }, (_, at) =>
    changes.slice(at * CHUNK, (at + 1) * CHUNK),
  );
  return { count: count + changes.length, parts: [...parts, ...more] };
}

/** Removes the changes with these ids. */
export function withoutPending(waiting: PendingChanges, ids: Iterable<string>): PendingChanges {
  const gone = new Set(ids);
  let { count } = waiting;
  const parts: (readonly Change[])[] = [];
  for (const part of waiting.parts) {
    // Answers come in order: chunks behind the last removed change are not scanned.
    const left = gone.size === 0 ? part : part.filter(({ id }) => !gone.delete(id));
    count -= part.length - left.length;
    if (left.length > 0) parts.push(left);
  }
  return { count, parts };
}

/** Maps every change. */
export const mapPending = ({ count, parts }: PendingChanges, how: (change: Change) => Change): PendingChanges => ({
  count,
  parts: parts.map((part) => part.map(how)),
});
