import { startTransition, useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';

/** The window moves in steps, so that most scrolling renders nothing. */
const STEP_PX = 120;
/** Overscan. */
const AHEAD_PX = 120;

export type Seen = { left: number; right: number; top: number; bottom: number };

/** What is rendered: the first of the viewport, the viewport, or the viewport with overscan. */
type Stage = 'first' | 'seen' | 'around';

/** A scroll position and what is rendered there. */
type At = { x: number; y: number; stage: Stage };

const isSameWindow = (a: At, b: At): boolean => a.x === b.x && a.y === b.y && a.stage === b.stage;

/**
 * Windowing of a grid that scrolls both ways: the part of the content to render. The first rendering, and a jump to where nothing is
 * rendered, go in stages (transitions, a frame each): the first of the viewport (`isFirst`), the viewport, then the overscan.
 */
export function useWindowed() {
  const box = useRef<HTMLElement | null>(null);
  const [size, setSize] = useState({ widthPx: 0, heightPx: 0 });
  const [at, setAt] = useState<At>({ x: 0, y: 0, stage: 'first' });
  const drawn = useRef<Seen>({ left: 0, right: 0, top: 0, bottom: 0 });
  const look = useCallback((): void => {
    const node = box.current;
    if (!node) return;
    const { scrollLeft: x, scrollTop: y } = node;
    const { left, right, top, bottom } = drawn.current;
    const isFar = x > right || x + node.clientWidth < left || y > bottom || y + node.clientHeight < top;
    const next: At = isFar ? { x, y, stage: 'first' } : { x: stepped(x), y: stepped(y), stage: 'around' };
    // A rendering in stages continues.
    const isGoing = ({ stage }: At): boolean => stage !== 'around' && !isFar;
    const move = (): void => setAt((before) => (isSameWindow(before, next) || isGoing(before) ? before : next));
    if (isFar) startTransition(move);
    else move();
  }, []);
  const measure = useCallback((): void => {
    const node = box.current;
    if (!node) return;
    // Without its scrollbars, where they take room.
    const { clientWidth: widthPx, clientHeight: heightPx } = node;
    startTransition(() =>
      setSize((before) =>
        before.widthPx === widthPx && before.heightPx === heightPx ? before : { widthPx, heightPx },
      ),
    );
  }, []);
  // At once the first time: a resize observer would take another frame.
  useLayoutEffect(measure, [measure]);
  const { left, right, top, bottom } = seenFrom(at, size);
  useEffect(() => {
    drawn.current = { left, right, top, bottom };
  }, [left, right, top, bottom]);
  const isWaiting = at.stage !== 'around' && size.widthPx > 0;
  useEffect(() => {
    if (!isWaiting) return;
    const frame = requestAnimationFrame(() => {
      if (at.stage === 'first') {
        startTransition(() => setAt((now) => (now === at ? { ...at, stage: 'seen' } : now)));
        return;
      }
      // It may have scrolled meanwhile.
      const { scrollLeft = 0, scrollTop = 0 } = box.current ?? {};
      startTransition(() => setAt({ x: stepped(scrollLeft), y: stepped(scrollTop), stage: 'around' }));
    });
    return () => cancelAnimationFrame(frame);
  }, [isWaiting, at]);
  return { box, size, seen: { left, right, top, bottom }, isFirst: at.stage === 'first', look, measure };
}

const stepped = (px: number): number => Math.floor(px / STEP_PX) * STEP_PX;

/** The rectangle to render. */
function seenFrom({ x, y, stage }: At, { widthPx, heightPx }: { widthPx: number; heightPx: number }): Seen {
  if (stage !== 'around') return { left: x, right: x + widthPx, top: y, bottom: y + heightPx };
  return {
    left: x - AHEAD_PX,
    right: x + STEP_PX + widthPx + AHEAD_PX,
    top: y - AHEAD_PX,
    bottom: y + STEP_PX + heightPx + AHEAD_PX,
  };
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
