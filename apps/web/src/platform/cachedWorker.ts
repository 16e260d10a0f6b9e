import type { Remote } from 'comlink';
import { clearOnAccountLeft } from './accountLeft.ts';
import { connectWorker } from './workerClient.ts';

/** A worker that runs, with what it was given to hold; `broken` rejects once it breaks. */
export type CachedWorker<T, H> = { remote: Remote<T>; held: H; broken: Promise<never> };

/**
 * A worker that is started when it is first asked for and goes with the account that is left. One that cannot be fetched,
 * or breaks, never answers: whoever waits is told by `broken`, and the next who asks gets another.
 */
export function createCachedWorker<T, H>(startWorker: () => Worker, newHeld: () => H): () => CachedWorker<T, H> {
  let running: CachedWorker<T, H> | null = null;
  return () => {
    if (running !== null) return running;
    const { remote, worker, broken } = connectWorker<T>(startWorker());
    broken.catch(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    clearOnAccountLeft(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    running = { remote, held: newHeld(), broken };
    return running;
  };
}
