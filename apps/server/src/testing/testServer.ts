import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { ACCOUNT_HEADER, type Change, type ChangesAnswer, type ChangesSince, type ErrorBody } from '@wimbel/contract';
import pg from 'pg';
import { createApp } from '../app.ts';
import { createClock } from '../clock.ts';
import { createDatabase, migrateDatabase } from '../db/connection.ts';
import { createAuth } from '../features/account/auth.ts';
import { openNotifications } from '../db/notifications.ts';
import { createSessions } from '../features/account/sessions.ts';
import { openRevisionFeed } from '../features/changes/revisionFeed.ts';
import { prepareSample } from '../features/sample/service.ts';
import { createLog } from '../log.ts';

export const ORIGIN = 'http://localhost:4790';
const SECRET = 'a secret that is only good for tests, and long';
export const MIGRATIONS = join(__dirname, '../../drizzle');

type Options = {
  signInAttempts?: number;
  requestsPerMinute?: number;
  samplesPerHour?: number;
  addressRequestsPerMinute?: number;
  /** Whether browsers open the app by https. */
  isSecure?: boolean;
  sampleFile?: string;
  webRoot?: string;
  proxies?: string[];
  log?: (line: string) => void;
};

/** The whole server on a database of its own in the tests' cluster. */
export async function startTestServer({
  signInAttempts = 1000,
  requestsPerMinute = 100_000,
  samplesPerHour = 1000,
  addressRequestsPerMinute = 100_000,
  isSecure = false,
  proxies = [],
  sampleFile,
  webRoot,
  log,
}: Options = {}) {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  const url = process.env.TEST_DATABASE_URL!.replace(/\/postgres$/, `/${name}`);
  await migrateDatabase(url, MIGRATIONS);
  const { db, pool, close } = createDatabase(url);
  const origins = isSecure ? ['https://wimbel.example', ORIGIN] : [ORIGIN];
  const auth = createAuth(db, { secret: SECRET, origins });
  const notifications = openNotifications(url);
  const sessions = createSessions(auth, notifications);
  const feed = openRevisionFeed(pool, notifications);
  const clock = createClock('2026-11-24T09:30:00Z');
  if (sampleFile !== undefined) await prepareSample({ db, auth, clock }, url, sampleFile);
  const logger = createLog(log ? 'info' : 'silent');
  if (log) {
    for (const level of ['info', 'error'] as const) {
      logger[level] = ((fields: object, message: string) => log(JSON.stringify({ ...fields, message }))) as never;
    }
  }
  const deps = {
    db,
    secret: SECRET,
    auth,
    sessions,
    feed,
    clock,
    log: logger,
    isSampleOffered: sampleFile !== undefined,
    limits: { signInAttempts, requestsPerMinute, samplesPerHour, addressRequestsPerMinute },
    proxies,
    origins,
    webRoot: webRoot ?? null,
  };
  const app = createApp(deps);
  const request = (path: string, init: RequestInit = {}) => app.request(`${ORIGIN}${path}`, init);
  const end = async (): Promise<void> => {
    feed.close();
    await notifications.close();
    await close();
  };
  /** A second server on the same database. */
  const another = async () => {
    const own = createDatabase(url);
    const ownNotifications = openNotifications(url);
    const ownSessions = createSessions(auth, ownNotifications);
    const ownFeed = openRevisionFeed(own.pool, ownNotifications);
    const second = createApp({ ...deps, db: own.db, sessions: ownSessions, feed: ownFeed });
    return {
      request: (path: string, init: RequestInit = {}) => second.request(`${ORIGIN}${path}`, init),
      close: async () => {
        ownFeed.close();
        await ownNotifications.close();
        await own.close();
      },
    };
  };
  return { app, db, auth, pool, url, request, another, close: end, signUp: (email?: string) => signUp(request, email) };
}

export type TestServer = Awaited<ReturnType<typeof startTestServer>>;
type Request = (path: string, init?: RequestInit) => Response | Promise<Response>;

export const json = (body: unknown, headers: Record<string, string> = {}): RequestInit => ({
  method: 'POST',
  body: JSON.stringify(body),
  headers: { 'content-type': 'application/json', origin: ORIGIN, ...headers },
});

/** Signs a new person up, and gives what they can do. */
async function signUp(request: Request, email = `${randomUUID()}@example.org`) {
  const password = 'slow bow and long notes';
  const response = await request('/api/auth/sign-up/email', json({ email, password, name: 'Someone' }));
  if (!response.ok) throw new Error(`sign-up: ${response.status} ${await response.text()}`);
  const cookie = response.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const { user } = (await response.json()) as { user: { id: string } };
  const own = { cookie, [ACCOUNT_HEADER]: user.id };
  const send = (changes: Partial<Change>[], since?: number) => request('/api/changes', json({ changes, since }, own));
  return {
    email,
    password,
    cookie,
    /** Headers of every request. */
    own,
    userId: user.id,
    setCookie: response.headers.getSetCookie(),
    send,
    apply: async (...changes: Partial<Change>[]): Promise<ChangesAnswer> => {
      const answer = await send(changes);
      if (!answer.ok) throw new Error(`changes: ${answer.status} ${await answer.text()}`);
      return (await answer.json()) as ChangesAnswer;
    },
    since: async (revision = 0): Promise<ChangesSince> =>
      (await (await request(`/api/changes?since=${revision}`, { headers: own })).json()) as ChangesSince,
    get: (path: string) => request(path, { headers: own }),
  };
}

export type TestPerson = Awaited<ReturnType<typeof signUp>>;

export const errorOf = async (response: Response): Promise<ErrorBody> => (await response.json()) as ErrorBody;

let made = 0;

/** A change with an id and an instant of its own, each later than the one before. */
export function change(
  collection: Change['collection'],
  key: string,
  record: unknown,
  more: Partial<Change> = {},
): Change {
  made++;
  return {
    id: randomUUID(),
    madeAt: new Date(Date.UTC(2026, 10, 24, 9, 0, 0) + made * 1000).toISOString(),
    collection,
    key,
    record: record as never,
    ...more,
  };
}

export const habitRecord = (id: string, more: object = {}) => ({
  id,
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});

export const habitChange = (id: string, more: object = {}, rest: Partial<Change> = {}) =>
  change('habits', id, habitRecord(id, more), rest);

export const entryChange = (
  habitId: string,
  day: string,
  more: object | null = { mark: 'done' },
  rest: Partial<Change> = {},
) => change('entries', `${day} ${habitId}`, more === null ? null : { habitId, day, ...more }, rest);
