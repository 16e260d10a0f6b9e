import type { Change } from '@wimbel/contract';

/** Cross-tab messages of one account: changes made in a tab, and their outcome. */
export type TabMessage =
  | { made: Change[] }
  /** Changes the server accepted, and those that are rolled back. */
  | { taken: string[]; undone: string[] }
  /** The revision of the account on the server, from the leader tab. */
  | { revision: number };

/** The channel between the tabs of a browser that have the same account open. */
export type TabChannel = { post: (message: TabMessage) => void; close: () => void };

/** Opens the account's `BroadcastChannel`; without it each tab learns of changes from the server alone. */
export function openTabChannel(accountId: string, onMessage: (message: TabMessage) => void): TabChannel {
  if (typeof BroadcastChannel === 'undefined') return { post: () => undefined, close: () => undefined };
  const channel = new BroadcastChannel(`wimbel.tabs.${accountId}`);
  channel.onmessage = ({ data }: MessageEvent<TabMessage>) => onMessage(data);
  return { post: (message) => channel.postMessage(message), close: () => channel.close() };
}
