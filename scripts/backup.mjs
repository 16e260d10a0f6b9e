import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { databaseTool, ensurePostgres, startCluster, stopCluster } from '../tools/postgres.mjs';
import { STATE, Trouble, checkNode, reportFault, say } from '../tools/system.mjs';

const two = (value) => String(value).padStart(2, '0');

/** A name that sorts by when it was made. */
function fileOfNow() {
  const now = new Date();
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return join(
    STATE,
    'backups',
    `wimbel-${day}-${two(now.getHours())}${two(now.getMinutes())}${two(now.getSeconds())}.dump`,
  );
}

/** Writes the whole database to one file, as of one moment, while it may be in use. */
async function main() {
  checkNode();
  const [given] = process.argv.slice(2);
  const file = given === undefined ? fileOfNow() : resolve(given);
  if (existsSync(file)) throw new Trouble(`${file} is there already. Nothing was written; choose another name.`);
  ensurePostgres();
  mkdirSync(dirname(file), { recursive: true });
  const cluster = await startCluster();
  try {
    databaseTool('pg_dump', cluster, ['--format=custom', '--no-owner', '--file', file, 'wimbel'], 'Writing the backup');
  } finally {
    if (cluster.isStartedHere) stopCluster();
  }
  say(`The backup is ${file}\nBring it back with: npm run restore -- ${file}`);
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
