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
    options: '-c timezone=UTC -c statement_timeout=30000',
  });
  pool.on('error', onIdleError);
  // A connection that breaks while a transaction holds it says so on itself, too; its query fails by itself.
  pool.on('connect', (client) => client.on('error', () => {}));
  return { db: drizzle({ client: pool, casing: 'snake_case' }), pool, close: () => pool.end() };
}

/** Brings the database to the newest version; instances that start together wait for each other. */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock(790211)');
    await migrate(drizzle({ client, casing: 'snake_case' }), { migrationsFolder: folder });
  } finally {
    await client.end();
  }
}
