import type { Change, ChangeResult, ChangesAnswer } from '@wimbel/contract';
import { ApiError } from '../platform/api.ts';
import { nextInstant } from '../platform/clock.ts';
import type { Row, Touched } from '../store/effects.ts';
import { type Refusal, changesAcknowledged, changesRefused, changesRestamped } from '../store/outboxSlice.ts';
import { recordsPutBack } from '../store/recordsSlice.ts';
import { firstWaiting } from '../store/pendingChanges.ts';
import { takeIn } from './pull.ts';
import type { HeldRow } from './recordStore.ts';
import type { Session } from './session.ts';

/** How many changes one request carries. */
const BATCH = 200;
/** How often one change by itself may make the server fail before it is put aside. */
const MOST_FAILURES = 3;

type Answer = Pick<ChangesAnswer, 'results'> & Partial<ChangesAnswer>;

/** Sends what waits, in order; what is too much together is parted until the one at fault is found. */
export type Sending = {
  /** Sends all that waits; true where the server may have more to tell than its answers did. */
  sendWaiting: () => Promise<boolean>;
};

export function createSending(session: Session): Sending {
  const { store, api, outbox, accountId, outstanding } = session;
  const failuresOf = new Map<string, number>();
  let batchSize = BATCH;

  /** Counts one more try of a change that came to nothing. */
  function failed(id: string): number {
    const times = (failuresOf.get(id) ?? 0) + 1;
    failuresOf.set(id, times);
    return times;
  }

  /** Sends some changes; null where they were too much together, and fewer are to be tried. */
  async function sendBatch(batch: readonly Change[]): Promise<Answer | null> {
    const { revision } = store.getState().records;
    try {
      const answer = await api.sendChanges(accountId, batch, revision);
      // What was too much a moment ago would be so again: more is tried little by little.
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
      // A server that fails on everything is not this change's doing: it gets some tries.
      if (!isUnfit && failed(only.id) < MOST_FAILURES) throw error;
      return { results: [{ id: only.id, status: 'refused', issues: [{ path: '', message }] }] };
    }
  }

  /** Parts what became of changes: with the server's time it holds; where it never does, it is put aside. */
  function sort(batch: readonly Change[], results: readonly ChangeResult[]) {
    const byId = new Map(batch.map((each) => [each.id, each]));
    const sorted = nothingSorted();
    for (const result of results) {
      const change = byId.get(result.id);
      if (change === undefined) continue;
      if (isAhead(result) && failed(result.id) < MOST_FAILURES) {
        sorted.ahead.push({ ...change, madeAt: nextInstant() });
        continue;
      }
      if (result.status === 'refused') sorted.refusals.push({ change, issues: result.issues });
      else sorted.taken.push(result.id);
      const { id, status } = result;
      if (status === 'accepted') {
        const { touched, back } = outstanding.accepted(id);
        sorted.own.push(...heldBy(change, result.revision, touched));
        sorted.back.push(...back);
      } else {
        sorted.undone.push(result.id);
        sorted.back.push(...outstanding.undone(result.id));
      }
    }
    return sorted;
  }

  /** Takes in what became of changes, and what the server says is newer. */
  function take(batch: readonly Change[], answer: Answer): void {
    const { ahead, refusals, taken, undone, back, own } = sort(batch, answer.results);
    if (ahead.length > 0) {
      ahead.forEach(outstanding.restamped);
      store.dispatch(changesRestamped({ changes: ahead }));
      void session.keep(() => outbox.replace(ahead));
    }
    if (refusals.length > 0) {
      store.dispatch(changesRefused({ refusals }));
      void session.keep(() => outbox.markRefused(refusals));
    }
    store.dispatch(changesAcknowledged({ ids: taken }));
    void session.keep(() => outbox.forget(accountId, taken));
    if (back.length > 0) store.dispatch(recordsPutBack({ rows: back }));
    const gone = new Set(undone);
    session.tell({ taken: taken.filter((id) => !gone.has(id)), undone });
    const { rows, revision } = answer;
    if (rows !== undefined && revision !== undefined) takeIn(session, rows, revision, true, own);
  }

  return {
    async sendWaiting() {
      let hasMore = session.waiting().count === 0;
      for (;;) {
        const batch = firstWaiting(session.waiting(), batchSize);
        if (batch.length === 0 || session.isStopped) return hasMore;
        // Nothing is sent before it is kept on the device.
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
const heldBy = ({ id, madeAt }: Change, revision: number, touched: readonly Touched[]): HeldRow[] =>
  touched.map(({ collection, key, after }) => ({ collection, key, record: after, madeAt, changeId: id, revision }));

const isAhead = (result: ChangeResult): boolean => result.status === 'refused' && result.code === 'ahead';
