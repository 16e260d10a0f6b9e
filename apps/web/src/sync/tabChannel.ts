import type { Change } from '@wimbel/contract';

/** What one tab of an account tells the others: changes that were made in it, and what became of them. */
export type TabWord =
  | { made: Change[] }
  /** The server took some in, or did not: those are taken back. */
  | { taken: string[]; undone: string[] }
  /** The server's record is at this revision, as one of them was told. */
  | { revision: number };

/** Tabs of one browser that have the same account open. */
export type TabTalk = { say: (word: TabWord) => void; close: () => void };

/** Opens the talk of an account's tabs; where a browser has none, each hears from the server alone. */
export function openTabTalk(accountId: string, hear: (word: TabWord) => void): TabTalk {
  if (typeof BroadcastChannel === 'undefined') return { say: () => undefined, close: () => undefined };
  const channel = new BroadcastChannel(`wimbel.tabs.${accountId}`);
  channel.onmessage = ({ data }: MessageEvent<TabWord>) => hear(data);
  return { say: (word) => channel.postMessage(word), close: () => channel.close() };
}
