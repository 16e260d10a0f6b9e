import type { Remote } from 'comlink';
import { clearOnAccountLeft } from './accountLeft.ts';
import { connectWorker } from './workerClient.ts';

/** A running worker with its cached input; `broken` rejects once it fails. */
export type CachedWorker<T, H> = { remote: Remote<T>; held: H; broken: Promise<never> };

/**
 * A worker that starts lazily and is terminated when the account is left. A worker that fails to load or crashes never answers:
 * callers race against `broken`, and the next call starts another.
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
