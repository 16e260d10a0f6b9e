import { Hono } from 'hono';
import type { Pool } from 'pg';
import type { AppEnv } from '../../appEnv.ts';

/**
 * `GET /api/health/live`: whether the server runs, for whoever would start it again. `GET /api/health/ready`: whether it
 * and its database answer, for whoever sends it requests.
 */
export const healthRoutes = (pool: Pool) =>
  new Hono<AppEnv>()
    .get('/live', (c) => c.json({ status: 'ok' }))
    .get('/ready', async (c) => {
      await pool.query('select 1');
      return c.json({ status: 'ok' });
    });
