import type { Change } from '@wimbel/contract';
import type { Sync } from '@wimbel/sync';
import {
  createContext,
  type ReactNode,
  startTransition,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { Provider, useStore } from 'react-redux';
import { api } from '../platform/api.ts';
import { accountLeft } from '../platform/accountLeft.ts';
import { forgetDrafts } from '../platform/formDraft.ts';
import { deviceNow, subscribeToClock } from '../platform/clock.ts';
import { yieldToMain } from '../platform/yieldToMain.ts';
import { accountElsewhere, isSample, serverUnreachable, signedIn, signedOut } from '../store/accountSlice.ts';
import { requestPersistentStorage } from './persistentStorage.ts';
import { dayByClock, dayTurned } from '../store/clockSlice.ts';
import { refusalDismissed } from '../store/outboxSlice.ts';
import { whenLeader } from './leaderTab.ts';
import { clearDeviceData } from './deviceData.ts';
import { accountOfDevice, keepAccountOfDevice } from './deviceAccount.ts';
import { openOutboxStore } from './outboxStore.ts';
import { type Live, openLive } from './live.ts';
import { recordStoreOf } from './recordPreload.ts';
import { type RootState, type Store, createStore, useAppDispatch, useAppSelector } from '../store/store.ts';
import { startDeviceSync } from './startDeviceSync.ts';
import { type Step, undoChanges } from '../store/undo.ts';
import { withFirstTerms } from '../store/firstTerms.ts';
import { openAccountChannel } from './accountChannel.ts';

/** How often the device's clock is looked at, for the day to turn by itself. */
const LOOK_EVERY_MS = 15000;

/** How long after an account was closed its device is cleared, in milliseconds. */
const CLEARED_AFTER_MS = 50;

/** How many steps back are remembered. */
const STEPS_BACK = 100;

/** How much of a large step is put back at once. */
const BACK_AT_ONCE = 400;

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

const CanUndoContext = createContext(false);

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

/** The store and everything that keeps it in step with the server and the clock; opens with the account of this device. */
export function RecordsProvider({ children }: { children: ReactNode }) {
  const store = useMemo(() => {
    const made = createStore();
    const known = accountOfDevice();
    if (known !== null) made.dispatch(signedIn(known));
    return made;
  }, []);
  return (
    <Provider store={store}>
      <Keeper store={store}>{children}</Keeper>
    </Provider>
  );
}

/**
 * Asks the server who is signed in; also after it could not be reached. Where it cannot be, whoever was signed in last on
 * this device stays so: their record is here.
 */
export function useAskAccount(): () => void {
  const store = useStore<RootState>();
  const dispatch = useAppDispatch();
  return useMemo(
    () => () => {
      // Asking takes the page a moment: it is drawn first.
      void yieldToMain()
        .then(() => api.account())
        .then((account) => dispatch(account ? signedIn(account) : signedOut()))
        .catch(() => {
          if (store.getState().account.status !== 'in') dispatch(serverUnreachable());
        });
    },
    [dispatch, store],
  );
}

/** Remembers on this device who signs in. */
function useDeviceAccount(): void {
  const { status, account } = useAppSelector((state) => state.account);
  useEffect(() => {
    if (status === 'in') keepAccountOfDevice(account);
    else if (status === 'out') keepAccountOfDevice(null);
  }, [status, account]);
}

/** Clears the account from this device after any sign-out, except for unsent changes. */
function useClearedDevice(): void {
  const { status, account } = useAppSelector((state) => state.account);
  const last = useRef<string | null>(null);
  useEffect(() => {
    if (account !== null) last.current = account.id;
    const left = last.current;
    if (status !== 'out' || left === null) return;
    last.current = null;
    // What was being kept when the account was closed ends first, or it would come after.
    const timer = setTimeout(() => void clearDeviceData(left, { keepsWaiting: true }), CLEARED_AFTER_MS);
    return () => clearTimeout(timer);
  }, [status, account]);
}

/** Signing in or out in one tab is felt in all. */
function useOtherTabs(store: Store, accountId: string | null): void {
  const status = useAppSelector((state) => state.account.status);
  const talk = useMemo(() => openAccountChannel(), []);
  useEffect(() => {
    if (status === 'in' || status === 'out') talk.post(accountId);
  }, [accountId, status, talk]);
  useEffect(
    () =>
      talk.subscribe((other) => {
        const { account } = store.getState();
        if (account.status !== 'in' || other === account.account?.id) return;
        store.dispatch(other === null ? signedOut() : accountElsewhere());
      }),
    [store, talk],
  );
}

/** The day turns by itself, by the device's clock and the hour at which the person's day ends. */
function useTurningDay(store: Store): void {
  const dayEndsAt = useAppSelector((state) => state.records.settings.dayEndsAt);
  useEffect(() => {
    const look = (): void => {
      const today = dayByClock(deviceNow(), dayEndsAt);
      if (today !== store.getState().clock.today) store.dispatch(dayTurned(today));
    };
    look();
    const timer = setInterval(look, LOOK_EVERY_MS);
    document.addEventListener('visibilitychange', look);
    window.addEventListener('focus', look);
    const stopHearing = subscribeToClock(look);
    return () => {
      stopHearing();
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('focus', look);
    };
  }, [dayEndsAt, store]);
}

/** Keeps an account's records in step with the server for as long as it is open here. */
function useSync(store: Store, accountId: string | null): React.RefObject<Sync | null> {
  const outbox = useMemo(() => openOutboxStore(), []);
  const sync = useRef<Sync | null>(null);
  useEffect(() => {
    if (accountId === null) return;
    const running = startDeviceSync({ store, api, outbox, record: recordStoreOf(accountId), accountId });
    sync.current = running;
    let live: Live | null = null;
    const leave = whenLeader(`wimbel.listening.${accountId}`, () => {
      live = openLive({ accountId, onRevision: running.revisionAnnounced, onPoll: running.now });
      return live.stop;
    });
    const wake = (): void => {
      if (document.visibilityState !== 'visible') return;
      running.now();
      live?.again();
    };
    window.addEventListener('online', wake);
    window.addEventListener('focus', wake);
    document.addEventListener('visibilitychange', wake);
    return () => {
      window.removeEventListener('online', wake);
      window.removeEventListener('focus', wake);
      document.removeEventListener('visibilitychange', wake);
      // It stays at hand: what a field keeps as it goes may come after this.
      leave();
      running.stop();
      accountLeft();
      forgetDrafts();
    };
  }, [accountId, outbox, store]);
  return sync;
}

function Keeper({ store, children }: { store: Store; children: ReactNode }) {
  const accountId = useAppSelector((state) => state.account.account?.id ?? null);
  const sync = useSync(store, accountId);
  const ask = useAskAccount();
  useDeviceAccount();
  useEffect(ask, [ask]);

  useClearedDevice();
  useOtherTabs(store, accountId);
  useTurningDay(store);
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
  return (
    <RecordingContext.Provider value={recording}>
      <CanUndoContext.Provider value={canUndo}>{children}</CanUndoContext.Provider>
    </RecordingContext.Provider>
  );
}
