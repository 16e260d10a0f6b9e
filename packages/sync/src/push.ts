import type { Change, ChangeResult, ChangesAnswer } from '@wimbel/contract';
import { ApiError } from './apiError.ts';
import type { Row, ChangeEffect } from './effects.ts';
import { firstPending } from './pendingChanges.ts';
import type { HeldRow, Refusal } from './ports.ts';
import { applyRows } from './pull.ts';
import type { Session } from './session.ts';

/** Batch size of a request. */
const BATCH = 200;
/** Server errors (500) of a change by itself before it is treated as refused. */
const MOST_FAILURES = 3;

type Answer = Pick<ChangesAnswer, 'results'> & Partial<ChangesAnswer>;

/** Pushes pending changes in order; bisects a batch that fails as a whole until the faulty change is found. */
type Push = {
  /** Pushes everything pending; true where a pull is needed afterwards. */
  pushPending: () => Promise<boolean>;
};

/** Creates the push of a session. */
export function createPush(session: Session): Push {
  const { state, api, outbox, clock, accountId, optimistic } = session;
  const failuresOf = new Map<string, number>();
  let batchSize = BATCH;

  /** Counts a failed attempt; returns the count. */
  function failed(id: string): number {
    const times = (failuresOf.get(id) ?? 0) + 1;
    failuresOf.set(id, times);
    return times;
  }

  /** Sends a batch; null where it failed as a whole and a smaller one is to be tried. */
  async function sendBatch(batch: readonly Change[]): Promise<Answer | null> {
    const { revision } = state.records();
    try {
      const answer = await api.sendChanges(accountId, batch, revision);
      // Grows again after a bisection.
      batchSize = Math.min(BATCH, Math.max(batchSize, batch.length * 2));
      return answer;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      const { code, message } = error.fault;
      const isUnfit = code === 'tooLarge' || code === 'invalid' || code === 'notJson';
      if (!isUnfit && code !== 'internal') throw error;
      batchSize = Math.max(1, Math.floor(batch.length / 2));
      const [only] = batch;
      if (batch.length > 1 || only === undefined) return null;
      // The server may fail on everything: retry before blaming this change.
      if (!isUnfit && failed(only.id) < MOST_FAILURES) throw error;
      return { results: [{ id: only.id, status: 'refused', issues: [{ path: '', message }] }] };
    }
  }

  /** Sorts the results of a batch; a change ahead of the server's clock is restamped and retried. */
  function sort(batch: readonly Change[], results: readonly ChangeResult[]) {
    const byId = new Map(batch.map((each) => [each.id, each]));
    const sorted = nothingSorted();
    for (const result of results) {
      const change = byId.get(result.id);
      if (change === undefined) continue;
      if (isAhead(result) && failed(result.id) < MOST_FAILURES) {
        sorted.ahead.push({ ...change, madeAt: clock.nextInstant() });
        continue;
      }
      if (result.status === 'refused') sorted.refusals.push({ change, issues: result.issues });
      else sorted.taken.push(result.id);
      const { id, status } = result;
      if (status === 'accepted') {
        const { touched, back } = optimistic.accepted(id);
        sorted.own.push(...heldBy(change, result.revision, touched));
        sorted.back.push(...back);
      } else {
        sorted.undone.push(result.id);
        sorted.back.push(...optimistic.undone(result.id));
      }
    }
    return sorted;
  }

  /** Applies the results of a batch and the newer rows of the answer. */
  function take(batch: readonly Change[], answer: Answer): void {
    const { ahead, refusals, taken, undone, back, own } = sort(batch, answer.results);
    if (ahead.length > 0) {
      ahead.forEach(optimistic.restamped);
      state.apply({ kind: 'restamped', changes: ahead });
      void session.keep(() => outbox.replace(ahead));
    }
    if (refusals.length > 0) {
      state.apply({ kind: 'refused', refusals });
      void session.keep(() => outbox.markRefused(refusals));
    }
    state.apply({ kind: 'acknowledged', ids: taken });
    void session.keep(() => outbox.forget(accountId, taken));
    if (back.length > 0) state.apply({ kind: 'rolledBack', rows: back });
    const gone = new Set(undone);
    session.postToTabs({ taken: taken.filter((id) => !gone.has(id)), undone });
    const { rows, revision } = answer;
    if (rows !== undefined && revision !== undefined) applyRows(session, rows, revision, true, own);
  }

  return {
    async pushPending() {
      let hasMore = session.pending().count === 0;
      for (;;) {
        const batch = firstPending(session.pending(), batchSize);
        if (batch.length === 0 || session.isStopped) return hasMore;
        // Write-ahead: nothing is sent before the device stores it.
        await session.settled();
        const answer = await sendBatch(batch);
        if (session.isStopped) return false;
        if (answer === null) continue;
        take(batch, answer);
        hasMore = answer.more !== false;
      }
    },
  };
}

const nothingSorted = () => ({
  ahead: [] as Change[],
  refusals: [] as Refusal[],
  taken: [] as string[],
  undone: [] as string[],
  back: [] as Row[],
  own: [] as HeldRow[],
});

/** What a change that was taken in made, as the server holds it from now on. */
const heldBy = ({ id, madeAt }: Change, revision: number, touched: readonly ChangeEffect[]): HeldRow[] =>
  touched.map(({ collection, key, after }) => ({ collection, key, record: after, madeAt, changeId: id, revision }));

const isAhead = (result: ChangeResult): boolean => result.status === 'refused' && result.code === 'ahead';
