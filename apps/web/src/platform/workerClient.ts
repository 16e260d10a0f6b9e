import { type Remote, wrap } from 'comlink';

/** The worker's script could not be loaded. */
export class WorkerLoadError extends Error {}

/** A worker with its Comlink proxy; `broken` rejects once the worker fails, or with `WorkerLoadError`. */
export type WorkerClient<T> = { remote: Remote<T>; worker: Worker; broken: Promise<never> };

/** Wraps a new worker with Comlink. A worker that fails to load or crashes never answers: race calls against `broken`. */
export function connectWorker<T>(worker: Worker): WorkerClient<T> {
  const broken = new Promise<never>((_, reject) => {
    // An error thrown in the worker has a message; a script that failed to load has none.
    worker.addEventListener('error', (event) =>
      reject(event.message ? new Error(event.message) : new WorkerLoadError('the worker could not be fetched')),
    );
  });
  broken.catch(() => undefined);
  return { remote: wrap<T>(worker), worker, broken };
}
