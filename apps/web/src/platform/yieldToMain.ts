/** Lets the page draw and hear before going on; resolves with the next turn. */
export const yieldToMain = (): Promise<void> =>
  new Promise((resolve) => {
    // A timer would wait some milliseconds each time.
    if (typeof MessageChannel === 'undefined') return void setTimeout(resolve);
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/** So long work may go on before the page is let draw, in milliseconds. */
const AT_ONCE_MS = 12;

/** Does something with each of some things, the page free in between; ends where `isOver` says so. */
export async function forEachInSlices<T>(
  things: Iterable<T>,
  work: (thing: T) => void,
  isOver: () => boolean,
): Promise<void> {
  let sinceMs = performance.now();
  for (const each of things) {
    if (isOver()) return;
    work(each);
    if (performance.now() - sinceMs < AT_ONCE_MS) continue;
    await yieldToMain();
    sinceMs = performance.now();
  }
}
