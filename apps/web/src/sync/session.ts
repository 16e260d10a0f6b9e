import type { Api } from '../platform/api.ts';
import { recordKept } from '../store/outboxSlice.ts';
import type { Store } from '../store/store.ts';
import type { Waiting } from '../store/pendingChanges.ts';
import type { OutboxStore } from './outboxStore.ts';
import type { RecordStore } from './recordStore.ts';
import type { TabWord } from './tabChannel.ts';
import { type Outstanding, createOutstanding } from './optimisticState.ts';

/** What sending, fetching and restoring share while an account is open on this page. */
export type Session = {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  /** Where the record is kept on this device. */
  record: RecordStore;
  accountId: string;
  outstanding: Outstanding;
  isStopped: boolean;
  /** Tells the other tabs of this account. */
  tell: (word: TabWord) => void;
  /** Keeps something on the device after what is being kept already; true once it is. */
  keep: (work: () => Promise<unknown>) => Promise<boolean>;
  /** The same for the record: it never holds up what is being sent. Tells once where the device would not keep it. */
  keepRecord: (work: () => Promise<unknown>) => Promise<boolean>;
  /** Settles once all that is being kept is. */
  settled: () => Promise<unknown>;
  /** Changes that the server has not answered. */
  waiting: () => Waiting;
};

export function createSession(deps: {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  record: RecordStore;
  accountId: string;
}): Session {
  let keeping: Promise<unknown> = Promise.resolve();
  let keepingRecord: Promise<boolean> = Promise.resolve(true);
  const session: Session = {
    ...deps,
    outstanding: createOutstanding(),
    isStopped: false,
    tell: () => undefined,
    keep(work) {
      // What IndexedDB would not keep (a private window, a full disk) still goes out from memory.
      const done = keeping.then(work).then(
        () => true,
        () => false,
      );
      keeping = done;
      return done;
    },
    keepRecord(work) {
      // Where one piece could not be kept, the next would leave a hole behind it: nothing more is kept until the app opens anew.
      const done = keepingRecord.then(async (isWhole) => {
        if (!isWhole) return false;
        // What was signed out of is not laid down again; what is left out here is fetched the next time.
        if (session.isStopped) return true;
        try {
          await work();
          return true;
        } catch {
          await deps.record.clear().catch(() => undefined);
          return false;
        }
      });
      keepingRecord = done;
      void done.then((isKept) => {
        if (deps.store.getState().outbox.isRecordKept !== isKept) deps.store.dispatch(recordKept(isKept));
      });
      return done;
    },
    settled: () => keeping,
    waiting: () => deps.store.getState().outbox.waiting,
  };
  return session;
}
