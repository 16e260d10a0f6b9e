/** Cross-tab channel for sign-in and sign-out: all tabs share the session cookie. */
type AccountChannel = {
  post: (accountId: string | null) => void;
  /** Subscribes to the other tabs; returns the unsubscriber. */
  subscribe: (listen: (accountId: string | null) => void) => () => void;
};

export function openAccountChannel(name = 'wimbel.account'): AccountChannel {
  // Without it the server still refuses requests that name another account.
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  return {
    post: (accountId) => channel?.postMessage({ accountId }),
    subscribe(listen) {
      const onMessage = ({ data }: MessageEvent<{ accountId: string | null }>): void => listen(data.accountId);
      channel?.addEventListener('message', onMessage);
      return () => channel?.removeEventListener('message', onMessage);
    },
  };
}
