import { type ReactNode, createContext, useContext, useState } from 'react';
import type { Asked } from '../../text/figureQuery.ts';
import { later } from '../page/lazySheet.tsx';

const FigureSheet = later(() => import('./FigureSheet.tsx').then((module) => module.FigureSheet));

const AskContext = createContext<(asked: Asked) => void>(() => undefined);

/** Asks a figure what it is made of. */
export const useAsk = (): ((asked: Asked) => void) => useContext(AskContext);

/** Holds the sheet in which a figure that was asked is told. */
export function FigureHost({ onGo, children }: { onGo: (path: string) => void; children: ReactNode }) {
  const [asked, setAsked] = useState<Asked | null>(null);
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
