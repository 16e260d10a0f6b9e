import { ACCOUNT_HEADER, PATHS } from '@wimbel/contract';
import { type TestServer, ORIGIN, json, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

type Own = { cookie: string } & Record<string, string>;

/** Listens as a device does; gives what it hears. */
async function listen(request: TestServer['request'], own: Record<string, string>) {
  const response = await request(PATHS.stream, { headers: own });
  const heard: string[] = [];
  let isOver = false;
  const reader = response.body?.getReader();
  const decoder = new TextDecoder();
  void (async () => {
    for (;;) {
      const { done, value } = await reader!.read();
      if (done) break;
      heard.push(...decoder.decode(value).split('\n\n').filter(Boolean));
    }
    isOver = true;
  })().catch(() => (isOver = true));
  return { response, heard, isOver: () => isOver, stop: () => reader?.cancel() };
}

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 400; tries++) {
    if (holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error('it never came to hold');
}

const quote = (id: string, text = 'A little every day') => ({
  id: crypto.randomUUID(),
  madeAt: '2026-11-24T09:00:00Z',
  collection: 'quotes' as const,
  key: id,
  record: { id, text },
});

it('tells the revision at once and whenever the record moves on, and nothing else of it', async () => {
  const person = await server.signUp();
  const device = await listen(server.request, person.own);
  expect(device.response.headers.get('content-type')).toBe('text/event-stream; charset=utf-8');
  await until(() => device.heard.length === 1);
  const { revision } = await person.apply(quote('a'));
  await until(() => device.heard.length === 2);
  const next = await person.apply(quote('b'), quote('c'));
  await until(() => device.heard.at(-1) === `data: ${next.revision}`);
  expect(device.heard).toEqual(['data: 0', `data: ${revision}`, `data: ${next.revision}`]);
  await device.stop();
});

it('ends at once with the session, on every server', async () => {
  const other = await server.another();
  const person = await server.signUp();
  const devices = [await listen(server.request, person.own), await listen(other.request, person.own)];
  await until(() => devices.every(({ heard }) => heard.length === 1));
  await server.request('/api/auth/sign-out', json({}, person.own));
  // Far sooner than the next heartbeat, 20 seconds on.
  await until(() => devices.every(({ isOver }) => isOver()));
  await other.close();
});

it('says nothing where nothing was written, and nothing of other people', async () => {
  const [person, other] = [await server.signUp(), await server.signUp()];
  const change = quote('a');
  const { revision } = await person.apply(change);
  const device = await listen(server.request, person.own);
  await until(() => device.heard.length === 1);
  await person.apply(change);
  await other.apply(quote('a'));
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(device.heard).toEqual([`data: ${revision}`]);
  await device.stop();
});

it('reaches a device that is connected to another server', async () => {
  const second = await server.another();
  const person = await server.signUp();
  const device = await listen(second.request, person.own);
  await until(() => device.heard.length === 1);
  const { revision } = await person.apply(quote('a'));
  await until(() => device.heard.at(-1) === `data: ${revision}`);
  await device.stop();
  await second.close();
});

it('is only for who is signed in, to the account that is named', async () => {
  const [person, other] = [await server.signUp(), await server.signUp()];
  expect((await server.request(PATHS.stream)).status).toBe(401);
  const named = { cookie: person.cookie, [ACCOUNT_HEADER]: other.userId };
  expect((await server.request(PATHS.stream, { headers: named })).status).toBe(409);
});

it('is refused to one who listens too often already, and open again once one stops', async () => {
  const person = await server.signUp();
  const devices = await Promise.all(Array.from({ length: 30 }, () => listen(server.request, person.own)));
  const refused = await server.request(PATHS.stream, { headers: person.own });
  expect([refused.status, refused.headers.get('retry-after')]).toEqual([429, '30']);
  await devices[0]!.stop();
  let again = await server.request(PATHS.stream, { headers: person.own });
  for (let tries = 0; again.status === 429 && tries < 50; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 20));
    again = await server.request(PATHS.stream, { headers: person.own });
  }
  expect(again.status).toBe(200);
  await again.body?.cancel();
  for (const device of devices.slice(1)) await device.stop();
});

it('ends where the connection to the database broke, as what was said meanwhile is never heard', async () => {
  const person = await server.signUp();
  const device = await listen(server.request, person.own);
  await until(() => device.heard.length === 1);
  await server.pool.query(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'`,
  );
  await until(device.isOver);
  const back = await listen(server.request, person.own);
  await until(() => back.heard.length === 1);
  await back.stop();
});

it('a sign-out is still felt at once on every server', async () => {
  const second = await server.another();
  const person = await server.signUp();
  const ask = (): Promise<Response> | Response =>
    second.request(`${PATHS.changes}?since=0`, { headers: person.own as Own });
  for (let tries = 0; tries < 3; tries++) expect((await ask()).status).toBe(200);
  await server.request(`${PATHS.auth}/sign-out`, json({}, { ...person.own, origin: ORIGIN }));
  let status = 200;
  for (let tries = 0; status === 200 && tries < 100; tries++) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    status = (await ask()).status;
  }
  expect(status).toBe(401);
  await second.close();
});
