import type { Change } from '@wimbel/contract';
import type { DBSchema } from 'idb';
import { deviceDatabase } from './deviceDatabase.ts';

interface BringingDatabase extends DBSchema {
  parts: { key: number; value: { accountId: string; changes: readonly Change[] }; indexes: { byAccount: string } };
  /** Accounts whose parts are all there. */
  whole: { key: string; value: true };
}

/**
 * What is brought in with many changes, laid down on the device before any of it is shown: a page that is closed in between
 * goes on with the rest the next time, and one that is closed while it is laid down has brought in nothing.
 */
export type Bringing = {
  /** Lays parts down. Rejects where the device would not keep them, or with what the parts throw; then nothing is laid. */
  lay: (parts: AsyncIterable<readonly Change[]>) => Promise<void>;
  /** The parts that are laid down whole, in order; each goes once the next is asked for. */
  left: () => AsyncGenerator<readonly Change[]>;
  clear: () => Promise<void>;
};

const { open: database } = deviceDatabase<BringingDatabase>('wimbel-bringing', 1, (db) => {
  db.createObjectStore('parts', { autoIncrement: true }).createIndex('byAccount', 'accountId');
  db.createObjectStore('whole');
});

export function openBringing(accountId: string): Bringing {
  const clear = async (): Promise<void> => {
    const tx = (await database()).transaction(['parts', 'whole'], 'readwrite');
    await tx.objectStore('whole').delete(accountId);
    for (const key of await tx.objectStore('parts').index('byAccount').getAllKeys(accountId))
      await tx.objectStore('parts').delete(key);
    await tx.done;
  };
  return {
    clear,
    async lay(parts) {
      await clear();
      try {
        for await (const changes of parts) await (await database()).add('parts', { accountId, changes });
        await (await database()).put('whole', true, accountId);
      } catch (error) {
        await clear().catch(() => undefined);
        throw error;
      }
    },
    async *left() {
      const db = await database();
      // What was not laid down whole was never begun.
      if ((await db.get('whole', accountId)) !== true) return void (await clear());
      for (const key of await db.getAllKeysFromIndex('parts', 'byAccount', accountId)) {
        const part = await db.get('parts', key);
        if (part !== undefined) yield part.changes;
        await db.delete('parts', key);
      }
      await db.delete('whole', accountId);
    },
  };
}
