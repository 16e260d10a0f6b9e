import { useLayoutEffect, useRef } from 'react';

/** What is open over the page, the topmost last: Escape closes that alone. */
const open: symbol[] = [];

/** Closes what is over the page with Escape, from the moment it can be seen. */
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
      // Nothing below closes with it.
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
