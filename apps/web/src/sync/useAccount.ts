import { useEffect, useMemo, useRef } from 'react';
import { useStore } from 'react-redux';
import { api } from '../platform/api.ts';
import { yieldToMain } from '../platform/yieldToMain.ts';
import { accountElsewhere, serverUnreachable, signedIn, signedOut } from '../store/accountSlice.ts';
import { type RootState, type Store, useAppDispatch, useAppSelector } from '../store/store.ts';
import { openAccountChannel } from './accountChannel.ts';
import { keepAccountOfDevice } from './deviceAccount.ts';
import { clearDeviceData } from './deviceData.ts';

/** How long after an account was closed its device is cleared, in milliseconds. */
const CLEARED_AFTER_MS = 50;

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
export function useDeviceAccount(): void {
  const { status, account } = useAppSelector((state) => state.account);
  useEffect(() => {
    if (status === 'in') keepAccountOfDevice(account);
    else if (status === 'out') keepAccountOfDevice(null);
  }, [status, account]);
}

/** Clears the account from this device after any sign-out, except for unsent changes. */
export function useClearedDevice(): void {
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
export function useOtherTabs(store: Store, accountId: string | null): void {
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
