import { ACCOUNT_HEADER } from '@wimbel/contract';
import { type TestServer, errorOf, habitChange, json, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer({ proxies: ['10.0.0.0/8'] });
});
afterAll(() => server.close());

const post = (path: string, body: object, headers: Record<string, string> = {}) =>
  server.request(`/api/auth${path}`, json(body, headers));
const cookieOf = (response: Response) =>
  response.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');

describe('signing in', () => {
  it('answers every fault in the one shape, in words', async () => {
    const person = await server.signUp();
    const faults: [string, object, number, string][] = [
      ['/sign-in/email', { email: person.email, password: 'not this one at all' }, 401, 'wrongSignIn'],
      ['/sign-in/email', { email: 'nobody@example.org', password: 'not this one at all' }, 401, 'wrongSignIn'],
      ['/sign-in/email', {}, 422, 'invalid'],
      ['/sign-up/email', { email: person.email, password: 'long enough words', name: 'x' }, 409, 'notCreated'],
      ['/sign-up/email', { email: 'new@example.org', password: 'Password1234', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'new@example.org', password: 'qwertyuiop', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'new@example.org', password: 'abcabcabcabc', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'new@example.org', password: 'short', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'new@example.org', password: '             ', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'me@wimbel.invalid', password: 'long enough words', name: 'x' }, 422, 'invalid'],
      ['/sign-up/email', { email: 'no address', password: 'long enough words', name: 'x' }, 422, 'invalid'],
    ];
    for (const [path, body, status, code] of faults) {
      const response = await post(path, body);
      const error = await errorOf(response);
      expect([path, body, response.status, error.code]).toEqual([path, body, status, code]);
      expect(Object.keys(error).filter((key) => !['code', 'message', 'requestId', 'issues'].includes(key))).toEqual([]);
      expect(error.requestId).toMatch(/^[0-9a-f-]{36}$/);
    }
    expect((await server.request('/api/auth/sign-in/email', { ...json({}), body: '{' })).status).toBe(400);
  });

  it('has no other addresses, and asking for them leaves nothing in the database', async () => {
    const rows = async () =>
      (await server.pool.query('select (select count(*) from limits) + (select count(*) from verification) as count'))
        .rows;
    const before = await rows();
    for (const path of [
      'x1',
      'x2',
      'ok',
      'error',
      'callback/x',
      'update-user',
      'change-email',
      'reset-password',
      'sign-in/anonymous',
    ]) {
      expect([path, (await server.request(`/api/auth/${path}`)).status]).toEqual([path, 404]);
      expect([path, (await post(`/${path}`, {})).status]).toEqual([path, 404]);
    }
    expect(await rows()).toEqual(before);
  });

  it('wrong guesses from one address end there, and leave who is in and everybody else alone', async () => {
    const person = await server.signUp();
    const seen: number[] = [];
    for (let guess = 0; guess < 12; guess++) {
      seen.push(
        (await post('/sign-in/email', { email: person.email.toUpperCase(), password: `guess number ${guess}` })).status,
      );
    }
    expect(seen).toEqual([...Array.from({ length: 10 }, () => 401), 429, 429]);
    // Nor with the right one from there; but who is signed in goes on, and so do others from the same address.
    const right = await post('/sign-in/email', { email: person.email, password: person.password });
    expect([right.status, Number(right.headers.get('retry-after')) > 0]).toEqual([429, true]);
    expect((await person.apply(habitChange('h'))).results[0]?.status).toBe('accepted');
    const other = await server.signUp();
    expect((await post('/sign-in/email', { email: other.email, password: other.password })).status).toBe(200);
  });

  it('guesses from everywhere lock nobody out: the right password takes a pause, a device from before none', async () => {
    const person = await server.signUp();
    const { email, password } = person;
    const device = person.setCookie.find((each) => each.startsWith('wimbel.device='))!;
    expect(device).toMatch(/HttpOnly; SameSite=Lax/);
    const from = (address: string, given: string, headers: Record<string, string> = {}) =>
      server.app.request(
        'http://localhost:4790/api/auth/sign-in/email',
        json({ email, password: given }, { 'x-forwarded-for': address, ...headers }),
        {
          incoming: {
            socket: { remoteAddress: '10.0.0.1' },
            connection: { remoteAddress: '10.0.0.1' },
            headers: { 'x-forwarded-for': address },
          },
        } as never,
      );
    for (let guess = 0; guess < 35; guess++) await from(`203.0.113.${guess % 30}`, `guess number ${guess}`);
    const timed = async (ask: () => Response | Promise<Response>): Promise<[number, number]> => {
      const startedMs = performance.now();
      const { status } = await ask();
      return [status, performance.now() - startedMs];
    };
    // A pause of a second is what each of them costs now, one at a time.
    const [status, tookMs] = await timed(() => from('198.51.100.7', password));
    expect([status, tookMs > 1000]).toEqual([200, true]);
    // However many strangers wait, and are sent away, the device from before is in.
    const strangers = Array.from({ length: 12 }, (_, at) => from(`198.51.100.${50 + at}`, 'still not it'));
    const known = await from('198.51.100.8', password, { cookie: device.split(';')[0]! });
    expect(known.status).toBe(200);
    const statuses = (await Promise.all(strangers)).map((each) => each.status);
    expect(new Set(statuses)).toEqual(new Set([401, 429]));
    // Another account's device is none of this one.
    const other = await server.signUp();
    const foreign = other.setCookie.find((each) => each.startsWith('wimbel.device='))!.split(';')[0]!;
    expect((await timed(() => from('198.51.100.9', password, { cookie: foreign })))[1]).toBeGreaterThan(1000);
  });

  it('tells nobody which addresses have an account, by word or by time', async () => {
    const person = await server.signUp();
    const ask = async (path: string, email: string) => {
      const startedMs = performance.now();
      const response = await post(path, { email, password: 'not this one at all', name: 'x' });
      const { requestId: _, ...body } = await errorOf(response);
      return { body, status: response.status, tookMs: performance.now() - startedMs };
    };
    const there = await ask('/sign-in/email', person.email);
    const nowhere = await ask('/sign-in/email', 'nobody.at.all@example.org');
    expect([there.status, there.body]).toEqual([nowhere.status, nowhere.body]);
    // Both are held back to the same step; the clock of a busy machine is not ours.
    for (const { tookMs } of [there, nowhere]) expect(tookMs).toBeGreaterThan(245);
    // A second sign-up with another password gives no reason for its failure; with the right password it signs in.
    expect((await ask('/sign-up/email', person.email)).body.message).not.toMatch(/already/);
    const own = await post('/sign-up/email', { email: person.email, password: person.password, name: 'x' });
    expect(own.status).toBe(200);
    expect(((await own.json()) as { user: { id: string } }).user.id).toBe(person.userId);
  });
});

