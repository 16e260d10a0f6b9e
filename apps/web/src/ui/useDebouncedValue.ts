import { useEffect, useState } from 'react';

/** Debounces a value by `delayMs`; `sameAs` identifies it, and a new `resetKey` skips the delay. */
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
