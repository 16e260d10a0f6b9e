import { randomUUID } from 'node:crypto';
import { COLLECTIONS, type Change } from '@wimbel/contract';
import { oneOfEach } from '../../testing/oneOfEach.ts';
import {
  type TestPerson,
  type TestServer,
  change,
  entryChange,
  errorOf,
  habitChange,
  habitRecord,
  json,
  startTestServer,
} from '../../testing/testServer.ts';

let server: TestServer;
let person: TestPerson;

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  person = await server.signUp();
});

const statuses = (answer: { results: { status: string }[] }) => answer.results.map((each) => each.status);

describe('taking changes in', () => {
  it('stores a record and gives it back as it was, with a revision', async () => {
    const answer = await person.apply(
      habitChange('h1', { note: 'Slowly', icon: 'music' }),
      entryChange('h1', '2026-11-24', { mark: 'done', note: 'Öl, 油, 🎻' }),
    );
    expect(statuses(answer)).toEqual(['accepted', 'accepted']);
    const { rows, revision, more } = await person.since();
    expect(more).toBe(false);
    expect(revision).toBe(answer.revision);
    expect(rows.map((row) => row.record)).toEqual([
      habitRecord('h1', { note: 'Slowly', icon: 'music' }),
      { habitId: 'h1', day: '2026-11-24', mark: 'done', note: 'Öl, 油, 🎻' },
    ]);
    expect(rows.map((row) => row.revision)).toEqual([1, 2]);
  });

  it('keeps a record of every collection through a write and a read', async () => {
    const changes = oneOfEach();
    expect(new Set(statuses(await person.apply(...changes)))).toEqual(new Set(['accepted']));
    const { rows } = await person.since();
    expect(new Set(rows.map((row) => row.collection)).size).toBe(COLLECTIONS.length);
    for (const { collection, key, record } of changes) {
      expect(rows.find((row) => row.collection === collection && row.key === key)?.record).toEqual(record);
    }
  });

  it('is harmless when the same changes are sent twice', async () => {
    const changes = [habitChange('h1'), entryChange('h1', '2026-11-23')];
    await person.apply(...changes);
    expect(statuses(await person.apply(...changes))).toEqual(['superseded', 'superseded']);
    const { rows } = await person.since();
    expect(rows).toHaveLength(2);
    expect(rows.map((row) => row.revision)).toEqual([1, 2]);
  });

  it('lets the later instant win, in whatever order they arrive', async () => {
    await person.apply(habitChange('h1'));
    const early = entryChange('h1', '2026-11-23', { mark: 'missed' }, { madeAt: '2026-11-23T20:00:00.000Z' });
    const late = entryChange('h1', '2026-11-23', { mark: 'done' }, { madeAt: '2026-11-23T20:00:00.001Z' });
    await person.apply(late);
    expect(statuses(await person.apply(early))).toEqual(['superseded']);
    const { rows } = await person.since(1);
    expect(rows.map((row) => row.record)).toEqual([{ habitId: 'h1', day: '2026-11-23', mark: 'done' }]);
  });

  it('decides two changes of the same instant by their id, the same way on every device', async () => {
    await person.apply(habitChange('h1'));
    const madeAt = '2026-11-23T20:00:00Z';
    const lower = entryChange('h1', '2026-11-23', { mark: 'rest' }, { madeAt, id: 'a' });
    const higher = entryChange('h1', '2026-11-23', { mark: 'done' }, { madeAt: '2026-11-23T20:00:00.000Z', id: 'b' });
    await person.apply(higher, lower);
    const other = await server.signUp();
    await other.apply(habitChange('h1'), lower, higher);
    for (const each of [person, other]) {
      expect((await each.since()).rows.find((row) => row.collection === 'entries')?.record).toMatchObject({
        mark: 'done',
      });
    }
  });

  it('removes, tells of it, and brings back only by a later change', async () => {
    await person.apply(
      habitChange('h1'),
      entryChange('h1', '2026-11-23', { mark: 'done' }, { madeAt: '2026-11-23T10:00:00Z' }),
    );
    const before = (await person.since()).revision;
    await person.apply(entryChange('h1', '2026-11-23', null, { madeAt: '2026-11-23T12:00:00Z' }));
    expect((await person.since(before)).rows).toEqual([
      {
        collection: 'entries',
        key: '2026-11-23 h1',
        revision: before + 1,
        madeAt: '2026-11-23T12:00:00Z',
        record: null,
      },
    ]);
    expect(
      statuses(
        await person.apply(entryChange('h1', '2026-11-23', { mark: 'done' }, { madeAt: '2026-11-23T11:00:00Z' })),
      ),
    ).toEqual(['superseded']);
    expect(
      statuses(
        await person.apply(entryChange('h1', '2026-11-23', { mark: 'rest' }, { madeAt: '2026-11-23T13:00:00Z' })),
      ),
    ).toEqual(['accepted']);
    const { rows } = await person.since(before);
    expect(rows).toHaveLength(1);
    expect(rows[0]?.record).toMatchObject({ mark: 'rest' });
  });

  it('refuses what does not hold by itself, with the path to it, and takes the others in', async () => {
    const answer = await person.apply(
      habitChange('h1'),
      habitChange('h2', { terms: [] }),
      entryChange('h1', '2026-02-30'),
      entryChange('nowhere', '2026-11-23'),
      entryChange('h1', '2026-11-23', { amount: 3 }),
      change('entries', 'wrong key', { habitId: 'h1', day: '2026-11-22', mark: 'done' }),
      entryChange('h1', '2026-11-24'),
    );
    expect(statuses(answer)).toEqual(['accepted', 'refused', 'refused', 'refused', 'refused', 'refused', 'accepted']);
    expect(answer.results.flatMap((each) => ('issues' in each ? each.issues.map((issue) => issue.path) : []))).toEqual([
      'terms',
      'day',
      'habitId',
      'amount',
      'key',
    ]);
    expect((await person.since()).rows.map((row) => row.key)).toEqual(['h1', '2026-11-24 h1']);
  });

  it('refuses to remove what others name, and what only the database can see to be wrong', async () => {
    await person.apply(habitChange('h1'), entryChange('h1', '2026-11-23'));
    const answer = await person.apply(
      change('habits', 'h1', null),
      entryChange('h1', '2026-11-24'),
      change('entries', '2026-99-99 h1', null),
    );
    expect(statuses(answer)).toEqual(['refused', 'accepted', 'refused']);
    expect((await person.since()).rows).toHaveLength(3);
  });

  it('refuses to remove what another record names inside of itself, until it no longer does', async () => {
    const goal = { id: 'g', title: 'Sail', startsOn: '2026-11-01', state: 'open', order: 0 };
    const milestone = (id: string, ...after: string[]) => ({ id, goalId: 'g', title: id, order: 0, after });
    const prompt = { id: 'p', text: 'What went well?', part: 'day', kind: 'text', active: true, order: 0 };
    const named: [of: Change['collection'], key: string][] = [
      ['habits', 'h1'],
      ['goals', 'g2'],
      ['milestones', 'm1'],
      ['prompts', 'p'],
    ];
    const naming: Change[] = [
      change('keyResults', 'k', {
        id: 'k',
        goalId: 'g',
        title: 'Days',
        order: 0,
        measure: { kind: 'habitDays', habitId: 'h1', target: 4 },
      }),
      change('seasons', 's', { id: 's', title: 'Winter', startsOn: '2026-11-01', weeks: 12, goalIds: ['g2'] }),
      change('milestones', 'm2', milestone('m2', 'm1')),
      change('journal', 'j', { id: 'j', day: '2026-11-20', part: 'day', answers: [{ promptId: 'p', text: 'Wind' }] }),
    ];
    const made = await person.apply(
      change('goals', 'g', goal),
      change('goals', 'g2', { ...goal, id: 'g2' }),
      habitChange('h1'),
      change('milestones', 'm1', milestone('m1')),
      change('prompts', 'p', prompt),
      ...naming,
    );
    expect(new Set(statuses(made))).toEqual(new Set(['accepted']));
    const remove = () => person.apply(...named.map(([of, key]) => change(of, key, null)));
    const refused = await remove();
    expect(refused.results.map((each) => ('issues' in each ? each.issues[0]!.message : each.status))).toEqual(
      named.map(() => 'is named by other records'),
    );
    await person.apply(...naming.map(({ collection, key }) => change(collection, key, null)));
    expect(statuses(await remove())).toEqual(named.map(() => 'accepted'));
  });

  it('refuses a change that would make what is recorded under it wrong', async () => {
    await person.apply(habitChange('h1'), entryChange('h1', '2026-11-23'));
    const amount = {
      measure: { kind: 'amount', unit: 'min', step: 5 },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atLeast: 5 }],
    };
    expect(statuses(await person.apply(habitChange('h1', amount)))).toEqual(['refused']);
    const goal = { id: 'g', title: 'Sail', startsOn: '2026-11-01', dueOn: '2026-12-31', state: 'open', order: 0 };
    const keyResult = {
      id: 'k',
      goalId: 'g',
      title: 'Planks',
      order: 0,
      startsOn: '2026-12-01',
      measure: { kind: 'number', start: 0, target: 3 },
    };
    await person.apply(
      change('goals', 'g', goal),
      change('keyResults', 'k', keyResult),
      change('checkIns', 'c', {
        id: 'c',
        keyResultId: 'k',
        day: '2026-12-02',
        value: 2,
        madeAt: '2026-12-02T10:00:00Z',
      }),
    );
    expect(statuses(await person.apply(change('goals', 'g', { ...goal, dueOn: '2026-11-15' })))).toEqual(['refused']);
    expect(
      statuses(await person.apply(change('keyResults', 'k', { ...keyResult, measure: { kind: 'yesNo' } }))),
    ).toEqual(['refused']);
    expect(statuses(await person.apply(change('goals', 'g', { ...goal, dueOn: '2026-12-15' })))).toEqual(['accepted']);
  });

  it('refuses steps and milestones that lead round in a circle', async () => {
    const step = (id: string, parentId?: string) =>
      change('steps', id, { id, goalId: 'g', title: id, order: 0, ...(parentId ? { parentId } : {}) });
    const milestone = (id: string, ...after: string[]) =>
      change('milestones', id, { id, goalId: 'g', title: id, order: 0, after });
    await person.apply(
      change('goals', 'g', { id: 'g', title: 'Sail', startsOn: '2026-11-01', state: 'open', order: 0 }),
      step('a'),
      step('b', 'a'),
      step('c', 'b'),
      milestone('m'),
      milestone('n', 'm'),
    );
    expect(statuses(await person.apply(step('a', 'c'), step('a', 'a'), milestone('m', 'n'), step('c', 'a')))).toEqual([
      'refused',
      'refused',
      'refused',
      'accepted',
    ]);
  });

  it('gives every accepted change of many at once a revision of its own, in order', async () => {
    await person.apply(habitChange('h1'));
    const days = Array.from({ length: 300 }, (_, index) =>
      new Date(Date.UTC(2026, 0, 1 + index)).toISOString().slice(0, 10),
    );
    const halves = [days.slice(0, 150), days.slice(150)];
    await Promise.all(halves.map((half) => person.apply(...half.map((day) => entryChange('h1', day)))));
    const { rows, revision } = await person.since(1);
    expect(revision).toBe(301);
    expect(rows.map((row) => row.revision)).toEqual(Array.from({ length: 300 }, (_, index) => index + 2));
  });
});

