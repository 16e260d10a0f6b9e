import {
  type Change,
  type ChangesAnswer,
  type ChangesSince,
  type ErrorBody,
  type ErrorCode,
  PATHS,
} from '@wimbel/contract';

export type Account = { id: string; email: string; name: string };

/** Why a request did not do what it should; `offline` where the server was not reached at all. */
export type ApiFault = { code: ErrorCode | 'offline' | 'rejected'; message: string };

export class ApiError extends Error {
  readonly fault: ApiFault;
  constructor(fault: ApiFault) {
    super(fault.message);
    this.fault = fault;
  }
}

async function send<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      credentials: 'same-origin',
      ...init,
      headers: { ...(init.body ? { 'content-type': 'application/json' } : {}) },
    });
  } catch {
    throw new ApiError({ code: 'offline', message: 'The server cannot be reached.' });
  }
  const body = (await response.json().catch(() => null)) as T | (Partial<ErrorBody> & { code?: string }) | null;
  if (response.ok) return body as T;
  const error = body as { code?: string; message?: string } | null;
  if (response.status === 429) throw new ApiError({ code: 'tooMany', message: error?.message ?? '' });
  const known = error?.code as ErrorCode | undefined;
  if (response.status >= 502 || known === 'unavailable')
    throw new ApiError({ code: 'unavailable', message: error?.message ?? '' });
  throw new ApiError({
    code: response.status === 401 ? 'signInNeeded' : (known ?? 'rejected'),
    message: error?.message ?? '',
  });
}

const post = <T>(path: string, body: unknown): Promise<T> =>
  send<T>(path, { method: 'POST', body: JSON.stringify(body) });

type SignedIn = { user: Account };

/** The server, as the app knows it. Every call throws an ApiError where it fails. */
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
  sendChanges: (changes: readonly Change[]) => post<ChangesAnswer>(PATHS.changes, { changes }),
  changesSince: (revision: number) => send<ChangesSince>(`${PATHS.changes}?since=${revision}`),
};

export type Api = typeof api;
