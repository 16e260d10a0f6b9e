/** The browser's locks, as far as they are needed; a test gives its own. */
type Locks = {
  request: (name: string, options: { signal: AbortSignal }, held: () => Promise<void>) => Promise<unknown>;
};

/**
 * Of all tabs that have the same account open one is chosen to listen to the server, so that ten tabs take one connection.
 * `begin` is called once it is this one's turn and gives the way to end; when this tab goes, the next one is chosen. Where a
 * browser has no locks, every tab listens for itself.
 */
export function whenChosen(
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
  // Not waited for any more: that is no fault.
  void locks.request(name, { signal: waiting.signal }, held).catch(() => undefined);
  return () => {
    waiting.abort();
    leave?.();
  };
}
