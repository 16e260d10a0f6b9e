import type { Api } from '../platform/api.ts';
import { recordKept } from '../store/outboxSlice.ts';
import type { Store } from '../store/store.ts';
import type { PendingChanges } from '../store/pendingChanges.ts';
import type { OutboxStore } from './outboxStore.ts';
import type { RecordStore } from './recordStore.ts';
import type { TabMessage } from './tabChannel.ts';
import { type OptimisticState, createOptimisticState } from './optimisticState.ts';

/** What push, pull and restore share while an account is open on this page. */
export type Session = {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  /** The record in IndexedDB. */
  record: RecordStore;
  accountId: string;
  optimistic: OptimisticState;
  isStopped: boolean;
  /** Posts to the other tabs of this account. */
  postToTabs: (word: TabMessage) => void;
  /** Queues a write to the outbox; resolves with whether it succeeded. */
  keep: (work: () => Promise<unknown>) => Promise<boolean>;
  /** The same for the record, in a queue of its own that never blocks a push. */
  keepRecord: (work: () => Promise<unknown>) => Promise<boolean>;
  /** Resolves once the queued outbox writes are done. */
  settled: () => Promise<unknown>;
  /** Changes that the server has not acknowledged. */
  pending: () => PendingChanges;
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
    optimistic: createOptimisticState(),
    isStopped: false,
    postToTabs: () => undefined,
    keep(work) {
      // Where IndexedDB fails (private window, full disk) changes are pushed from memory.
      const done = keeping.then(work).then(
        () => true,
        () => false,
      );
      keeping = done;
      return done;
    },
    keepRecord(work) {
      // After one failed write the stored record has a gap: nothing more is stored until the app reloads.
      const done = keepingRecord.then(async (isWhole) => {
        if (!isWhole) return false;
        // After sign-out nothing is written; it is pulled the next time.
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
    pending: () => deps.store.getState().outbox.waiting,
  };
  return session;
}
