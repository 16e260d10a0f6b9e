import cluster from 'node:cluster';
import { serve } from '@hono/node-server';
import { createApp } from './app.ts';
import { type Clock, createClock } from './clock.ts';
import { createDatabase, migrateDatabase } from './db/connection.ts';
import { type Environment, readEnvironment } from './environment.ts';
import { traceOf } from './errors.ts';
import { createAuth } from './features/account/auth.ts';
import { openNotifications } from './db/notifications.ts';
import { createSessions } from './features/account/sessions.ts';
import { openRevisionFeed } from './features/changes/revisionFeed.ts';
import { clearSamples, prepareSample } from './features/sample/service.ts';
import { countForProcesses } from './limits.ts';
import { type Logger, createLog } from './log.ts';
import { startWorkerProcesses } from './workerProcesses.ts';

const CLOSE_WITHIN_MS = 5000;
const CLEAR_SAMPLES_MS = 60 * 60 * 1000;

/** Services of a process. */
function openWimbel(environment: Environment, log: Logger) {
  const { db, close } = createDatabase(environment.databaseUrl, (error) =>
    log.warn(traceOf(error), 'idle connection lost'),
  );
  return { db, close, auth: createAuth(db, environment), clock: createClock(environment.now) };
}

type Open = ReturnType<typeof openWimbel>;

/** Prepares what all processes share: migrations, the sample, its hourly clean-up. */
async function prepare(environment: Environment, log: Logger, open: Open): Promise<void> {
  const { sampleFile, databaseUrl } = environment;
  await migrateDatabase(databaseUrl, environment.migrations);
  if (sampleFile === null) return;
  log.info({ sample: await prepareSample(open, databaseUrl, sampleFile) }, 'sample');
  const clear = (): void => void clearSamples(open).catch((error: unknown) => log.warn(traceOf(error), 'samples'));
  clear();
  setInterval(clear, CLEAR_SAMPLES_MS).unref();
}

/** Serves requests until a signal, then finishes those in flight (graceful shutdown). */
function answer(environment: Environment, log: Logger, { db, close, auth, clock }: Open): void {
  const notifications = openNotifications(environment.databaseUrl);
  const sessions = createSessions(auth, notifications);
  const feed = openRevisionFeed(db.$client, notifications);
  const app = createApp({
    db,
    secret: environment.secret,
    auth,
    sessions,
    feed,
    clock,
    log,
    isSampleOffered: environment.sampleFile !== null,
    limits: environment,
    proxies: environment.proxies,
    origins: environment.origins,
    webRoot: environment.webRoot,
  });
  const server = serve({ fetch: app.fetch, hostname: environment.host, port: environment.port }, (info) => {
    log.info({ port: info.port }, 'listening');
    process.send?.({ listening: info.port });
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    log.fatal(traceOf(error), error.code === 'EADDRINUSE' ? `port ${environment.port} is taken` : 'cannot listen');
    log.flush(() => process.exit(1));
  });
  let closing = false;
  const stop = (): void => {
    if (closing) return;
    closing = true;
    setTimeout(() => process.exit(0), CLOSE_WITHIN_MS).unref();
    // Event streams would keep the server open.
    feed.close();
    server.close(() => void Promise.allSettled([notifications.close(), close()]).then(() => process.exit(0)));
    if ('closeIdleConnections' in server) server.closeIdleConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

/** The set clock continues in restarted processes. */
const clockFor = ({ now }: Environment, clock: Clock): Record<string, string> =>
  now === null ? {} : { WIMBEL_NOW: clock.now().toISOString() };

async function main(): Promise<void> {
  const environment = readEnvironment(process.env);
  const log = createLog(environment.logLevel);
  const open = openWimbel(environment, log);
  if (cluster.isPrimary) await prepare(environment, log, open);
  if (cluster.isPrimary && environment.processes > 1) {
    countForProcesses();
    startWorkerProcesses({
      processes: environment.processes,
      environmentOf: () => clockFor(environment, open.clock),
      closeWithinMs: CLOSE_WITHIN_MS,
      onEnded: (how) => log.warn({ how }, 'a process ended and is started again'),
    });
  } else answer(environment, log, open);
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
