import { type ReactNode, createContext, useContext, useEffect, useMemo, useState } from 'react';
import { useTypeAhead } from '../../ui/useTypeAhead.ts';
import { lazySheet } from '../page/lazySheet.tsx';

const FindSheet = lazySheet('FindSheet');

const FindContext = createContext<() => void>(() => undefined);

/** Opens the field that finds everything by its name. */
export const useFind = (): (() => void) => useContext(FindContext);

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Holds the field that finds everything, and hears the keys that open it: / and Ctrl K. */
export function FindHost({ onGo, children }: { onGo: (path: string) => void; children: ReactNode }) {
  const [isOpen, setIsOpen] = useState(false);
  const open = useMemo(() => () => setIsOpen(true), []);
  const typedAhead = useTypeAhead(() => setIsOpen(false));
  const close = (): void => {
    // Keys that were kept for a field which goes before it could take them.
    typedAhead.take();
    setIsOpen(false);
  };
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const isSlash =
        event.key === '/' && !event.ctrlKey && !event.metaKey && !event.altKey && !isWriting(event.target);
      const isCtrlK = event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey) && !event.shiftKey;
      // Over an open sheet nothing else is opened.
      if ((!isSlash && !isCtrlK) || document.querySelector('[role=dialog]') !== null) return;
      event.preventDefault();
      typedAhead.begin();
      setIsOpen(true);
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, [typedAhead]);
  return (
    <FindContext.Provider value={open}>
      {children}
      {isOpen ? (
        <FindSheet
          takeTyped={typedAhead.take}
          onClose={close}
          onGo={(path) => {
            close();
            onGo(path);
          }}
        />
      ) : null}
    </FindContext.Provider>
  );
}
