/** Yields to the main thread: resolves with the next task, after rendering and input. */
export const yieldToMain = (): Promise<void> =>
  new Promise((resolve) => {
    // `setTimeout` would be clamped to 4 ms.
    if (typeof MessageChannel === 'undefined') return void setTimeout(resolve);
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/** Time slice between yields, in milliseconds. */
const SLICE_MS = 12;

/** Calls `work` for each item in time slices, yielding to the main thread in between; stops where `isOver` returns true. */
export async function forEachInSlices<T>(
  things: Iterable<T>,
  work: (thing: T) => void,
  isOver: () => boolean,
): Promise<void> {
  let sinceMs = performance.now();
  for (const each of things) {
    if (isOver()) return;
    work(each);
    if (performance.now() - sinceMs < SLICE_MS) continue;
    await yieldToMain();
    sinceMs = performance.now();
  }
}
