import { useEffect } from 'react';

/** Identifies the focused element across a navigation: tag and text, or id. */
type Focused = { tag: string; words: string; id: string };

let left: Focused | null = null;

const wordsOf = (node: Element): string => node.getAttribute('aria-label') ?? node.textContent ?? '';

/** Saves the focused element before navigating within the same screen. */
export function saveFocus(): void {
  const node = document.activeElement;
  left = node === null || node === document.body ? null : { tag: node.tagName, words: wordsOf(node), id: node.id };
}

/** Restores the saved focus on mount. */
export function useRestoredFocus(): void {
  useEffect(() => {
    const before = left;
    left = null;
    if (before === null || document.activeElement !== document.body) return;
    const same =
      (before.id === '' ? null : document.getElementById(before.id)) ??
      [...document.querySelectorAll<HTMLElement>(before.tag)].find(
        (node) => node.tabIndex >= 0 && wordsOf(node) === before.words,
      );
    same?.focus({ preventScroll: true });
  }, []);
}
