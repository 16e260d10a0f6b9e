import type { Change } from '@wimbel/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Refusal } from './outboxSlice.ts';

interface OutboxDatabase extends DBSchema {
  changes: {
    key: number;
    value: { accountId: string; change: Change; refusedFor?: Refusal['issues'] };
    indexes: { byAccount: string; byChange: string };
  };
}

/** Where changes wait on this device until the server has them. */
export type OutboxStore = {
  keep: (accountId: string, changes: readonly Change[]) => Promise<void>;
  read: (accountId: string) => Promise<{ waiting: Change[]; refused: Refusal[] }>;
  forget: (ids: readonly string[]) => Promise<void>;
  markRefused: (refusals: readonly Refusal[]) => Promise<void>;
};

/** Opens the outbox in IndexedDB; each account's changes are kept apart. */
export function openOutboxStore(name = 'wimbel'): OutboxStore {
  let opened: Promise<IDBPDatabase<OutboxDatabase>> | null = null;
  const database = () =>
    (opened ??= openDB<OutboxDatabase>(name, 1, {
      upgrade(db) {
        const changes = db.createObjectStore('changes', { autoIncrement: true });
        changes.createIndex('byAccount', 'accountId');
        changes.createIndex('byChange', 'change.id');
      },
    }));
  return {
    async keep(accountId, changes) {
      const tx = (await database()).transaction('changes', 'readwrite', { durability: 'strict' });
      for (const change of changes) void tx.store.add({ accountId, change });
      await tx.done;
    },
    async read(accountId) {
      const kept = await (await database()).getAllFromIndex('changes', 'byAccount', accountId);
      return {
        waiting: kept.filter((each) => !each.refusedFor).map((each) => each.change),
        refused: kept.flatMap((each) => (each.refusedFor ? [{ change: each.change, issues: each.refusedFor }] : [])),
      };
    },
    async forget(ids) {
      const tx = (await database()).transaction('changes', 'readwrite');
      for (const id of ids) {
        const key = await tx.store.index('byChange').getKey(id);
        if (key !== undefined) await tx.store.delete(key);
      }
      await tx.done;
    },
    async markRefused(refusals) {
      const tx = (await database()).transaction('changes', 'readwrite');
      for (const { change, issues } of refusals) {
        const key = await tx.store.index('byChange').getKey(change.id);
        const kept = key === undefined ? undefined : await tx.store.get(key);
        if (key !== undefined && kept !== undefined) await tx.store.put({ ...kept, refusedFor: issues }, key);
      }
      await tx.done;
    },
  };
}
