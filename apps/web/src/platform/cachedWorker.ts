import type { Remote } from 'comlink';
import { forgetWithAccount } from './accountLeft.ts';
import { beside } from './workerClient.ts';

/** A worker that runs, with what it was given to hold; `broken` rejects once it breaks. */
export type RunningWorker<T, H> = { remote: Remote<T>; held: H; broken: Promise<never> };

/**
 * A worker that is started when it is first asked for and goes with the account that is left. One that cannot be fetched,
 * or breaks, never answers: whoever waits is told by `broken`, and the next who asks gets another.
 */
export function createKeptWorker<T, H>(startWorker: () => Worker, newHeld: () => H): () => RunningWorker<T, H> {
  let running: RunningWorker<T, H> | null = null;
  return () => {
    if (running !== null) return running;
    const { remote, worker, broken } = beside<T>(startWorker());
    broken.catch(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    forgetWithAccount(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    running = { remote, held: newHeld(), broken };
    return running;
  };
}
