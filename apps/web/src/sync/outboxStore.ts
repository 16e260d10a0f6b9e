import type { Change } from '@wimbel/contract';
import type { OutboxStore, Refusal } from '@wimbel/sync';
import type { DBSchema } from 'idb';
import { deviceDatabase } from './deviceDatabase.ts';
import { type LogStorage, deviceLogStorage, openWriteAheadLog } from './writeAheadLog.ts';

type Kept = { accountId: string; change: Change; refusedFor?: Refusal['issues'] };

interface OutboxDatabase extends DBSchema {
  changes: {
    key: number;
    value: Kept;
    indexes: { byAccount: string; byChange: string };
  };
}

/** Opens the outbox in IndexedDB, behind a write-ahead log; without IndexedDB only the latter is read. Changes are stored per account. */
export function openOutboxStore(name = 'wimbel', storage: LogStorage | undefined = deviceLogStorage()): OutboxStore {
  const log = openWriteAheadLog(storage, name);
  const { open: database } = deviceDatabase<OutboxDatabase>(name, 1, (db) => {
    const changes = db.createObjectStore('changes', { autoIncrement: true });
    changes.createIndex('byAccount', 'accountId');
    changes.createIndex('byChange', 'change.id');
  });
  /** Stores changes, then truncates the write-ahead log. */
  async function keep(accountId: string, changes: readonly Change[]): Promise<void> {
    const tx = (await database()).transaction('changes', 'readwrite', { durability: 'strict' });
    for (const change of changes)
      if ((await tx.store.index('byChange').getKey(change.id)) === undefined) void tx.store.add({ accountId, change });
    await tx.done;
    log.truncate(
      accountId,
      changes.map((each) => each.id),
    );
  }
  /** Updates stored changes. */
  async function edit(ids: readonly string[], how: (kept: Kept, index: number) => Kept): Promise<void> {
    const tx = (await database()).transaction('changes', 'readwrite');
    for (const [index, id] of ids.entries()) {
      const key = await tx.store.index('byChange').getKey(id);
      const kept = key === undefined ? undefined : await tx.store.get(key);
      if (key !== undefined && kept !== undefined) await tx.store.put(how(kept, index), key);
    }
    await tx.done;
  }
  return {
    append: log.append,
    keep,
    async read(accountId) {
      const logged = log.read(accountId).flat();
      try {
        if (logged.length > 0) await keep(accountId, logged);
      } catch {
        return { waiting: logged, refused: [] };
      }
      const kept = await (await database()).getAllFromIndex('changes', 'byAccount', accountId);
      return {
        waiting: kept.filter((each) => !each.refusedFor).map((each) => each.change),
        refused: kept.flatMap((each) => (each.refusedFor ? [{ change: each.change, issues: each.refusedFor }] : [])),
      };
    },
    accounts: async () => [...new Set((await (await database()).getAll('changes')).map(({ accountId }) => accountId))],
    async forget(accountId, ids) {
      log.truncate(accountId, ids);
      const tx = (await database()).transaction('changes', 'readwrite');
      for (const id of ids) {
        const key = await tx.store.index('byChange').getKey(id);
        if (key !== undefined) await tx.store.delete(key);
      }
      await tx.done;
    },
    markRefused: (refusals) =>
      edit(
        refusals.map(({ change }) => change.id),
        (kept, index) => ({ ...kept, refusedFor: refusals[index]!.issues }),
      ),
    replace: (changes) =>
      edit(
        changes.map((each) => each.id),
        (kept, index) => ({ ...kept, change: changes[index]! }),
      ),
  };
}
