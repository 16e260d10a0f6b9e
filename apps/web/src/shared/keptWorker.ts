import { type Remote, wrap } from 'comlink';
import { forgetWithAccount } from './accountLeft.ts';

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
    const worker = startWorker();
    const broken = new Promise<never>((_, reject) => {
      worker.addEventListener('error', () => {
        running = null;
        worker.terminate();
        reject(new Error('the worker broke'));
      });
    });
    broken.catch(() => undefined);
    forgetWithAccount(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    running = { remote: wrap<T>(worker), held: newHeld(), broken };
    return running;
  };
}
