import {
  type Change,
  type ChangesAnswer,
  type Collection,
  MOST_AHEAD_MS,
  type RecordOf,
  type ServerRow,
  isNamed,
} from '@wimbel/contract';
import type { BatchState } from '../../../../apps/server/src/features/changes/batchState.ts';
import { decideAll } from '../../../../apps/server/src/features/changes/decide.ts';
import { type Write, placeOf } from '../../../../apps/server/src/features/changes/queries.ts';
import { ApiError } from '../apiError.ts';
import type { SyncApi } from '../ports.ts';

type AnyRecord = RecordOf<Collection>;

/** An account in memory, decided by the server's own code: validation, references, cascades and merges. */
export function createMemoryServer() {
  const stored = new Map<string, Write>();
  let revision = 0;

  /** A batch on the stored records, as `createBatchState` gives it on the database. */
  function batchState(): BatchState {
    const written = new Map<string, Write>();
    let moved = 0;
    const at = revision;
    const lookUp = (collection: Collection, key: string): Write | null =>
      written.get(placeOf(collection, key)) ?? stored.get(placeOf(collection, key)) ?? null;
    return {
      at,
      moved: () => moved,
      writes: () => [...written.values()],
      logged: async (collection, key) => lookUp(collection, key),
      record: async (collection, key) => (lookUp(collection, key)?.record ?? null) as never,
      namedBy: async (by, key) =>
        [...new Map([...stored, ...written]).values()].flatMap(({ collection, record, changedAt, changeId }) =>
          collection === by.in && record !== null && isNamed(by, record, key) ? [{ record, changedAt, changeId }] : [],
        ),
      misfits: async () => [],
      readAbove: async () => undefined,
      put(collection, key, record, origin, parts = null) {
        moved++;
        written.set(placeOf(collection, key), { collection, key, record, revision: at + moved, parts, ...origin });
        return at + moved;
      },
    };
  }

  const rowOf = ({ collection, key, revision: own, changedAt, changeId, record }: Write): ServerRow =>
    ({ collection, key, revision: own, madeAt: changedAt, changeId, record }) as ServerRow;

  const rowsSince = (since: number): ServerRow[] =>
    [...stored.values()]
      .filter((each) => each.revision > since)
      .sort((a, b) => a.revision - b.revision)
      .map(rowOf);

  const state = {
    /** The server commits, and its answer is lost. */
    losesAnswers: false,
    batches: 0,
    record: (collection: Collection, key: string): AnyRecord | null =>
      stored.get(placeOf(collection, key))?.record ?? null,
  };
  let queue: Promise<unknown> = Promise.resolve();
  /** One batch at a time, as the revision guard does it on the database. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = queue.then(work);
    queue = done.catch(() => undefined);
    return done;
  }

  /** A device's connection, which can be cut. */
  function connect() {
    const line = { isCut: false };
    const reach = (): void => {
      if (line.isCut) throw new ApiError({ code: 'offline', message: '' });
    };
    const api: SyncApi = {
      async sendChanges(_, changes, since) {
        reach();
        return inTurn(() => commit(changes, since));
      },
      async changesSince(_, since) {
        reach();
        return { revision, more: false, now: new Date().toISOString(), rows: rowsSince(since) };
      },
    };
    return { api, line };
  }

  async function commit(changes: readonly Change[], since: number): Promise<ChangesAnswer> {
    state.batches++;
    const batch = batchState();
    const now = new Date();
    const results = await decideAll(batch, changes, now.getTime() + MOST_AHEAD_MS, false);
    for (const each of batch.writes()) stored.set(placeOf(each.collection, each.key), each);
    revision += batch.moved();
    if (state.losesAnswers) throw new ApiError({ code: 'offline', message: '' });
    const accepted = new Set(results.flatMap((each) => (each.status === 'accepted' ? [each.id] : [])));
    const own = new Set(
      changes.flatMap(({ id, collection, key }) => (accepted.has(id) ? [`${id} ${placeOf(collection, key)}`] : [])),
    );
    const lost = changes.filter((_each, at) => results[at]!.status === 'superseded');
    const winners = lost.flatMap(({ collection, key }) => {
      const winner = stored.get(placeOf(collection, key));
      return winner === undefined ? [] : [rowOf(winner)];
    });
    const rows = rowsSince(since).filter(
      ({ changeId, collection, key }) => !own.has(`${changeId} ${placeOf(collection, key)}`),
    );
    return { results, now: now.toISOString(), revision, more: false, rows: [...winners, ...rows] };
  }

  return { connect, state };
}
