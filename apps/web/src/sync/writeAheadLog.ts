import type { Change } from '@wimbel/contract';
import { deviceClockMs } from '../platform/clock.ts';

/**
 * Where changes are jotted down within the tap itself, until they are kept for good: writing to IndexedDB takes a
 * moment, and a page closed in that moment would lose them.
 */
export type Jotter = {
  /** Whether they are jotted down now. */
  jot: (accountId: string, changes: readonly Change[]) => boolean;
  /** What is jotted down for an account, the oldest first; changes that were jotted down together stay so. */
  read: (accountId: string) => Change[][];
  /** Crosses out what was jotted down together, where the last of it is among some changes: they go in order. */
  cross: (accountId: string, ids: readonly string[]) => void;
};

/** The part of the browser's local storage that the jotter needs. */
export type Slips = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

let count = 0;

/** A jotter in local storage; where that is full or forbidden, nothing is jotted down and IndexedDB stands alone. */
export function openJotter(slips: Slips | undefined, name: string): Jotter {
  const prefix = (accountId: string): string => `${name}.jotted.${accountId}.`;
  const keysOf = (accountId: string): string[] =>
    Array.from({ length: slips?.length ?? 0 }, (_, index) => slips!.key(index) ?? '')
      .filter((key) => key.startsWith(prefix(accountId)))
      .sort();
  return {
    jot(accountId, changes) {
      if (slips === undefined) return false;
      const order = String(deviceClockMs()).padStart(15, '0') + String(count++).padStart(7, '0');
      try {
        slips.setItem(`${prefix(accountId)}${order}.${changes.at(-1)?.id}`, JSON.stringify(changes));
        return true;
      } catch {
        // Full or forbidden.
        return false;
      }
    },
    read(accountId) {
      return keysOf(accountId).flatMap((key) => {
        const changes = changesIn(slips!.getItem(key));
        return changes === null ? [] : [changes];
      });
    },
    cross(accountId, ids) {
      const gone = new Set(ids);
      // The name says which change is the last: what is on the slip is not read for it.
      for (const key of keysOf(accountId)) if (gone.has(key.slice(key.lastIndexOf('.') + 1))) slips!.removeItem(key);
    },
  };
}

/** What was jotted down; null where the slip is damaged: the others are read all the same. */
function changesIn(text: string | null): Change[] | null {
  try {
    const changes: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(changes) ? (changes as Change[]) : null;
  } catch {
    return null;
  }
}

/** The browser's local storage, where the page may use it. */
export function deviceSlips(): Slips | undefined {
  try {
    return globalThis.localStorage;
  } catch {
    return undefined;
  }
}
