import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ACCOUNT_HEADER } from '@wimbel/contract';
import { readDataFileText } from '@wimbel/exchange';
import { createClock } from './clock.ts';
import { readEnvironment } from './environment.ts';
import { AppError, isDatabaseAway, traceOf } from './errors.ts';
import { clearSamples, prepareSample } from './features/sample/service.ts';
import {
  ORIGIN,
  type TestServer,
  change,
  entryChange,
  errorOf,
  habitChange,
  json,
  startTestServer,
} from './testing/testServer.ts';

let server: TestServer;
const lines: string[] = [];

function webRoot(): string {
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-web-'));
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Wimbel</title>');
  mkdirSync(join(folder, '_expo'));
  writeFileSync(join(folder, '_expo/entry-0123456789abcdef0123456789abcdef.js'), 'let plain');
  writeFileSync(join(folder, '_expo/entry-0123456789abcdef0123456789abcdef.js.br'), 'packed');
  writeFileSync(join(folder, 'favicon.svg'), '<svg/>');
  for (const own of ['.built-from', 'metadata.json']) writeFileSync(join(folder, own), '{}');
  return folder;
}

beforeAll(async () => {
  server = await startTestServer({ signInAttempts: 4, webRoot: webRoot(), log: (line) => lines.push(line) });
});
afterAll(() => server.close());

describe('accounts', () => {
  it('signs up, out and in, with a session in an http-only cookie', async () => {
    const person = await server.signUp('Anna@Example.org');
    expect(person.setCookie.join()).toMatch(/HttpOnly/i);
    expect(person.setCookie.join()).toMatch(/SameSite=Lax/i);
    await server.request('/api/auth/sign-out', json({}, { cookie: person.cookie }));
    expect((await person.get('/api/changes?since=0')).status).toBe(401);
    const again = await server.request(
      '/api/auth/sign-in/email',
      json({ email: 'anna@example.org', password: person.password }),
    );
    expect(again.status).toBe(200);
    const stored = await server.pool.query('select password from account');
    expect(stored.rows[0].password).toMatch(/^\$argon2id\$/);
  });

  it('limits attempts to sign in', async () => {
    const seen: number[] = [];
    for (let attempt = 0; attempt < 6; attempt++) {
      seen.push(
        (
          await server.request(
            '/api/auth/sign-in/email',
            json({ email: 'anna@example.org', password: 'wrong wrong wrong' }),
          )
        ).status,
      );
    }
    expect(seen.at(-1)).toBe(429);
    expect(seen).toContain(401);
    const limits = await server.pool.query('select count(*)::int as count from limits');
    expect(limits.rows[0].count).toBeGreaterThan(0);
  });

  it('takes nothing that changes something from another site', async () => {
    for (const path of ['/api/changes', '/api/auth/sign-in/email', '/api/sample/session', '/api/auth/sign-out']) {
      for (const headers of [{ origin: 'https://elsewhere.example' }, { origin: 'null' }]) {
        const response = await server.request(path, json({}, headers));
        expect([path, response.status, (await errorOf(response)).code]).toEqual([path, 403, 'foreignOrigin']);
      }
    }
    const cross = await server.request('/api/changes', {
      method: 'POST',
      body: '{}',
      headers: { 'sec-fetch-site': 'cross-site' },
    });
    expect(cross.status).toBe(403);
  });
});

