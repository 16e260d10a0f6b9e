import { ACCOUNT_HEADER, type ErrorCode, type Issue, LIMITS } from '@wimbel/contract';
import { type Context, Hono } from 'hono';
import { LRUCache } from 'lru-cache';
import pLimit from 'p-limit';
import type { Pool } from 'pg';
import type { RateLimiterAbstract } from 'rate-limiter-flexible';
import type { AppEnv } from '../../appEnv.ts';
import { bodyAtMost } from '../../bodyAtMost.ts';
import type { ClientAddress } from '../../clientAddress.ts';
import { AppError } from '../../errors.ts';
import { countAgainst, sharedLimit } from '../../limits.ts';
import { type Auth, CLIENT_ADDRESS_HEADER } from './auth.ts';
import { isCommonPassword } from './commonPasswords.ts';
import { type SignInAttempt, type SignInThrottle, evenly } from './signInThrottle.ts';
import type { Sessions } from './sessions.ts';

const MOST_BODY_BYTES = 16 * 1024;
const ATTEMPTS_S = 5 * 60;

type Fields = Record<string, unknown>;

/** Cache of session answers: time to live in milliseconds and number of entries; and how many are looked up concurrently. */
const ANSWER_MS = 60_000;
const MOST_ANSWERS = 20_000;
const QUESTIONS_AT_ONCE = 4;

/** The account library's endpoints that are exposed; all others are not found. */
const POSTS = [
  '/sign-in/email',
  '/sign-up/email',
  '/sign-out',
  '/change-password',
  '/revoke-session',
  '/revoke-other-sessions',
  '/delete-user',
];
/** Endpoints that require the account header: the page may show an account that was left in another tab. */
const OF_AN_ACCOUNT = new Set(['/change-password', '/revoke-session', '/revoke-other-sessions', '/delete-user']);

/** The account library's error codes as ours. */
const FAULTS: Record<string, { code: ErrorCode; issues?: Issue[] }> = {
  INVALID_EMAIL_OR_PASSWORD: { code: 'wrongSignIn' },
  INVALID_PASSWORD: { code: 'wrongSignIn' },
  CREDENTIAL_ACCOUNT_NOT_FOUND: { code: 'wrongSignIn' },
  USER_ALREADY_EXISTS: { code: 'notCreated' },
  USER_ALREADY_EXISTS_USE_ANOTHER_EMAIL: { code: 'notCreated' },
  INVALID_EMAIL: { code: 'invalid', issues: [{ path: 'email', message: 'is not an e-mail address' }] },
  PASSWORD_TOO_SHORT: { code: 'invalid', issues: [{ path: 'password', message: 'is shorter than 10 characters' }] },
  PASSWORD_TOO_LONG: { code: 'invalid', issues: [{ path: 'password', message: 'is longer than 200 characters' }] },
  UNAUTHORIZED: { code: 'signInNeeded' },
  SESSION_EXPIRED: { code: 'signInNeeded' },
  INVALID_ORIGIN: { code: 'foreignOrigin' },
};

/** Maps an answer of the account library to an AppError. */
async function faultOf(response: Response): Promise<AppError> {
  const { code = '' } = (await response.json().catch(() => ({}))) as { code?: string };
  const known = FAULTS[code];
  if (known !== undefined) return new AppError(known.code, known.issues);
  if (response.status === 401) return new AppError('signInNeeded');
  if (response.status === 404) return new AppError('notFound');
  return new AppError(response.status < 500 ? 'invalid' : 'internal');
}

const LONGEST_FIELD = 400;

/** Whether a field is a boolean or a short, storable text. */
const isPlain = (value: unknown): boolean =>
  typeof value === 'boolean' ||
  (typeof value === 'string' && value.length <= LONGEST_FIELD && !/\0|\p{Surrogate}/u.test(value));

const isBlank = (password: unknown): boolean => typeof password === 'string' && password.trim() === '';

