import { createHash } from 'node:crypto';
import { ACCOUNT_HEADER, type ErrorCode, type Issue, LIMITS } from '@wimbel/contract';
import { type Context, Hono } from 'hono';
import type { Pool } from 'pg';
import type { AppEnv } from '../../appEnv.ts';
import { bodyAtMost } from '../../bodyAtMost.ts';
import type { ClientAddress } from '../../clientAddress.ts';
import { AppError } from '../../errors.ts';
import { askAgainst, countAgainst, sharedLimit } from '../../limits.ts';
import { type Auth, CLIENT_ADDRESS_HEADER } from './auth.ts';
import type { Sessions } from './sessions.ts';

const MOST_BODY_BYTES = 16 * 1024;
const ATTEMPTS_S = 5 * 60;
/** Wrong guesses at one account's password, from wherever, and the time they count for. */
const WRONG_GUESSES = 30;
const WRONG_GUESSES_S = 15 * 60;

type Fields = Record<string, unknown>;

/** What of the account's own endpoints there is: everything else under the path is not there. */
const GETS = ['/get-session', '/list-sessions'];
const POSTS = [
  '/sign-in/email',
  '/sign-up/email',
  '/sign-out',
  '/change-password',
  '/revoke-session',
  '/revoke-other-sessions',
  '/delete-user',
];
/** What is done to an account that the page must name: it could show one that was left in another tab. */
const OF_AN_ACCOUNT = new Set(['/change-password', '/revoke-session', '/revoke-other-sessions', '/delete-user']);

/** What each fault of an account is to the person. */
const FAULTS: Record<string, { code: ErrorCode; issues?: Issue[] }> = {
  INVALID_EMAIL_OR_PASSWORD: { code: 'wrongSignIn' },
  INVALID_PASSWORD: { code: 'wrongSignIn' },
  CREDENTIAL_ACCOUNT_NOT_FOUND: { code: 'wrongSignIn' },
  USER_ALREADY_EXISTS: { code: 'emailTaken' },
  USER_ALREADY_EXISTS_USE_ANOTHER_EMAIL: { code: 'emailTaken' },
  INVALID_EMAIL: { code: 'invalid', issues: [{ path: 'email', message: 'is not an e-mail address' }] },
  PASSWORD_TOO_SHORT: { code: 'invalid', issues: [{ path: 'password', message: 'is shorter than 10 characters' }] },
  PASSWORD_TOO_LONG: { code: 'invalid', issues: [{ path: 'password', message: 'is longer than 200 characters' }] },
  UNAUTHORIZED: { code: 'signInNeeded' },
  SESSION_EXPIRED: { code: 'signInNeeded' },
  INVALID_ORIGIN: { code: 'foreignOrigin' },
};

/** A fault of the account library in our own terms, from its answer. */
async function faultOf(response: Response): Promise<AppError> {
  const { code = '' } = (await response.json().catch(() => ({}))) as { code?: string };
  const known = FAULTS[code];
  if (known !== undefined) return new AppError(known.code, known.issues);
  if (response.status === 401) return new AppError('signInNeeded');
  if (response.status === 404) return new AppError('notFound');
  return new AppError(response.status < 500 ? 'invalid' : 'internal');
}

const LONGEST_FIELD = 400;

/** Whether a field can be what an account is told: text of a line that can be stored, or yes or no. */
const isPlain = (value: unknown): boolean =>
  typeof value === 'boolean' ||
  (typeof value === 'string' && value.length <= LONGEST_FIELD && !/\0|\p{Surrogate}/u.test(value));

const isBlank = (password: unknown): boolean => typeof password === 'string' && password.trim() === '';