describe('answers', () => {
  it('says it is well, with a request id and security headers', async () => {
    const response = await server.request('/api/health/ready');
    expect(await response.json()).toEqual({ status: 'ok' });
    expect(response.headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/);
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(response.headers.get('content-security-policy')).toBe("default-src 'none'; frame-ancestors 'none'");
    const policy = (await server.request('/')).headers.get('content-security-policy') ?? '';
    for (const part of [
      "default-src 'self'",
      "script-src 'self'",
      "object-src 'none'",
      "frame-ancestors 'none'",
      "base-uri 'self'",
    ])
      expect(policy).toContain(part);
    expect(policy).not.toContain('unsafe-eval');
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('x-frame-options')).toBe('DENY');
  });

  it('answers every fault in one shape, and an unknown path of the API with notFound', async () => {
    for (const path of ['/api/nothing', '/api/auth', '/api/changes/1', '/missing.js']) {
      const response = await server.request(path);
      expect(response.status).toBe(404);
      expect(response.headers.get('content-type')).toContain('json');
    }
    const body = await errorOf(await server.request('/api/nothing'));
    expect(Object.keys(body).sort()).toEqual(['code', 'message', 'requestId']);
  });

  it('logs what was asked and how it ended, and nothing that a person wrote', async () => {
    const other = await startTestServer({ log: (line) => lines.push(line) });
    const person = await other.signUp('secret.person@example.org');
    await person.apply(
      habitChange('h', { name: 'A very private habit' }),
      entryChange('h', '2026-11-20', { mark: 'missed', note: 'A private reason' }),
    );
    await other.pool.query('alter table entries rename to gone');
    const response = await person.send([
      entryChange('h', '2026-11-21', { mark: 'done', note: 'Another private reason' }),
    ]);
    expect(response.status).toBe(500);
    const body = await response.text();
    expect(body).not.toMatch(/entries|select|insert|at /);
    expect(JSON.parse(body)).toMatchObject({ code: 'internal', requestId: expect.any(String) });
    const log = lines.join('\n');
    expect(log).toContain('/api/changes');
    expect(log).toContain('42P01');
    for (const secret of ['private', 'secret.person', person.userId, 'slow bow']) expect(log).not.toContain(secret);
    await other.close();
  });

  it('says that the database is away where it is, and comes back by itself', async () => {
    const other = await startTestServer();
    const person = await other.signUp();
    const admin = await startTestServer();
    const name = new URL(other.url).pathname.slice(1);
    await admin.pool.query(`alter database ${name} with allow_connections false`);
    await admin.pool.query('select pg_terminate_backend(pid) from pg_stat_activity where datname = $1', [name]);
    const response = await person.send([habitChange('h')]);
    expect(response.status).toBe(503);
    expect((await other.request('/api/health/live')).status).toBe(200);
    expect((await other.request('/api/health/ready')).status).toBe(503);
    await admin.pool.query(`alter database ${name} with allow_connections true`);
    expect((await person.apply(habitChange('h'))).results[0]?.status).toBe('accepted');
    await other.close();
    await admin.close();
  });
});

describe('the web app', () => {
  it('is one page for every address of the app, with a tag to know it by', async () => {
    for (const path of ['/', '/today', '/goals/abc/edit', '/log?month=2026-11']) {
      const response = await server.request(path);
      expect([path, response.status, response.headers.get('content-type')]).toEqual([
        path,
        200,
        'text/html; charset=utf-8',
      ]);
      expect(response.headers.get('cache-control')).toBe('no-cache');
    }
    const etag = (await server.request('/today')).headers.get('etag')!;
    expect((await server.request('/log', { headers: { 'if-none-match': etag } })).status).toBe(304);
  });

  it('serves files that never change for good, packed where the browser can', async () => {
    const path = '/_expo/entry-0123456789abcdef0123456789abcdef.js';
    const packed = await server.request(path, { headers: { 'accept-encoding': 'br' } });
    expect(packed.headers.get('content-encoding')).toBe('br');
    expect(packed.headers.get('cache-control')).toContain('immutable');
    expect(await (await server.request(path)).text()).toBe('let plain');
    expect((await server.request('/favicon.svg')).headers.get('cache-control')).toBe('no-cache');
    for (const own of ['/..%2f..%2fetc%2fpasswd', '/.built-from', '/metadata.json', '/.env']) {
      expect([own, (await server.request(own)).status]).toEqual([own, 404]);
    }
  });
});

