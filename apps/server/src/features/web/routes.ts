import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import type { AppEnv } from '../../appEnv.ts';
import { AppError } from '../../errors.ts';

const YEAR_SECONDS = 31_536_000;
/** Files whose name carries the hash of their content never change. */
const HASHED = /[.-][0-9a-f]{16,}\.\w+$/;
/** What the build leaves for itself beside what is for browsers. */
const OF_THE_BUILD = /^\/(\.|metadata\.json)/;
const HAS_EXTENSION = /\.[A-Za-z0-9]{1,8}$/;

/**
 * Serves the exported web app: files as they are (precompressed where there is a .br or .gz beside them), and the one
 * page for every other address, so that deep links open.
 */
export function webRoutes(root: string) {
  const page = readFileSync(join(root, 'index.html'), 'utf8');
  const etag = `"${createHash('sha256').update(page).digest('base64url').slice(0, 22)}"`;
  const app = new Hono<AppEnv>();
  app.use('*', async (c, next) => {
    await next();
    if (c.res.status !== 200 || c.res.headers.has('cache-control')) return;
    c.header('cache-control', HASHED.test(c.req.path) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache');
  });
  app.use('*', async (c, next) => {
    if (OF_THE_BUILD.test(c.req.path)) throw new AppError('notFound');
    await next();
  });
  app.get('/index.html', (c) => c.redirect('/', 301));
  const sendPage = (ifNoneMatch: string | undefined): Response => {
    const headers = { etag, 'cache-control': 'no-cache', 'content-type': 'text/html; charset=utf-8' };
    return ifNoneMatch === etag ? new Response(null, { status: 304, headers }) : new Response(page, { headers });
  };
  app.get('/', (c) => sendPage(c.req.header('if-none-match')));
  app.get('*', serveStatic({ root, precompressed: true }));
  app.get('*', async (c, next) => {
    if (HAS_EXTENSION.test(c.req.path)) return next();
    return sendPage(c.req.header('if-none-match'));
  });
  return app;
}
