import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type TestServer, json, startTestServer } from './testing/testServer.ts';

let server: TestServer;

beforeAll(async () => {
  const webRoot = mkdtempSync(join(tmpdir(), 'wimbel-headers-'));
  writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>Wimbel</title>');
  writeFileSync(join(webRoot, 'favicon.svg'), '<svg/>');
  const sampleFile = join(webRoot, 'sample.json');
  writeFileSync(sampleFile, JSON.stringify({ format: 'wimbel', version: 1 }));
  server = await startTestServer({ webRoot, sampleFile, addressRequestsPerMinute: 500, isSecure: true });
});
afterAll(() => server.close());

const NEEDED: [string, RegExp][] = [
  ['x-content-type-options', /^nosniff$/],
  ['x-frame-options', /^DENY$/],
  ['referrer-policy', /^same-origin$/],
  ['cross-origin-resource-policy', /^same-origin$/],
  ['x-request-id', /^[0-9a-f-]{36}$/],
  ['content-security-policy', /default-src '(none|self)'.*frame-ancestors 'none'/],
  ['strict-transport-security', /^max-age=31536000/],
];

/** Required headers that an answer lacks. */
function missing(path: string, { headers }: Response): string[] {
  const wrong = NEEDED.filter(([name, value]) => !value.test(headers.get(name) ?? '')).map(([name]) => name);
  const isStored =
    path.startsWith('/api/') && !/^(no-store|private, no-cache)$/.test(headers.get('cache-control') ?? '');
  return [...wrong, ...(isStored ? ['cache-control'] : [])];
}

it('stand on the answer of every route, whether it succeeds or fails', async () => {
  const person = await server.signUp();
  const routes = [
    ...new Set(
      server.app.routes
        .filter(({ method, path }) => method !== 'ALL' || path === '/api/*')
        .map(({ method, path }) => `${method === 'ALL' ? 'GET' : method} ${path}`),
    ),
  ];
  expect(routes.length).toBeGreaterThan(15);
  const bodies = ['{', '{}', JSON.stringify({ changes: [] }), JSON.stringify({ shows: ['steps'] })];
  const seen = new Map<string, Set<number>>();
  const problems: unknown[] = [];
  const ask = async (path: string, init: RequestInit, route: string): Promise<void> => {
    const response = await server.request(path, init);
    await response.body?.cancel();
    seen.set(route, (seen.get(route) ?? new Set()).add(response.status));
    const left = missing(path, response);
    if (left.length > 0) problems.push([route, response.status, left]);
  };
  for (const route of routes) {
    const [method, pattern] = route.split(' ') as [string, string];
    const path = pattern.replace(/\*$/, 'nothing').replace(/:\w+/, 'x'.repeat(43) + '.ics');
    const own = /sign-out|delete-user|revoke/.test(path) ? [{}] : [{}, person.own];
    for (const headers of own) {
      if (method === 'GET') await ask(path, { headers }, route);
      else {
        for (const body of bodies) await ask(path, { ...json({}, headers), method, body }, route);
        await ask(path, { method, headers: { ...headers, origin: 'https://elsewhere.example' }, body: '{}' }, route);
      }
    }
  }
  for (const path of ['/', '/favicon.svg', '/today', '/index.html', '/missing.js']) await ask(path, {}, path);
  // What succeeds: an account, its sessions, the sample.
  const { email, password } = person;
  for (const [path, body] of [
    ['/api/auth/sign-up/email', { email: 'new@example.org', password, name: 'New' }],
    ['/api/auth/sign-up/email', { email: 'new@example.org', password: 'short', name: 'New' }],
    ['/api/auth/sign-in/email', { email, password }],
    ['/api/auth/sign-in/email', { email, password: 'not it at all' }],
    ['/api/sample/session', {}],
  ] as const)
    await ask(path, json(body), `POST ${path}`);
  await ask('/api/auth/list-sessions', { headers: person.own }, 'list');
  await ask('/api/auth/get-session', { headers: person.own }, 'get');
  await ask('/api/auth/revoke-other-sessions', json({}, person.own), 'revoke');
  expect(problems).toEqual([]);
  const statuses = new Set([...seen.values()].flatMap((each) => [...each]));
  for (const status of [200, 301, 400, 401, 403, 404, 422]) expect(statuses).toContain(status);
});

it('stand on what is refused because too much was asked from one address', async () => {
  const answers: Response[] = [];
  for (let at = 0; at < 600; at++) answers.push(await server.request('/api/health/live'));
  const refused = answers.filter(({ status }) => status === 429);
  expect(refused.length).toBeGreaterThan(0);
  expect(refused.flatMap((each) => missing('/api/health/live', each))).toEqual([]);
  expect(Number(refused[0]!.headers.get('retry-after'))).toBeGreaterThan(0);
  expect((await server.request('/today')).status).toBe(429);
});
