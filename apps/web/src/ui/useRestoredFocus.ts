import { useEffect } from 'react';

/** What had the focus, as a person would tell it apart: its kind and its words, or its own mark. */
type Focused = { tag: string; words: string; id: string };

let left: Focused | null = null;

const wordsOf = (node: Element): string => node.getAttribute('aria-label') ?? node.textContent ?? '';

/** To be called before going to another address of the same screen: what has the focus will have it there again. */
export function saveFocus(): void {
  const node = document.activeElement;
  left = node === null || node === document.body ? null : { tag: node.tagName, words: wordsOf(node), id: node.id };
}

/** Gives the focus back, on a screen that its own controls lead to. */
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
