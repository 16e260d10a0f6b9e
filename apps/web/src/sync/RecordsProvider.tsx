import type { Sync } from '@wimbel/sync';
import { type ReactNode, useEffect, useMemo, useRef } from 'react';
import { Provider } from 'react-redux';
import { accountLeft } from '../platform/accountLeft.ts';
import { api } from '../platform/api.ts';
import { deviceNow, subscribeToClock } from '../platform/clock.ts';
import { forgetDrafts } from '../platform/formDraft.ts';
import { signedIn } from '../store/accountSlice.ts';
import { dayByClock, dayTurned } from '../store/clockSlice.ts';
import { type Store, createStore, useAppSelector } from '../store/store.ts';
import { accountOfDevice } from './deviceAccount.ts';
import { whenLeader } from './leaderTab.ts';
import { type Live, openLive } from './live.ts';
import { openOutboxStore } from './outboxStore.ts';
import { recordStoreOf } from './recordPreload.ts';
import { CanUndoContext, RecordingContext } from './recording.ts';
import { startDeviceSync } from './startDeviceSync.ts';
import { useAskAccount, useClearedDevice, useDeviceAccount, useOtherTabs } from './useAccount.ts';
import { useUndoSteps } from './useUndoSteps.ts';

/** How often the device's clock is looked at, for the day to turn by itself. */
const LOOK_EVERY_MS = 15000;

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
  const { recording, canUndo } = useUndoSteps(store, sync, accountId);
  return (
    <RecordingContext.Provider value={recording}>
      <CanUndoContext.Provider value={canUndo}>{children}</CanUndoContext.Provider>
    </RecordingContext.Provider>
  );
}