/** The body as the account library is given it: checked for what it does not check, and with what is always so. */
function bodyFor(path: string, body: Fields): Fields {
  for (const name of ['password', 'newPassword']) {
    if ((path === '/sign-up/email' || path === '/change-password') && isBlank(body[name])) {
      throw new AppError('invalid', [{ path: name, message: 'has nothing but spaces' }]);
    }
  }
  // Addresses of this kind reach nobody, and are the samples' own.
  if (path === '/sign-up/email' && String(body.email).toLowerCase().endsWith('.invalid')) {
    throw new AppError('invalid', [{ path: 'email', message: 'is not an e-mail address' }]);
  }
  if (path === '/change-password') return { ...body, revokeOtherSessions: true };
  if (path === '/delete-user') {
    // A session alone is not enough to take everything away.
    return { password: typeof body.password === 'string' && body.password !== '' ? body.password : ' ' };
  }
  return body;
}

async function readBody(c: Context<AppEnv>): Promise<Fields> {
  const text = await c.req.text();
  let body: unknown = {};
  try {
    if (text !== '') body = JSON.parse(text);
  } catch {
    throw new AppError('notJson');
  }
  if (body === null || typeof body !== 'object' || Array.isArray(body)) throw new AppError('invalid');
  const odd = Object.entries(body).filter(([, value]) => !isPlain(value));
  if (odd.length > 0) {
    const issues = odd
      .slice(0, LIMITS.issues)
      .map(([key]) => ({ path: key.slice(0, 80), message: 'is not plain text' }));
    throw new AppError('invalid', issues);
  }
  return body as Fields;
}

export type AccountDeps = {
  pool: Pool;
  auth: Auth;
  sessions: Sessions;
  clientAddress: ClientAddress;
  signInAttempts: number;
};

/**
 * Signing up, in and out, the account's sessions and password, and its end. Attempts are counted by address, wrong
 * guesses by account too: past the limit nobody signs in to it for a while, and sessions that are open stay open.
 */
export function accountRoutes({ pool, auth, sessions, clientAddress, signInAttempts }: AccountDeps) {
  const attempts = sharedLimit(pool, 'sign-in-from', signInAttempts, ATTEMPTS_S);
  const guesses = sharedLimit(pool, 'wrong-guesses', WRONG_GUESSES, WRONG_GUESSES_S);
  const app = new Hono<AppEnv>();

  async function ask(c: Context<AppEnv>, path: string, body: Fields | null): Promise<Response> {
    const headers = new Headers(c.req.raw.headers);
    headers.delete('content-length');
    headers.set(CLIENT_ADDRESS_HEADER, clientAddress(c));
    const init = { method: c.req.method, headers, ...(body === null ? {} : { body: JSON.stringify(body) }) };
    const response = await auth.handler(new Request(new URL(`/api/auth${path}`, c.req.url), init));
    if (!response.ok) throw await faultOf(response);
    return response;
  }

  /** Whose password a request guesses at: the key of a limit, without naming them. */
  async function guessedAt(c: Context<AppEnv>, path: string, body: Fields): Promise<string | null> {
    const named = path === '/sign-in/email' ? String(body.email ?? '').toLowerCase() : null;
    const whose =
      path === '/change-password' || path === '/delete-user'
        ? ((await sessions.find(c.req.raw.headers))?.userId ?? null)
        : named;
    return whose === null ? null : createHash('sha256').update(whose).digest('base64url');
  }

  for (const path of GETS) app.get(path, (c) => ask(c, path, null));
  for (const path of POSTS) {
    app.post(path, bodyAtMost(MOST_BODY_BYTES), async (c) => {
      if (OF_AN_ACCOUNT.has(path)) {
        const session = await sessions.find(c.req.raw.headers);
        if (session === null) throw new AppError('signInNeeded');
        if (c.req.header(ACCOUNT_HEADER) !== session.userId) throw new AppError('otherAccount');
      }
      const body = bodyFor(path, await readBody(c));
      if (path === '/sign-in/email' || path === '/sign-up/email') await countAgainst(attempts, clientAddress(c));
      const guessed = await guessedAt(c, path, body);
      if (guessed !== null) await askAgainst(guesses, guessed);
      try {
        const response = await ask(c, path, body);
        if (guessed !== null) await guesses.delete(guessed);
        return response;
      } catch (error) {
        if (guessed !== null && error instanceof AppError && error.code === 'wrongSignIn')
          await guesses.penalty(guessed);
        throw error;
      }
    });
  }
  return app;
}
