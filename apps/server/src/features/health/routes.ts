import { Hono } from 'hono';
import type { Pool } from 'pg';
import type { AppEnv } from '../../appEnv.ts';

/** Cache time of the readiness check, in milliseconds. */
const STANDS_MS = 1000;

/**
 * `GET /api/health/live`: whether the server runs, for whoever would start it again. `GET /api/health/ready`: whether it
 * and its database answer, for whoever sends it requests. However many ask, the database is asked once a second.
 */
export function healthRoutes(pool: Pool) {
  let asked: { atMs: number; answer: Promise<unknown> } | null = null;
  const ready = (): Promise<unknown> => {
    const now = performance.now();
    if (asked === null || now - asked.atMs > STANDS_MS) asked = { atMs: now, answer: pool.query('select 1') };
    return asked.answer;
  };
  return new Hono<AppEnv>()
    .get('/live', (c) => c.json({ status: 'ok' }))
    .get('/ready', async (c) => {
      await ready();
      return c.json({ status: 'ok' });
    });
}