describe('what is not a list of changes', () => {
  it.each([
    ['not JSON', '{', 'notJson', 400],
    ['no changes', '{}', 'invalid', 422],
    [
      'an unknown collection',
      JSON.stringify({ changes: [{ ...habitChange('h'), collection: 'users' }] }),
      'invalid',
      422,
    ],
    ['a bad instant', JSON.stringify({ changes: [{ ...habitChange('h'), madeAt: 'now' }] }), 'invalid', 422],
    ['too many', JSON.stringify({ changes: Array.from({ length: 501 }, () => habitChange('h')) }), 'invalid', 422],
    ['too large', JSON.stringify({ changes: [], more: 'x'.repeat(5 * 1024 * 1024) }), 'tooLarge', 413],
  ])('%s is refused whole', async (_, body, code, status) => {
    const response = await server.request('/api/changes', { ...json({}, { cookie: person.cookie }), body });
    expect(response.status).toBe(status);
    expect((await errorOf(response)).code).toBe(code);
    expect((await person.since()).revision).toBe(0);
  });

  it('a since that is no revision is refused', async () => {
    for (const since of ['-1', 'x', '1.5', '99999999999999999999']) {
      expect((await person.get(`/api/changes?since=${since}`)).status).toBe(422);
    }
  });
});

describe('one person and another', () => {
  it('never sees, changes or removes what is not theirs, by any endpoint', async () => {
    const first = await server.signUp();
    const mine = oneOfEach();
    await first.apply(...mine);
    const before = JSON.stringify((await first.since()).rows);

    const second = await server.signUp();
    expect((await second.since()).rows).toEqual([]);
    // The same keys are the second person's own records, and naming the first one's is naming nothing.
    const named = await second.apply(
      entryChange('habit', '2026-11-20'),
      change('checkIns', 'x', {
        id: 'x',
        keyResultId: 'number',
        day: '2026-11-20',
        value: 1,
        madeAt: '2026-11-20T10:00:00Z',
      }),
    );
    expect(statuses(named)).toEqual(['refused', 'refused']);
    await second.apply(
      ...mine
        .filter((each) => each.collection !== 'settings')
        .reverse()
        .map((each) => ({ ...each, id: randomUUID(), record: null, madeAt: '2027-01-01T00:00:00Z' })),
    );
    await second.apply(habitChange('habit', { name: 'Not yours' }, { madeAt: '2027-01-02T00:00:00Z' }));
    expect(JSON.stringify((await first.since()).rows)).toBe(before);

    for (const path of [
      '/api/auth/get-session',
      '/api/auth/list-sessions',
      '/api/changes?since=0',
      `/api/changes?since=0&userId=${first.userId}`,
    ]) {
      const text = await (await second.get(path)).text();
      expect(text).not.toContain(first.email);
      expect(text).not.toContain(first.userId);
    }
    for (const [path, body] of [
      ['/api/auth/update-user', { id: first.userId, name: 'Taken' }],
      ['/api/auth/change-password', { userId: first.userId, currentPassword: 'x', newPassword: 'something else long' }],
      ['/api/auth/delete-user', { userId: first.userId }],
      ['/api/auth/revoke-sessions', { userId: first.userId }],
      ['/api/auth/sign-out', {}],
    ] as const) {
      await server.request(path, json(body, { cookie: second.cookie }));
    }
    expect((await first.get('/api/changes?since=0')).status).toBe(200);
    expect(JSON.stringify((await first.since()).rows)).toBe(before);
    const again = await server.request(
      '/api/auth/sign-in/email',
      json({ email: first.email, password: first.password }),
    );
    expect(again.status).toBe(200);
  });

  it('asks who is not signed in to sign in, for reading and for writing', async () => {
    const forged: Record<string, string>[] = [{}, { cookie: 'wimbel.session_token=forged.signature' }];
    for (const headers of forged) {
      expect((await server.request('/api/changes?since=0', { headers })).status).toBe(401);
      expect((await server.request('/api/changes', json({ changes: [habitChange('h')] }, headers))).status).toBe(401);
    }
  });
});