describe('an account', () => {
  it('gets a new password with the old one, and every other session ends at once', async () => {
    const person = await server.signUp();
    const again = await post('/sign-in/email', { email: person.email, password: person.password });
    const other = { cookie: cookieOf(again), [ACCOUNT_HEADER]: person.userId };
    const since = (headers: Record<string, string>) => server.request('/api/changes?since=0', { headers });
    expect((await since(other)).status).toBe(200);
    const wrong = await post(
      '/change-password',
      { currentPassword: 'not it at all', newPassword: 'quiet water runs' },
      person.own,
    );
    expect([(await errorOf(wrong)).code, wrong.status]).toEqual(['wrongSignIn', 401]);
    for (const newPassword of ['short', '              ']) {
      const bad = await post('/change-password', { currentPassword: person.password, newPassword }, person.own);
      expect([newPassword, bad.status]).toEqual([newPassword, 422]);
    }
    expect((await since(other)).status).toBe(200);
    const changed = await post(
      '/change-password',
      { currentPassword: person.password, newPassword: 'quiet water runs' },
      person.own,
    );
    expect(changed.status).toBe(200);
    expect((await since({ cookie: cookieOf(changed), [ACCOUNT_HEADER]: person.userId })).status).toBe(200);
    await untilStatus(() => since(other), 401);
    expect((await post('/sign-in/email', { email: person.email, password: person.password })).status).toBe(401);
    expect((await post('/sign-in/email', { email: person.email, password: 'quiet water runs' })).status).toBe(200);
  });

  it('is gone with everything in it once its password was given, and not without', async () => {
    const person = await server.signUp();
    await person.apply(habitChange('h'));
    for (const body of [{}, { password: '' }, { password: 'not it at all' }]) {
      expect((await post('/delete-user', body, person.own)).status).toBe(401);
    }
    expect(
      (await post('/delete-user', { password: person.password }, { ...person.own, [ACCOUNT_HEADER]: 'x' })).status,
    ).toBe(409);
    expect((await post('/delete-user', { password: person.password }, person.own)).status).toBe(200);
    await untilStatus(() => person.get('/api/changes?since=0'), 401);
    const { rows } = await server.pool.query<{ name: string }>(
      `select table_name as name from information_schema.columns where column_name = 'user_id' and table_schema = 'public'`,
    );
    expect(rows.length).toBeGreaterThan(20);
    for (const { name } of rows) {
      const left = await server.pool.query(`select 1 from "${name}" where user_id = $1`, [person.userId]);
      expect([name, left.rows.length]).toEqual([name, 0]);
    }
  });

  it('that a page believes in is the one it reads and writes, or none', async () => {
    const [anna, bert] = [await server.signUp(), await server.signUp()];
    const mixed = { cookie: bert.cookie, [ACCOUNT_HEADER]: anna.userId };
    expect((await server.request('/api/changes', json({ changes: [habitChange('h')] }, mixed))).status).toBe(409);
    expect((await server.request('/api/changes?since=0', { headers: mixed })).status).toBe(409);
    expect((await server.request('/api/changes?since=0', { headers: { cookie: bert.cookie } })).status).toBe(409);
    for (const path of ['/change-password', '/revoke-session', '/revoke-other-sessions', '/delete-user']) {
      expect([path, (await post(path, {}, mixed)).status]).toEqual([path, 409]);
    }
    expect((await bert.since()).rows).toEqual([]);
    expect((await anna.since()).rows).toEqual([]);
  });
});

