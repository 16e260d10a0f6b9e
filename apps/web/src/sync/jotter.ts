import type { Change } from '@wimbel/contract';
import { deviceNow } from '../shared/clock.ts';

/** Changes jotted down together, and the way to cross them out. */
export type Jotting = { changes: Change[]; cross: () => void };

/**
 * Where changes are jotted down within the tap itself, until they are kept for good: writing to IndexedDB takes a
 * moment, and a page closed in that moment would lose them.
 */
export type Jotter = {
  /** Whether they are jotted down now. */
  jot: (accountId: string, changes: readonly Change[]) => boolean;
  /** What is jotted down for an account, the oldest first. */
  read: (accountId: string) => Jotting[];
};

/** The part of the browser's local storage that the jotter needs. */
export type Slips = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

let count = 0;

/** A jotter in local storage; where that is full or forbidden, nothing is jotted down and IndexedDB stands alone. */
export function openJotter(slips: Slips | undefined, name: string): Jotter {
  const prefix = (accountId: string): string => `${name}.jotted.${accountId}.`;
  return {
    jot(accountId, changes) {
      if (slips === undefined) return false;
      const order = String(deviceNow().getTime()).padStart(15, '0') + String(count++).padStart(7, '0');
      try {
        slips.setItem(`${prefix(accountId)}${order}.${changes[0]?.id}`, JSON.stringify(changes));
        return true;
      } catch {
        // Full or forbidden.
        return false;
      }
    },
    read(accountId) {
      if (slips === undefined) return [];
      return Array.from({ length: slips.length }, (_, index) => slips.key(index) ?? '')
        .filter((key) => key.startsWith(prefix(accountId)))
        .sort()
        .flatMap((key) => {
          const changes = changesIn(slips.getItem(key));
          return changes === null ? [] : [{ changes, cross: () => slips.removeItem(key) }];
        });
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
