import type { Context } from 'hono';
import { createMiddleware } from 'hono/factory';
import { v7 as uuid } from 'uuid';
import type { AppEnv } from './appEnv.ts';

const TRANSPORT_SECURITY = 'max-age=31536000; includeSubDomains';

/** Content security policy: the app's own files only. */
const PAGE_POLICY = [
  "default-src 'self'",
  "script-src 'self'",
  "connect-src 'self'",
  "worker-src 'self'",
  "font-src 'self' data:",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "frame-ancestors 'none'",
  "form-action 'self'",
].join('; ');

const EVERYWHERE = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
} as const;

/** An answer of the API is data for the app, and never a page. */
const API = {
  ...EVERYWHERE,
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
} as const;
const PAGE = { ...EVERYWHERE, 'content-security-policy': PAGE_POLICY } as const;

const isApi = (c: Context): boolean => c.req.path.startsWith('/api/') || c.req.path === '/api';

/**
 * The one place where headers are put on answers: every answer passes it, whoever made it, those of errors and of the account
 * library too. Where a handler says how long its answer may be kept, that stands; else an answer of the API is not stored.
 */
export function outgoingHeaders({ isSecure }: { isSecure: boolean }) {
  return createMiddleware<AppEnv>(async (c, next) => {
    const requestId = uuid();
    c.set('requestId', requestId);
    await next();
    const { headers } = c.res;
    for (const [name, value] of Object.entries(isApi(c) ? API : PAGE)) headers.set(name, value);
    headers.set('x-request-id', requestId);
    if (isApi(c) && !headers.has('cache-control')) headers.set('cache-control', 'no-store');
    if (isSecure) headers.set('strict-transport-security', TRANSPORT_SECURITY);
  });
}
