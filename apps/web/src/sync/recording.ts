import type { Change } from '@wimbel/contract';
import { createContext, useContext } from 'react';

/** A step that grows with what is taken in; put back, all of it goes. */
type OpenStep = { take: (changes: readonly Change[]) => void; putBack: () => void };

export type Recording = {
  /** Takes changes in; they are one step of {@link Recording.takeBack}. Gives back the way to undo just these. */
  change: (...changes: Change[]) => () => void;
  /** Begins an undo step of many changes, applied in batches. */
  begin: () => OpenStep;
  /** Puts back what was changed last and not yet put back; false where there is nothing. */
  takeBack: () => boolean;
  dismissRefusal: (id: string) => void;
};

export const CanUndoContext = createContext(false);

/** Whether there is a step to put back. */
export const useCanUndo = (): boolean => useContext(CanUndoContext);

/** How changes are taken in; a test gives its own. */
export const RecordingContext = createContext<Recording>({
  change: () => () => {},
  begin: () => ({ take: () => {}, putBack: () => {} }),
  takeBack: () => false,
  dismissRefusal: () => {},
});

/** Takes in what the person changes. */
export const useRecording = (): Recording => useContext(RecordingContext);
