import cluster from 'node:cluster';

/** Exponential back-off before a worker process is restarted. */
const PAUSE_MS = 250;
const LONGEST_PAUSE_MS = 15_000;

/**
 * Starts the worker processes (`node:cluster`) that share one port, restarts those that exit, and exits with the code of one that
 * never came up. Sends `listening` to the parent process once all listen, and stops with it.
 */
export function startWorkerProcesses({
  processes,
  environmentOf,
  closeWithinMs,
  onEnded,
}: {
  processes: number;
  /** Additional environment of a worker process. */
  environmentOf: () => Record<string, string>;
  closeWithinMs: number;
  onEnded: (how: string) => void;
}): void {
  const up = new Set<number>();
  let isUp = false;
  let isStopping = false;
  let ended = 0;

  cluster.on('message', (worker, message: { listening?: number }) => {
    if (message.listening === undefined) return;
    up.add(worker.id);
    if (isUp || up.size < processes) return;
    isUp = true;
    process.send?.(message);
  });
  cluster.on('exit', (worker, code, signal) => {
    if (isStopping) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    if (!isUp) {
      for (const each of Object.values(cluster.workers ?? {})) each?.kill('SIGKILL');
      process.exit(code || 1);
    }
    onEnded(signal || `code ${code}`);
    const wasUp = up.delete(worker.id);
    ended = wasUp ? 0 : ended + 1;
    setTimeout(
      () => {
        if (!isStopping) cluster.fork(environmentOf());
      },
      Math.min(PAUSE_MS * 2 ** ended, LONGEST_PAUSE_MS),
    );
  });
  const stop = (): void => {
    if (isStopping) return;
    isStopping = true;
    setTimeout(() => process.exit(0), closeWithinMs).unref();
    for (const each of Object.values(cluster.workers ?? {})) each?.process.kill('SIGTERM');
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  // The parent process is gone: nobody else would stop this one.
  process.on('disconnect', stop);
  for (let index = 0; index < processes; index++) cluster.fork(environmentOf());
}
