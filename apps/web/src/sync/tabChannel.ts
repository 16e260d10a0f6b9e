import type { TabChannel, TabMessage } from '@wimbel/sync';

/** Opens the account's `BroadcastChannel`; without it each tab learns of changes from the server alone. */
export function openTabChannel(accountId: string, onMessage: (message: TabMessage) => void): TabChannel {
  if (typeof BroadcastChannel === 'undefined') return { post: () => undefined, close: () => undefined };
  const channel = new BroadcastChannel(`wimbel.tabs.${accountId}`);
  channel.onmessage = ({ data }: MessageEvent<TabMessage>) => onMessage(data);
  return { post: (message) => channel.postMessage(message), close: () => channel.close() };
}
