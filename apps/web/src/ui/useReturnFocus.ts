import { useEffect, useState } from 'react';

/** Element about to regain the focus; an overlay that opens meanwhile returns it in turn. */
let due: HTMLElement | null = null;

function withFocus(): HTMLElement | null {
  const { activeElement } = document;
  return activeElement instanceof HTMLElement && activeElement !== document.body ? activeElement : due;
}

/**
 * Returns the focus on unmount to the element that had it on mount, or to the one that replaced it under the same id. An element
 * that was focused meanwhile keeps the focus.
 */
export function useReturnFocus(): void {
  const [before] = useState(withFocus);
  useEffect(
    () => () => {
      due = before;
      // After unmount: the removed element may still hold the focus.
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
