import type { Sync } from '@wimbel/sync';
import { type RefObject, startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { isSample } from '../store/accountSlice.ts';
import { withFirstTerms } from '../store/firstTerms.ts';
import { refusalDismissed } from '../store/outboxSlice.ts';
import type { Store } from '../store/store.ts';
import { type Step, undoChanges } from '../store/undo.ts';
import { requestPersistentStorage } from './persistentStorage.ts';
import type { Recording } from './recording.ts';

/** How many steps back are remembered. */
const STEPS_BACK = 100;

/** How much of a large step is put back at once. */
const BACK_AT_ONCE = 400;

/** Records changes through the sync engine and keeps the undo steps of an account. `canUndo` is whether there is one. */
export function useUndoSteps(
  store: Store,
  sync: RefObject<Sync | null>,
  accountId: string | null,
): { recording: Recording; canUndo: boolean } {
  const steps = useRef<Step[]>([]);
  // Of whom there is a step to put back.
  const [undoable, setUndoable] = useState<string | null>(null);
  const canUndo = accountId !== null && undoable === accountId;
  useEffect(() => {
    steps.current = [];
  }, [accountId]);

  const recording = useMemo<Recording>(() => {
    const putBack = (step: Step): boolean => {
      const at = steps.current.indexOf(step);
      if (at < 0) return false;
      steps.current.splice(at, 1);
      if (steps.current.length === 0) setUndoable(null);
      // Of a large step some at once: the page stays free in between.
      const back = (): void => {
        sync.current?.change(undoChanges(store.getState().records, step.splice(-BACK_AT_ONCE)));
        if (step.length > 0) setTimeout(back);
      };
      back();
      return true;
    };
    const begin = (step: Step): void => {
      const { account } = store.getState().account;
      if (account !== null && !isSample(account)) requestPersistentStorage();
      steps.current.push(step);
      if (steps.current.length > STEPS_BACK) steps.current.shift();
      // The key that undoes may come a moment after what it undoes.
      startTransition(() => setUndoable(account?.id ?? null));
    };
    return {
      change: (...wanted) => {
        const { records } = store.getState();
        const step: Step = sync.current?.change([...withFirstTerms(records, wanted)]) ?? [];
        if (step.length > 0) begin(step);
        return () => void putBack(step);
      },
      begin: () => {
        const step: Step = [];
        begin(step);
        return {
          take: (wanted) => {
            const { records } = store.getState();
            step.push(...(sync.current?.change([...withFirstTerms(records, wanted)]) ?? []));
          },
          putBack: () => void putBack(step),
        };
      },
      takeBack: () => {
        // What is still being brought in is stopped where it is shown; put back halfway, the rest of it would come after.
        if (store.getState().outbox.isImporting) return false;
        const last = steps.current.at(-1);
        return last !== undefined && putBack(last);
      },
      dismissRefusal: (id) => {
        store.dispatch(refusalDismissed({ id }));
        void sync.current?.dismiss(id);
      },
    };
  }, [store, sync]);
  return { recording, canUndo };
}
