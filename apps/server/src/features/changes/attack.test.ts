import { randomUUID } from 'node:crypto';
import { ACCOUNT_HEADER, COLLECTIONS, type Change, LIMITS, checkRecord } from '@wimbel/contract';
import seedrandom from 'seedrandom';
import { oneOfEach } from '../../testing/oneOfEach.ts';
import {
  type TestPerson,
  type TestServer,
  entryChange,
  habitChange,
  json,
  startTestServer,
} from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

/** Everything a person has, as the server says it and as its tables hold it. */
async function holdings(person: TestPerson): Promise<string> {
  return JSON.stringify([(await person.since()).rows, await tablesOf(person.userId)]);
}
async function tablesOf(userId: string): Promise<unknown> {
  const { rows: tables } = await server.pool.query<{ name: string }>(
    `select table_name as name from information_schema.columns
     where column_name = 'user_id' and table_schema = 'public' and table_name <> 'session' order by 1`,
  );
  const found: Record<string, unknown> = {};
  for (const { name } of tables) {
    const { rows } = await server.pool.query<{ row: string }>(
      `select to_jsonb(t)::text as row from "${name}" t where user_id = $1 order by 1`,
      [userId],
    );
    found[name] = rows.map((each) => each.row);
  }
  return found;
}

describe('somebody else', () => {
  it('reads, changes and removes nothing, in any collection, under any name', async () => {
    const [mine, theirs] = [await server.signUp(), await server.signUp()];
    const all = oneOfEach();
    // The contract grows, and this with it.
    expect(new Set(all.map((each) => each.collection))).toEqual(new Set(COLLECTIONS));
    await mine.apply(...all);
    const before = await holdings(mine);
    const later = { madeAt: '2026-11-25T00:00:00Z' };
    for (const each of all) {
      await theirs.send([{ ...each, id: randomUUID(), ...later }]);
      await theirs.send([{ ...each, id: randomUUID(), record: null, madeAt: '2026-11-25T01:00:00Z' }]);
      const stolen = { ...(each.record as object), userId: mine.userId, user_id: mine.userId };
      await theirs.send([{ ...each, id: randomUUID(), record: stolen as never, madeAt: '2026-11-25T02:00:00Z' }]);
    }
    const asMine = { cookie: theirs.cookie, [ACCOUNT_HEADER]: mine.userId };
    expect((await server.request('/api/changes', json({ changes: all }, asMine))).status).toBe(409);
    expect((await server.request('/api/changes?since=0', { headers: asMine })).status).toBe(409);
    expect(await holdings(mine)).toBe(before);
  });

  /** Body of an answer; of a stream the beginning. */
  async function textOf(answer: Response): Promise<string> {
    if (answer.headers.get('content-type')?.startsWith('text/event-stream') !== true) return answer.text();
    const reader = answer.body!.getReader();
    const { value } = await reader.read();
    await reader.cancel();
    return new TextDecoder().decode(value);
  }

  it('gets nothing of it by any address and any way of asking', async () => {
    const [mine, theirs] = [await server.signUp(), await server.signUp()];
    await mine.apply(habitChange('h', { name: 'A habit nobody else knows' }));
    const before = await holdings(mine);
    const paths = server.app.routes
      .map((route) => route.path.replace('*', 'x'))
      .filter((path) => path.startsWith('/api'));
    expect(new Set(paths).size).toBeGreaterThan(12);
    const bodies = [
      {},
      { userId: mine.userId, id: mine.userId, token: 'x', email: mine.email },
      { changes: [], since: 0 },
    ];
    for (const path of new Set(paths)) {
      for (const headers of [theirs.own, { ...theirs.own, [ACCOUNT_HEADER]: mine.userId }, {}]) {
        for (const method of ['GET', 'POST', 'PUT', 'PATCH', 'DELETE']) {
          for (const body of method === 'GET' ? [undefined] : bodies) {
            const answer = await server.request(`${path}?since=0&userId=${mine.userId}`, {
              ...json(body ?? {}, headers),
              method,
              ...(body === undefined ? { body: null } : {}),
            });
            expect([path, method, answer.status < 500]).toEqual([path, method, true]);
            const text = await textOf(answer);
            for (const secret of ['nobody else knows', mine.email]) expect(text).not.toContain(secret);
          }
        }
      }
    }
    expect(await holdings(mine)).toBe(before);
  });
});

/** Values that take the place of a part of a good body. */
const ODD: (() => unknown)[] = [
  () => null,
  () => undefined,
  () => 0,
  () => -1,
  () => 1e308,
  () => 0.1 + 0.2,
  () => '',
  () => 'x'.repeat(30_000),
  () => '\u0000',
  () => '\ud800',
  () => '2026-02-30',
  () => '9999-12-31',
  () => true,
  () => [],
  () => [null],
  () => Array.from({ length: 2000 }, () => ({})),
  () => ({}),
  () => ({ a: { b: { c: {} } } }),
  () => JSON.parse('['.repeat(500) + ']'.repeat(500)) as unknown,
  () => "'; drop table entries; --",
  () => '__proto__',
];

/** A body with one part of it, at random, replaced, taken away or given a key too many. */
function mutated(body: unknown, random: () => number): unknown {
  const copy = structuredClone(body);
  const parts: [object, string][] = [];
  const walk = (value: unknown): void => {
    if (value === null || typeof value !== 'object') return;
    for (const key of Object.keys(value)) {
      parts.push([value, key]);
      walk((value as Record<string, unknown>)[key]);
    }
  };
  walk(copy);
  const [holder, key] = parts[Math.floor(random() * parts.length)]! as [Record<string, unknown>, string];
  const how = random();
  if (how < 0.15) delete holder[key];
  else if (how < 0.25) holder[`odd${Math.floor(random() * 9)}`] = ODD[Math.floor(random() * ODD.length)]!();
  else holder[key] = ODD[Math.floor(random() * ODD.length)]!();
  return copy;
}

