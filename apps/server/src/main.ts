import { serve } from '@hono/node-server';
import { createApp } from './app.ts';
import { createClock } from './clock.ts';
import { createDatabase, migrateDatabase } from './db/connection.ts';
import { readEnvironment } from './environment.ts';
import { traceOf } from './errors.ts';
import { createAuth } from './features/account/auth.ts';
import { createSessions } from './features/account/sessions.ts';
import { clearSamples, prepareSample } from './features/sample/service.ts';
import { createLog } from './log.ts';

const CLOSE_WITHIN_MS = 5000;
const CLEAR_SAMPLES_MS = 60 * 60 * 1000;

async function main(): Promise<void> {
  const environment = readEnvironment(process.env);
  const log = createLog(environment.logLevel);
  await migrateDatabase(environment.databaseUrl, environment.migrations);
  const { db, close } = createDatabase(environment.databaseUrl, (error) =>
    log.warn(traceOf(error), 'idle connection lost'),
  );
  const auth = createAuth(db, environment);
  const sessions = createSessions(auth, environment.databaseUrl);
  const clock = createClock(environment.now);
  const sampleDeps = { db, auth, clock };
  const { sampleFile } = environment;
  if (sampleFile !== null) {
    log.info({ sample: await prepareSample(sampleDeps, environment.databaseUrl, sampleFile) }, 'sample');
    const clear = (): void =>
      void clearSamples(sampleDeps).catch((error: unknown) => log.warn(traceOf(error), 'samples'));
    clear();
    setInterval(clear, CLEAR_SAMPLES_MS).unref();
  }
  const app = createApp({
    db,
    auth,
    sessions,
    clock,
    log,
    isSampleOffered: sampleFile !== null,
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
    server.close(() => void Promise.allSettled([sessions.close(), close()]).then(() => process.exit(0)));
    if ('closeIdleConnections' in server) server.closeIdleConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
