import { useEffect, useRef, useState } from 'react';

/** What is typed between the key that opens a sheet and the moment its field can take it. */
export type TypedAhead = {
  /** The sheet was asked for: keys are kept from now on. */
  begin: () => void;
  /** What was typed since, once; from now on the field takes the keys itself. */
  take: () => string;
};

const isField = (node: Element | null): boolean => node instanceof HTMLInputElement;

/**
 * Keeps what somebody types while a sheet that they opened with a key is still coming, for its field: none of it is lost,
 * and none of it does anything to the page below. Escape gives the sheet up.
 */
export function useTypedAhead(onGivenUp: () => void): TypedAhead {
  const typed = useRef<string | null>(null);
  const latest = useRef(onGivenUp);
  useEffect(() => {
    latest.current = onGivenUp;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (typed.current === null) return;
      // Another sheet came instead, one without a field.
      const isOther = document.querySelector('[role=dialog]') !== null && !isField(document.activeElement);
      if (isOther) return void (typed.current = null);
      const isWithControl = event.ctrlKey || event.metaKey || event.altKey;
      if (event.key === 'Escape') {
        typed.current = null;
        latest.current();
      } else if (event.key === 'Backspace') typed.current = typed.current.slice(0, -1);
      else if (event.key.length === 1 && !isWithControl) typed.current += event.key;
      else if (event.key !== 'Enter') return;
      event.preventDefault();
      event.stopPropagation();
    };
    document.addEventListener('keydown', press, true);
    return () => document.removeEventListener('keydown', press, true);
  }, []);
  const [typedAhead] = useState<TypedAhead>(() => ({
    begin: () => void (typed.current = ''),
    take: () => {
      const taken = typed.current ?? '';
      typed.current = null;
      return taken;
    },
  }));
  return typedAhead;
}
