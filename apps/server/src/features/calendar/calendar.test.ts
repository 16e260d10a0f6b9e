import {
  type TestPerson,
  type TestServer,
  change,
  habitRecord,
  json,
  startTestServer,
} from '../../testing/testServer.ts';

let server: TestServer;
let lines: string[];

beforeAll(async () => {
  lines = [];
  server = await startTestServer({ log: (line) => lines.push(line) });
});
afterAll(() => server.close());

const ask = async (person: TestPerson, path: string, body: object) =>
  (await server.request(`/api/calendar${path}`, json(body, person.own))).json() as Promise<{ secret: string | null }>;
const feed = (secret: string | null) => server.request(`/api/calendar/feed/${secret}.ics`);

/** Somebody with a goal that is due and a habit. */
async function somebody(title: string): Promise<TestPerson> {
  const person = await server.signUp();
  const goal = { id: 'g', title, startsOn: '2026-11-01', dueOn: '2027-03-01', state: 'open', order: 0 };
  await person.apply(
    change('goals', 'g', goal as never),
    change('habits', 'h', habitRecord('h', { name: 'Cold swim' })),
  );
  return person;
}

it('an address shows what was chosen of its person’s record, to whoever knows it', async () => {
  const person = await somebody('Swim across the bay');
  await somebody('Carve the tiller');
  expect(await (await person.get('/api/calendar')).json()).toBeNull();
  const { secret } = await ask(person, '', { shows: ['due'] });
  expect(secret).toMatch(/^[\w-]{43}$/);
  const answer = await feed(secret);
  expect(answer.headers.get('content-type')).toContain('text/calendar');
  const text = await answer.text();
  expect(text).toContain('SUMMARY:Due: Swim across the bay');
  expect(text).not.toMatch(/Carve|Cold swim/);
  // What is chosen anew stands under the same address.
  expect(await ask(person, '', { shows: ['habits'] })).toEqual({ secret: null });
  expect(await (await person.get('/api/calendar')).json()).toMatchObject({ shows: ['habits'] });
  const again = await (await feed(secret)).text();
  expect(again).toContain('SUMMARY:Cold swim');
  expect(again).not.toContain('Swim across');
});

it('a new address ends the one before, and ended there is none', async () => {
  const person = await somebody('Swim across the bay');
  const { secret } = await ask(person, '', { shows: ['due'] });
  const { secret: next } = await ask(person, '', { shows: ['due'], isNew: true });
  expect(next).not.toBe(secret);
  expect([(await feed(secret)).status, (await feed(next)).status]).toEqual([404, 200]);
  await ask(person, '/end', {});
  expect((await feed(next)).status).toBe(404);
  expect(await (await person.get('/api/calendar')).json()).toBeNull();
});

it('nothing is said without the secret, and it stands in no log and not in the database', async () => {
  const person = await somebody('Swim across the bay');
  const { secret } = await ask(person, '', { shows: ['due'] });
  await feed(secret);
  for (const wrong of ['', 'x', `${secret!.slice(0, 42)}!`, secret!.toLowerCase()])
    expect((await feed(wrong)).status).toBe(404);
  expect((await server.request('/api/calendar')).status).toBe(401);
  expect((await server.request('/api/calendar', json({ shows: ['due'] }))).status).toBe(401);
  expect((await server.request('/api/calendar', json({ shows: ['everything'] }, person.own))).status).toBe(422);
  const { rows } = await server.pool.query<{ row: string }>(
    'select calendar_addresses::text as row from calendar_addresses',
  );
  expect(lines.length).toBeGreaterThan(0);
  expect([...lines, ...rows.map(({ row }) => row)].filter((each) => each.includes(secret!))).toEqual([]);
  expect(lines.some((each) => each.includes('"/api/calendar/feed"'))).toBe(true);
});

it('goes with the account, and asking too often is told when to come again', async () => {
  const person = await somebody('Swim across the bay');
  const { secret } = await ask(person, '', { shows: ['due'] });
  await server.pool.query('delete from "user" where id = $1', [person.userId]);
  expect((await feed(secret)).status).toBe(404);
  const answers = [];
  for (let at = 0; at < 70; at++) answers.push(await feed(secret));
  const late = answers.find(({ status }) => status === 429);
  expect(Number(late?.headers.get('retry-after'))).toBeGreaterThan(0);
});

describe('however much there is to show', () => {
  // Calendars are counted by address: a server whose count begins anew.
  beforeAll(async () => {
    await server.close();
    server = await startTestServer();
  });

  /** Counts what is asked of a table from here on. */
  const countReads = (table: string): (() => number) => {
    const { pool } = server;
    const query = pool.query.bind(pool) as (...given: unknown[]) => unknown;
    let count = 0;
    pool.query = ((...given: unknown[]) => {
      const text = typeof given[0] === 'string' ? given[0] : (given[0] as { text: string }).text;
      if (text.includes(` from ${table}`)) count++;
      return query(...given);
    }) as never;
    return () => {
      pool.query = query as never;
      return count;
    };
  };
  const season = (index: number) =>
    change('seasons', `s${index}`, {
      id: `s${index}`,
      title: `Season ${index}`,
      startsOn: '2026-11-02',
      weeks: 520,
      goalIds: [],
    });

  it('so many entries of the next two years are shown, made once for all who ask and each revision', async () => {
    const person = await somebody('Swim across the bay');
    await person.apply(...Array.from({ length: 100 }, (_, at) => season(at)));
    const { secret } = await ask(person, '', { shows: ['seasons'] });
    const stop = countReads('seasons');
    const answers = await Promise.all(Array.from({ length: 10 }, () => feed(secret)));
    expect(stop()).toBe(1);
    const texts = await Promise.all(answers.map((each) => each.text()));
    expect(new Set(texts).size).toBe(1);
    const starts = [...texts[0]!.matchAll(/DTSTART;VALUE=DATE:(\d+)/g)].map(([, day]) => day!);
    expect(starts).toHaveLength(2000);
    expect(starts.every((day) => day >= '20251123' && day <= '20281125')).toBe(true);

    // Asked again with its ETag, the answer is 304; after a change it is computed anew.
    const etag = answers[0]!.headers.get('etag')!;
    const again = () => server.request(`/api/calendar/feed/${secret}.ics`, { headers: { 'if-none-match': etag } });
    const stopAgain = countReads('seasons');
    expect((await again()).status).toBe(304);
    expect(stopAgain()).toBe(0);
    await person.apply(season(0));
    const changed = await again();
    expect([changed.status, changed.headers.get('etag') === etag]).toEqual([200, false]);
  });

  it('what nobody waits for any more is not made', async () => {
    const person = await somebody('Swim across the bay');
    await person.apply(...Array.from({ length: 30 }, (_, at) => season(at)));
    const { secret } = await ask(person, '', { shows: ['seasons'] });
    const gone = new AbortController();
    const asked = server.request(`/api/calendar/feed/${secret}.ics`, { signal: gone.signal });
    gone.abort();
    const status = (await asked).status;
    expect(status).toBe(503);
    // And whoever asks later gets it whole.
    expect((await (await feed(secret)).text()).match(/BEGIN:VEVENT/g)).toHaveLength(2000);
  });
});
