import { useDeferredValue } from 'react';

/**
 * What many things come to together, a moment after a tap on one of them, which is painted first. Where something else is
 * shown, as `what` tells, it is told at once: figures never stand beside the name of something else.
 */
export function useDeferredKeyed<T>(value: T, what: string): T {
  const later = useDeferredValue(value);
  const ofWhat = useDeferredValue(what);
  return ofWhat === what ? later : value;
}
