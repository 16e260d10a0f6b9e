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
