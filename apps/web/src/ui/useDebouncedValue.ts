import { useEffect, useLayoutEffect, useRef, useState } from 'react';

/** The value as it was a moment ago; at once where `resetKey` is another. */
export function useDebouncedValue<V>(value: V, sameAs: string, resetKey: string, delayMs: number): V {
  const [held, setHeld] = useState({ value, sameAs, resetKey });
  if (held.resetKey !== resetKey) setHeld({ value, sameAs, resetKey });
  useEffect(() => {
    if (held.sameAs === sameAs) return;
    const timer = setTimeout(() => setHeld({ value, sameAs, resetKey }), delayMs);
    return () => clearTimeout(timer);
  }, [held, value, sameAs, resetKey, delayMs]);
  return held.resetKey === resetKey ? held.value : value;
}

const SETTLE_MS = 260;

/** Lets an element glide to its new place when the order of its siblings changes; not where motion is unwanted. */
export function useReorderTransition(place: number) {
  const element = useRef<HTMLElement | null>(null);
  const topPx = useRef<number | null>(null);
  useLayoutEffect(() => {
    const node = element.current;
    if (!node) return;
    const before = topPx.current;
    if (before === null) {
      // Once it has been drawn the answer is there; asked for now, the page would be laid out for each row.
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
