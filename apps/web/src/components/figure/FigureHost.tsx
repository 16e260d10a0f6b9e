import { type ReactNode, createContext, useContext, useState } from 'react';
import type { FigureQuery } from '../../text/figureQuery.ts';
import { lazySheet } from '../page/lazySheet.tsx';

const FigureSheet = lazySheet('FigureSheet');

const AskContext = createContext<(asked: FigureQuery) => void>(() => undefined);

/** Asks a figure what it is made of. */
export const useExplainFigure = (): ((asked: FigureQuery) => void) => useContext(AskContext);

/** Holds the sheet that explains a figure. */
export function FigureHost({ onGo, children }: { onGo: (path: string) => void; children: ReactNode }) {
  const [asked, setAsked] = useState<FigureQuery | null>(null);
  return (
    <AskContext.Provider value={setAsked}>
      {children}
      {asked === null ? null : (
        <FigureSheet
          asked={asked}
          onClose={() => setAsked(null)}
          onGo={(path) => {
            setAsked(null);
            onGo(path);
          }}
        />
      )}
    </AskContext.Provider>
  );
}
