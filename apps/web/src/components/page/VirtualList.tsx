import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';

/** Where the lines begin inside of what scrolls, however deep they lie in it; follows whatever above them grows. */
function useTopPx(list: RefObject<HTMLElement | null>, scroll: RefObject<HTMLElement | null>): number {
  const [topPx, setTopPx] = useState(0);
  useEffect(() => {
    const [own, around] = [list.current, scroll.current];
    const content = around?.firstElementChild;
    if (!own || !around || !content) return;
    const measure = (): void =>
      setTopPx(Math.round(own.getBoundingClientRect().top - around.getBoundingClientRect().top + around.scrollTop));
    const watching = new ResizeObserver(measure);
    watching.observe(content);
    measure();
    return () => watching.disconnect();
  }, [list, scroll]);
  return topPx;
}

/** A long list of which only what is near the screen is laid out; it scrolls with everything around it. */
export function VirtualList<R>({
  rows,
  keyOf,
  roughPx,
  scroll,
  wanted = null,
  onThere,
  children,
}: {
  rows: readonly R[];
  keyOf: (row: R) => string | number;
  /** How tall a line is before it is laid out. */
  roughPx: (row: R) => number;
  /** What scrolls. */
  scroll: RefObject<HTMLElement | null>;
  /** The place of a line that is to come to the top; `onThere` is told once it does. */
  wanted?: number | null;
  onThere?: () => void;
  children: (row: R) => ReactNode;
}) {
  const list = useRef<HTMLDivElement>(null);
  const topPx = useTopPx(list, scroll);
  // Nothing here is handed on to what is memoised.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: (index) => roughPx(rows[index]!),
    getItemKey: (index) => keyOf(rows[index]!),
    overscan: 3,
    scrollMargin: topPx,
  });
  useEffect(() => {
    // Where the lines begin is known a moment after they are there.
    if (wanted === null || topPx === 0) return;
    virtual.scrollToIndex(wanted, { align: 'start' });
    onThere?.();
  }, [wanted, topPx, virtual, onThere]);
  return (
    <div ref={list} style={{ position: 'relative', height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ key, index, start }) => (
        <div
          key={key}
          data-index={index}
          ref={virtual.measureElement}
          style={{ position: 'absolute', top: 0, left: 0, right: 0, transform: `translateY(${start - topPx}px)` }}
        >
          {children(rows[index]!)}
        </div>
      ))}
    </div>
  );
}
