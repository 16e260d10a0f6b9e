import { setTimeout as pause } from 'node:timers/promises';
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
        changeId: expect.any(String),
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
      'key',
      'habitId',
      'amount',
      'key',
    ]);
    expect((await person.since()).rows.map((row) => row.key)).toEqual(['h1', '2026-11-24 h1']);
  });

  it('refuses to remove what keeps its name elsewhere, until it no longer does', async () => {
    const prompt = { id: 'p', text: 'What went well?', part: 'day', kind: 'text', active: true, order: 0 };
    const page = { id: 'j', day: '2026-11-20', part: 'day', answers: [{ promptId: 'p', text: 'Wind' }] };
    await person.apply(
      change('prompts', 'p', prompt),
      change('journal', 'j', page),
      change('rewards', 'r', { id: 'r', title: 'Strings', cost: 3, order: 0 }),
      change('claims', 'c', { id: 'c', rewardId: 'r', day: '2026-11-20', cost: 3 }),
    );
    const remove = () => person.apply(change('prompts', 'p', null), change('rewards', 'r', null));
    expect(statuses(await remove())).toEqual(['refused', 'refused']);
    await person.apply(change('journal', 'j', null), change('claims', 'c', null));
    expect(statuses(await remove())).toEqual(['accepted', 'accepted']);
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

describe('sending twice', () => {
  it('is harmless, whatever has happened since: what is not newer is passed over before anything else is looked at', async () => {
    const area = change('areas', 'a', { id: 'a', name: 'Cello', order: 0 });
    const habit = habitChange('h1', { areaId: 'a' });
    const first = await person.apply(area, habit);
    await person.apply(change('areas', 'a', null));
    const before = JSON.stringify((await person.since()).rows);
    expect(statuses(await person.apply(area, habit))).toEqual(['superseded', 'superseded']);
    // Also where it would not hold at all, and nothing has moved.
    const broken = { ...habit, record: { id: 'h1' } as never };
    expect(statuses(await person.apply(broken))).toEqual(['superseded']);
    expect(JSON.stringify((await person.since()).rows)).toBe(before);
    expect((await person.since()).revision).toBe(first.revision + 2);
  });

  it('tells what stands where a change came too late, also where it is this very change', async () => {
    const habit = habitChange('h1');
    const { revision } = await person.apply(habit);
    // The device did not hear the answer, or knows it all already.
    for (const since of [0, revision]) {
      const answer = (await (await person.send([habit], since)).json()) as { rows: object[]; revision: number };
      expect(answer.rows).toMatchObject([{ key: 'h1', changeId: habit.id, record: { id: 'h1' } }]);
      expect(answer.revision).toBe(revision);
    }
  });

  it('a change that says no record is no removal; a removal says null', async () => {
    await person.apply(habitChange('h1'));
    const { record: _, ...silent } = change('habits', 'h1', null);
    const answer = await person.apply(silent);
    expect(answer.results[0]).toMatchObject({ status: 'refused', issues: [{ path: 'record' }] });
    expect((await person.since()).rows[0]?.record).not.toBeNull();
  });

  it('refused, superseded and impossible keys move no revision', async () => {
    const { revision } = await person.apply(habitChange('h1'));
    const impossible: [Change['collection'], string][] = [
      ['entries', '2026-02-30 h1'],
      ['entries', '2026-11-24'],
      ['entries', '2026-11-24x'],
      ['months', '2026-13'],
      ['habits', 'x'.repeat(65)],
      ['habits', 'a\u0000b'],
      ['settings', 'other'],
    ];
    const answer = await person.apply(...impossible.map(([of, key]) => change(of, key, null)));
    expect(answer.results.map((each) => ('issues' in each ? each.issues[0]!.path : each.status))).toEqual(
      impossible.map(() => 'key'),
    );
    expect(answer.revision).toBe(revision);
    expect((await person.since()).revision).toBe(revision);
  });

  it('a clock that runs ahead is told so, with the server’s time, and spoils nothing', async () => {
    await person.apply(habitChange('h1'));
    for (const madeAt of ['2100-01-01T00:00:00Z', '9999-12-31T23:59:59Z', '2026-11-25T09:31:00Z']) {
      const answer = await person.apply(entryChange('h1', '2026-11-24', { mark: 'missed' }, { madeAt }));
      expect(answer.results[0]).toMatchObject({ status: 'refused', code: 'ahead' });
      expect(answer.now.slice(0, 10)).toBe('2026-11-24');
    }
    const near = entryChange('h1', '2026-11-24', { mark: 'done' }, { madeAt: '2026-11-25T09:00:00Z' });
    expect(statuses(await person.apply(near))).toEqual(['accepted']);
  });

  it('the answer holds what the device has not seen, without what it sent itself', async () => {
    const { revision } = await person.apply(habitChange('h1'), habitChange('h2'));
    // Another device of theirs writes meanwhile.
    await person.apply(entryChange('h1', '2026-11-22'));
    const response = await person.send([entryChange('h1', '2026-11-23'), change('habits', 'h2', null)], revision);
    const answer = (await response.json()) as { revision: number; more: boolean; rows: { key: string }[] };
    expect(answer).toMatchObject({ revision: revision + 3, more: false });
    expect(answer.rows.map((row) => row.key)).toEqual(['2026-11-22 h1']);
    const quiet = await (await person.send([entryChange('h1', '2026-11-21')], answer.revision)).json();
    expect(quiet).toMatchObject({ rows: [], revision: answer.revision + 1 });
  });
});

describe('a check-off after another', () => {
  /** Names of the statements that work runs; NOTIFY is not awaited and left out. */
  async function statementsOf(work: () => Promise<unknown>): Promise<string[]> {
    const spied = jest.spyOn(server.pool, 'query');
    try {
      await work();
      return spied.mock.calls
        .map(([asked]) => (asked as unknown as { name?: string }).name ?? String(asked))
        .filter((name) => name !== 'notify');
    } finally {
      spied.mockRestore();
    }
  }

  it('is one statement, also on a day that nothing was recorded on yet', async () => {
    await person.apply(habitChange('h1'), entryChange('h1', '2026-11-23'));
    expect(await statementsOf(() => person.apply(entryChange('h1', '2026-11-23', { mark: 'missed' })))).toEqual([
      'write in:entries',
    ]);
    expect(await statementsOf(() => person.apply(entryChange('h1', '2026-11-24')))).toEqual(['write in:entries']);
    expect((await person.since()).rows.map((row) => (row.record as { mark?: string }).mark)).toEqual([
      undefined,
      'missed',
      'done',
    ]);
  });

  it('is looked at anew where another server wrote in between: an older one loses, a removed habit refuses it', async () => {
    const other = await server.another();
    const elsewhere = async (...changes: Partial<Change>[]) =>
      (await (await other.request('/api/changes', json({ changes }, person.own))).json()) as { results: never[] };
    try {
      await person.apply(habitChange('h1'), entryChange('h1', '2026-11-23'));
      const between = entryChange('h1', '2026-11-23', { note: 'between' });
      expect(statuses(await elsewhere(entryChange('h1', '2026-11-23', { note: 'newest' })))).toEqual(['accepted']);
      expect(statuses(await person.apply(between))).toEqual(['superseded']);
      const early = entryChange('h1', '2026-11-24', { note: 'early' });
      expect(statuses(await elsewhere(entryChange('h1', '2026-11-24', { note: 'late' })))).toEqual(['accepted']);
      expect(statuses(await person.apply(early))).toEqual(['superseded']);
      expect(statuses(await person.apply(entryChange('h1', '2026-11-24', { note: 'later' })))).toEqual(['accepted']);
      expect(statuses(await elsewhere(change('habits', 'h1', null)))).toEqual(['accepted']);
      const answer = await person.apply(entryChange('h1', '2026-11-25'));
      expect(statuses(answer)).toEqual(['refused']);
      expect(statuses(await elsewhere(habitChange('h1')))).toEqual(['accepted']);
      expect(statuses(await person.apply(entryChange('h1', '2026-11-25')))).toEqual(['accepted']);
      expect((await person.since()).rows.filter((row) => row.record !== null).map((row) => row.key)).toEqual([
        'h1',
        '2026-11-25 h1',
      ]);
    } finally {
      await other.close();
    }
  });

  it('a day that was written long ago, and is not remembered, is not written over by something older', async () => {
    await person.apply(habitChange('h1'));
    const old = entryChange('h1', '2020-01-01', { note: 'old' });
    await person.apply(entryChange('h1', '2020-01-01', { note: 'new' }));
    const many = Array.from({ length: 250 }, (_, index) =>
      entryChange('h1', new Date(Date.UTC(2021, 0, 1 + index)).toISOString().slice(0, 10)),
    );
    await person.apply(...many);
    await person.apply(habitChange('h1', { name: 'Other' }));
    expect(statuses(await person.apply(old))).toEqual(['superseded']);
    const stands = (await person.since()).rows.find((row) => row.key === '2020-01-01 h1');
    expect(stands?.record).toMatchObject({ note: 'new' });
  });
});

describe('removing with what hangs on it', () => {
  const goal = { id: 'g', title: 'Sail', startsOn: '2026-11-01', state: 'open', order: 0 };
  const counting = {
    id: 'k',
    goalId: 'g',
    title: 'Days',
    order: 0,
    measure: { kind: 'habitDays', habitId: 'h1', target: 4 },
  };
  const all = async () => (await person.since()).rows.filter((row) => row.record !== null).map((row) => row.key);

  it('is one change and happens whole: days, notes, key results go, steps and seasons let go', async () => {
    await person.apply(
      change('areas', 'a', { id: 'a', name: 'Cello', order: 0 }),
      change('goals', 'g', { ...goal, areaId: 'a' }),
      habitChange('h1', { areaId: 'a' }),
      entryChange('h1', '2026-11-22'),
      entryChange('h1', '2026-11-23'),
      change('habitNotes', 'n', { id: 'n', habitId: 'h1', text: 'Slowly' }),
      change('keyResults', 'k', counting),
      change('steps', 's', { id: 's', goalId: 'g', keyResultId: 'k', title: 'Buy rosin', order: 0 }),
      change('seasons', 'w', { id: 'w', title: 'Winter', startsOn: '2026-11-02', weeks: 12, goalIds: ['g'] }),
    );
    expect(statuses(await person.apply(change('habits', 'h1', null)))).toEqual(['accepted']);
    expect((await all()).sort()).toEqual(['a', 'g', 's', 'w']);
    const step = (await person.since()).rows.find((row) => row.key === 's');
    expect(step?.record).toEqual({ id: 's', goalId: 'g', title: 'Buy rosin', order: 0 });
    expect(statuses(await person.apply(change('areas', 'a', null), change('goals', 'g', null)))).toEqual([
      'accepted',
      'accepted',
    ]);
    expect(await all()).toEqual(['w']);
    expect((await person.since()).rows.find((row) => row.key === 'w')?.record).toMatchObject({ goalIds: [] });
    const left = await server.pool.query(
      'select (select count(*) from entries where user_id = $1) + (select count(*) from habit_notes where user_id = $1) as left',
      [person.userId],
    );
    expect(Number(left.rows[0].left)).toBe(0);
  });

  it('takes what another device wrote before it, and is answered where that is newer', async () => {
    await person.apply(habitChange('h1'), entryChange('h1', '2026-11-22'));
    const removal = change('habits', 'h1', null);
    const newer = new Date(Date.parse(removal.madeAt) + 1000).toISOString();
    await person.apply(entryChange('h1', '2026-11-23', { mark: 'done' }, { madeAt: newer }));
    const answer = await person.apply(removal);
    expect(answer.results[0]).toMatchObject({ status: 'refused' });
    expect(JSON.stringify(answer.results[0])).toContain('newer');
    expect((await all()).sort()).toEqual(['2026-11-22 h1', '2026-11-23 h1', 'h1']);
    // The person decides again: it goes, and what comes late of an older instant does not bring it back.
    const again = { ...change('habits', 'h1', null), madeAt: new Date(Date.parse(newer) + 1000).toISOString() };
    expect(statuses(await person.apply(again))).toEqual(['accepted']);
    expect(statuses(await person.apply(entryChange('h1', '2026-11-21', { mark: 'done' }, { madeAt: newer })))).toEqual([
      'refused',
    ]);
    expect(await all()).toEqual([]);
  });

  it('sees what the same request wrote before it', async () => {
    const answer = await person.apply(
      habitChange('h1'),
      entryChange('h1', '2026-11-22'),
      entryChange('h1', '2026-11-22', { mark: 'rest' }),
      change('habits', 'h1', null),
      entryChange('h1', '2026-11-23'),
      habitChange('h2'),
    );
    expect(statuses(answer)).toEqual(['accepted', 'accepted', 'accepted', 'accepted', 'refused', 'accepted']);
    expect(await all()).toEqual(['h2']);
  });
});

describe('many at once', () => {
  it('changes of two servers for one person are decided one after the other, and none is lost', async () => {
    const other = await server.another();
    const viaOther = (changes: Partial<Change>[]) => other.request('/api/changes', json({ changes }, person.own));
    await person.apply(habitChange('h1'));
    const days = Array.from({ length: 60 }, (_, index) =>
      new Date(Date.UTC(2026, 0, 1 + index)).toISOString().slice(0, 10),
    );
    const answers = await Promise.all(
      days.map((day, index) => {
        const changes = [entryChange('h1', day)];
        return index % 2 === 0 ? person.send(changes) : viaOther(changes);
      }),
    );
    // A server gives up where the other always writes first; what is sent again then goes in.
    for (const [index, answer] of answers.entries()) {
      expect([200, 429, 503]).toContain(answer.status);
      if (answer.status !== 200) await person.apply(entryChange('h1', days[index]!));
    }
    const { rows, revision } = await person.since(1);
    expect(rows.map((row) => row.key).sort()).toEqual(days.map((day) => `${day} h1`));
    expect(new Set(rows.map((row) => row.revision)).size).toBe(60);
    expect(revision).toBe(61);
    await other.close();
  });

  it('of one person wait for their turn before they take a connection, and too many are told when to come again', async () => {
    await person.apply(habitChange('h1'));
    const stranger = await server.signUp();
    await stranger.apply(habitChange('h1'));
    const held = await server.pool.connect();
    await held.query('begin');
    await held.query('select 1 from revisions where user_id = $1 for update', [person.userId]);
    // The person's record is locked from elsewhere: their requests can't go on, and others' do.
    const flood = Array.from({ length: 60 }, (_, index) =>
      person.send([entryChange('h1', new Date(Date.UTC(2026, 0, 1 + index)).toISOString().slice(0, 10))]),
    );
    expect(statuses(await stranger.apply(entryChange('h1', '2026-11-24')))).toEqual(['accepted']);
    // Of sixty requests one at most holds a connection, beside the one that locks. It may be just connecting.
    for (let tries = 0; server.pool.waitingCount > 0 && tries < 500; tries++) await pause(10);
    expect(server.pool.waitingCount).toBe(0);
    expect(server.pool.totalCount - server.pool.idleCount).toBeLessThanOrEqual(2);
    await held.query('rollback');
    held.release();
    const answers = await Promise.all(flood);
    const late = answers.filter((each) => each.status === 429);
    expect(answers.filter((each) => each.status === 200).length).toBeGreaterThanOrEqual(20);
    expect(late.length).toBeGreaterThan(0);
    expect(answers.filter((each) => ![200, 429, 503].includes(each.status))).toEqual([]);
    expect(Number(late[0]!.headers.get('retry-after'))).toBeGreaterThan(0);
  });

  it('the cost of a step does not grow with the steps of its goal', async () => {
    const step = (id: string, more: object = {}) =>
      change('steps', id, { id, goalId: 'g', title: id, order: 0, ...more });
    await person.apply(
      change('goals', 'g', { id: 'g', title: 'Sail', startsOn: '2026-11-01', state: 'open', order: 0 }),
    );
    const asked: number[] = [];
    const { query } = server.pool;
    for (const count of [1, 400]) {
      await person.apply(...Array.from({ length: count }, (_, index) => step(`${count}-${index}`)));
      let rows = 0;
      server.pool.query = (async (...args: unknown[]) => {
        const found = await (query as (...all: unknown[]) => Promise<{ rows: unknown[] }>).apply(server.pool, args);
        const [said] = args as [string | { text: string }];
        // Who is signed in is asked now and then, and is no matter of steps.
        if (/change_log|steps/.test(typeof said === 'string' ? said : said.text)) rows += found.rows.length;
        return found;
      }) as never;
      await person.apply(step(`new-${count}`, { parentId: `${count}-0` }));
      server.pool.query = query;
      asked.push(rows);
    }
    expect(asked[0]).toBeGreaterThan(0);
    expect(asked[1]).toBe(asked[0]);
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
    ['too large', JSON.stringify({ changes: [], more: 'x'.repeat(2 * 1024 * 1024) }), 'tooLarge', 413],
  ])('%s is refused whole', async (_, body, code, status) => {
    const response = await server.request('/api/changes', { ...json({}, person.own), body });
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
        .map((each) => ({ ...each, id: randomUUID(), record: null, madeAt: '2026-11-25T00:00:00Z' })),
    );
    await second.apply(habitChange('habit', { name: 'Not yours' }, { madeAt: '2026-11-25T01:00:00Z' }));
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
      await server.request(path, json(body, second.own));
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
