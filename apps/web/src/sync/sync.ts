import {
  type Change,
  type ChangeResult,
  type ChangesAnswer,
  type Made,
  type ServerRow,
  isLater,
} from '@wimbel/contract';
import { type Api, ApiError } from '../shared/api.ts';
import { forgetInstants, nextInstant, noteInstant } from '../shared/clock.ts';
import { accountElsewhere, signedOut } from '../store/accountSlice.ts';
import { type Row, placeOf, touchedBy, touchedByEach } from '../store/effects.ts';
import {
  type Refusal,
  changesAcknowledged,
  changesRefused,
  changesRestamped,
  deviceKept,
  outboxRestored,
  serverMissed,
  serverReached,
} from '../store/outboxSlice.ts';
import { recordsChanged, recordsCleared, recordsPutBack, rowsArrived } from '../store/recordsSlice.ts';
import type { Store } from '../store/store.ts';
import type { OutboxStore } from './outboxStore.ts';
import { createOutstanding } from './outstanding.ts';

/** How many changes one request carries. */
const BATCH = 200;
/** How long to wait before trying again, longer each time. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];
/** How often one change by itself may make the server fail before it is put aside. */
const MOST_FAILURES = 3;

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
 * device; a lost connection only means that changes wait. What the server does not take is taken back on the screen.
 */
