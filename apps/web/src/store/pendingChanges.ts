import type { Change } from '@wimbel/contract';

/**
 * Changes that wait, in the order they were made. They may be many hundred thousand, and some are added and answered at a
 * time: so they are held in parts, and what comes or goes copies the parts that it touches and not all of them.
 */
export type Waiting = { readonly count: number; readonly parts: readonly (readonly Change[])[] };

/** A part takes more until it is as long as this. */
const PART = 500;

export const NONE_WAITING: Waiting = { count: 0, parts: [] };

export const waitingOf = (changes: readonly Change[]): Waiting => withMore(NONE_WAITING, changes);

/** All of them, in order. */
export const allWaiting = ({ parts }: Waiting): Change[] => parts.flat();

/** The first of them, at most `most`. */
export function firstWaiting({ parts }: Waiting, most: number): Change[] {
  const first: Change[] = [];
  for (const part of parts) {
    if (first.length >= most) break;
    first.push(...part.slice(0, most - first.length));
  }
  return first;
}

/** With changes behind those that wait already. */
export function withMore({ count, parts }: Waiting, changes: readonly Change[]): Waiting {
  if (changes.length === 0) return { count, parts };
  const last = parts.at(-1);
  const isRoom = last !== undefined && last.length + changes.length <= PART;
  if (isRoom) return { count: count + changes.length, parts: parts.with(-1, [...last, ...changes]) };
  const more = Array.from({ length: Math.ceil(changes.length / PART) }, (_, at) =>
    changes.slice(at * PART, (at + 1) * PART),
  );
  return { count: count + changes.length, parts: [...parts, ...more] };
}

/** Without those of some ids. */
export function withoutThese(waiting: Waiting, ids: Iterable<string>): Waiting {
  const gone = new Set(ids);
  let { count } = waiting;
  const parts: (readonly Change[])[] = [];
  for (const part of waiting.parts) {
    // Answers come in the order of what waits: behind the last that goes nothing is looked at.
    const left = gone.size === 0 ? part : part.filter(({ id }) => !gone.delete(id));
    count -= part.length - left.length;
    if (left.length > 0) parts.push(left);
  }
  return { count, parts };
}

/** Each as it is from now on. */
export const withEach = ({ count, parts }: Waiting, how: (change: Change) => Change): Waiting => ({
  count,
  parts: parts.map((part) => part.map(how)),
});
