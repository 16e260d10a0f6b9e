import { useEffect, useRef } from 'react';

type Deeds = {
  /** The clipboard of cells; null while it is empty. */
  copied: () => string | null;
  onPaste: (text: string) => void;
};

/** Whether a press may read what was copied; a browser allows it only over a safe connection. */
export const canReadClipboard = (): boolean => typeof navigator.clipboard?.readText === 'function';

/** Copying and pasting by keyboard while the focus is on a cell of a board; a field in it keeps its own. */
export function useClipboard(box: React.RefObject<HTMLElement | null>, deeds: Deeds): void {
  const latest = useRef(deeds);
  useEffect(() => {
    latest.current = deeds;
  });
  useEffect(() => {
    const node = box.current;
    if (!node) return;
    const isCell = (): boolean => (document.activeElement as HTMLElement | null)?.dataset.day !== undefined;
    const copy = (event: ClipboardEvent): void => {
      const text = isCell() ? latest.current.copied() : null;
      if (text === null) return;
      event.clipboardData?.setData('text/plain', text);
      event.preventDefault();
    };
    const paste = (event: ClipboardEvent): void => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (!isCell() || text === '') return;
      event.preventDefault();
      latest.current.onPaste(text);
    };
    node.addEventListener('copy', copy);
    node.addEventListener('paste', paste);
    return () => {
      node.removeEventListener('copy', copy);
      node.removeEventListener('paste', paste);
    };
  }, [box]);
}
