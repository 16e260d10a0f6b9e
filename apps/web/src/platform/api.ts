import {
  ACCOUNT_HEADER,
  type Change,
  type ChangesAnswer,
  type ChangesSince,
  type ErrorBody,
  PATHS,
  type UsageAnswer,
} from '@wimbel/contract';
import { ApiError, type ApiFault } from '@wimbel/sync';
import { deviceClockMs, syncServerTime } from './clock.ts';

export type Account = { id: string; email: string; name: string };

/** A session of the account. */
export type OpenSession = { id: string; token: string; userAgent: string | null; updatedAt: string; isThis: boolean };

/** Request timeout. */
const PATIENCE_MS = 30_000;

type Asked = { body?: unknown; accountId?: string };

/** GET request; throws an ApiError. */
export async function send<T>(path: string, { body, accountId }: Asked = {}): Promise<T> {
  const sentMs = deviceClockMs();
  let response: Response;
  let answer: unknown;
  try {
    response = await fetch(path, {
      credentials: 'same-origin',
      ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(accountId === undefined ? {} : { [ACCOUNT_HEADER]: accountId }),
      },
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    answer = await response.json().catch((error: unknown) => {
      // A broken or endless body counts as offline; a body that is not JSON is judged by its status.
      if (error instanceof SyntaxError && !response.ok) return null;
      throw error;
    });
  } catch {
    throw new ApiError({ code: 'offline', message: 'The server cannot be reached.' });
  }
  if (!response.ok) throw new ApiError(faultOf(response, answer as Partial<ErrorBody> | null));
  const { now } = (answer ?? {}) as { now?: unknown };
  if (typeof now === 'string') syncServerTime(now, sentMs);
  return answer as T;
}

function faultOf({ status, headers }: Response, error: Partial<ErrorBody> | null): ApiFault {
  const message = error?.message ?? '';
  const issues = error?.issues;
  const retryAfterS = Number(headers.get('retry-after') ?? NaN);
  const more = {
    ...(issues === undefined ? {} : { issues }),
    ...(retryAfterS > 0 ? { retryAfterMs: retryAfterS * 1000 } : {}),
  };
  if (status === 429) return { code: 'tooMany', message, ...more };
  if (status === 502 || status === 503 || status === 504) return { code: 'unavailable', message, ...more };
  return { code: error?.code ?? (status === 401 ? 'signInNeeded' : 'rejected'), message, ...more };
}

/** Request with a body; throws an ApiError. */
export const post = <T>(path: string, body: unknown, accountId?: string): Promise<T> =>
  send<T>(path, { body, ...(accountId === undefined ? {} : { accountId }) });

type SignedIn = { user: Account };
type Session = { id: string; token: string; userAgent?: string | null; updatedAt: string };

/**
 * The server, as the app knows it. Every call throws an ApiError where it fails. What reads or writes an account names
 * it, so that a page that still shows one that was left reads and writes nothing of the next.
 */
export const api = {
  account: async (): Promise<Account | null> =>
    (await send<SignedIn | null>(`${PATHS.auth}/get-session`))?.user ?? null,
  signIn: async (email: string, password: string): Promise<Account> =>
    (await post<SignedIn>(`${PATHS.auth}/sign-in/email`, { email, password })).user,
  signUp: async (email: string, password: string): Promise<Account> =>
    (await post<SignedIn>(`${PATHS.auth}/sign-up/email`, { email, password, name: email.split('@')[0] })).user,
  signOut: () => post<unknown>(`${PATHS.auth}/sign-out`, {}),
  isSampleOffered: async (): Promise<boolean> => (await send<{ offered: boolean }>(PATHS.sample)).offered,
  openSample: async (): Promise<Account> => (await post<SignedIn>(PATHS.sampleSession, {})).user,
  sendChanges: (accountId: string, changes: readonly Change[], since: number) =>
    post<ChangesAnswer>(PATHS.changes, { changes, since }, accountId),
  changesSince: (accountId: string, revision: number) =>
    send<ChangesSince>(`${PATHS.changes}?since=${revision}`, { accountId }),
  usage: (accountId: string) => send<UsageAnswer>(PATHS.usage, { accountId }),
  changePassword: (accountId: string, currentPassword: string, newPassword: string) =>
    post<unknown>(`${PATHS.auth}/change-password`, { currentPassword, newPassword }, accountId),
  sessions: async (): Promise<OpenSession[]> => {
    const [own, all] = await Promise.all([
      send<{ session: Session } | null>(`${PATHS.auth}/get-session`),
      send<Session[]>(`${PATHS.auth}/list-sessions`),
    ]);
    return all.map(({ id, token, userAgent, updatedAt }) => ({
      id,
      token,
      userAgent: userAgent ?? null,
      updatedAt,
      isThis: id === own?.session.id,
    }));
  },
  endSession: (accountId: string, token: string) => post<unknown>(`${PATHS.auth}/revoke-session`, { token }, accountId),
  endOtherSessions: (accountId: string) => post<unknown>(`${PATHS.auth}/revoke-other-sessions`, {}, accountId),
  deleteAccount: (accountId: string, password: string) =>
    post<unknown>(`${PATHS.auth}/delete-user`, { password }, accountId),
};

export type Api = typeof api;
