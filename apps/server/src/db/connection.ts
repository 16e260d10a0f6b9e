import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';

export type Database = ReturnType<typeof createDatabase>['db'];
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** A pool of connections in UTC; `close` ends them. A connection lost while idle is replaced, not an error. */
export function createDatabase(url: string, onIdleError: (error: Error) => void = () => {}) {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 15000,
    // The hot statements are prepared, and as good with any values: planning them anew costs more than running them.
    options: '-c timezone=UTC -c statement_timeout=30000 -c plan_cache_mode=force_generic_plan',
  });
  pool.on('error', onIdleError);
  // A connection that breaks while a transaction holds it says so on itself, too; its query fails by itself.
  pool.on('connect', (client) => client.on('error', () => {}));
  return { db: drizzle({ client: pool, casing: 'snake_case' }), pool, close: () => pool.end() };
}

/** Does work that only one server at a time may do, by a lock in the database; others wait for it. */
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

/** Brings the database to the newest version; servers that start together wait for each other. */
export const migrateDatabase = (url: string, folder: string): Promise<void> =>
  withLock(url, MIGRATION_LOCK, (client) =>
    migrate(drizzle({ client, casing: 'snake_case' }), { migrationsFolder: folder }),
  );
