import type { Change } from '@wimbel/contract';
import type { DBSchema } from 'idb';
import { deviceDatabase } from './deviceDatabase.ts';
import { type Slips, deviceSlips, openJotter } from './writeAheadLog.ts';
import type { Refusal } from '../store/outboxSlice.ts';

type Kept = { accountId: string; change: Change; refusedFor?: Refusal['issues'] };

interface OutboxDatabase extends DBSchema {
  changes: {
    key: number;
    value: Kept;
    indexes: { byAccount: string; byChange: string };
  };
}

/** Where changes wait on this device until the server has them. */
export type OutboxStore = {
  /** Jots changes down within the tap, so that they outlive a page closed before they are kept. */
  jot: (accountId: string, changes: readonly Change[]) => boolean;
  keep: (accountId: string, changes: readonly Change[]) => Promise<void>;
  /** What waits, with what was jotted down and not kept yet. Where IndexedDB may not be used, only the latter. */
  read: (accountId: string) => Promise<{ waiting: Change[]; refused: Refusal[] }>;
  /** Accounts of which changes are kept. */
  accounts: () => Promise<string[]>;
  forget: (accountId: string, ids: readonly string[]) => Promise<void>;
  markRefused: (refusals: readonly Refusal[]) => Promise<void>;
  /** Puts changes in the place of those of the same id. */
  replace: (changes: readonly Change[]) => Promise<void>;
};

/** Opens the outbox in IndexedDB; each account's changes are kept apart. */
export function openOutboxStore(name = 'wimbel', slips: Slips | undefined = deviceSlips()): OutboxStore {
  const jotter = openJotter(slips, name);
  const { open: database } = deviceDatabase<OutboxDatabase>(name, 1, (db) => {
    const changes = db.createObjectStore('changes', { autoIncrement: true });
    changes.createIndex('byAccount', 'accountId');
    changes.createIndex('byChange', 'change.id');
  });
  /** Adds changes that are not there yet, and crosses out what was jotted of them once they are on the disk. */
  async function keep(accountId: string, changes: readonly Change[]): Promise<void> {
    const tx = (await database()).transaction('changes', 'readwrite', { durability: 'strict' });
    for (const change of changes)
      if ((await tx.store.index('byChange').getKey(change.id)) === undefined) void tx.store.add({ accountId, change });
    await tx.done;
    jotter.cross(
      accountId,
      changes.map((each) => each.id),
    );
  }
  /** Changes how some are kept that are there. */
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
    jot: jotter.jot,
    keep,
    async read(accountId) {
      const jotted = jotter.read(accountId).flat();
      try {
        if (jotted.length > 0) await keep(accountId, jotted);
      } catch {
        return { waiting: jotted, refused: [] };
      }
      const kept = await (await database()).getAllFromIndex('changes', 'byAccount', accountId);
      return {
        waiting: kept.filter((each) => !each.refusedFor).map((each) => each.change),
        refused: kept.flatMap((each) => (each.refusedFor ? [{ change: each.change, issues: each.refusedFor }] : [])),
      };
    },
    accounts: async () => [...new Set((await (await database()).getAll('changes')).map(({ accountId }) => accountId))],
    async forget(accountId, ids) {
      jotter.cross(accountId, ids);
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
