import { useLayoutEffect, useRef } from 'react';

const SETTLE_MS = 260;

/** Animates an element to its new position when its siblings are reordered (FLIP); not with reduced motion. */
export function useReorderTransition(place: number) {
  const element = useRef<HTMLElement | null>(null);
  const topPx = useRef<number | null>(null);
  useLayoutEffect(() => {
    const node = element.current;
    if (!node) return;
    const before = topPx.current;
    if (before === null) {
      // Read after paint: reading now would force a layout per row.
      const asking = requestAnimationFrame(() => setTimeout(() => (topPx.current ??= node.offsetTop)));
      return () => cancelAnimationFrame(asking);
    }
    topPx.current = node.offsetTop;
    if (before === node.offsetTop || !node.animate) return;
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    node.animate([{ transform: `translateY(${before - node.offsetTop}px)` }, { transform: 'none' }], {
      duration: SETTLE_MS,
      easing: 'ease-out',
    });
  }, [place]);
  return (node: unknown): void => {
    element.current = node as HTMLElement | null;
  };
}
