import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { stopCluster } from '../tools/postgres.mjs';
import { STATE, endProcess, isOurs, reportFault, say } from '../tools/system.mjs';

const RUN_FILE = join(STATE, 'running.json');
const STOP_WITHIN_MS = 20000;

async function main() {
  let wasRunning = false;
  if (existsSync(RUN_FILE)) {
    const { pid, server } = JSON.parse(readFileSync(RUN_FILE, 'utf8'));
    wasRunning = isOurs(pid, 'scripts/start.mjs');
    if (wasRunning) await endProcess(pid, STOP_WITHIN_MS);
    // After a crash of the script, its server may still be there.
    if (isOurs(server, 'server/dist/main.js')) await endProcess(server);
    rmSync(RUN_FILE, { force: true });
  }
  const databaseRan = stopCluster();
  say(wasRunning || databaseRan ? 'Wimbel has stopped.' : 'Wimbel was not running.');
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
