import type { Change, ChangeResult, ServerRow } from '@wimbel/contract';
import { type Api, ApiError } from '../shared/api.ts';
import { signedOut } from '../store/accountSlice.ts';
import { noteInstant } from '../store/makeChange.ts';
import {
  changesAcknowledged,
  changesRefused,
  outboxRestored,
  serverMissed,
  serverReached,
} from '../store/outboxSlice.ts';
import type { OutboxStore } from './outboxStore.ts';
import { recordsChanged, recordsCleared, rowsArrived } from '../store/recordsSlice.ts';
import type { Store } from '../store/store.ts';

/** How many changes one request carries. */
const BATCH = 200;
/** How long to wait before trying again, longer each time. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];

export type Sync = {
  /** Takes changes of the person in: into the store at once, kept on the device, then sent. */
  change: (changes: Change[]) => void;
  /** Sends what waits and fetches what is newer, now. */
  now: () => void;
  /** Forgets a refused change. */
  dismiss: (id: string) => Promise<void>;
  stop: () => void;
};

/**
 * Keeps an account's records and the server in step while the app is open. Nothing is sent before it is kept on the
 * device; a lost connection only means that changes wait.
 */
export function startSync(deps: {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  accountId: string;
  retryMs?: number[];
}): Sync {
  const { store, api, outbox, accountId, retryMs = RETRY_MS } = deps;
  let isStopped = false;
  let isRunning = false;
  let isAsked = false;
  let failures = 0;
  let batchSize = BATCH;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let keeping: Promise<unknown> = Promise.resolve();
  // What IndexedDB would not keep (a private window, a full disk) still goes out from memory.
  const keep = (work: () => Promise<unknown>): void => {
    keeping = keeping.then(work).catch(() => undefined);
  };

  /** Sends some changes; null where they were too much together, and fewer are to be tried. */
  async function sendBatch(batch: readonly Change[]): Promise<ChangeResult[] | null> {
    try {
      const { results } = await api.sendChanges(batch);
      batchSize = BATCH;
      return results;
    } catch (error) {
      const isUnfit = error instanceof ApiError && (error.fault.code === 'tooLarge' || error.fault.code === 'invalid');
      if (!isUnfit) throw error;
      batchSize = Math.max(1, Math.floor(batch.length / 2));
      const [only] = batch;
      if (batch.length > 1 || only === undefined) return null;
      return [{ id: only.id, status: 'refused', issues: [{ path: '', message: error.fault.message }] }];
    }
  }

  async function sendWaiting(): Promise<void> {
    for (;;) {
      const batch = store.getState().outbox.waiting.slice(0, batchSize);
      if (batch.length === 0 || isStopped) return;
      await keeping;
      const results = await sendBatch(batch);
      if (results === null) continue;
      const byId = new Map(batch.map((each) => [each.id, each]));
      const refusals = results.flatMap((result) =>
        result.status === 'refused' ? [{ change: byId.get(result.id)!, issues: result.issues }] : [],
      );
      const taken = results.flatMap((result) => (result.status === 'refused' ? [] : [result.id]));
      if (isStopped) return;
      if (refusals.length > 0) store.dispatch(changesRefused({ refusals }));
      store.dispatch(changesAcknowledged({ ids: taken }));
      keep(() => outbox.markRefused(refusals));
      keep(() => outbox.forget(accountId, taken));
    }
  }

  /** Leaves out what waits here in a form that is not older. */
  function newerThanWaiting(rows: readonly ServerRow[]): ServerRow[] {
    const waiting = new Map(
      store.getState().outbox.waiting.map((each) => [`${each.collection} ${each.key}`, each.madeAt]),
    );
    return rows.filter((row) => {
      const own = waiting.get(`${row.collection} ${row.key}`);
      return own === undefined || Date.parse(own) < Date.parse(row.madeAt);
    });
  }

  async function fetchNewer(): Promise<void> {
    for (;;) {
      const { revision, more, rows } = await api.changesSince(store.getState().records.revision);
      if (isStopped) return;
      for (const row of rows) noteInstant(row.madeAt);
      const { records } = store.getState();
      if (rows.length > 0 || revision !== records.revision || !records.isLoaded) {
        store.dispatch(rowsArrived({ rows: newerThanWaiting(rows), revision, isLast: !more }));
      }
      if (!more) return;
    }
  }

  async function round(): Promise<void> {
    if (isRunning) {
      isAsked = true;
      return;
    }
    isRunning = true;
    clearTimeout(timer);
    try {
      do {
        isAsked = false;
        await sendWaiting();
        await fetchNewer();
      } while (isAsked && !isStopped);
      failures = 0;
      if (!isStopped) store.dispatch(serverReached());
    } catch (error) {
      failed(error);
    } finally {
      isRunning = false;
    }
  }

  function failed(error: unknown): void {
    if (isStopped) return;
    if (error instanceof ApiError && error.fault.code === 'signInNeeded') {
      store.dispatch(signedOut());
      return;
    }
    store.dispatch(serverMissed());
    timer = setTimeout(() => void round(), retryMs[Math.min(failures, retryMs.length - 1)]);
    failures++;
  }

  async function restore(): Promise<void> {
    const kept = await outbox.read(accountId).catch(() => ({ waiting: [], refused: [] }));
    if (isStopped) return;
    for (const each of kept.waiting) noteInstant(each.madeAt);
    // First the server's state, then what waited here on top of it.
    try {
      await fetchNewer();
    } catch (error) {
      failed(error);
    }
    if (isStopped) return;
    store.dispatch(outboxRestored(kept));
    reapply(kept.waiting);
    await round();
  }

  function reapply(waiting: readonly Change[]): void {
    if (waiting.length > 0)
      store.dispatch(
        rowsArrived({
          rows: waiting.map((each) => ({ ...each, revision: 0 })),
          revision: store.getState().records.revision,
          isLast: store.getState().records.isLoaded,
        }),
      );
  }

  void restore();
  return {
    change(changes) {
      // What is written as the app goes is sent when it is back.
      if (!isStopped) store.dispatch(recordsChanged({ changes }));
      outbox.jot(accountId, changes);
      keep(() => outbox.keep(accountId, changes));
      if (!isStopped) void round();
    },
    now: () => void round(),
    async dismiss(id) {
      await outbox.forget(accountId, [id]).catch(() => undefined);
    },
    stop() {
      isStopped = true;
      clearTimeout(timer);
      store.dispatch(recordsCleared());
    },
  };
}
