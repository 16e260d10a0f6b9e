import { useLayoutEffect, useRef } from 'react';

/** Stack of open overlays; Escape closes the topmost. */
const open: symbol[] = [];

/** Calls `close` on Escape while the overlay is the topmost. */
export function useEscape(onClose: () => void): void {
  const latest = useRef(onClose);
  useLayoutEffect(() => {
    latest.current = onClose;
  });
  useLayoutEffect(() => {
    const me = Symbol('open');
    open.push(me);
    const letGo = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || open.at(-1) !== me) return;
      // Overlays below stay open.
      event.stopPropagation();
      latest.current();
    };
    document.addEventListener('keyup', letGo, true);
    return () => {
      document.removeEventListener('keyup', letGo, true);
      open.splice(open.indexOf(me), 1);
    };
  }, []);
}
