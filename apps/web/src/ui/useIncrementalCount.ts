import { startTransition, useEffect, useState } from 'react';
import { yieldToMain } from '../platform/yieldToMain.ts';

/** So many more are drawn in one turn at most. */
const MOST = 40;

/**
 * How many of so many things are to be drawn: a first few at once, then what stands beside them (`isBegun`), then as many
 * again each time the page has had its turn, until all of them are; from then on all there are. `drawAll` does not wait for
 * that. Where the first few are all, what stands beside them comes at once; and once it is there it stays, however many
 * there come to be.
 */
export function useIncrementalCount(
  total: number,
  first: number,
): { drawn: number; isBegun: boolean; drawAll: () => void } {
  const [{ drawn, isBegun }, draw] = useState({ drawn: first, isBegun: first >= total });
  const isAll = drawn >= total;
  const isDone = isAll && isBegun;
  useEffect(() => {
    if (isDone) return;
    let isGone = false;
    const more = (): void =>
      draw((before) => ({
        drawn: before.isBegun ? before.drawn + Math.min(before.drawn, MOST) : before.drawn,
        isBegun: true,
      }));
    // What is drawn now is painted first: together they would hold the page up.
    const frame = requestAnimationFrame(() => {
      void yieldToMain().then(() => {
        if (!isGone) startTransition(more);
      });
    });
    return () => {
      isGone = true;
      cancelAnimationFrame(frame);
    };
  }, [drawn, isBegun, isDone]);
  const drawAll = (): void => draw((before) => ({ drawn: Math.max(before.drawn, total), isBegun: true }));
  return { drawn: isAll ? Infinity : drawn, isBegun, drawAll };
}
