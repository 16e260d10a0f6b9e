import type { Change } from '@wimbel/contract';
import { type Api, ApiError } from '../platform/api.ts';
import { forgetInstants } from '../platform/clock.ts';
import { accountElsewhere, signedOut } from '../store/accountSlice.ts';
import { placeOf, recordAt, effectsByChange } from '../store/effects.ts';
import { deviceKept, serverMissed, serverReached } from '../store/outboxSlice.ts';
import { recordsChanged, recordsCleared } from '../store/recordsSlice.ts';
import type { Store } from '../store/store.ts';
import { createOtherTabs } from './otherTabs.ts';
import { pull, openStoredRecord } from './pull.ts';
import type { OutboxStore } from './outboxStore.ts';
import type { RecordStore } from './recordStore.ts';
import { createPush } from './push.ts';
import { type Session, createSession } from './session.ts';

/** How long to wait before trying again, longer each time. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];

export type Sync = {
  /** Takes changes of the person in: into the store at once, kept on the device, then sent. */
  change: (changes: Change[]) => void;
  /** Sends what waits and fetches what is newer, now. */
  now: () => void;
  /** The server says which revision the record is at: what is newer is fetched. */
  revisionAnnounced: (revision: number) => void;
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
  const rounds = createSyncRounds(session, retryMs);
  const otherTabs = createOtherTabs(session, rounds, deps.tabGivenMs);
  session.postToTabs = otherTabs.post;
  rounds.go();
  return {
    change(made) {
      const changes = session.isStopped ? made : withBases(session, made);
      // What is written as the app goes is sent when it is back.
      if (!session.isStopped) make(session, changes);
      const isLogged = outbox.append(accountId, changes);
      void session
        .keep(() => outbox.keep(accountId, changes))
        .then((isKept) => {
          if (session.isStopped) return;
          store.dispatch(deviceKept(isKept || isLogged));
          // Once it is on the device another tab can send it, should this one be closed.
          session.postToTabs({ made: changes });
        });
      rounds.go();
    },
    now: rounds.go,
    revisionAnnounced: rounds.announced,
    async dismiss(id) {
      await outbox.forget(accountId, [id]).catch(() => undefined);
    },
    stop() {
      session.isStopped = true;
      rounds.stop();
      otherTabs.close();
      forgetInstants();
      store.dispatch(recordsCleared());
    },
  };
}

/** Adds to each change its base, the record it was made from, for three-way merges. */
function withBases({ store }: Session, changes: readonly Change[]): Change[] {
  const { records } = store.getState();
  const latest = new Map<string, Change['record']>();
  return changes.map((change) => {
    const place = placeOf(change);
    const base = latest.has(place) ? latest.get(place) : recordAt(records, change.collection, change.key);
    latest.set(place, change.record);
    // Only removals of journal pages can be merged; of other records a removal needs no base.
    if (change.collection === 'journal') return base ? { ...change, base } : change;
    return change.record === null ? change : { ...change, base: base ?? null };
  });
}

/** Applies changes optimistically and registers the server's versions for rollback. */
function make({ store, optimistic }: Session, changes: readonly Change[]): void {
  const touched = effectsByChange(store.getState().records, changes);
  for (const change of changes) optimistic.add(change, touched.get(change.id)!);
  store.dispatch(recordsChanged({ changes: [...changes] }));
}

/** Rounds of push and pull, one at a time, retried with a growing back-off. */
function createSyncRounds(
  session: Session,
  retryMs: readonly number[],
): { go: () => void; announced: (revision: number) => void; stop: () => void } {
  const { pushPending } = createPush(session);
  let isRunning = false;
  let isAsked = false;
  let isRestored = false;
  let failures = 0;
  // Revision announced by the server; it includes this device's own changes.
  let announced = 0;
  const isBehind = (): boolean => announced > session.store.getState().records.revision;
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
      if (!isRestored) await openStoredRecord(session, () => (isRestored = true));
      do {
        isAsked = false;
        const before = announced;
        const isAtEnd = (await pushPending()) || isBehind();
        if (isAtEnd) await pull(session);
        // A server restored from a backup is behind what it announced before.
        if (isAtEnd && announced === before) announced = session.store.getState().records.revision;
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
    announced(revision) {
      announced = revision;
      if (!isRunning && isBehind()) void round();
    },
    stop: () => clearTimeout(timer),
  };
}
