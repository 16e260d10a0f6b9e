import type { Change } from '@wimbel/contract';
import { ApiError } from './apiError.ts';
import { type ChangeEffect, effectsByChange, mergedEffects, placeOf, recordAt, rowsAfter } from './effects.ts';
import { createOtherTabs } from './otherTabs.ts';
import { pull, openStoredRecord } from './pull.ts';
import type { SyncPorts } from './ports.ts';
import { createPush } from './push.ts';
import { type Session, createSession } from './session.ts';

/** Back-off of retries. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];

/** A running engine. */
export type Sync = {
  /** Applies changes optimistically, stores them in the outbox and pushes them. Returns their merged effects. */
  change: (changes: Change[]) => ChangeEffect[];
  /** Pushes and pulls now. */
  now: () => void;
  /** The server announced a revision: pulls where this device is behind. */
  revisionAnnounced: (revision: number) => void;
  /** Deletes a refused change from the outbox. */
  dismiss: (id: string) => Promise<void>;
  stop: () => void;
};

/**
 * Synchronises an account's records with the server until it is stopped. Nothing is pushed before the device stores it; while the
 * server is away changes wait in the outbox. Refused changes are rolled back.
 */
export function startSync({
  retryMs = RETRY_MS,
  takeoverMs,
  ...ports
}: SyncPorts & {
  retryMs?: readonly number[];
  /** How long another tab may take to push its changes. */
  takeoverMs?: number;
}): Sync {
  const { state, outbox, clock, accountId } = ports;
  const session = createSession(ports);
  clock.forgetInstants();
  const rounds = createSyncRounds(session, retryMs);
  const otherTabs = createOtherTabs(session, rounds, takeoverMs);
  session.postToTabs = otherTabs.post;
  rounds.go();
  return {
    change(made) {
      const changes = session.isStopped ? made : withBases(session, made);
      // Changes made while the account closes only go to the outbox.
      const effects = session.isStopped ? [] : applyOptimistically(session, changes);
      const isLogged = outbox.append(accountId, changes);
      void session
        .keep(() => outbox.keep(accountId, changes))
        .then((isKept) => {
          if (session.isStopped) return;
          state.apply({ kind: 'outboxKept', isKept: isKept || isLogged });
          // From now on another tab can push it, should this one be closed.
          session.postToTabs({ made: changes });
        });
      rounds.go();
      return effects;
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
      clock.forgetInstants();
      state.apply({ kind: 'cleared' });
    },
  };
}

/** Adds to each change its base, the record it was made from, for three-way merges. */
function withBases({ state }: Session, changes: readonly Change[]): Change[] {
  const records = state.records();
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

/**
 * Applies changes optimistically and registers the server's versions for rollback. The effects are computed once, for rollback,
 * screen and undo.
 */
function applyOptimistically({ state, optimistic }: Session, changes: readonly Change[]): ChangeEffect[] {
  const byChange = effectsByChange(state.records(), changes);
  for (const change of changes) optimistic.add(change, byChange.get(change.id)!);
  const effects = mergedEffects(byChange);
  state.apply({ kind: 'changed', changes: [...changes], rows: rowsAfter(effects) });
  return effects;
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
  const isBehind = (): boolean => announced > session.state.records().revision;
  let cancelRetry = (): void => undefined;

  async function round(): Promise<void> {
    if (session.isStopped) return;
    if (isRunning) {
      isAsked = true;
      return;
    }
    isRunning = true;
    cancelRetry();
    try {
      if (!isRestored) await openStoredRecord(session, () => (isRestored = true));
      do {
        isAsked = false;
        const before = announced;
        const isAtEnd = (await pushPending()) || isBehind();
        if (isAtEnd) await pull(session);
        // A server restored from a backup is behind what it announced before.
        if (isAtEnd && announced === before) announced = session.state.records().revision;
      } while ((isAsked || isBehind()) && !session.isStopped);
      failures = 0;
      if (!session.isStopped) session.state.apply({ kind: 'reached' });
    } catch (error) {
      missed(error);
    } finally {
      isRunning = false;
    }
  }

  function missed(error: unknown): void {
    if (session.isStopped) return;
    const fault = error instanceof ApiError ? error.fault : null;
    if (fault?.code === 'signInNeeded') return void session.state.apply({ kind: 'signedOut' });
    if (fault?.code === 'otherAccount') return void session.state.apply({ kind: 'otherAccount' });
    if (fault?.code !== 'tooMany') session.state.apply({ kind: 'missed' });
    const pauseMs = retryMs[Math.min(failures, retryMs.length - 1)]!;
    cancelRetry = session.setTimer(() => void round(), Math.max(pauseMs, fault?.retryAfterMs ?? 0));
    failures++;
  }

  return {
    go: () => void round(),
    announced(revision) {
      announced = revision;
      if (!isRunning && isBehind()) void round();
    },
    stop: () => cancelRetry(),
  };
}