describe('the sample account', () => {
  it('is not there unless the server was started with it', async () => {
    expect(await (await server.request('/api/sample')).json()).toEqual({ offered: false });
    expect((await server.request('/api/sample/session', json({}))).status).toBe(404);
  });

  it('opens as an account of its own, with the file as it was, and is loaded once', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'wimbel-sample-')), 'sample.json');
    writeFileSync(
      file,
      execFileSync('npx', ['tsx', 'scripts/sample.ts', '--today', '2026-11-24'], {
        cwd: join(__dirname, '../../..'),
        maxBuffer: 1 << 26,
      }),
    );
    const { records } = readDataFileText(execFileSync('cat', [file], { encoding: 'utf8', maxBuffer: 1 << 26 }));
    const withSample = await startTestServer({ sampleFile: file });
    expect(await (await withSample.request('/api/sample')).json()).toEqual({ offered: true });
    const visit = async () => {
      const response = await withSample.request('/api/sample/session', json({}));
      const cookie = response.headers
        .getSetCookie()
        .map((each) => each.split(';')[0])
        .join('; ');
      const { user } = (await response.json()) as { user: { id: string } };
      return { userId: user.id, headers: { cookie, [ACCOUNT_HEADER]: user.id } };
    };
    const visitors = await Promise.all(Array.from({ length: 10 }, visit));
    expect(new Set(visitors.map((each) => each.userId)).size).toBe(10);
    const [{ headers }, second] = visitors as [(typeof visitors)[0], (typeof visitors)[0]];
    // What one writes, no other sees; what one ends, ends for them alone.
    const spoil = change('habits', 'swim', null);
    expect((await withSample.request('/api/changes', json({ changes: [spoil] }, second.headers))).status).toBe(200);
    await withSample.request('/api/auth/sign-out', json({}, second.headers));
    const { rows } = (await (await withSample.request('/api/changes?since=0', { headers })).json()) as {
      rows: { collection: string; record: unknown }[];
    };
    for (const collection of ['habits', 'entries', 'goals', 'keyResults', 'checkIns', 'areas'] as const) {
      expect(rows.filter((row) => row.collection === collection).map((row) => row.record)).toEqual(
        records?.[collection],
      );
    }
    // A second server on the same database finds it loaded; after a day the samples are gone, and nobody else's account.
    const deps = {
      db: withSample.db,
      auth: withSample.auth,
      clock: { now: () => new Date(Date.now() + 25 * 3_600_000) },
    };
    expect(await prepareSample(deps, withSample.url, file)).toBe('kept');
    const own = await withSample.signUp();
    expect(await clearSamples(deps)).toBe(10);
    expect((await own.since()).revision).toBe(0);
    expect((await withSample.request('/api/changes?since=0', { headers })).status).toBe(401);
    await withSample.close();
  });

  it('is loaded once where servers start together on an empty database', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'wimbel-sample-')), 'sample.json');
    writeFileSync(
      file,
      JSON.stringify({ format: 'wimbel', version: 1, areas: [{ id: 'a', name: 'Cello', order: 0 }] }),
    );
    const empty = await startTestServer();
    const deps = { db: empty.db, auth: empty.auth, clock: createClock(null) };
    const outcomes = await Promise.all(Array.from({ length: 3 }, () => prepareSample(deps, empty.url, file)));
    expect(outcomes.sort()).toEqual(['kept', 'kept', 'loaded']);
    await empty.close();
  });

  it('is made for so many visitors from one address in an hour, and no more', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'wimbel-sample-')), 'sample.json');
    writeFileSync(file, JSON.stringify({ format: 'wimbel', version: 1 }));
    const few = await startTestServer({ sampleFile: file, samplesPerHour: 2 });
    const seen: number[] = [];
    for (let visit = 0; visit < 3; visit++) seen.push((await few.request('/api/sample/session', json({}))).status);
    expect(seen).toEqual([200, 200, 429]);
    await few.close();
  });
});

describe('the environment', () => {
  const good = { WIMBEL_DATABASE_URL: 'postgres://x', WIMBEL_SECRET: 's'.repeat(32), WIMBEL_MIGRATIONS: '/m' };

  it('is read with defaults', () => {
    expect(readEnvironment(good)).toMatchObject({
      host: '127.0.0.1',
      port: 4790,
      origins: [ORIGIN, 'http://127.0.0.1:4790'],
      now: null,
    });
    expect(readEnvironment({ ...good, WIMBEL_ORIGIN: 'https://a.example, https://b.example' }).origins).toEqual([
      'https://a.example',
      'https://b.example',
    ]);
  });

  it('names every variable at fault', () => {
    const faulty = {
      WIMBEL_SECRET: 'short',
      WIMBEL_PORT: 'abc',
      WIMBEL_NOW: 'later',
      WIMBEL_ORIGIN: 'https://a.example/app',
      WIMBEL_PROXIES: 'the front one',
      WIMBEL_PROCESSES: '0',
    };
    let words = '';
    try {
      readEnvironment(faulty);
    } catch (error) {
      words = (error as Error).message;
    }
    for (const each of [
      'WIMBEL_DATABASE_URL is missing',
      'WIMBEL_MIGRATIONS is missing',
      'WIMBEL_SECRET is shorter than 32 characters',
      'WIMBEL_PORT is not a port number',
      'WIMBEL_NOW is not an instant',
      'WIMBEL_ORIGIN is not a list of addresses',
      'WIMBEL_PROXIES is not a list of addresses',
      'WIMBEL_PROCESSES is less than 1',
    ]) {
      expect(words).toContain(each);
    }
  });
});

describe('errors', () => {
  it('tells a database that is away from a query that is wrong, and logs no values', () => {
    const refused = new Error('Failed query', { cause: Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }) });
    expect(isDatabaseAway(refused)).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '57P01' }))).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '23505' }))).toBe(false);
    expect(JSON.stringify(traceOf(new Error('params: my secret note')))).not.toContain('secret');
    expect(new AppError('tooMany').status).toBe(429);
  });
});
