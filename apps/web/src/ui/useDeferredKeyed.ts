import { useDeferredValue } from 'react';

/**
 * Defers `value` until the tap is painted (`useDeferredValue`), except when `what`, its key, changes: figures never show beside
 * another title.
 */
export function useDeferredKeyed<T>(value: T, what: string): T {
  const later = useDeferredValue(value);
  const ofWhat = useDeferredValue(what);
  return ofWhat === what ? later : value;
}
