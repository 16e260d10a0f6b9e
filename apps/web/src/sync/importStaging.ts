import type { Change } from '@wimbel/contract';
import type { DBSchema } from 'idb';
import { deviceDatabase } from './deviceDatabase.ts';

interface BringingDatabase extends DBSchema {
  parts: { key: number; value: { accountId: string; changes: readonly Change[] }; indexes: { byAccount: string } };
  /** Accounts whose staging is complete. */
  whole: { key: string; value: true };
}

/**
 * Staging area of an import in IndexedDB, filled before any change is applied: a page closed while applying resumes the next time;
 * one closed while staging has imported nothing.
 */
export type ImportStaging = {
  /** Stages batches. Rejects where the device cannot store them or `parts` throws; nothing is staged then. */
  stage: (parts: AsyncIterable<readonly Change[]>) => Promise<void>;
  /** The staged batches in order; each is removed once the next is requested. */
  remaining: () => AsyncGenerator<readonly Change[]>;
  clear: () => Promise<void>;
};

const { open: database } = deviceDatabase<BringingDatabase>('wimbel-bringing', 1, (db) => {
  db.createObjectStore('parts', { autoIncrement: true }).createIndex('byAccount', 'accountId');
  db.createObjectStore('whole');
});

export function openImportStaging(accountId: string): ImportStaging {
  const clear = async (): Promise<void> => {
    const tx = (await database()).transaction(['parts', 'whole'], 'readwrite');
    await tx.objectStore('whole').delete(accountId);
    for (const key of await tx.objectStore('parts').index('byAccount').getAllKeys(accountId))
      await tx.objectStore('parts').delete(key);
    await tx.done;
  };
  return {
    clear,
    async stage(parts) {
      await clear();
      try {
        for await (const changes of parts) await (await database()).add('parts', { accountId, changes });
        await (await database()).put('whole', true, accountId);
      } catch (error) {
        await clear().catch(() => undefined);
        throw error;
      }
    },
    async *remaining() {
      const db = await database();
      // An incomplete staging is discarded.
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
