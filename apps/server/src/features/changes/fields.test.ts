import type { Change } from '@wimbel/contract';
import type { Habit } from '@wimbel/core';
import { type TestPerson, type TestServer, change, habitRecord, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
let person: TestPerson;

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  person = await server.signUp();
});

const began = habitRecord('h', { name: 'Scales', note: 'Slow' }) as Habit;
/** A habit as a device made it of another, at a minute. */
const made = (record: Habit | null, minute: number, base: Habit | undefined = began): Change => ({
  ...change('habits', 'h', record),
  madeAt: `2026-11-24T08:${String(minute).padStart(2, '0')}:00Z`,
  ...(base === undefined ? {} : { base }),
});
const first = (): Change => {
  const { base: _, ...plain } = made(began, 1);
  return plain;
};
const stored = async (): Promise<Habit | undefined> =>
  (await person.since()).rows.find(({ collection, key }) => collection === 'habits' && key === 'h')?.record as Habit;
const said = (answer: { results: { status: string }[] }): string[] => answer.results.map((each) => each.status);

const renamed = { ...began, name: 'Slow bow' };
const paused = { ...began, pauses: [{ from: '2026-11-20', to: '2026-11-24' }] };

it.each([
  ['the earlier first', 2, 3],
  ['the later first', 3, 2],
])('a rename on one device and a pause on another both stay: %s', async (_, rename, pause) => {
  await person.apply(first());
  expect(said(await person.apply(made(renamed, rename)))).toEqual(['accepted']);
  const answer = await person.apply(made(paused, pause));
  // The device hears what stands there now.
  expect(said(answer)).toEqual(['superseded']);
  expect(answer.rows?.map(({ record }) => record)).toEqual([{ ...renamed, pauses: paused.pauses }]);
  expect(await stored()).toEqual({ ...renamed, pauses: paused.pauses });
});

it('of the same field the later holds, whoever comes first; of two notes both stay', async () => {
  for (const order of [
    [2, 3],
    [3, 2],
  ]) {
    person = await server.signUp();
    await person.apply(first());
    const changes = {
      2: made({ ...began, name: 'Two', note: 'Early' }, 2),
      3: made({ ...began, name: 'Three', note: 'Late' }, 3),
    };
    for (const minute of order) await person.apply(changes[minute as 2 | 3]);
    expect(await stored()).toMatchObject({ name: 'Three', note: 'Late\n\nEarly' });
  }
});

it('sent again it changes nothing, and a device goes on from what it made itself', async () => {
  await person.apply(first());
  await person.apply(made(renamed, 2));
  const [one, two] = [made(paused, 3), made({ ...paused, icon: 'music' }, 4, paused)];
  await person.apply(one, two);
  const { revision } = await person.since();
  expect(await stored()).toEqual({ ...renamed, pauses: paused.pauses, icon: 'music' });
  expect(said(await person.apply(one, two))).toEqual(['superseded', 'superseded']);
  expect((await person.since()).revision).toBe(revision);
});

it('what is not touched by another goes the usual way, without a base too', async () => {
  await person.apply(first());
  expect(said(await person.apply(made(renamed, 2)))).toEqual(['accepted']);
  const { base: _, ...plain } = made(paused, 3);
  expect(said(await person.apply(plain))).toEqual(['accepted']);
  expect(await stored()).toEqual(paused);
});

it('two that do not fit together are not forced: the later holds whole', async () => {
  await person.apply(first());
  const long = (letter: string): string => letter.repeat(12_000);
  // Each note is short enough, both together are not.
  await person.apply(made({ ...began, name: 'Two', note: long('a') }, 2));
  expect(said(await person.apply(made({ ...began, icon: 'music', note: long('b') }, 3)))).toEqual(['accepted']);
  expect(await stored()).toEqual({ ...began, icon: 'music', note: long('b') });
});

it('a removal stays one, and what was changed of something removed follows the usual rules', async () => {
  await person.apply(first());
  await person.apply({ ...change('habits', 'h', null), madeAt: '2026-11-24T08:05:00Z' });
  expect(said(await person.apply(made(renamed, 4)))).toEqual(['superseded']);
  expect((await stored()) ?? null).toBeNull();
  expect(said(await person.apply(made(renamed, 6)))).toEqual(['accepted']);
});

it('a base that is no such record is refused by its path, and nothing else', async () => {
  await person.apply(first());
  await person.apply(made(renamed, 2));
  const { results } = await person.apply(made(paused, 3, { ...began, aim: 'sideways' } as never));
  expect(results[0]).toMatchObject({ status: 'refused', issues: [{ path: 'base.aim' }] });
  expect(await stored()).toEqual(renamed);
});
