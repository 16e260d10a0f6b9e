import type { Change } from '@wimbel/contract';
import { type Api, ApiError } from '../platform/api.ts';
import { forgetInstants } from '../platform/clock.ts';
import { accountElsewhere, signedOut } from '../store/accountSlice.ts';
import { placeOf, recordAt, touchedByEach } from '../store/effects.ts';
import { deviceKept, serverMissed, serverReached } from '../store/outboxSlice.ts';
import { recordsChanged, recordsCleared } from '../store/recordsSlice.ts';
import type { Store } from '../store/store.ts';
import { createBesides } from './otherTabs.ts';
import { fetchNewer, restore } from './pull.ts';
import type { OutboxStore } from './outboxStore.ts';
import type { RecordStore } from './recordStore.ts';
import { createSending } from './push.ts';
import { type Session, createSession } from './session.ts';

/** How long to wait before trying again, longer each time. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];

export type Sync = {
  /** Takes changes of the person in: into the store at once, kept on the device, then sent. */
  change: (changes: Change[]) => void;
  /** Sends what waits and fetches what is newer, now. */
  now: () => void;
  /** The server says which revision the record is at: what is newer is fetched. */
  heard: (revision: number) => void;
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
  record: RecordStore;
  accountId: string;
  retryMs?: number[];
  /** How long another tab is given to send what it made. */
  tabGivenMs?: number;
}): Sync {
  const { store, outbox, accountId, retryMs = RETRY_MS } = deps;
  const session = createSession(deps);
  forgetInstants();
  const rounds = createRounds(session, retryMs);
  const besides = createBesides(session, rounds, deps.tabGivenMs);
  session.tell = besides.say;
  rounds.go();
  return {
    change(made) {
      const changes = session.isStopped ? made : withBases(session, made);
      // What is written as the app goes is sent when it is back.
      if (!session.isStopped) make(session, changes);
      const isJotted = outbox.jot(accountId, changes);
      void session
        .keep(() => outbox.keep(accountId, changes))
        .then((isKept) => {
          if (session.isStopped) return;
          store.dispatch(deviceKept(isKept || isJotted));
          // Once it is on the device another tab can send it, should this one be closed.
          session.tell({ made: changes });
        });
      rounds.go();
    },
    now: rounds.go,
    heard: rounds.heard,
    async dismiss(id) {
      await outbox.forget(accountId, [id]).catch(() => undefined);
    },
    stop() {
      session.isStopped = true;
      rounds.stop();
      besides.close();
      forgetInstants();
      store.dispatch(recordsCleared());
    },
  };
}

/** Changes with the record that each began from, so that what another device changed of it meanwhile can be told apart. */
function withBases({ store }: Session, changes: readonly Change[]): Change[] {
  const { records } = store.getState();
  const latest = new Map<string, Change['record']>();
  return changes.map((change) => {
    const place = placeOf(change);
    const base = latest.has(place) ? latest.get(place) : recordAt(records, change.collection, change.key);
    latest.set(place, change.record);
    // The journal can take back what was removed; of other records a removal stands by itself.
    if (change.collection === 'journal') return base ? { ...change, base } : change;
    return change.record === null ? change : { ...change, base: base ?? null };
  });
}

/** Makes changes in the store, and remembers what the server holds under them. */
function make({ store, outstanding }: Session, changes: readonly Change[]): void {
  const touched = touchedByEach(store.getState().records, changes);
  for (const change of changes) outstanding.add(change, touched.get(change.id)!);
  store.dispatch(recordsChanged({ changes: [...changes] }));
}

/** Rounds of sending and fetching, one at a time, tried again after a pause that grows where one came to nothing. */
function createRounds(
  session: Session,
  retryMs: readonly number[],
): { go: () => void; heard: (revision: number) => void; stop: () => void } {
  const { sendWaiting } = createSending(session);
  let isRunning = false;
  let isAsked = false;
  let isRestored = false;
  let failures = 0;
  // The server told of it: what the device sent itself is told as well, and known already.
  let heard = 0;
  const isBehind = (): boolean => heard > session.store.getState().records.revision;
  let timer: ReturnType<typeof setTimeout> | undefined;

  async function round(): Promise<void> {
    if (session.isStopped) return;
    if (isRunning) {
      isAsked = true;
      return;
    }
    isRunning = true;
    clearTimeout(timer);
    try {
      if (!isRestored) await restore(session, () => (isRestored = true));
      do {
        isAsked = false;
        const before = heard;
        const isAtEnd = (await sendWaiting()) || isBehind();
        if (isAtEnd) await fetchNewer(session);
        // The server answered after it was heard: a record put back to an earlier day is behind what was heard then.
        if (isAtEnd && heard === before) heard = session.store.getState().records.revision;
      } while ((isAsked || isBehind()) && !session.isStopped);
      failures = 0;
      if (!session.isStopped) session.store.dispatch(serverReached());
    } catch (error) {
      missed(error);
    } finally {
      isRunning = false;
    }
  }

  function missed(error: unknown): void {
    if (session.isStopped) return;
    const fault = error instanceof ApiError ? error.fault : null;
    if (fault?.code === 'signInNeeded') return void session.store.dispatch(signedOut());
    if (fault?.code === 'otherAccount') return void session.store.dispatch(accountElsewhere());
    if (fault?.code !== 'tooMany') session.store.dispatch(serverMissed());
    const pauseMs = retryMs[Math.min(failures, retryMs.length - 1)]!;
    timer = setTimeout(() => void round(), Math.max(pauseMs, fault?.retryAfterMs ?? 0));
    failures++;
  }

  return {
    go: () => void round(),
    heard(revision) {
      heard = revision;
      if (!isRunning && isBehind()) void round();
    },
    stop: () => clearTimeout(timer),
  };
}