export function startSync(deps: {
  store: Store;
  api: Api;
  outbox: OutboxStore;
  accountId: string;
  retryMs?: number[];
}): Sync {
  const { store, api, outbox, accountId, retryMs = RETRY_MS } = deps;
  const outstanding = createOutstanding();
  const failuresOf = new Map<string, number>();
  let isStopped = false;
  let isRunning = false;
  let isAsked = false;
  let isRestored = false;
  let failures = 0;
  let batchSize = BATCH;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let keeping: Promise<unknown> = Promise.resolve();
  forgetInstants();

  /** Keeps something on the device after what is being kept already; true once it is. */
  const keep = (work: () => Promise<unknown>): Promise<boolean> => {
    // What IndexedDB would not keep (a private window, a full disk) still goes out from memory.
    const done = keeping.then(work).then(
      () => true,
      () => false,
    );
    keeping = done;
    return done;
  };

  const waiting = (): Change[] => store.getState().outbox.waiting;

  /** Makes changes in the store, and remembers what the server holds under them. */
  function make(changes: readonly Change[]): void {
    const touched = touchedByEach(store.getState().records, changes);
    for (const change of changes) outstanding.add(change, touched.get(change.id)!);
    store.dispatch(recordsChanged({ changes: [...changes] }));
  }

  /** Counts one more try of a change that came to nothing. */
  function failed(id: string): number {
    const times = (failuresOf.get(id) ?? 0) + 1;
    failuresOf.set(id, times);
    return times;
  }

  /** Sends some changes; null where they were too much together, and fewer are to be tried. */
  async function sendBatch(
    batch: readonly Change[],
  ): Promise<(Pick<ChangesAnswer, 'results'> & Partial<ChangesAnswer>) | null> {
    const { revision } = store.getState().records;
    try {
      const answer = await api.sendChanges(accountId, batch, revision);
      batchSize = BATCH;
      return answer;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      const { code, message } = error.fault;
      const isUnfit = code === 'tooLarge' || code === 'invalid' || code === 'notJson';
      if (!isUnfit && code !== 'internal') throw error;
      batchSize = Math.max(1, Math.floor(batch.length / 2));
      const [only] = batch;
      if (batch.length > 1 || only === undefined) return null;
      // A server that fails on everything is not this change's doing: it gets some tries.
      if (!isUnfit && failed(only.id) < MOST_FAILURES) throw error;
      return { results: [{ id: only.id, status: 'refused', issues: [{ path: '', message }] }] };
    }
  }

  /** Takes in what became of changes, and what the server says is newer. */
  function take(batch: readonly Change[], answer: Pick<ChangesAnswer, 'results'> & Partial<ChangesAnswer>): void {
    const { results } = answer;
    const byId = new Map(batch.map((each) => [each.id, each]));
    const refusals: Refusal[] = [];
    const ahead: Change[] = [];
    const back: Row[] = [];
    const taken: string[] = [];
    for (const result of results) {
      const change = byId.get(result.id);
      if (change === undefined) continue;
      // With the server's time it holds; where it never does, it is put aside like any other.
      if (isAhead(result) && failed(result.id) < MOST_FAILURES) {
        ahead.push({ ...change, madeAt: nextInstant() });
        continue;
      }
      if (result.status === 'refused') refusals.push({ change, issues: result.issues });
      else taken.push(result.id);
      if (result.status === 'accepted') outstanding.accepted(result.id);
      else back.push(...outstanding.undone(result.id));
    }
    if (ahead.length > 0) {
      ahead.forEach(outstanding.restamped);
      store.dispatch(changesRestamped({ changes: ahead }));
      void keep(() => outbox.replace(ahead));
    }
    if (refusals.length > 0) {
      store.dispatch(changesRefused({ refusals }));
      void keep(() => outbox.markRefused(refusals));
    }
    store.dispatch(changesAcknowledged({ ids: taken }));
    void keep(() => outbox.forget(accountId, taken));
    if (back.length > 0) store.dispatch(recordsPutBack({ rows: back }));
    if (answer.rows !== undefined && answer.revision !== undefined) arrive(answer.rows, answer.revision, true);
  }

  const isAhead = (result: ChangeResult): boolean => result.status === 'refused' && result.code === 'ahead';

  /** Sends all that waits; true where the server may have more to tell than its answers did. */
  async function sendWaiting(): Promise<boolean> {
    let hasMore = waiting().length === 0;
    for (;;) {
      const batch = waiting().slice(0, batchSize);
      if (batch.length === 0 || isStopped) return hasMore;
      await keeping;
      const answer = await sendBatch(batch);
      if (isStopped) return false;
      if (answer === null) continue;
      take(batch, answer);
      hasMore = answer.more !== false;
    }
  }

  function arrive(rows: readonly ServerRow[], revision: number, isLast: boolean): void {
    for (const row of rows) noteInstant(row.madeAt);
    const { records } = store.getState();
    if (rows.length > 0 || revision !== records.revision || (isLast && !records.isLoaded)) {
      store.dispatch(rowsArrived({ rows: outstanding.arrived(rows), revision, isLast }));
    }
  }

  async function fetchNewer(
    see: (rows: readonly ServerRow[], isLast: boolean) => void = () => undefined,
  ): Promise<void> {
    for (;;) {
      const { revision, more, rows } = await api.changesSince(accountId, store.getState().records.revision);
      if (isStopped) return;
      arrive(rows, revision, !more);
      see(rows, !more);
      if (!more) return;
    }
  }

  /** What waited here from an earlier visit, on top of what the server holds, except where that is later. */
  async function restore(): Promise<void> {
    const kept = await outbox.read(accountId).catch(() => ({ waiting: [], refused: [] }));
    if (isStopped) return;
    const held = new Map<string, Made>();
    await fetchNewer((rows, isLast) => {
      for (const row of rows) held.set(placeOf(row), { madeAt: row.madeAt, id: row.changeId });
      if (!isLast || isRestored) return;
      isRestored = true;
      const known = new Set(waiting().map((each) => each.id));
      const own = kept.waiting.filter((each) => !known.has(each.id));
      store.dispatch(outboxRestored({ waiting: own, refused: kept.refused }));
      for (const change of own) {
        noteInstant(change.madeAt);
        const theirs = held.get(placeOf(change));
        if (theirs !== undefined && !isLater(change, theirs)) continue;
        const touched = touchedBy(store.getState().records, [change]);
        outstanding.add(change, touched);
        store.dispatch(
          recordsPutBack({ rows: touched.map(({ collection, key, after }) => ({ collection, key, record: after })) }),
        );
      }
    });
  }

  async function round(): Promise<void> {
    if (isStopped) return;
    if (isRunning) {
      isAsked = true;
      return;
    }
    isRunning = true;
    clearTimeout(timer);
    try {
      if (!isRestored) await restore();
      do {
        isAsked = false;
        if (await sendWaiting()) await fetchNewer();
      } while (isAsked && !isStopped);
      failures = 0;
      if (!isStopped) store.dispatch(serverReached());
    } catch (error) {
      missed(error);
    } finally {
      isRunning = false;
    }
  }

  function missed(error: unknown): void {
    if (isStopped) return;
    const fault = error instanceof ApiError ? error.fault : null;
    if (fault?.code === 'signInNeeded') {
      store.dispatch(signedOut());
      return;
    }
    if (fault?.code === 'otherAccount') {
      store.dispatch(accountElsewhere());
      return;
    }
    if (fault?.code !== 'tooMany') store.dispatch(serverMissed());
    const pauseMs = retryMs[Math.min(failures, retryMs.length - 1)]!;
    timer = setTimeout(() => void round(), Math.max(pauseMs, fault?.retryAfterMs ?? 0));
    failures++;
  }

  void round();
  return {
    change(changes) {
      // What is written as the app goes is sent when it is back.
      if (!isStopped) make(changes);
      const isJotted = outbox.jot(accountId, changes);
      void keep(() => outbox.keep(accountId, changes)).then((isKept) => {
        if (!isStopped) store.dispatch(deviceKept(isKept || isJotted));
      });
      if (!isStopped) void round();
    },
    now: () => void round(),
    async dismiss(id) {
      await outbox.forget(accountId, [id]).catch(() => undefined);
    },
    stop() {
      isStopped = true;
      clearTimeout(timer);
      forgetInstants();
      store.dispatch(recordsCleared());
    },
  };
}
