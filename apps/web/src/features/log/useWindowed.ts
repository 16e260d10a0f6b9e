import { startTransition, useCallback, useEffect, useRef, useState } from 'react';

/** What is drawn moves on in steps, so that most scrolling changes nothing. */
const STEP_PX = 120;
/** How far beyond the edges is drawn already. */
const AHEAD_PX = 120;

export type Seen = { left: number; right: number; top: number; bottom: number };

/**
 * A box that scrolls both ways, and the part of its content to be drawn. What is drawn when the box is first seen, or after a
 * jump to where nothing is drawn yet, is made bit by bit: a tap or a key comes in between.
 */
export function useWindowed() {
  const box = useRef<HTMLElement | null>(null);
  const [size, setSize] = useState({ widthPx: 0, heightPx: 0 });
  const [at, setAt] = useState({ x: 0, y: 0 });
  const drawn = useRef<Seen>({ left: 0, right: 0, top: 0, bottom: 0 });
  const look = useCallback((): void => {
    const node = box.current;
    if (!node) return;
    const x = Math.floor(node.scrollLeft / STEP_PX) * STEP_PX;
    const y = Math.floor(node.scrollTop / STEP_PX) * STEP_PX;
    const move = (): void => setAt((before) => (before.x === x && before.y === y ? before : { x, y }));
    const { left, right, top, bottom } = drawn.current;
    const isFar = x > right || x + node.clientWidth < left || y > bottom || y + node.clientHeight < top;
    if (isFar) startTransition(move);
    else move();
  }, []);
  const measure = useCallback((widthPx: number, heightPx: number): void => {
    startTransition(() =>
      setSize((before) =>
        before.widthPx === widthPx && before.heightPx === heightPx ? before : { widthPx, heightPx },
      ),
    );
  }, []);
  const seen: Seen = {
    left: at.x - AHEAD_PX,
    right: at.x + STEP_PX + size.widthPx + AHEAD_PX,
    top: at.y - AHEAD_PX,
    bottom: at.y + STEP_PX + size.heightPx + AHEAD_PX,
  };
  const { left, right, top, bottom } = seen;
  useEffect(() => {
    drawn.current = { left, right, top, bottom };
  }, [left, right, top, bottom]);
  return { box, size, seen, look, measure };
}

/** The items that lie at least partly between two edges; `startOf` ascends. */
export function within<T>(
  items: readonly T[],
  startOf: (item: T) => number,
  sizePx: number,
  from: number,
  to: number,
): T[] {
  let low = 0;
  let high = items.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (startOf(items[middle]!) + sizePx < from) low = middle + 1;
    else high = middle;
  }
  const first = low;
  while (low < items.length && startOf(items[low]!) <= to) low++;
  return items.slice(first, low);
}
