/** Where the build lists the parts of the app that are fetched when they are first needed. */
const PARTS = '/parts.json';

/** Does something once nothing else is to do. */
export const whenIdle = (work: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(work, { timeout: 10_000 });
  else setTimeout(work, 3000);
};

/** What the person came for goes first. */
const AFTER_MS = 15_000;

let isDone = false;

/**
 * Has the browser keep the parts of the app that were not opened yet, one after the other while nothing else is to do, so
 * that they open without a connection too.
 */
export function preloadChunks(): void {
  if (isDone || process.env.NODE_ENV !== 'production') return;
  isDone = true;
  setTimeout(() => {
    void fetch(PARTS)
      .then((answer) => (answer.ok ? (answer.json() as Promise<string[]>) : []))
      .then((parts) => {
        const next = (): void => {
          const part = parts.shift();
          if (part === undefined) return;
          // What fails is fetched when it is needed.
          void fetch(part, { priority: 'low' })
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
