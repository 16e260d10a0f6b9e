import { type Remote, wrap } from 'comlink';

/** The worker's script could not be fetched, so it never ran. */
export class WorkerLoadError extends Error {}

/** What runs beside the screen; `broken` rejects once its worker breaks, or with `NotFetched`. */
export type WorkerClient<T> = { remote: Remote<T>; worker: Worker; broken: Promise<never> };

/** Speaks with a worker that was just started. One that cannot be fetched, or breaks, never answers: race against `broken`. */
export function connectWorker<T>(worker: Worker): WorkerClient<T> {
  const broken = new Promise<never>((_, reject) => {
    // What is thrown in a worker comes with its words; a script that could not be fetched comes without.
    worker.addEventListener('error', (event) =>
      reject(event.message ? new Error(event.message) : new WorkerLoadError('the worker could not be fetched')),
    );
  });
  broken.catch(() => undefined);
  return { remote: wrap<T>(worker), worker, broken };
}
