import type { Change, Made } from '@wimbel/contract';
import { placeOf } from '../effects.ts';
import { NO_PENDING, allPending, mapPending, pendingOf, withPending, withoutPending } from '../pendingChanges.ts';
import type { HeldRow, OutboxStore, RecordStore, Refusal, SyncEvent, SyncState } from '../ports.ts';
import { emptyRecordsState, withKept, withRows } from '../recordsState.ts';
import { startSync } from '../sync.ts';
import type { createMemoryServer } from './memoryServer.ts';

/** The app's state without an app. */
function createMemoryState() {
  let records = emptyRecordsState();
  let pending = NO_PENDING;
  const refused: Refusal[] = [];
  const apply = (event: SyncEvent): void => {
    if (event.kind === 'changed') {
      records = withRows(records, event.rows);
      pending = withPending(pending, event.changes);
    } else if (event.kind === 'arrived') {
      const { rows, revision, isLast } = event;
      records = { ...withRows(records, rows), revision, isLoaded: records.isLoaded || isLast };
    } else if (event.kind === 'opened') records = withKept(records, event.record);
    else if (event.kind === 'rolledBack') records = withRows(records, event.rows);
    else if (event.kind === 'cleared') {
      records = emptyRecordsState();
      pending = NO_PENDING;
    } else if (event.kind === 'restored') pending = pendingOf([...event.waiting, ...allPending(pending)]);
    else if (event.kind === 'acknowledged') pending = withoutPending(pending, event.ids);
    else if (event.kind === 'refused') {
      refused.push(...event.refusals);
      pending = withoutPending(
        pending,
        event.refusals.map(({ change }) => change.id),
      );
    } else if (event.kind === 'restamped') {
      const byId = new Map(event.changes.map((each) => [each.id, each]));
      pending = mapPending(pending, (each) => byId.get(each.id) ?? each);
    }
  };
  const state: SyncState = { records: () => records, pending: () => pending, apply };
  return { state, refused };
}

function createMemoryOutbox(): OutboxStore {
  let kept: Change[] = [];
  let refused: Refusal[] = [];
  return {
    append: () => true,
    async keep(_, changes) {
      const known = new Set(kept.map(({ id }) => id));
      kept.push(...changes.filter(({ id }) => !known.has(id)));
    },
    read: async () => ({ waiting: [...kept], refused: [...refused] }),
    accounts: async () => (kept.length > 0 ? ['anna'] : []),
    async forget(_, ids) {
      kept = kept.filter(({ id }) => !ids.includes(id));
      refused = refused.filter(({ change }) => !ids.includes(change.id));
    },
    async markRefused(refusals) {
      refused.push(...refusals);
      kept = kept.filter(({ id }) => !refusals.some(({ change }) => change.id === id));
    },
    async replace(changes) {
      kept = kept.map((each) => changes.find(({ id }) => id === each.id) ?? each);
    },
  };
}

function createMemoryRecord(): RecordStore {
  const rows = new Map<string, HeldRow>();
  let at: number | null = null;
  return {
    // Entries are stored packed; a device in memory is pulled anew instead.
    read: async () => null,
    revision: async () => at,
    async madeOf(places) {
      const found = places.flatMap((place): [string, Made][] => {
        const row = rows.get(placeOf(place));
        return row === undefined ? [] : [[placeOf(place), { madeAt: row.madeAt, id: row.changeId }]];
      });
      return new Map(found);
    },
    async put(more, revision) {
      for (const row of more) rows.set(placeOf(row), row);
      at = revision;
    },
    async clear() {
      rows.clear();
      at = null;
    },
  };
}

/** A clock that all devices of a test share: each instant is later than the one before. */
function createTestClock() {
  let latestMs = Date.now() - 60_000;
  return {
    nextInstant: () => new Date(++latestMs).toISOString(),
    noteInstant: (instant: string) => void (latestMs = Math.max(latestMs, Date.parse(instant))),
    forgetInstants: () => undefined,
  };
}

const clock = createTestClock();
let ids = 0;

/** A device of an account: the whole engine on stores in memory. */
export function createMemoryDevice(server: ReturnType<typeof createMemoryServer>) {
  const { api, line } = server.connect();
  const { state, refused } = createMemoryState();
  const sync = startSync({
    state,
    api,
    outbox: createMemoryOutbox(),
    record: createMemoryRecord(),
    clock,
    openTabChannel: () => ({ post: () => undefined, close: () => undefined }),
    setTimer(work, delayMs) {
      const timer = setTimeout(work, delayMs);
      return () => clearTimeout(timer);
    },
    prepare: async () => undefined,
    accountId: 'anna',
    retryMs: [5],
  });
  return {
    sync,
    line,
    refused,
    records: state.records,
    waiting: () => state.pending().count,
    /** Changes a record, or deletes it (null). */
    change: (collection: Change['collection'], key: string, record: object | null) =>
      sync.change([
        { id: `c${++ids}`, madeAt: clock.nextInstant(), collection, key, record: record as Change['record'] },
      ]),
  };
}
