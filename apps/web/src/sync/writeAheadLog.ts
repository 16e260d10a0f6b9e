import type { Change } from '@wimbel/contract';
import { deviceClockMs } from '../platform/clock.ts';

/**
 * Write-ahead log of changes in local storage: written synchronously within the tap, truncated once IndexedDB holds them.
 * IndexedDB writes are asynchronous: a page closed before they complete would lose the change.
 */
type WriteAheadLog = {
  /** Appends a batch; false where local storage is full or forbidden. */
  append: (accountId: string, changes: readonly Change[]) => boolean;
  /** The batches of an account, oldest first. */
  read: (accountId: string) => Change[][];
  /** Removes the batches whose last change is among `ids`; batches are acknowledged in order. */
  truncate: (accountId: string, ids: readonly string[]) => void;
};

/** The part of `Storage` that the log needs. */
export type LogStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

let count = 0;

/**
 * Opens the log. Without local storage it stores nothing. Its keys keep the prefix of the first version, `.jotted.`, so that
 * existing logs stay readable.
 */
export function openWriteAheadLog(storage: LogStorage | undefined, name: string): WriteAheadLog {
  const prefix = (accountId: string): string => `${name}.jotted.${accountId}.`;
  const keysOf = (accountId: string): string[] =>
    Array.from({ length: storage?.length ?? 0 }, (_, index) => storage!.key(index) ?? '')
      .filter((key) => key.startsWith(prefix(accountId)))
      .sort();
  return {
    append(accountId, changes) {
      if (storage === undefined) return false;
      const order = String(deviceClockMs()).padStart(15, '0') + String(count++).padStart(7, '0');
      try {
        storage.setItem(`${prefix(accountId)}${order}.${changes.at(-1)?.id}`, JSON.stringify(changes));
        return true;
      } catch {
        // Full or forbidden.
        return false;
      }
    },
    read(accountId) {
      return keysOf(accountId).flatMap((key) => {
        const changes = changesIn(storage!.getItem(key));
        return changes === null ? [] : [changes];
      });
    },
    truncate(accountId, ids) {
      const gone = new Set(ids);
      // The key names the last change: the value need not be parsed.
      for (const key of keysOf(accountId)) if (gone.has(key.slice(key.lastIndexOf('.') + 1))) storage!.removeItem(key);
    },
  };
}

/** Parses a batch; null where it is damaged. */
function changesIn(text: string | null): Change[] | null {
  try {
    const changes: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(changes) ? (changes as Change[]) : null;
  } catch {
    return null;
  }
}

/** The browser's local storage, where the page may use it. */
export function deviceLogStorage(): LogStorage | undefined {
  try {
    return globalThis.localStorage;
  } catch {
    return undefined;
  }
}