it('2,000 mutated bodies, over all endpoints: never a 5xx, and what was accepted is what is there', async () => {
  const random = seedrandom('bodies');
  const person = await server.signUp();
  const good = oneOfEach();
  const account: [string, object][] = [
    ['/api/auth/sign-up/email', { email: 'x@example.org', password: 'long enough words', name: 'x' }],
    ['/api/auth/sign-in/email', { email: person.email, password: 'not this one at all' }],
    ['/api/auth/change-password', { currentPassword: 'not this one', newPassword: 'long enough words' }],
    ['/api/auth/revoke-session', { token: 'x' }],
    ['/api/auth/delete-user', { password: 'not this one' }],
    ['/api/sample/session', { a: 1 }],
  ];
  const accepted = new Map<string, { id: string; record: unknown }>();
  for (let round = 0; round < 2000; round++) {
    if (random() < 0.15) {
      const [path, body] = account[Math.floor(random() * account.length)]!;
      const answer = await server.request(path, json(mutated(body, random), path.includes('sign') ? {} : person.own));
      expect([path, answer.status, answer.status < 500]).toEqual([path, answer.status, true]);
      continue;
    }
    // A few changes of which one is odd; each later than all before it.
    const at = Math.floor(random() * good.length);
    const changes = good.slice(at, at + 3).map((each, index) => ({
      ...each,
      id: randomUUID(),
      madeAt: new Date(Date.UTC(2026, 10, 24, 6) + round * 1000 + index).toISOString(),
    }));
    const body = mutated({ changes, since: 0 }, random) as { changes: Change[] };
    const answer = await server.request('/api/changes', json(body, person.own));
    const text = await answer.text();
    expect([answer.status < 500, JSON.stringify(body).slice(0, 300)]).toEqual([true, expect.any(String)]);
    if (answer.status !== 200) continue;
    const { results } = JSON.parse(text) as { results: { id: string; status: string }[] };
    for (const [index, result] of results.entries()) {
      const { collection, key, record } = body.changes[index]!;
      if (result.status === 'accepted') accepted.set(`${collection} ${key}`, { id: result.id, record });
    }
  }
  const { rows } = await person.since();
  let compared = 0;
  for (const { collection, key, changeId, record } of rows) {
    const last = accepted.get(`${collection} ${key}`);
    // What a removal took along or let go of was written by that removal.
    if (last?.id !== changeId) continue;
    compared++;
    const expected =
      last.record === null ? null : checkRecord(collection, JSON.parse(JSON.stringify(last.record))).record;
    expect([collection, key, record]).toEqual([collection, key, expected]);
  }
  expect(compared).toBeGreaterThan(15);
  // Every record that the log names stands in its table.
  const { rows: counted } = await server.pool.query<{ count: string }>(
    `select count(*) from change_log l where user_id = $1 and collection = 'entries' and not deleted
     and not exists (select 1 from entries e where e.user_id = $1 and l.key = e.day::text || ' ' || e.habit_id)`,
    [person.userId],
  );
  expect(counted[0]!.count).toBe('0');
});

describe('the largest bodies', () => {
  const DEEP = 'lists in lists';
  const fill = (each: unknown): unknown[] =>
    Array.from({ length: Math.floor((LIMITS.bodyBytes - 2000) / (JSON.stringify(each).length + 1)) }, () => each);
  const inRecord = (record: object) => ({ changes: [{ ...habitChange('h'), record }] });
  const BODIES: [string, () => unknown][] = [
    ['empty changes', () => ({ changes: fill({}) })],
    ['numbers for changes', () => ({ changes: fill(1) })],
    [
      'empty ids',
      () => ({ changes: [{ ...habitChange('h'), collection: 'seasons', record: { id: 's', goalIds: fill('') } }] }),
    ],
    [
      'empty parts',
      () => ({ changes: [{ ...entryChange('h', '2026-11-24'), record: { habitId: 'h', parts: fill({}) } }] }),
    ],
    ['terms that are nothing', () => inRecord({ id: 'h', terms: fill(null) })],
    [
      'unknown keys',
      () =>
        inRecord(
          Object.fromEntries(
            fill(1)
              .slice(0, 40_000)
              .map((_, index) => [`k${index}`, 1]),
          ),
        ),
    ],
    ['lists in lists', () => inRecord({ id: 'h', note: DEEP })],
    ['one long text', () => inRecord({ id: 'h', name: 'x'.repeat(LIMITS.bodyBytes - 2000) })],
    [
      'as much as fits, 500 times',
      () => ({
        changes: Array.from({ length: LIMITS.changes }, () => ({
          ...habitChange('h'),
          id: randomUUID(),
          record: { id: 'h', terms: Array.from({ length: 70 }, () => ({ from: 1 })) },
        })),
      }),
    ],
  ];

  it.each(BODIES)('%s: are refused with an answer that is not much larger than the question', async (_, body) => {
    const person = await server.signUp();
    // So deep that it can only be written by hand.
    const question = JSON.stringify(body()).replace(`"${DEEP}"`, '['.repeat(5000) + ']'.repeat(5000));
    expect(question.length).toBeLessThanOrEqual(LIMITS.bodyBytes);
    const answer = await server.request('/api/changes', { ...json({}, person.own), body: question });
    const text = await answer.text();
    expect([200, 413, 422]).toContain(answer.status);
    expect(text).not.toContain('"accepted"');
    expect(text.length).toBeLessThan(Math.max(20_000, question.length));
    expect((await person.since()).revision).toBe(0);
  });
});
