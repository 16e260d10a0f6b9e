import cluster from 'node:cluster';

/** The pause before a process that ended is started again; twice as long each time, up to the longest. */
const PAUSE_MS = 250;
const LONGEST_PAUSE_MS = 15_000;

/**
 * Answers requests with several processes at one port, so that one request that takes long holds up only those beside it,
 * and every processor has work. One that ends is started again; one that never came up ends all with its code. Tells the
 * process that started this one once all listen, and ends them with it.
 */
export function startWorkerProcesses({
  processes,
  environmentOf,
  closeWithinMs,
  onEnded,
}: {
  processes: number;
  /** What a process that starts now is told beside this one's environment. */
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
  // With the process that started this one gone there is nobody left to end it.
  process.on('disconnect', stop);
  for (let index = 0; index < processes; index++) cluster.fork(environmentOf());
}
