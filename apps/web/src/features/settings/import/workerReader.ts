import { type Remote } from 'comlink';
import { type WorkerClient, connectWorker } from '../../../platform/workerClient.ts';

/** A worker that is started lazily and asked through promises. */
export type WorkerReader<T> = {
  /**
   * Asks the worker; starts one where none runs. Rejects where the worker breaks, is stopped or was disposed of. After a
   * rejection the next call starts another worker, which has read nothing yet.
   */
  ask: <R>(work: (reader: Remote<T>) => Promise<R>) => Promise<R>;
  /** Terminates the worker. */
  stop: () => void;
  /** Keeps the worker alive beyond `dispose` until the returned function is called: an import outlives its screen. */
  hold: () => () => void;
  /** Terminates the worker once nobody holds it; nothing can be asked afterwards. */
  dispose: () => void;
  /** Makes a disposed reader usable again. */
  revive: () => void;
};

export function createWorkerReader<T>(start: () => Worker): WorkerReader<T> {
  let running: WorkerClient<T> | null = null;
  let holders = 0;
  let isDisposed = false;
  const stop = (): void => {
    running?.worker.terminate();
    running = null;
  };
  const stopWhereFree = (): void => {
    if (isDisposed && holders === 0) stop();
  };
  return {
    async ask(work) {
      if (isDisposed && holders === 0) throw new Error('the reader was disposed of');
      const now = (running ??= connectWorker<T>(start()));
      try {
        return await Promise.race([work(now.remote), now.broken]);
      } catch (error) {
        if (running === now) stop();
        throw error;
      }
    },
    stop,
    hold() {
      holders++;
      let isHeld = true;
      return () => {
        if (!isHeld) return;
        isHeld = false;
        holders--;
        stopWhereFree();
      };
    },
    dispose() {
      isDisposed = true;
      stopWhereFree();
    },
    revive: () => {
      isDisposed = false;
    },
  };
}
