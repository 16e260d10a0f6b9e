import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { databaseTool, ensureDatabase, ensurePostgres, startCluster, stopCluster } from '../tools/postgres.mjs';
import { STATE, Trouble, checkNode, isOurs, reportFault, say } from '../tools/system.mjs';

const RUN_FILE = join(STATE, 'running.json');

/** How many tables the database has: none where it was just made. */
const countTables = (cluster) =>
  Number(
    databaseTool('psql', cluster, [
      ...['-d', 'wimbel', '-Atc'],
      `select count(*) from information_schema.tables where table_schema = 'public'`,
    ]),
  );

/** Brings a backup back into an empty database, whole or not at all. */
async function main() {
  checkNode();
  const [given] = process.argv.slice(2);
  if (given === undefined) throw new Trouble('Which backup? npm run restore -- FILE');
  const file = resolve(given);
  if (!existsSync(file)) throw new Trouble(`There is no ${file}. Nothing was changed.`);
  if (existsSync(RUN_FILE) && isOurs(JSON.parse(readFileSync(RUN_FILE, 'utf8')).pid, 'scripts/start.mjs')) {
    throw new Trouble('Wimbel is running. Stop it first with: npm stop');
  }
  ensurePostgres();
  const cluster = await startCluster();
  try {
    ensureDatabase(cluster, 'wimbel');
    if (countTables(cluster) > 0) {
      throw new Trouble(
        `The database in ${cluster.data} holds something already. Nothing was changed. To bring the backup back in its ` +
          `place, move ${STATE} away first.`,
      );
    }
    databaseTool(
      'pg_restore',
      cluster,
      ['--dbname=wimbel', '--no-owner', '--single-transaction', '--exit-on-error', file],
      'Bringing the backup back',
    );
  } finally {
    if (cluster.isStartedHere) stopCluster();
  }
  say('The backup is back. Start Wimbel with: npm start');
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