/** Checks a body beyond the account library's own checks, and sets fixed options. */
function bodyFor(path: string, body: Fields): Fields {
  for (const name of ['password', 'newPassword']) {
    if ((path === '/sign-up/email' || path === '/change-password') && isBlank(body[name])) {
      throw new AppError('invalid', [{ path: name, message: 'has nothing but spaces' }]);
    }
    const isChosen = path === '/sign-up/email' || (path === '/change-password' && name === 'newPassword');
    if (isChosen && typeof body[name] === 'string' && isCommonPassword(body[name])) {
      throw new AppError('invalid', [{ path: name, message: 'is a password that many people have' }]);
    }
  }
  // Reserved for sample accounts.
  if (path === '/sign-up/email' && String(body.email).toLowerCase().endsWith('.invalid')) {
    throw new AppError('invalid', [{ path: 'email', message: 'is not an e-mail address' }]);
  }
  if (path === '/change-password') return { ...body, revokeOtherSessions: true };
  if (path === '/delete-user') {
    // Deletion requires the password, not only a session.
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

type AccountDeps = {
  auth: Auth;
  sessions: Sessions;
  guesses: SignInThrottle;
  clientAddress: ClientAddress;
  /** Rate limit of sign-in and sign-up by address. */
  attempts: RateLimiterAbstract;
};

const cookiesOf = (c: Context<AppEnv>): string => c.req.header('cookie') ?? '';

/**
 * Sign-up, sign-in, sign-out, sessions, password and deletion. Attempts are limited by address, failures throttled by
 * {@link SignInThrottle}; open sessions are unaffected. Neither answers nor timing reveal whether an account exists.
 */
export function accountRoutes({ auth, sessions, guesses, clientAddress, attempts }: AccountDeps) {
  const app = new Hono<AppEnv>();

  async function ask(c: Context<AppEnv>, path: string, body: Fields | null): Promise<Response> {
    const headers = new Headers(c.req.raw.headers);
    headers.delete('content-length');
    headers.set(CLIENT_ADDRESS_HEADER, clientAddress(c));
    // Sign-in ignores existing cookies: the library would end the new session with an ended one.
    if (path === '/sign-in/email' || path === '/sign-up/email') headers.delete('cookie');
    const init = { method: c.req.method, headers, ...(body === null ? {} : { body: JSON.stringify(body) }) };
    const response = await auth.handler(new Request(new URL(`/api/auth${path}`, c.req.url), init));
    if (!response.ok) throw await faultOf(response);
    return response;
  }

  /** The attempt that a request makes at a password; null for other requests. */
  async function guessOf(c: Context<AppEnv>, path: string, body: Fields): Promise<SignInAttempt | null> {
    const more = { address: clientAddress(c), cookies: cookiesOf(c) };
    if (path === '/sign-in/email') return { account: String(body.email ?? '').toLowerCase(), ...more };
    if (path !== '/change-password' && path !== '/delete-user') return null;
    const session = await sessions.find(c.req.raw.headers);
    return session === null ? null : { account: session.userId, ...more };
  }

  async function guess(c: Context<AppEnv>, path: string, body: Fields): Promise<Response> {
    const at = await guessOf(c, path, body);
    if (at === null) return ask(c, path, body);
    await guesses.attempt(at);
    try {
      const response = await ask(c, path, body);
      await guesses.right(at);
      return response;
    } catch (error) {
      if (error instanceof AppError && error.code === 'wrongSignIn') await guesses.wrong(at);
      throw error;
    }
  }

  /** A repeated sign-up with the right password signs in; any other fails without a reason. */
  async function signUp(c: Context<AppEnv>, body: Fields): Promise<Response> {
    try {
      return await ask(c, '/sign-up/email', body);
    } catch (error) {
      if (!(error instanceof AppError) || error.code !== 'notCreated') throw error;
      const { email, password } = body;
      return guess(c, '/sign-in/email', { email, password }).catch((wrong: unknown) => {
        throw wrong instanceof AppError && wrong.code === 'wrongSignIn' ? error : wrong;
      });
    }
  }

  // Cached: the library would query the database on every page load.
  const answers = new LRUCache<string, string>({ max: MOST_ANSWERS, ttl: ANSWER_MS });
  const fewAtOnce = pLimit(QUESTIONS_AT_ONCE);
  app.get('/get-session', async (c) => {
    const session = await fewAtOnce(() => sessions.find(c.req.raw.headers));
    if (session === null) return c.json(null);
    const known = answers.get(session.id);
    if (known !== undefined) return c.body(known, 200, { 'content-type': 'application/json' });
    const response = await fewAtOnce(() => ask(c, '/get-session', null));
    answers.set(session.id, await response.clone().text());
    return response;
  });
  app.get('/list-sessions', (c) => fewAtOnce(() => ask(c, '/list-sessions', null)));
  for (const path of POSTS) {
    app.post(path, bodyAtMost(MOST_BODY_BYTES), async (c) => {
      if (OF_AN_ACCOUNT.has(path)) {
        const session = await sessions.find(c.req.raw.headers);
        if (session === null) throw new AppError('signInNeeded');
        if (c.req.header(ACCOUNT_HEADER) !== session.userId) throw new AppError('otherAccount');
      }
      const body = bodyFor(path, await readBody(c));
      if (path !== '/sign-in/email' && path !== '/sign-up/email') return guess(c, path, body);
      await countAgainst(attempts, clientAddress(c));
      const response = await evenly(() => (path === '/sign-up/email' ? signUp(c, body) : guess(c, path, body)));
      const account = String(body.email ?? '').toLowerCase();
      response.headers.append('set-cookie', guesses.deviceCookie({ account, cookies: cookiesOf(c) }));
      return response;
    });
  }
  return app;
}

/** Attempts to sign in or up from one address in five minutes. */
export const attemptsFrom = (pool: Pool, most: number): RateLimiterAbstract =>
  sharedLimit(pool, 'sign-in-from', most, ATTEMPTS_S);
