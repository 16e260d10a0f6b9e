import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** An IndexedDB database, opened lazily. */
type DeviceDatabase<Schema extends DBSchema> = {
  /** Opens the database once; a failed attempt rejects, and the next call retries. */
  open: () => Promise<IDBPDatabase<Schema>>;
  close: () => Promise<void>;
};

/** Databases whose upgrade is blocked by another tab with an older version of the app. */
const heldUp = new Set<string>();
const listeners = new Set<() => void>();

function setHeldUp(name: string, isBlocked: boolean): void {
  if (heldUp.has(name) === isBlocked) return;
  if (isBlocked) heldUp.add(name);
  else heldUp.delete(name);
  for (const listen of listeners) listen();
}

/** Whether an upgrade is blocked by another tab. */
export const isHeldUp = (): boolean => heldUp.size > 0;

/** Subscribes to {@link isBlocked}; returns the unsubscriber. */
export function onBlocked(listen: () => void): () => void {
  listeners.add(listen);
  return () => void listeners.delete(listen);
}

/**
 * A lazily opened database. Where a newer version of the app wants to upgrade it, this tab closes it and reopens it on the next
 * access; where another tab blocks this one's upgrade, {@link isBlocked} says so.
 */
export function deviceDatabase<Schema extends DBSchema>(
  name: string,
  version: number,
  lay: (db: IDBPDatabase<Schema>) => void,
): DeviceDatabase<Schema> {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const close = async (): Promise<void> => {
    const closing = opened;
    opened = null;
    (await closing?.catch(() => null))?.close();
  };
  async function openIt(): Promise<IDBPDatabase<Schema>> {
    try {
      return await openDB<Schema>(name, version, {
        upgrade: lay,
        blocked: () => setHeldUp(name, true),
        blocking: () => void close(),
        terminated: () => {
          opened = null;
        },
      });
    } finally {
      setHeldUp(name, false);
    }
  }
  const open = (): Promise<IDBPDatabase<Schema>> =>
    (opened ??= openIt().catch((error: unknown) => {
      opened = null;
      throw error;
    }));
  return { open, close };
}
