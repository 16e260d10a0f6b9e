import { useEffect, useState } from 'react';

/** What is to have the focus back in a moment: what comes in between gives it back in its turn. */
let due: HTMLElement | null = null;

function withFocus(): HTMLElement | null {
  const { activeElement } = document;
  return activeElement instanceof HTMLElement && activeElement !== document.body ? activeElement : due;
}

/**
 * Gives the focus back, when this component goes, to what had it when it came: to the very element, or to the one that
 * has taken its place under the same id. Something else that has taken the focus meanwhile keeps it.
 */
export function useReturnFocus(): void {
  const [before] = useState(withFocus);
  useEffect(
    () => () => {
      due = before;
      // Once the page has settled: what is going away may still hold the focus.
      setTimeout(() => {
        if (due === before) due = null;
        const { activeElement } = document;
        if (before === null) return;
        if (activeElement !== null && activeElement !== document.body && activeElement.isConnected) return;
        const back = before.isConnected || before.id === '' ? before : document.getElementById(before.id);
        back?.focus({ preventScroll: true });
      });
    },
    [before],
  );
}