it('sign-out is felt at once by a server that knew the session', async () => {
  const other = await server.another();
  const person = await server.signUp();
  const viaOther = () => other.request('/api/changes?since=0', { headers: person.own });
  for (let times = 0; times < 3; times++) expect((await viaOther()).status).toBe(200);
  await post('/sign-out', {}, person.own);
  expect((await person.get('/api/changes?since=0')).status).toBe(401);
  await untilStatus(viaOther, 401, 500);
  await other.close();
});

it('who signs in with the cookie of a session that ended is in, with a cookie of the new one', async () => {
  const person = await server.signUp();
  await post('/sign-out', {}, person.own);
  const again = await post(
    '/sign-in/email',
    { email: person.email, password: person.password },
    { cookie: person.cookie },
  );
  const own = { cookie: cookieOf(again), [ACCOUNT_HEADER]: person.userId };
  expect((await server.request('/api/changes?since=0', { headers: own })).status).toBe(200);
});

it('a session that ended reads nothing, whatever cookies were sent beside its own before', async () => {
  const person = await server.signUp();
  const since = (cookie: string) => server.request('/api/changes?since=0', { headers: { ...person.own, cookie } });
  const beside = [
    person.cookie,
    `${person.cookie}; other=1`,
    `wimbel.session_token=junk; ${person.cookie}`,
    `${person.cookie}; wimbel.session_token=junk`,
    `a=b; wimbel.session_token=junk.1; ${person.cookie}; c=d`,
  ];
  const before: number[] = [];
  for (const cookie of [...beside, ...beside]) before.push((await since(cookie)).status);
  expect(before[0]).toBe(200);
  await post('/sign-out', {}, person.own);
  for (const cookie of beside) await untilStatus(() => since(cookie), 401, 500);
});

it('behind a proxy attempts are counted for the client that it names, and for no name that a client makes up', async () => {
  const few = await startTestServer({ signInAttempts: 2, proxies: ['10.0.0.0/8'] });
  const from = (connection: string, forwarded?: string) =>
    few.app.request(
      'http://localhost:4790/api/auth/sign-in/email',
      json(
        { email: 'a@example.org', password: 'not this one at all' },
        forwarded ? { 'x-forwarded-for': forwarded } : {},
      ),
      {
        incoming: {
          socket: { remoteAddress: connection },
          connection: { remoteAddress: connection },
          headers: forwarded ? { 'x-forwarded-for': forwarded } : {},
        },
      } as never,
    );
  const statuses = async (...asked: [string, string?][]) => {
    const seen: number[] = [];
    for (const each of asked) seen.push((await from(...each)).status);
    return seen;
  };
  expect(await statuses(['10.0.0.1', '203.0.113.5'], ['10.0.0.1', '203.0.113.5'], ['10.0.0.1', '203.0.113.5'])).toEqual(
    [401, 401, 429],
  );
  expect(await statuses(['10.0.0.1', '203.0.113.6'])).toEqual([401]);
  // What the client wrote itself stands further left, and a connection that is no proxy names nobody.
  expect(await statuses(['10.0.0.1', '198.51.100.1, 203.0.113.5'])).toEqual([429]);
  expect(
    await statuses(['192.0.2.9', '203.0.113.77'], ['192.0.2.9', '203.0.113.78'], ['192.0.2.9', '203.0.113.79']),
  ).toEqual([401, 401, 429]);
  await few.close();
});

/** Waits until an answer has a status: the news that a session ended takes a moment to every server. */
async function untilStatus(ask: () => Response | Promise<Response>, status: number, patienceMs = 2000): Promise<void> {
  const untilMs = performance.now() + patienceMs;
  let seen = 0;
  while (performance.now() < untilMs) {
    seen = (await ask()).status;
    if (seen === status) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  expect(seen).toBe(status);
}
