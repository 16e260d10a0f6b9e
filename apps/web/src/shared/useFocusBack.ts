import { useEffect, useState } from 'react';

/**
 * Gives the focus back, when this component goes, to what had it when it came: to the very element, or to the one that
 * has taken its place under the same id. Something else that has taken the focus meanwhile keeps it.
 */
export function useFocusBack(): void {
  const [before] = useState(() => (document.activeElement instanceof HTMLElement ? document.activeElement : null));
  useEffect(
    () => () => {
      // Once the page has settled: what is going away may still hold the focus.
      setTimeout(() => {
        const { activeElement } = document;
        if (before === null || before === document.body) return;
        if (activeElement !== null && activeElement !== document.body && activeElement.isConnected) return;
        const back = before.isConnected || before.id === '' ? before : document.getElementById(before.id);
        back?.focus({ preventScroll: true });
      });
    },
    [before],
  );
}
