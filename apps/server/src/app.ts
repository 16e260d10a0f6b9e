import { setTimeout as pause, setImmediate as yieldToOthers } from 'node:timers/promises';
import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { createMiddleware } from 'hono/factory';
import type { AppEnv } from './appEnv.ts';
import { bodyAtMost } from './bodyAtMost.ts';
import { clientAddress } from './clientAddress.ts';
import type { Clock } from './clock.ts';
import type { Database } from './db/connection.ts';
import { AppError, isDatabaseAway, traceOf } from './errors.ts';
import type { Auth } from './features/account/auth.ts';
import { createSignInThrottle } from './features/account/signInThrottle.ts';
import { accountRoutes, attemptsFrom } from './features/account/routes.ts';
import { requireUser } from './features/account/session.ts';
import type { Sessions } from './features/account/sessions.ts';
import { calendarRoutes } from './features/calendar/routes.ts';
import { createLogCache } from './features/changes/logCache.ts';
import type { RevisionFeed } from './features/changes/revisionFeed.ts';
import { createQuotas } from './features/changes/quotas.ts';
import { changesRoutes } from './features/changes/routes.ts';
import { healthRoutes } from './features/health/routes.ts';
import { sampleRoutes } from './features/sample/routes.ts';
import { webRoutes } from './features/web/routes.ts';
import { countAgainst, createTurns, sharedByProcesses } from './limits.ts';
import type { Logger } from './log.ts';
import { outgoingHeaders } from './outgoingHeaders.ts';

type AppDeps = {
  db: Database;
  auth: Auth;
  /** Signs what devices are known by. */
  secret: string;
  sessions: Sessions;
  clock: Clock;
  log: Logger;
  origins: string[];
  /** Whether there is a sample to look at. */
  isSampleOffered: boolean;
  feed: RevisionFeed;
  limits: {
    signInAttempts: number;
    requestsPerMinute: number;
    samplesPerHour: number;
    addressRequestsPerMinute: number;
  };
  /** Addresses of proxies in front of the server. */
  proxies: readonly string[];
  /** Folder of the exported web app; null to serve only the API. */
  webRoot: string | null;
};

/** Requests of one address without an account (pages, health, sessions): concurrent starts, and queue length. */
const STARTS_AT_ONCE = 2;
const STARTS_WAITING = 1000;
/** From this queue length on, starts are slowed down by a pause. */
const LONG_QUEUE = 60;
const FLOOD_PAUSE_MS = 30;

const SMALL_BODY_BYTES = 16 * 1024;

/** The whole server as one Hono app. */
export function createApp(deps: AppDeps) {
  const { db, auth, sessions, clock, log, origins, limits, webRoot } = deps;
  const addressOf = clientAddress(deps.proxies);
  const pool = db.$client;
  const isSecure = origins[0]?.startsWith('https:') ?? false;
  const app = new Hono<AppEnv>();

  app.use('*', async (c, next) => {
    const startedMs = performance.now();
    await next();
    const ms = Math.round((performance.now() - startedMs) * 10) / 10;
    log.info(
      {
        requestId: c.get('requestId'),
        at: clock.now().toISOString(),
        method: c.req.method,
        route: routeOf(c.req.path),
        status: c.res.status,
        ms,
      },
      'request',
    );
  });
  app.use('*', outgoingHeaders({ isSecure }));

  app.use('/api/*', async (c, next) => {
    const origin = c.req.header('origin');
    const isRead = c.req.method === 'GET' || c.req.method === 'HEAD';
    const isOwn = origin === undefined ? c.req.header('sec-fetch-site') !== 'cross-site' : origins.includes(origin);
    if (!isRead && !isOwn) throw new AppError('foreignOrigin');
    await next();
  });

  // Shared by the processes: an address cannot multiply its limit by the number of processes.
  const perAddress = sharedByProcesses('address', limits.addressRequestsPerMinute, 60);
  const starts = createTurns(STARTS_AT_ONCE, STARTS_WAITING);
  const counted = createMiddleware<AppEnv>(async (c, next) => {
    const address = addressOf(c);
    await starts.take(address, async () => {
      // A page load queues some dozens of requests at most; a flood waits, so that others have the processor.
      await (starts.queued(address) > LONG_QUEUE ? pause(FLOOD_PAUSE_MS) : yieldToOthers());
      await countAgainst(perAddress, address);
    });
    await next();
  });
  for (const path of ['/api/health/*', '/api/auth/get-session', '/api/auth/list-sessions', '/api/sample'])
    app.use(path, counted);

  app.on('GET', '/api/changes', compress());
  const quotas = createQuotas(pool);
  app.route('/api/health', healthRoutes(pool));
  app.route(
    '/api/changes',
    changesRoutes(
      { pool, clock, cache: createLogCache(), feed: deps.feed, quotas },
      sessions,
      limits.requestsPerMinute,
    ),
  );
  app.get('/api/usage', requireUser(sessions), counted, async (c) =>
    c.json(await quotas.usageOf({ userId: c.get('userId'), isSample: c.get('session').isSample })),
  );
  app.route('/api/calendar', calendarRoutes({ pool, clock }, sessions, addressOf));
  app.use('/api/sample/*', bodyAtMost(SMALL_BODY_BYTES));
  app.route(
    '/api/sample',
    sampleRoutes(
      { db, auth, clock },
      { isOffered: deps.isSampleOffered, clientAddress: addressOf, perHour: limits.samplesPerHour },
    ),
  );
  app.route(
    '/api/auth',
    accountRoutes({
      auth,
      sessions,
      guesses: createSignInThrottle(pool, { secret: deps.secret, isSecure }),
      clientAddress: addressOf,
      attempts: attemptsFrom(pool, limits.signInAttempts),
    }),
  );
  app.all('/api/*', () => {
    throw new AppError('notFound');
  });
  if (webRoot !== null) app.use('*', counted).route('/', webRoutes(webRoot));

  app.notFound((c) => {
    const error = new AppError('notFound');
    return c.json(error.toBody(c.get('requestId')), error.status);
  });
  app.onError((thrown, c) => {
    const error =
      thrown instanceof AppError ? thrown : new AppError(isDatabaseAway(thrown) ? 'unavailable' : 'internal');
    if (error !== thrown) log.error({ requestId: c.get('requestId'), ...traceOf(thrown) }, 'failed');
    if (error.retryAfterS !== undefined) c.header('retry-after', String(error.retryAfterS));
    return c.json(error.toBody(c.get('requestId')), error.status);
  });
  return app;
}

/** The route without identifiers, for the log. */
const routeOf = (path: string): string => {
  if (path.startsWith('/api/calendar/feed')) return '/api/calendar/feed';
  return path.startsWith('/api/') ? path : path.split('/').slice(0, 2).join('/');
};
