import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

export type Database = ReturnType<typeof createDatabase>['db'];
/** A pool of connections in UTC; `close` ends them. A connection lost while idle is replaced, not an error. */
export function createDatabase(url: string, onIdleError: (error: Error) => void = () => {}) {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 15000,
    // Generic plans: planning the hot prepared statements costs more than running them.
    options: '-c timezone=UTC -c statement_timeout=30000 -c plan_cache_mode=force_generic_plan',
  });
  pool.on('error', onIdleError);
  // A connection that breaks while a transaction holds it says so on itself, too; its query fails by itself.
  pool.on('connect', (client) => client.on('error', () => {}));
  return { db: drizzle({ client: pool, casing: 'snake_case' }), pool, close: () => pool.end() };
}

/** Runs work under an advisory lock: one server at a time, others wait. */
export async function withLock<T>(url: string, lock: number, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  // A connection that breaks says so on itself, too; its query fails by itself.
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [lock]);
    return await work(client);
  } finally {
    await client.end();
  }
}

const MIGRATION_LOCK = 790_211;

/** Runs the migrations under a lock. */
export const migrateDatabase = (url: string, folder: string): Promise<void> =>
  withLock(url, MIGRATION_LOCK, (client) =>
    migrate(drizzle({ client, casing: 'snake_case' }), { migrationsFolder: folder }),
  );
