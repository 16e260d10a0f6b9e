import { sql } from 'drizzle-orm';
import { Hono } from 'hono';
import type { AppEnv } from '../../appEnv.ts';
import type { Database } from '../../db/connection.ts';

/** `GET /api/health`: whether the server and its database answer. */
export const healthRoutes = (db: Database) =>
  new Hono<AppEnv>().get('/', async (c) => {
    await db.execute(sql`select 1`);
    return c.json({ status: 'ok' });
  });
