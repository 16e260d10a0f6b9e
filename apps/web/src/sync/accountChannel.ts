/** Tabs of one browser tell each other who is signed in; the cookie that says so is one for all of them. */
export type AccountTalk = {
  say: (accountId: string | null) => void;
  /** Hears what other tabs say; returns the way to stop. */
  hear: (listen: (accountId: string | null) => void) => () => void;
};

export function openAccountTalk(name = 'wimbel.account'): AccountTalk {
  // Where a browser has none, the server still refuses a page that believes in another account.
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  return {
    say: (accountId) => channel?.postMessage({ accountId }),
    hear(listen) {
      const onMessage = ({ data }: MessageEvent<{ accountId: string | null }>): void => listen(data.accountId);
      channel?.addEventListener('message', onMessage);
      return () => channel?.removeEventListener('message', onMessage);
    },
  };
}
