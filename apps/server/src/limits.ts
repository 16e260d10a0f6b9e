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

/** Throws an AppError (`tooMany`) where a key has used its limit up, without counting. */
export async function askAgainst(limiter: RateLimiterAbstract, key: string): Promise<void> {
  const used = await limiter.get(key);
  if (used !== null && used.consumedPoints >= limiter.points) throw tooMany(used.msBeforeNext / 1000);
}

const tooMany = (seconds: number): AppError => new AppError('tooMany', undefined, Math.max(1, Math.ceil(seconds)));

/** A limit that all servers count together, in the database. */
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

/** A limit that the processes of this server count together, by way of the first of them; nothing of it is stored. */
export const sharedByProcesses = (name: string, points: number, seconds: number): RateLimiterAbstract =>
  cluster.isWorker
    ? new RateLimiterCluster({ keyPrefix: name, points, duration: seconds, timeoutMs: COUNTED_WITHIN_MS })
    : ownLimit(name, points, seconds);

/** Counts for the other processes what they count together; to be called once, by the process that starts them. */
export const countForProcesses = (): void => void new RateLimiterClusterMaster();

/** A limit that this process counts by itself. */
export const ownLimit = (name: string, points: number, seconds: number): RateLimiterAbstract =>
  new RateLimiterMemory({ keyPrefix: name, points, duration: seconds });

/** So many people's queues stay at hand before those that are empty go. */
const MOST_QUEUES = 2000;

/** Runs work of one person in turns. */
export type Turns = { take: <T>(userId: string, work: () => Promise<T>) => Promise<T> };

/**
 * Lets at most `atOnce` pieces of work of each person run at the same time and `waiting` more wait for them, before any of
 * it takes a connection; what comes beyond is refused (`tooMany`).
 */
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
  };
}
