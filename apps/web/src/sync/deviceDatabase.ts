import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** A database of this device, opened when it is first needed. */
export type DeviceDatabase<Schema extends DBSchema> = {
  /** Opens it, or gives the one that is open. What goes wrong rejects; the next call tries again. */
  open: () => Promise<IDBPDatabase<Schema>>;
  close: () => Promise<void>;
};

/** The databases that cannot be laid out anew yet, because an older version of the app has them open in another tab. */
const heldUp = new Set<string>();
const listeners = new Set<() => void>();

function setHeldUp(name: string, isHeldUp: boolean): void {
  if (heldUp.has(name) === isHeldUp) return;
  if (isHeldUp) heldUp.add(name);
  else heldUp.delete(name);
  for (const listen of listeners) listen();
}

/** Whether another tab keeps this one from opening what the device holds. */
export const isHeldUp = (): boolean => heldUp.size > 0;

/** Hears when {@link isHeldUp} changes; returns the way to stop. */
export function hearOfHeldUp(listen: () => void): () => void {
  listeners.add(listen);
  return () => void listeners.delete(listen);
}

/**
 * Keeps one database at hand. Where a newer version of the app wants to lay it out anew, this tab lets go of it and opens it
 * again with what it needs next; where this tab is the newer one and another holds on, that is told until it lets go.
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
