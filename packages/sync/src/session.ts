import type { PendingChanges } from './pendingChanges.ts';
import { type OptimisticState, createOptimisticState } from './optimisticState.ts';
import type { SyncPorts, TabMessage } from './ports.ts';

/** What push, pull and restore share while an account is open. */
export type Session = SyncPorts & {
  optimistic: OptimisticState;
  isStopped: boolean;
  /** Posts to the other tabs of this account. */
  postToTabs: (message: TabMessage) => void;
  /** Queues a write to the outbox; resolves with whether it succeeded. */
  keep: (work: () => Promise<unknown>) => Promise<boolean>;
  /** The same for the record, in a queue of its own that never blocks a push. */
  keepRecord: (work: () => Promise<unknown>) => Promise<boolean>;
  /** Resolves once the queued outbox writes are done. */
  settled: () => Promise<unknown>;
  /** Changes that the server has not acknowledged. */
  pending: () => PendingChanges;
};

/** Creates a session of the engine's ports. */
export function createSession(ports: SyncPorts): Session {
  let keeping: Promise<unknown> = Promise.resolve();
  let keepingRecord: Promise<boolean> = Promise.resolve(true);
  const session: Session = {
    ...ports,
    optimistic: createOptimisticState(),
    isStopped: false,
    postToTabs: () => undefined,
    keep(work) {
      // Where the device's storage fails (private window, full disk) changes are pushed from memory.
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
          await ports.record.clear().catch(() => undefined);
          return false;
        }
      });
      keepingRecord = done;
      void done.then((isKept) => ports.state.apply({ kind: 'recordKept', isKept }));
      return done;
    },
    settled: () => keeping,
    pending: ports.state.pending,
  };
  return session;
}
