import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { STATE, Trouble, checkNode, endProcess, isOurs, isPortFree, reportFault, run, say } from '../tools/system.mjs';

const WANTED_PORT = Number(process.env.WIMBEL_PORT ?? 4790);
const RUN_FILE = join(STATE, 'running.json');

/** The sample person's data file as of today, made on the first run. */
function sampleFile() {
  const file = join(STATE, 'sample.json');
  mkdirSync(STATE, { recursive: true });
  if (!existsSync(file)) {
    const today = (process.env.WIMBEL_NOW ?? localDay()).slice(0, 10);
    writeFileSync(file, run('npx', ['tsx', 'scripts/sample.ts', '--today', today], { what: 'Making the sample data' }));
  }
  return file;
}

function localDay() {
  const now = new Date();
  const two = (value) => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

async function main() {
  checkNode();
  if (existsSync(RUN_FILE)) {
    const { pid, url } = JSON.parse(readFileSync(RUN_FILE, 'utf8'));
    if (isOurs(pid, 'scripts/start.mjs'))
      throw new Trouble(`Wimbel is already running at ${url} (stop it with: npm stop).`);
  }
  if (!(Number.isInteger(WANTED_PORT) && WANTED_PORT > 0 && WANTED_PORT < 65536)) {
    throw new Trouble(`WIMBEL_PORT=${process.env.WIMBEL_PORT} is not a port number.`);
  }
  if (!(await isPortFree(WANTED_PORT))) {
    throw new Trouble(`Port ${WANTED_PORT} is taken by another program. Choose one: WIMBEL_PORT=4791 npm start`);
  }
  // Before other imports: they may need a package.
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  const { ensurePostgres, ensureDatabase, startCluster, stopCluster } = await import('../tools/postgres.mjs');
  const { buildServer, buildWeb } = await import('../tools/build.mjs');
  const { machineSecret, startServer } = await import('../tools/server.mjs');
  ensurePostgres();
  await buildWeb();
  await buildServer();
  const sample = sampleFile();

  const { clusterEnded } = await import('../tools/postgres.mjs');
  const { keepRunning } = await import('../tools/keepRunning.mjs');

  let cluster = null;
  let server = null;
  let ending = null;
  const startDatabase = async () => {
    cluster = await startCluster();
    return { ended: clusterEnded(cluster) };
  };
  const startOurServer = () =>
    startServer({ databaseUrl: cluster.url('wimbel'), port: WANTED_PORT, secret: machineSecret(), sampleFile: sample });
  const noteRunning = () =>
    writeFileSync(RUN_FILE, JSON.stringify({ pid: process.pid, server: server.pid, url: server.url }));
  const keptDatabase = keepRunning({
    name: 'The database',
    start: startDatabase,
    onUp: () => {
      // PostgreSQL may have a new port: restarts the server with it.
      if (server !== null && server.databaseUrl !== cluster.url('wimbel')) void endProcess(server.pid);
    },
  });
  const keptServer = keepRunning({
    name: 'The server',
    start: startOurServer,
    onUp: (next) => {
      server = { ...next, databaseUrl: cluster.url('wimbel') };
      noteRunning();
    },
  });
  const end = (code) => {
    ending ??= (async () => {
      say('\nStopping …');
      keptServer.stop();
      keptDatabase.stop();
      if (server) await endProcess(server.pid);
      stopCluster();
      rmSync(RUN_FILE, { force: true });
      process.exit(code);
    })().catch((error) => {
      reportFault(error);
      process.exit(1);
    });
  };
  process.on('SIGINT', () => end(0));
  process.on('SIGTERM', () => end(0));
  process.on('SIGHUP', () => end(0));

  try {
    const database = await startDatabase();
    ensureDatabase(cluster, 'wimbel');
    if (ending) return;
    server = { ...(await startOurServer()), databaseUrl: cluster.url('wimbel') };
    keptDatabase.keep(database);
    keptServer.keep(server);
  } catch (error) {
    reportFault(error);
    end(1);
    return;
  }
  noteRunning();
  say(`\nWimbel is at ${server.url}\nCtrl-C (or: npm stop) stops it; everything is kept.`);
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
