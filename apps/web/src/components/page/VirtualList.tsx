import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useEffectEvent, useRef, useState } from 'react';

/** Offset of the list's top in its scroll container; follows layout changes above the list. */
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

/** Virtual list inside a scroll container that it shares with other content: only rows near the viewport are rendered. */
export function VirtualList<R>({
  rows,
  keyOf,
  roughPx,
  scroll,
  wanted = null,
  onThere,
  onEndNear,
  children,
}: {
  rows: readonly R[];
  keyOf: (row: R) => string | number;
  /** Estimated height of a row until it is measured. */
  roughPx: (row: R) => number;
  /** The scroll container. */
  scroll: RefObject<HTMLElement | null>;
  /** Index of a row to scroll to the top; `onThere` is called once it is. */
  wanted?: number | null;
  onThere?: () => void;
  /** Called while the last row is rendered: more rows can be appended. */
  onEndNear?: () => void;
  children: (row: R) => ReactNode;
}) {
  const list = useRef<HTMLDivElement>(null);
  const topPx = useTopPx(list, scroll);
  // Nothing here is passed to memoised components.
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
    // The list's offset is measured after the first render.
    if (wanted === null || topPx === 0) return;
    virtual.scrollToIndex(wanted, { align: 'start' });
    onThere?.();
  }, [wanted, topPx, virtual, onThere]);
  const items = virtual.getVirtualItems();
  const last = rows.at(-1);
  const lastKey = last !== undefined && items.at(-1)?.index === rows.length - 1 ? keyOf(last) : null;
  const announceEnd = useEffectEvent(() => onEndNear?.());
  useEffect(() => {
    // Once for each last row: again after more rows were appended, and after other rows took their place.
    if (lastKey !== null) announceEnd();
  }, [lastKey]);
  return (
    <div ref={list} style={{ position: 'relative', height: virtual.getTotalSize() }}>
      {items.map(({ key, index, start }) => (
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
