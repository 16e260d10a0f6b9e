import { startTransition, useEffect, useState } from 'react';
import { otherWork } from './otherWork.ts';

/**
 * How many of so many things are to be drawn: a first few at once, then some more each time the page has had its turn, until
 * all of them are; from then on all there are.
 */
export function usePortions(total: number, first: number, more: number): number {
  const [drawn, setDrawn] = useState(first);
  const isAll = drawn >= total;
  useEffect(() => {
    if (isAll) return;
    let isGone = false;
    void otherWork().then(() => {
      if (!isGone) startTransition(() => setDrawn((before) => before + more));
    });
    return () => void (isGone = true);
  }, [drawn, isAll, more]);
  return isAll ? Infinity : drawn;
}
