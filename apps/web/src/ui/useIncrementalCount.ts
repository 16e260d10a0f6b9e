import { startTransition, useEffect, useState } from 'react';
import { yieldToMain } from '../platform/yieldToMain.ts';

/** Largest step. */
const MOST = 40;

/**
 * Incremental rendering of a list that is not virtual: how many of `total` items to render now. Starts with `first`, then sets
 * `isBegun` (what stands beside the list may render), then doubles after each paint until all are rendered. `drawAll` skips the
 * steps. Where `total` ≤ `first`, `isBegun` is true at once; it never returns to false.
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
    // After the current frame is painted.
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
