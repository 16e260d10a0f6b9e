/** The build's list of lazy chunks. */
const CHUNKS = '/chunks.json';

/** Runs work when the browser is idle. */
export const whenIdle = (work: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(work, { timeout: 10_000 });
  else setTimeout(work, 3000);
};

/** Delay, so that the current page loads first. */
const AFTER_MS = 15_000;

let isDone = false;

/** Preloads the lazy chunks of code splitting into the cache, one at a time while idle, so that every screen opens offline. */
export function preloadChunks(): void {
  if (isDone || process.env.NODE_ENV !== 'production') return;
  isDone = true;
  setTimeout(() => {
    void fetch(CHUNKS)
      .then((answer) => (answer.ok ? (answer.json() as Promise<string[]>) : []))
      .then((chunks) => {
        const next = (): void => {
          const chunk = chunks.shift();
          if (chunk === undefined) return;
          // A failed chunk is loaded on demand.
          void fetch(chunk, { priority: 'low' })
            .catch(() => undefined)
            .finally(() => whenIdle(next));
        };
        next();
      })
      .catch(() => {
        isDone = false;
      });
  }, AFTER_MS);
}
