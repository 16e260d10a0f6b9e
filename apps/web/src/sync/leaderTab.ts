/** The part of the Web Locks API that is used; tests pass their own. */
type Locks = {
  request: (name: string, options: { signal: AbortSignal }, held: () => Promise<void>) => Promise<unknown>;
};

/**
 * Leader election among the tabs of an account by Web Locks: only the leader tab opens the event stream. Calls `begin` once this
 * tab is the leader; `begin` returns its clean-up. When the leader closes, another tab takes over. Without Web Locks every tab is
 * its own leader.
 */
export function whenLeader(
  name: string,
  begin: () => () => void,
  locks: Locks | undefined = globalThis.navigator?.locks,
): () => void {
  if (locks === undefined) return begin();
  const waiting = new AbortController();
  let leave: (() => void) | undefined;
  const held = (): Promise<void> =>
    new Promise((resolve) => {
      const end = begin();
      leave = () => {
        end();
        resolve();
      };
    });
  // Aborting the request is not an error.
  void locks.request(name, { signal: waiting.signal }, held).catch(() => undefined);
  return () => {
    waiting.abort();
    leave?.();
  };
}
