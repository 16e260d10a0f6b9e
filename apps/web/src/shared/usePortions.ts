import { startTransition, useEffect, useState } from 'react';
import { otherWork } from './otherWork.ts';

/** So many more are drawn in one turn at most. */
const MOST = 40;

/**
 * How many of so many things are to be drawn: a first few at once, then as many again each time the page has had its turn,
 * until all of them are; from then on all there are. `drawAll` does not wait for that. `isBegun` tells whether there was room
 * for what stands beside them: once it is so it stays, however many there come to be.
 */
export function usePortions(total: number, first: number): { drawn: number; isBegun: boolean; drawAll: () => void } {
  const [drawn, setDrawn] = useState(first);
  const [begin] = useState({ first, isWhole: first >= total });
  const isAll = drawn >= total;
  const isBegun = begin.isWhole || isAll || drawn > begin.first;
  useEffect(() => {
    if (isAll) return;
    let isGone = false;
    // What is drawn now is painted first: together they would hold the page up.
    const frame = requestAnimationFrame(() => {
      void otherWork().then(() => {
        if (!isGone) startTransition(() => setDrawn((before) => before + Math.min(before, MOST)));
      });
    });
    return () => {
      isGone = true;
      cancelAnimationFrame(frame);
    };
  }, [drawn, isAll]);
  return { drawn: isAll ? Infinity : drawn, isBegun, drawAll: () => setDrawn((before) => Math.max(before, total)) };
}
