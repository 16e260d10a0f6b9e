import { type Change, type Made, isLater } from '@wimbel/contract';
import type { Habit } from '@wimbel/core';
import { type TestPerson, type TestServer, change, habitRecord, startTestServer } from '../../../testing/testServer.ts';

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

it('of the same field the later holds, whoever comes first; of two notes the earlier stands beside the later', async () => {
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
    expect(await stored()).toMatchObject({
      name: 'Three',
      note: 'Late\n\n— Written on another device at the same time —\nEarly',
    });
  }
});

it('what was put together is later than all that went into it, so that no device keeps one of those instead', async () => {
  await person.apply(first());
  const place = async () => (await person.since()).rows.find(({ key }) => key === 'h')!;
  const changes = [
    { ...made(renamed, 5), id: 'c-renamed' },
    { ...made({ ...began, icon: 'music' }, 5), id: 'b-icon' },
    { ...made(paused, 3), id: 'a-paused' },
    { ...made({ ...began, partOfDay: 'evening' }, 4), id: 'd-evening' },
    { ...made({ ...began, aim: 'quit' }, 6), id: 'a-quit' },
  ];
  const heard: Made[] = [];
  for (const each of changes) {
    await person.apply(each);
    const { madeAt, changeId } = await place();
    const now = { madeAt, id: changeId };
    for (const before of [each, ...heard]) if (before.id !== changeId) expect(isLater(now, before)).toBe(true);
    heard.push(each, now);
  }
  expect((await place()).record).toEqual({
    ...renamed,
    ...{ icon: 'music', pauses: paused.pauses, partOfDay: 'evening', aim: 'quit' },
  });
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

it('two notes that are too long together both stay: the later shows, the earlier is a note beside it', async () => {
  await person.apply(first());
  const long = (letter: string): string => letter.repeat(12_000);
  await person.apply(made({ ...began, name: 'Two', note: long('a') }, 2));
  const late = made({ ...began, icon: 'music', note: long('b') }, 3);
  expect(said(await person.apply(late))).toEqual(['superseded']);
  expect(await stored()).toEqual({ ...began, name: 'Two', icon: 'music', note: long('b') });
  const notes = async () => (await person.since()).rows.filter(({ collection }) => collection === 'habitNotes');
  expect((await notes()).map(({ record }) => record)).toEqual([
    expect.objectContaining({
      habitId: 'h',
      text: `Written on another device at the same time, and too much to stand beside the other.\nTwo, note:\n${long('a')}`,
    }),
  ]);
  // Sent again it makes no other, and what the person removed does not come back.
  const { revision } = await person.since();
  await person.apply(late);
  expect((await person.since()).revision).toBe(revision);
  const { key } = (await notes())[0]!;
  await person.apply({ ...change('habitNotes', key, null), madeAt: '2026-11-24T08:10:00Z' });
  await person.apply(late);
  expect((await notes()).filter(({ record }) => record !== null)).toEqual([]);
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

/** Every order of some things. */
const orders = <T>(all: readonly T[]): T[][] =>
  all.length <= 1
    ? [[...all]]
    : all.flatMap((one, at) => orders([...all.slice(0, at), ...all.slice(at + 1)]).map((rest) => [one, ...rest]));

it('of each field the latest holds, in whatever order the changes of several devices come', async () => {
  const changes = [
    made({ ...began, name: 'Third', icon: 'music' }, 3),
    made({ ...began, name: 'Fifth', areaId: undefined }, 5),
    made({ ...began, icon: 'anchor', pauses: paused.pauses }, 4),
    // Made on top of what was written at the second minute, and taken back to what it was at first.
    made({ ...began, name: 'Second' }, 2),
  ];
  for (const order of orders(changes)) {
    person = await server.signUp();
    await person.apply(first());
    for (const each of order) await person.apply(JSON.parse(JSON.stringify(each)) as Change);
    expect(await stored()).toEqual({ ...began, name: 'Fifth', icon: 'anchor', pauses: paused.pauses });
  }
});

it('a field that was put back to what it was holds against an earlier change of it', async () => {
  for (const isLateFirst of [true, false]) {
    person = await server.signUp();
    await person.apply(first());
    const there = made(renamed, 5);
    const back = made(began, 6, renamed);
    const early = made({ ...began, name: 'Early', icon: 'music' }, 4);
    for (const each of isLateFirst ? [there, back, early] : [early, there, back]) await person.apply(each);
    expect(await stored()).toEqual({ ...began, icon: 'music' });
  }
});

describe('a day that several devices wrote on', () => {
  const entry = (record: object, minute: number, base: object | null = null): Change =>
    ({
      ...change('entries', '2026-11-24 h', { habitId: 'h', day: '2026-11-24', ...record } as never),
      madeAt: `2026-11-24T09:${String(minute).padStart(2, '0')}:00Z`,
      base: base === null ? null : { habitId: 'h', day: '2026-11-24', ...base },
    }) as Change;
  const after = async (changes: readonly Change[]): Promise<unknown> => {
    person = await server.signUp();
    await person.apply(first());
    for (const each of changes) await person.apply(each);
    const { rows } = await person.since();
    return rows.find(({ collection }) => collection === 'entries')?.record;
  };

  it('has the note of one and the latest mark of the others, made apart too, in whatever order they come', async () => {
    const changes = [
      entry({ mark: 'done' }, 1),
      entry({ note: 'Slow' }, 5),
      entry({ mark: 'missed' }, 3),
      entry({ mark: 'rest' }, 4, { mark: 'missed' }),
    ];
    for (const order of orders(changes))
      expect(await after(order)).toEqual({ habitId: 'h', day: '2026-11-24', mark: 'rest', note: 'Slow' });
  });

  it('keeps what was said last where that stood there already', async () => {
    const changes = [
      entry({ mark: 'rest' }, 1),
      entry({ mark: 'done' }, 3, { mark: 'rest' }),
      entry({ mark: 'done' }, 9, { mark: 'rest' }),
      entry({ mark: 'missed' }, 5, { mark: 'done' }),
    ];
    expect(await after(changes)).toMatchObject({ mark: 'done' });
  });

  it('stays emptied where that was said last, and one that does not say what it began from holds whole', async () => {
    const changes = [
      entry({ mark: 'done', note: 'Slow' }, 1),
      entry({ note: 'Slow' }, 6, { mark: 'done', note: 'Slow' }),
      entry({ mark: 'missed' }, 4),
    ];
    expect(await after(changes)).toEqual({ habitId: 'h', day: '2026-11-24', note: 'Slow' });
    const { base: _, ...whole } = entry({ mark: 'rest' }, 7);
    expect(await after([...changes, whole as Change])).toEqual({ habitId: 'h', day: '2026-11-24', mark: 'rest' });
  });
});

it('a change that is sent again after others does not bring back a text that was written over', async () => {
  await person.apply(first());
  const written = made({ ...began, note: 'Slow bow' }, 2);
  await person.apply(written);
  await person.apply(made({ ...began, note: 'Long notes' }, 4, { ...began, note: 'Slow bow' }));
  expect(said(await person.apply(written))).toEqual(['superseded']);
  expect((await stored())!.note).toBe('Long notes');
});

it('what the log knows of the parts of a record does not grow without end', async () => {
  await person.apply(first());
  let base = began;
  const months = Array.from(
    { length: 240 },
    (_, at) => `${2030 + Math.floor(at / 12)}-${String(1 + (at % 12)).padStart(2, '0')}`,
  );
  const changes = months.map((month, at): Change => {
    const next = { ...base, monthTargets: { ...base.monthTargets, [month]: { days: 10 } } };
    const change = { ...made(next, 2, base), madeAt: new Date(Date.UTC(2026, 10, 24, 8, 2, 0, at)).toISOString() };
    base = next;
    return change;
  });
  for (let at = 0; at < changes.length; at += 8) await person.apply(...changes.slice(at, at + 8));
  expect(Object.keys((await stored())!.monthTargets!)).toHaveLength(240);
  const { rows } = await server.pool.query<{ parts: { of: object; seen: string[] } }>(
    `select parts from change_log where collection = 'habits' and parts is not null`,
  );
  const most = (count: (parts: { of: object; seen: string[] }) => number): number =>
    Math.max(...rows.map(({ parts }) => count(parts)));
  expect(most(({ of }) => Object.keys(of).length)).toBeLessThanOrEqual(201);
  expect(most(({ seen }) => seen.length)).toBe(40);
});
