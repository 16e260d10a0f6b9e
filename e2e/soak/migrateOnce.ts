import pg from 'pg';
import { migrateDatabase } from '../../apps/server/src/db/connection.ts';

/** Migrates a database, and ends as a power cut would before its statement of a number: `migrateOnce.ts URL FOLDER KILL_AT`. */
const [url, folder, killAt] = process.argv.slice(2) as [string, string, string];

let statements = 0;
const query = pg.Client.prototype.query as (...given: unknown[]) => unknown;
pg.Client.prototype.query = function counted(this: pg.Client, ...given: unknown[]) {
  if (++statements === Number(killAt)) process.kill(process.pid, 'SIGKILL');
  return query.apply(this, given);
} as never;

await migrateDatabase(url, folder);
process.stdout.write(`${statements}\n`);
