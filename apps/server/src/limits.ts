import cluster from 'node:cluster';
import pLimit, { type LimitFunction } from 'p-limit';
import type { Pool } from 'pg';
import {
  RateLimiterCluster,
  RateLimiterClusterMaster,
  RateLimiterMemory,
  RateLimiterPostgres,
  type RateLimiterAbstract,
  RateLimiterRes,
} from 'rate-limiter-flexible';
import { AppError } from './errors.ts';

/** Timeout of a count by the primary process, in milliseconds. */
const COUNTED_WITHIN_MS = 3000;

/** Counts one more for a key; throws an AppError (`tooMany`, with when to try again) where the limit is passed. */
export async function countAgainst(limiter: RateLimiterAbstract, key: string): Promise<void> {
  try {
    await limiter.consume(key);
  } catch (thrown) {
    throw thrown instanceof RateLimiterRes ? tooMany(thrown.msBeforeNext / 1000) : thrown;
  }
}

/** Throws an AppError (`tooMany`) where a key's limit is used up, without counting. */
export async function askAgainst(limiter: RateLimiterAbstract, key: string): Promise<void> {
  const used = await limiter.get(key);
  if (used !== null && used.consumedPoints >= limiter.points) throw tooMany(used.msBeforeNext / 1000);
}

const tooMany = (seconds: number): AppError => new AppError('tooMany', undefined, Math.max(1, Math.ceil(seconds)));

/** Rate limit shared by all servers, in PostgreSQL. */
export const sharedLimit = (pool: Pool, name: string, points: number, seconds: number): RateLimiterAbstract =>
  new RateLimiterPostgres({
    storeClient: pool,
    storeType: 'client',
    tableName: 'limits',
    tableCreated: true,
    clearExpiredByTimeout: true,
    keyPrefix: name,
    points,
    duration: seconds,
  });

/** Rate limit shared by the processes of this server, counted by the primary process in memory. */
export const sharedByProcesses = (name: string, points: number, seconds: number): RateLimiterAbstract =>
  cluster.isWorker
    ? new RateLimiterCluster({ keyPrefix: name, points, duration: seconds, timeoutMs: COUNTED_WITHIN_MS })
    : ownLimit(name, points, seconds);

/** Starts the counters of {@link sharedByProcesses} in the primary process; call once. */
export const countForProcesses = (): void => void new RateLimiterClusterMaster();

/** Rate limit of this process, in memory. */
export const ownLimit = (name: string, points: number, seconds: number): RateLimiterAbstract =>
  new RateLimiterMemory({ keyPrefix: name, points, duration: seconds });

/** Number of queues before empty ones are removed. */
const MOST_QUEUES = 2000;

/** Concurrency limit per key. */
export type Turns = {
  take: <T>(key: string, work: () => Promise<T>) => Promise<T>;
  /** How many are queued for a key. */
  queued: (key: string) => number;
};

/** Concurrency limit per key: at most `atOnce` run and `waiting` are queued; beyond that `take` throws `tooMany`. */
export function createTurns(atOnce: number, waiting: number): Turns {
  const queues = new Map<string, LimitFunction>();
  const sweep = (): void => {
    for (const [userId, queue] of queues) if (queue.activeCount + queue.pendingCount === 0) queues.delete(userId);
  };
  return {
    take(userId, work) {
      let queue = queues.get(userId);
      if (queue === undefined) {
        if (queues.size >= MOST_QUEUES) sweep();
        queue = pLimit(atOnce);
        queues.set(userId, queue);
      }
      if (queue.pendingCount >= waiting) throw tooMany(1);
      return queue(work);
    },
    queued: (key) => queues.get(key)?.pendingCount ?? 0,
  };
}
