import { useEffect, useRef, useState } from 'react';

/** Keys that came before their field: a text, and the Enter that ended it. */
export type Typed = { text: string; entered: { isWithControl: boolean } | null };

/** What is typed between the key that opens a sheet and the moment its field can take it. */
export type TypeAhead = {
  /** The sheet was asked for: keys are kept from now on. */
  begin: () => void;
  /** What was typed since, once; from now on the field takes the keys itself. `null` where nothing was kept. */
  take: () => Typed | null;
};

/**
 * Keeps what somebody types while a sheet that they opened with a key is still coming, for its field: none of it is lost,
 * and none of it does anything to the page below. Escape gives the sheet up.
 */
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
      // Another sheet came instead, one without a field.
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
      // What comes after Enter is meant for nothing that is there yet.
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
