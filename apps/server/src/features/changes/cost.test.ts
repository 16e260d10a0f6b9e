import type { ChangesAnswer } from '@wimbel/contract';
import {
  type TestPerson,
  type TestServer,
  change,
  entryChange,
  habitChange,
  startTestServer,
} from '../../testing/testServer.ts';
import { PAGE_BYTES } from './queries.ts';

/** Counts what a request reads and writes; `bench/worstBodies` measures the time. */

let server: TestServer;
let person: TestPerson;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  person = await server.signUp();
});

const LONG = 'Fog over the flats. '.repeat(950);
const ROW_BYTES = LONG.length + 1000;
const page = (index: number, text = LONG, madeAt = '2026-11-20T10:00:00Z') => ({
  ...change('journal', `p${index}`, { id: `p${index}`, day: '2026-11-20', part: 'day', text }),
  madeAt,
});
const many = (count: number, text?: string, madeAt?: string) =>
  Array.from({ length: count }, (_, at) => page(at, text, madeAt));
const inParts = async (count: number): Promise<void> => {
  const all = many(count);
  for (let at = 0; at < all.length; at += 20) await person.apply(...all.slice(at, at + 20));
};

it('a pull comes in pages of so many bytes, and all of it in the end', async () => {
  await inParts(60);
  const response = await person.get('/api/changes?since=0');
  const reader = response.body!.getReader();
  const decoder = new TextDecoder();
  let [text, longest] = ['', 0];
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    longest = Math.max(longest, next.value.byteLength);
    text += decoder.decode(next.value, { stream: true });
  }
  expect(longest).toBeLessThan(PAGE_BYTES + ROW_BYTES + 10_000);
  const { rows, revision, more } = JSON.parse(text) as ChangesAnswer;
  expect([rows.length, revision, more]).toEqual([60, 60, false]);
  expect(rows.map((row) => row.revision)).toEqual(Array.from({ length: 60 }, (_, at) => at + 1));
});

it('the answer to a change tells a page of what is newer, and that there is more', async () => {
  await inParts(60);
  const asked = await person.send([page(99, 'Short')], 0);
  const text = await asked.text();
  expect(text.length).toBeLessThan(PAGE_BYTES + ROW_BYTES + 10_000);
  const first = JSON.parse(text) as ChangesAnswer;
  expect([first.more, first.revision]).toEqual([true, first.rows.at(-1)!.revision]);
  const { rows } = await person.since(first.revision);
  expect(first.rows.length + rows.length).toBe(61);
});

it('changes that came too late are answered up to so many bytes, and the rest when they are sent again', async () => {
  await inParts(60);
  let left = many(60, 'Old', '2026-11-19T10:00:00Z');
  const answers: number[] = [];
  while (left.length > 0) {
    const response = await person.send(left);
    const text = await response.text();
    expect(text.length).toBeLessThan(PAGE_BYTES + ROW_BYTES + 20_000);
    const { results, rows } = JSON.parse(text) as ChangesAnswer;
    expect(results.every(({ status }) => status === 'superseded')).toBe(true);
    expect(rows.every(({ record }) => (record as { text: string }).text === LONG)).toBe(true);
    answers.push(results.length);
    const told = new Set(results.map(({ id }) => id));
    left = left.filter(({ id }) => !told.has(id!));
  }
  expect(answers.length).toBeGreaterThan(3);
  expect(answers.reduce((sum, each) => sum + each)).toBe(60);
});

/** The rows that the database gives to this server from here on. */
function countRows(): () => number {
  const { pool } = server;
  const query = pool.query.bind(pool) as (...given: unknown[]) => Promise<{ rows: unknown[] }>;
  let count = 0;
  pool.query = (async (...given: unknown[]) => {
    const answer = await query(...given);
    count += answer.rows.length;
    return answer;
  }) as never;
  return () => {
    pool.query = query as never;
    return count;
  };
}

it('what hangs on a record is asked of the database as one set, however much there is', async () => {
  const variants = [
    { id: 'a', name: 'Long notes' },
    { id: 'b', name: 'Scales' },
  ];
  await person.apply(habitChange('h', { variants }));
  const day = (at: number): string => new Date(Date.UTC(2025, 0, 1 + at)).toISOString().slice(0, 10);
  const used = (at: number) => entryChange('h', day(at), { mark: 'done', parts: [{ variantId: 'a' }] });
  for (let from = 0; from < 600; from += 200)
    await person.apply(...Array.from({ length: 200 }, (_, at) => used(from + at)));
  const stop = countRows();
  const renamed = await person.apply(habitChange('h', { variants: [{ id: 'a', name: 'Long' }] }));
  const gone = await person.apply(habitChange('h', { variants: [{ id: 'b', name: 'Scales' }] }));
  const counted = await person.apply(
    habitChange('h', {
      variants,
      measure: { kind: 'amount', unit: 'min', step: 5 },
      terms: [{ from: '2024-11-01', schedule: { kind: 'daily' }, atLeast: 5 }],
    }),
  );
  expect(stop()).toBeLessThan(60);
  expect(renamed.results[0]!.status).toBe('accepted');
  for (const { results } of [gone, counted]) {
    const [result] = results;
    expect(result).toMatchObject({ status: 'refused' });
    const { issues } = result as { issues: { message: string }[] };
    expect(issues[0]!.message).toMatch(/^does not fit what is already recorded under it \(entries/);
  }
  // A day that is changed in the same request counts as it will be.
  const both = await person.apply(
    ...Array.from({ length: 3 }, (_, at) => entryChange('h', day(at), { mark: 'done' })),
    habitChange('h', { variants }),
  );
  expect(both.results.every(({ status }) => status === 'accepted')).toBe(true);
});

it('a long chain of steps is read at once', async () => {
  const goal = { id: 'g', title: 'Sail', startsOn: '2026-01-01', state: 'open', order: 0 };
  const step = (at: number, parentId?: string) =>
    change('steps', `s${at}`, {
      id: `s${at}`,
      goalId: 'g',
      title: `Step ${at}`,
      order: at,
      ...(parentId ? { parentId } : {}),
    });
  await person.apply(change('goals', 'g', goal));
  await person.apply(...Array.from({ length: 300 }, (_, at) => step(at, at === 0 ? undefined : `s${at - 1}`)));
  await person.apply(step(999));
  const { pool } = server;
  const query = pool.query.bind(pool) as (...given: unknown[]) => Promise<unknown>;
  let asked = 0;
  pool.query = ((...given: unknown[]) => {
    asked++;
    return query(...given);
  }) as never;
  const moved = await person.apply(step(999, 's299'));
  const circle = await person.apply(step(0, 's299'));
  pool.query = query as never;
  expect(moved.results[0]!.status).toBe('accepted');
  expect(circle.results[0]).toMatchObject({ status: 'refused', issues: [{ message: 'leads round in a circle' }] });
  expect(asked).toBeLessThan(25);
});
