import { useEffect, useRef, useState } from 'react';

/** Keys typed before the field was ready: text, and Enter if it was pressed. */
export type Typed = { text: string; entered: { isWithControl: boolean } | null };

/** Buffer of keys between opening a sheet and its field's focus. */
export type TypeAhead = {
  /** Starts buffering. */
  begin: () => void;
  /** Takes the buffer and stops buffering; null where nothing was typed. */
  take: () => Typed | null;
};

/** Buffers keys typed while a sheet opened by a key is loading; none is lost or reaches the page below. Escape cancels. */
export function useTypeAhead(onGivenUp: () => void): TypeAhead {
  const typed = useRef<Typed | null>(null);
  const latest = useRef(onGivenUp);
  useEffect(() => {
    latest.current = onGivenUp;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const kept = typed.current;
      if (kept === null) return;
      // Another sheet opened, without a field.
      const sheets = [...document.querySelectorAll('[role=dialog]')];
      if (sheets.length > 0 && !sheets.some((sheet) => sheet.querySelector('input')))
        return void (typed.current = null);
      const isWithControl = event.ctrlKey || event.metaKey || event.altKey;
      const isCharacter = event.key.length === 1 && !isWithControl;
      if (event.key === 'Escape') {
        typed.current = null;
        latest.current();
      } else if (event.key === 'Enter') kept.entered ??= { isWithControl };
      else if (event.key !== 'Backspace' && !isCharacter) return;
      // Keys after Enter are dropped.
      else if (kept.entered === null) kept.text = isCharacter ? kept.text + event.key : kept.text.slice(0, -1);
      event.preventDefault();
      event.stopPropagation();
    };
    document.addEventListener('keydown', press, true);
    return () => document.removeEventListener('keydown', press, true);
  }, []);
  const [typedAhead] = useState<TypeAhead>(() => ({
    begin: () => void (typed.current = { text: '', entered: null }),
    take: () => {
      const taken = typed.current;
      typed.current = null;
      return taken;
    },
  }));
  return typedAhead;
}
