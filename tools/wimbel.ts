import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildServer, buildWeb } from './build.mjs';
import { clusterEnded, dropCluster, ensureDatabase, ensurePostgres, startCluster } from './postgres.mjs';
import { startServer } from './server.mjs';
import { ROOT, STATE, endProcess, freePort } from './system.mjs';

/** The instant that the tests play at: a Tuesday morning. */
export const NOW = '2026-11-24T09:30:00Z';
export const TODAY = '2026-11-24';

/** A process and those it started, on Linux. */
const pidsOf = (pid: number): number[] => [
  pid,
  ...readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean).map(Number),
];

const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1000;

const SECRET = 'a secret that is only good for tests, and long';

/** A server of its own on a cluster of its own, to be used, killed and ended by tests. */
export async function startWimbel(
  name: string,
  { now = NOW, env = {} }: { now?: string; env?: Record<string, string> } = {},
) {
  ensurePostgres();
  await buildWeb();
  await buildServer();
  mkdirSync(STATE, { recursive: true });
  const sampleFile = join(STATE, `${name}-sample.json`);
  writeFileSync(
    sampleFile,
    execFileSync('npx', ['tsx', 'scripts/sample.ts', '--today', TODAY], { cwd: ROOT, maxBuffer: 1 << 26 }),
  );
  const port = await freePort();
  const launch = (at = port) =>
    startServer({
      databaseUrl: cluster.url('wimbel'),
      port: at,
      secret: SECRET,
      sampleFile,
      logFile: join(STATE, `${name}-server.log`),
      env: { WIMBEL_NOW: now, WIMBEL_SIGN_IN_ATTEMPTS: '1000', WIMBEL_SAMPLES_PER_HOUR: '10000', ...env },
    });
  dropCluster(name);
  let cluster = await startCluster(name);
  ensureDatabase(cluster, 'wimbel');
  let server = await launch();
  return {
    url: server.url as string,
    sampleFile,
    databaseUrl: () => cluster.url('wimbel') as string,
    /** Ends the server as a power cut would. */
    killServer: () => process.kill(server.pid!, 'SIGKILL'),
    /** Ends the database's main process as a power cut would; its helpers end with it. */
    killDatabase: () => process.kill(cluster.pid!, 'SIGKILL'),
    restartServer: async () => {
      await endProcess(server.pid);
      server = await launch();
    },
    restartDatabase: async () => {
      const before = cluster.port;
      // A process that was killed a moment ago still looks alive.
      await clusterEnded(cluster, 5);
      for (let tries = 0; ; tries++) {
        try {
          cluster = await startCluster(name);
          break;
        } catch (error) {
          // The helpers of the killed process may need a moment to let go of the shared memory.
          if (tries > 20) throw error;
          await new Promise((resolve) => setTimeout(resolve, 300));
        }
      }
      return { moved: cluster.port !== before };
    },
    /** The processes that the server is made of, the first being the one that started the others. */
    serverPids: () => pidsOf(server.pid as number),
    /** The memory that the server's processes hold, in MB. */
    residentMb: () => pidsOf(server.pid as number).reduce((sum, pid) => sum + residentMb(pid), 0),
    /** A second server on the same database. */
    startAnother: async () => {
      const at = await freePort();
      let other = await launch(at);
      return {
        url: other.url as string,
        kill: () => process.kill(other.pid!, 'SIGKILL'),
        restart: async () => {
          await endProcess(other.pid);
          other = await launch(at);
        },
        end: () => endProcess(other.pid),
      };
    },
    end: async () => {
      await endProcess(server.pid);
      dropCluster(name);
    },
  };
}
