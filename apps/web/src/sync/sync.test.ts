import {
  type Change,
  type ChangeResult,
  type ChangesAnswer,
  type ChangesSince,
  MOST_AHEAD_MS,
  type ServerRow,
  isLater,
} from '@wimbel/contract';
import { type Entry, eachEntry } from '@wimbel/core';
import { ApiError } from '@wimbel/sync';
import type { Api } from '../platform/api.ts';
import { syncServerTime } from '../platform/clock.ts';
import { changeTo, entryChange, newId, removalOf } from '../store/makeChange.ts';
import { openOutboxStore } from './outboxStore.ts';
import { openRecordStore } from './recordStore.ts';
import { selectEntries } from '../store/selectors.ts';
import { createStore } from '../store/store.ts';
import { aHabit } from '../testing/goalSamples.ts';
import type { Sync } from '@wimbel/sync';
import { startDeviceSync } from './startDeviceSync.ts';

/** A server as the app sees one: of a record the later change wins, and it can be out of reach. */
function pretendServer() {
  const rows: ServerRow[] = [];
  const state = {
    isAway: false,
    sent: 0,
    /** Changes that were taken in, in the order they came. */
    taken: [] as Change[],
    now: null as string | null,
    refuse: (_: Change): string | null => null,
    accounts: ['anna', 'bert'],
    rows,
  };
  const reach = (accountId: string): void => {
    if (state.isAway) throw new ApiError({ code: 'offline', message: '' });
    if (!state.accounts.includes(accountId)) throw new ApiError({ code: 'otherAccount', message: '' });
  };
  const since = (revision: number) => ({
    revision: Math.max(0, ...rows.map((row) => row.revision)),
    more: false,
    rows: rows.filter((row) => row.revision > revision),
  });
  const put = (row: Omit<ServerRow, 'revision'>): number => {
    const at = rows.findIndex(({ collection, key }) => collection === row.collection && key === row.key);
    if (at >= 0) rows.splice(at, 1);
    const revision = Math.max(0, ...rows.map((each) => each.revision), at >= 0 ? at + 1 : 0) + 1;
    rows.push({ ...row, revision });
    return revision;
  };
  const decide = (change: Change): ChangeResult => {
    const { id, collection, key, madeAt, record } = change;
    const held = rows.find((row) => row.collection === collection && row.key === key);
    if (held && !isLater(change, { madeAt: held.madeAt, id: held.changeId })) return { id, status: 'superseded' };
    if (state.now !== null && Date.parse(madeAt) > Date.parse(state.now) + MOST_AHEAD_MS)
      return { id, status: 'refused', code: 'ahead', issues: [{ path: 'madeAt', message: 'lies ahead' }] };
    const words = state.refuse(change);
    if (words !== null) return { id, status: 'refused', issues: [{ path: 'name', message: words }] };
    state.taken.push(change);
    return { id, status: 'accepted', revision: put({ collection, key, madeAt, changeId: id, record }) };
  };
  const api: Pick<Api, 'sendChanges' | 'changesSince'> = {
    sendChanges: async (accountId, changes, revision): Promise<ChangesAnswer> => {
      reach(accountId);
      state.sent++;
      const sentMs = Date.now();
      const results = changes.map(decide);
      if (state.now !== null) syncServerTime(state.now, sentMs);
      // What it took in of this very request it does not tell again.
      const own = new Set(results.flatMap(({ id, status }) => (status === 'accepted' ? [id] : [])));
      const newer = since(revision);
      const rows = newer.rows.filter(({ changeId }) => !own.has(changeId));
      return { results, now: state.now ?? new Date().toISOString(), ...newer, rows };
    },
    changesSince: async (accountId, revision): Promise<ChangesSince> => {
      reach(accountId);
      return since(revision);
    },
  };
  return { api: api as Api, state, put };
}

const entry = (day: string, more: Partial<Entry> = { mark: 'done' }): Entry => ({ habitId: 'h', day, ...more });
let running: Sync[] = [];

function open(server: ReturnType<typeof pretendServer>, name: string, accountId = 'anna', takeoverMs = 60) {
  const store = createStore();
  const outbox = openOutboxStore(name);
  const record = openRecordStore(`${name}.${accountId}`);
  const sync = startDeviceSync({
    store,
    api: server.api,
    outbox,
    record,
    accountId,
    retryMs: [5],
    takeoverMs,
  });
  running.push(sync);
  return {
    store,
    outbox,
    record,
    sync,
    waiting: () => store.getState().outbox.waiting.count,
    entries: (): Record<string, Entry> =>
      Object.fromEntries([...eachEntry(selectEntries(store.getState(), 'h'))].map((each) => [each.day, each])),
  };
}

/** Waits until something holds. */
async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 1200; tries++) {
    if (await holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error('it never came to hold');
}

afterEach(() => {
  for (const each of running) each.stop();
  running = [];
});

describe('a change', () => {
  it('is in the store at once, then on the server, and no longer waits', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-24'))]);
    expect(device.entries()).toHaveProperty('2026-11-24');
    await until(() => device.waiting() === 0);
    expect(server.state.rows).toHaveLength(1);
    await until(async () => (await device.outbox.read('anna')).waiting.length === 0);
  });

  it('is taken in as it was sent without anything being laid anew', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-24'))]);
    const { entries } = device.store.getState().records;
    await until(() => device.waiting() === 0 && device.store.getState().records.revision === 1);
    expect(device.store.getState().records.entries).toBe(entries);
  });

  it('is kept on the device before it is sent, and waits while the server is away', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    server.state.isAway = true;
    device.sync.change([entryChange(entry('2026-11-24'))]);
    device.sync.change([entryChange(entry('2026-11-23'))]);
    await until(async () => (await device.outbox.read('anna')).waiting.length === 2);
    expect(device.waiting()).toBe(2);
    await until(() => !device.store.getState().outbox.isReachable);
    server.state.isAway = false;
    await until(() => device.waiting() === 0);
    expect(server.state.rows.map((row) => row.key)).toEqual(['2026-11-24 h', '2026-11-23 h']);
    expect(device.store.getState().outbox.isReachable).toBe(true);
  });

  it('survives the app being closed, for its own account only', async () => {
    const server = pretendServer();
    const name = newId();
    const first = open(server, name);
    await until(() => first.store.getState().records.isLoaded);
    server.state.isAway = true;
    first.sync.change([entryChange(entry('2026-11-24', { mark: 'rest' }))]);
    await until(async () => (await first.outbox.read('anna')).waiting.length === 1);
    first.sync.stop();
    expect(first.entries()).toEqual({});

    server.state.isAway = false;
    const other = open(server, name, 'bert');
    await until(() => other.store.getState().records.isLoaded);
    expect(other.entries()).toEqual({});
    other.sync.stop();
    expect(server.state.rows).toHaveLength(0);

    const again = open(server, name);
    await until(() => again.entries()['2026-11-24']?.mark === 'rest');
    await until(() => server.state.rows.length === 1 && again.waiting() === 0);
  });

  it('survives the page being closed in the very moment of the tap, once', async () => {
    const server = pretendServer();
    const name = newId();
    const first = open(server, name);
    await until(() => first.store.getState().records.isLoaded);
    server.state.isAway = true;
    // Closed before IndexedDB came to it: only the write-ahead log has the change.
    const tapped = entryChange(entry('2026-11-24'));
    first.outbox.append('anna', [tapped]);
    first.sync.stop();

    const again = open(server, name);
    const third = open(server, name);
    await until(() => !again.store.getState().outbox.isReachable && !third.store.getState().outbox.isReachable);
    server.state.isAway = false;
    await until(() => again.entries()['2026-11-24']?.mark === 'done');
    await until(() => server.state.rows.length === 1 && again.waiting() === 0 && third.waiting() === 0);
    await until(async () => (await third.outbox.read('anna')).waiting.length === 0);
    expect(Object.keys(localStorage).filter((key) => key.startsWith(`${name}.jotted`))).toEqual([]);
  });

  it('made by a field as the app goes is sent when it is back, and left out of the store that was cleared', async () => {
    const server = pretendServer();
    const name = newId();
    const first = open(server, name);
    await until(() => first.store.getState().records.isLoaded);
    first.sync.stop();
    first.sync.change([entryChange(entry('2026-11-24', { note: 'Storm' }))]);
    expect(first.entries()).toEqual({});
    const second = open(server, name);
    await until(() => server.state.rows.length === 1);
    await until(() => second.waiting() === 0);
    expect(second.entries()).toEqual({ '2026-11-24': entry('2026-11-24', { note: 'Storm' }) });
  });

  it('is pushed from the write-ahead log where the device has no IndexedDB', async () => {
    const server = pretendServer();
    const items = new Map<string, string>();
    const storage = {
      getItem: (key: string) => items.get(key) ?? null,
      setItem: (key: string, value: string) => void items.set(key, value),
      removeItem: (key: string) => void items.delete(key),
      key: (index: number) => [...items.keys()][index] ?? null,
      get length() {
        return items.size;
      },
    };
    const opening = jest.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    const store = createStore();
    const outbox = openOutboxStore(newId(), storage);
    outbox.append('anna', [entryChange(entry('2026-11-23'))]);
    running.push(
      startDeviceSync({
        store,
        api: server.api,
        outbox,
        record: openRecordStore(newId()),
        accountId: 'anna',
        retryMs: [5],
      }),
    );
    await until(() => server.state.rows.length === 1);
    running[0]!.change([entryChange(entry('2026-11-24'))]);
    await until(() => server.state.rows.length === 2 && items.size === 0);
    opening.mockRestore();
  });

  it('that the server refuses is kept and told, and the others go on', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    server.state.refuse = (change) => (change.key.startsWith('2026-11-23') ? 'is not right' : null);
    const bad = entryChange(entry('2026-11-23'));
    device.sync.change([entryChange(entry('2026-11-24')), bad, entryChange(entry('2026-11-22'))]);
    await until(() => device.waiting() === 0);
    expect(device.store.getState().outbox.refused).toEqual([
      { change: { ...bad, base: null }, issues: [{ path: 'name', message: 'is not right' }] },
    ]);
    await until(async () => (await device.outbox.read('anna')).refused.length === 1);
    await device.sync.dismiss(bad.id);
    expect(await device.outbox.read('anna')).toEqual({ waiting: [], refused: [] });
  });

  it('of a page of the journal goes with the page that it began from; of two in a row with the one before', async () => {
    const server = pretendServer();
    const { sync, store, waiting } = open(server, newId());
    await until(() => store.getState().records.isLoaded);
    const page = (text: string) => ({ id: 'p', day: '2026-11-24', part: 'day' as const, text });
    const texts = ['Rain', 'Rain, wind', 'Rain, wind, sea'];
    sync.change([changeTo('journal', page(texts[0]!))]);
    sync.change(texts.slice(1).map((text) => changeTo('journal', page(text))));
    sync.change([changeTo('areas', { id: 'a', name: 'Cello', order: 0 })]);
    await until(() => waiting() === 0);
    expect(server.state.taken.map(({ base }) => base?.text)).toEqual([undefined, texts[0], texts[1], undefined]);
  });

  it('that is too large with others is sent alone, and refused only if it still is', async () => {
    const server = pretendServer();
    const sizes: number[] = [];
    const api: Api = {
      ...server.api,
      sendChanges: async (accountId, changes, revision) => {
        sizes.push(changes.length);
        if (changes.length > 1 || changes[0]!.key.startsWith('2026-11-23'))
          throw new ApiError({ code: 'tooLarge', message: 'too large' });
        return server.api.sendChanges(accountId, changes, revision);
      },
    };
    const device = open({ ...server, api }, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change(['2026-11-22', '2026-11-23', '2026-11-24'].map((day) => entryChange(entry(day))));
    await until(() => device.waiting() === 0);
    expect(server.state.rows.map((row) => row.key.slice(0, 10))).toEqual(['2026-11-22', '2026-11-24']);
    expect(device.store.getState().outbox.refused).toHaveLength(1);
    expect(Math.max(...sizes)).toBe(3);
  });

  it('made after one from a device whose clock is a little ahead is still later', async () => {
    const server = pretendServer();
    const ahead = new Date(Date.now() + 3_600_000).toISOString();
    server.put({
      collection: 'entries',
      key: '2026-11-24 h',
      madeAt: ahead,
      changeId: 'x',
      record: entry('2026-11-24', { mark: 'missed' }),
    });
    const device = open(server, newId());
    await until(() => device.entries()['2026-11-24']?.mark === 'missed');
    expect(entryChange(entry('2026-11-24')).madeAt > ahead).toBe(true);
  });

  it('made by a clock that is far ahead gets the server’s time, and nothing follows that clock', async () => {
    const server = pretendServer();
    server.state.now = '2020-05-01T10:00:00.000Z';
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-24'))]);
    await until(() => server.state.taken.length === 1);
    expect(Math.abs(Date.parse(server.state.taken[0]!.madeAt) - Date.parse(server.state.now))).toBeLessThan(60_000);
    await until(() => device.waiting() === 0);
    expect(device.store.getState().outbox.refused).toEqual([]);
    // What a clock gone wrong has left on the server does not push the next change ahead.
    server.put({
      collection: 'entries',
      key: '2026-11-20 h',
      madeAt: '2100-01-01T00:00:00Z',
      changeId: 'x',
      record: null,
    });
    device.sync.now();
    await until(() => device.store.getState().records.revision >= 2);
    expect(entryChange(entry('2026-11-23')).madeAt.slice(0, 4)).toBe('2020');
    syncServerTime(new Date().toISOString(), Date.now());
  });

  it('that is ahead of the server’s clock however often it is sent is put aside, and the others go on', async () => {
    const server = pretendServer();
    let sent = 0;
    const { sendChanges } = server.api;
    server.api.sendChanges = async (accountId, changes, revision) => {
      sent++;
      const [odd, rest] = [
        changes.filter((each) => each.key.startsWith('2026-11-23')),
        changes.filter((each) => !each.key.startsWith('2026-11-23')),
      ];
      const answer = await sendChanges(accountId, rest, revision);
      const ahead = odd.map(({ id }) => ({
        id,
        status: 'refused' as const,
        code: 'ahead' as const,
        issues: [{ path: 'madeAt', message: 'lies ahead' }],
      }));
      return { ...answer, results: [...answer.results, ...ahead] };
    };
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-23')), entryChange(entry('2026-11-24'))]);
    await until(() => device.waiting() === 0);
    expect(device.store.getState().outbox.refused.map(({ change }) => change.key)).toEqual(['2026-11-23 h']);
    expect(Object.keys(device.entries())).toEqual(['2026-11-24']);
    expect(sent).toBeLessThan(8);
  });

  it('that the server refuses is taken back on the screen, with what hangs on it', async () => {
    const server = pretendServer();
    server.put({
      collection: 'entries',
      key: '2026-11-23 h',
      madeAt: '2026-11-23T10:00:00Z',
      changeId: 'x',
      record: entry('2026-11-23', { mark: 'rest' }),
    });
    const device = open(server, newId());
    await until(() => device.entries()['2026-11-23']?.mark === 'rest');
    server.state.refuse = (change) =>
      change.collection === 'quotes' || change.key.endsWith('h') ? 'is not right' : null;
    device.sync.change([
      changeTo('quotes', { id: 'q', text: 'Small turns' }),
      entryChange(entry('2026-11-23', { mark: 'done' })),
      entryChange(entry('2026-11-24')),
    ]);
    expect(device.entries()['2026-11-23']?.mark).toBe('done');
    await until(() => device.waiting() === 0);
    expect(device.entries()).toEqual({ '2026-11-23': entry('2026-11-23', { mark: 'rest' }) });
    expect(device.store.getState().records.quotes).toEqual({});
    expect(device.store.getState().outbox.refused).toHaveLength(3);
  });

  it('that came too late leaves what won on the screen', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    const late = entryChange(entry('2026-11-24', { mark: 'missed' }));
    server.put({
      collection: 'entries',
      key: '2026-11-24 h',
      madeAt: new Date(Date.parse(late.madeAt) + 5000).toISOString(),
      changeId: 'x',
      record: entry('2026-11-24', { mark: 'rest' }),
    });
    device.sync.change([late]);
    await until(() => device.waiting() === 0);
    expect(device.entries()['2026-11-24']?.mark).toBe('rest');
    expect(device.store.getState().outbox.refused).toEqual([]);
  });

  it('that had arrived without the answer being heard stays on the screen', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    const change = entryChange(entry('2026-11-24'));
    const { collection, key, madeAt, id: changeId, record } = change;
    server.put({ collection, key, madeAt, changeId, record });
    device.sync.change([change]);
    await until(() => device.waiting() === 0);
    expect(device.entries()).toHaveProperty('2026-11-24');
  });

  it('of a removal takes along what hangs on it, and brings it back where the server refuses', async () => {
    const server = pretendServer();
    const at = { madeAt: '2026-11-23T10:00:00Z', changeId: 'x' };
    const record = { id: 'n', habitId: 'h', text: 'Slowly' };
    server.put({ collection: 'habits', key: 'h', ...at, record: aHabit('h') });
    server.put({ collection: 'habitNotes', key: 'n', ...at, record });
    server.put({ collection: 'entries', key: '2026-11-23 h', ...at, record: entry('2026-11-23') });
    const device = open(server, newId());
    await until(() => device.entries()['2026-11-23'] !== undefined);
    server.state.refuse = () => 'has something newer under it';
    device.sync.change([removalOf('habits', 'h')]);
    expect([device.entries(), device.store.getState().records.habitNotes]).toEqual([{}, {}]);
    await until(() => device.waiting() === 0);
    expect(Object.keys(device.entries())).toEqual(['2026-11-23']);
    const { habits, habitNotes } = device.store.getState().records;
    expect([habits, habitNotes]).toMatchObject([{ h: { id: 'h' } }, { n: record }]);
  });

  it('that makes the server fail is found among the others and put aside; they go in', async () => {
    const server = pretendServer();
    const sizes: number[] = [];
    const api: Api = {
      ...server.api,
      sendChanges: async (accountId, changes, revision) => {
        sizes.push(changes.length);
        if (changes.some((each) => each.key.startsWith('2026-11-23')))
          throw new ApiError({ code: 'internal', message: 'Something went wrong' });
        return server.api.sendChanges(accountId, changes, revision);
      },
    };
    const device = open({ ...server, api }, newId());
    await until(() => device.store.getState().records.isLoaded);
    const days = ['2026-11-20', '2026-11-21', '2026-11-22', '2026-11-23', '2026-11-24'];
    device.sync.change(days.map((day) => entryChange(entry(day))));
    await until(() => device.waiting() === 0);
    expect(server.state.rows.map((row) => row.key.slice(8, 10))).toEqual(['20', '21', '22', '24']);
    expect(device.store.getState().outbox.refused.map(({ change }) => change.key)).toEqual(['2026-11-23 h']);
    // By itself it had three tries: a server that fails for a moment costs no change.
    expect(sizes.filter((size) => size === 1).length).toBeGreaterThanOrEqual(3);
  });

  it('is never sent under another account: the page stops, and what waits is kept for its own', async () => {
    const server = pretendServer();
    const name = newId();
    const device = open(server, name);
    await until(() => device.store.getState().records.isLoaded);
    server.state.accounts = ['bert'];
    device.sync.change([entryChange(entry('2026-11-24'))]);
    await until(() => device.store.getState().account.status === 'elsewhere');
    expect(server.state.rows).toEqual([]);
    device.sync.stop();
    server.state.accounts = ['anna'];
    const again = open(server, name);
    await until(() => server.state.rows.length === 1 && again.waiting() === 0);
  });

  it('is said not to be kept where neither storage of the device takes it, and goes out all the same', async () => {
    const server = pretendServer();
    const opening = jest.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    const store = createStore();
    const outbox = openOutboxStore(newId(), undefined);
    const sync = startDeviceSync({
      record: openRecordStore(newId()),
      store,
      api: server.api,
      outbox: { ...outbox, append: () => false },
      accountId: 'anna',
      retryMs: [5],
    });
    running.push(sync);
    await until(() => store.getState().records.isLoaded);
    server.state.isAway = true;
    sync.change([entryChange(entry('2026-11-24'))]);
    await until(() => !store.getState().outbox.isKept);
    server.state.isAway = false;
    await until(() => server.state.rows.length === 1);
    opening.mockRestore();
    sync.change([entryChange(entry('2026-11-23'))]);
    // The device’s storage is tried again with every change.
    await until(() => store.getState().outbox.isKept);
  });
});

describe('what the server sends', () => {
  it('is taken in, except where something newer waits here', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    const theirs = (day: string, madeAt: string) =>
      server.put({
        collection: 'entries',
        key: `${day} h`,
        madeAt,
        changeId: 'x',
        record: entry(day, { mark: 'missed' }),
      });
    // An answer that carries what another device wrote is on its way while the person goes on.
    const { sendChanges } = server.api;
    let letGo = (): void => {};
    const held = new Promise<void>((resolve) => (letGo = resolve));
    server.api.sendChanges = async (...asked) => {
      const answer = await sendChanges(...asked);
      await held;
      return answer;
    };
    theirs('2026-11-24', '2020-01-01T00:00:00Z');
    theirs('2026-11-23', new Date(Date.now() + 60_000).toISOString());
    theirs('2026-11-20', '2020-01-01T00:00:00Z');
    device.sync.change([entryChange(entry('2026-11-19'))]);
    await until(() => server.state.sent === 1);
    device.sync.change([
      entryChange(entry('2026-11-24', { mark: 'rest' })),
      entryChange(entry('2026-11-23', { mark: 'rest' })),
    ]);
    const shown: (string | undefined)[] = [];
    device.store.subscribe(() => shown.push(device.entries()['2026-11-24']?.mark));
    letGo();
    await until(() => device.waiting() === 0 && device.entries()['2026-11-20'] !== undefined);
    expect(new Set(shown)).toEqual(new Set(['rest']));
    expect(device.entries()['2026-11-24']?.mark).toBe('rest');
    expect(device.entries()['2026-11-23']?.mark).toBe('missed');
  });

  it('wins over what waited here while the page was closed, if it is later', async () => {
    const server = pretendServer();
    const name = newId();
    const first = open(server, name);
    await until(() => first.store.getState().records.isLoaded);
    server.state.isAway = true;
    first.sync.change([entryChange(entry('2026-11-24', { mark: 'missed' })), entryChange(entry('2026-11-23'))]);
    await until(async () => (await first.outbox.read('anna')).waiting.length === 2);
    first.sync.stop();
    server.put({
      collection: 'entries',
      key: '2026-11-24 h',
      madeAt: new Date(Date.now() + 60_000).toISOString(),
      changeId: 'x',
      record: entry('2026-11-24', { mark: 'rest' }),
    });
    server.state.isAway = false;
    const again = open(server, name);
    // Until the server is heard, what this device knows stands.
    await until(() => again.waiting() === 0 && again.entries()['2026-11-23'] !== undefined);
    expect(again.entries()['2026-11-24']?.mark).toBe('rest');
    await until(async () => (await again.record.read())?.entries['h'] !== undefined);
    const kept = [...eachEntry((await again.record.read())!.entries['h']!)];
    expect(kept.find(({ day }) => day === '2026-11-24')?.mark).toBe('rest');
  });

  it('stands as it was sent once the server took it, where it was shown on top of something older meanwhile', async () => {
    const server = pretendServer();
    const name = newId();
    const of = (mark: Entry['mark'], note?: string): Entry => entry('2026-11-24', note ? { mark, note } : { mark });
    const place = { collection: 'entries' as const, key: '2026-11-24 h' };
    server.put({ ...place, madeAt: '2026-11-01T10:00:00Z', changeId: 'x', record: of('missed') });
    const first = open(server, name);
    await until(async () => (await first.record.read())?.entries['h'] !== undefined);
    first.sync.stop();
    // The page was closed before the device had kept what it began from.
    server.put({ ...place, madeAt: '2026-11-02T10:00:00Z', changeId: 'y', record: of('rest') });
    await first.outbox.keep('anna', [{ ...entryChange(of('rest', 'a cold')), base: of('rest') }]);
    server.state.isAway = true;
    const again = open(server, name);
    await until(() => again.entries()['2026-11-24']?.note === 'a cold');
    expect(again.entries()['2026-11-24']?.mark).toBe('missed');
    server.state.isAway = false;
    await until(() => again.waiting() === 0);
    expect(again.entries()['2026-11-24']).toEqual(of('rest', 'a cold'));
    await until(async () => {
      const kept = [...eachEntry((await again.record.read())!.entries['h']!)];
      return kept[0]?.mark === 'rest' && kept[0].note === 'a cold';
    });
  });

  it('takes away what was removed elsewhere', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-24'))]);
    await until(() => device.waiting() === 0);
    const madeAt = new Date(Date.now() + 60_000).toISOString();
    server.put({ collection: 'entries', key: '2026-11-24 h', madeAt, changeId: 'x', record: null });
    device.sync.now();
    await until(() => device.entries()['2026-11-24'] === undefined);
  });

  it('that nobody is signed in any more ends the session here', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    server.api.changesSince = async () => {
      throw new ApiError({ code: 'signInNeeded', message: '' });
    };
    device.sync.now();
    await until(() => device.store.getState().account.status === 'out');
  });
});

describe('the record on the device', () => {
  const namesOf = (device: ReturnType<typeof open>): string[] =>
    Object.values(device.store.getState().records.habits).map(({ name }) => name);
  /** Puts a habit on the server as another device would. */
  const putHabit = (server: ReturnType<typeof pretendServer>, id: string, name: string, madeAt: string): void => {
    server.put({ collection: 'habits', key: id, madeAt, changeId: newId(), record: aHabit(id, { name }) });
  };
  const isKept = async (device: ReturnType<typeof open>, revision: number): Promise<boolean> =>
    (await device.record.read())?.revision === revision;

  it('opens without the server, with what was there and what was changed on this device', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', '2026-11-01T10:00:00Z');
    const before = open(server, name);
    await until(() => before.store.getState().records.isLoaded);
    before.sync.change([entryChange(entry('2026-11-23'))]);
    await until(() => before.waiting() === 0);
    await until(() => isKept(before, 2));
    server.state.isAway = true;
    before.sync.change([entryChange(entry('2026-11-24'))]);
    await until(async () => (await before.outbox.read('anna')).waiting.length === 1);
    before.sync.stop();
    const after = open(server, name);
    await until(() => after.store.getState().records.isLoaded);
    expect(namesOf(after)).toEqual(['Scales']);
    expect(Object.keys(after.entries())).toEqual(['2026-11-23', '2026-11-24']);
    await until(() => after.waiting() === 1);
    server.state.isAway = false;
    after.sync.now();
    await until(() => after.waiting() === 0);
    expect(server.state.rows.map(({ key }) => key)).toContain('2026-11-24 h');
  });

  it('is changed later than all that is in it, though the clock of the device went back meanwhile', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', new Date(Date.now() + 600_000).toISOString());
    const before = open(server, name);
    await until(() => isKept(before, 1));
    before.sync.stop();
    server.state.isAway = true;
    const after = open(server, name);
    await until(() => after.store.getState().records.isLoaded);
    after.sync.change([changeTo('habits', aHabit('h', { name: 'Slow bow' }))]);
    server.state.isAway = false;
    after.sync.now();
    await until(() => after.waiting() === 0);
    expect(namesOf(after)).toEqual(['Slow bow']);
    expect(server.state.taken.at(-1)?.record).toMatchObject({ name: 'Slow bow' });
  });

  it('asks the server only for what is newer, and takes that in', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', '2026-11-01T10:00:00Z');
    const before = open(server, name);
    await until(() => isKept(before, 1));
    before.sync.stop();
    putHabit(server, 'i', 'Cold swim', '2026-11-02T10:00:00Z');
    const asked = jest.spyOn(server.api, 'changesSince');
    const after = open(server, name);
    await until(() => namesOf(after).length === 2);
    expect(asked.mock.calls.map(([, since]) => since)).toEqual([1]);
    await until(() => isKept(after, 2));
  });

  it('does not show what waited here over something later that is known', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', '2026-11-20T10:00:00Z');
    const before = open(server, name);
    await until(() => isKept(before, 1));
    before.sync.stop();
    const early = { ...changeTo('habits', aHabit('h', { name: 'Early' })), madeAt: '2026-11-10T10:00:00Z' };
    await before.outbox.keep('anna', [early]);
    server.state.isAway = true;
    const after = open(server, name);
    await until(() => after.waiting() === 1);
    expect(namesOf(after)).toEqual(['Scales']);
  });

  it('forgets what the server refused, and keeps what won', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', '2026-11-20T10:00:00Z');
    server.state.refuse = () => 'not this one';
    const before = open(server, name);
    await until(() => isKept(before, 1));
    before.sync.change([changeTo('habits', aHabit('h', { name: 'Refused' }))]);
    await until(() => before.store.getState().outbox.refused.length === 1);
    before.sync.stop();
    server.state.isAway = true;
    const after = open(server, name);
    await until(() => after.store.getState().records.isLoaded);
    expect(namesOf(after)).toEqual(['Scales']);
  });

  it('is asked for anew where the server was put back to an earlier day', async () => {
    const [server, name] = [pretendServer(), newId()];
    for (const [index, id] of ['h', 'i', 'j'].entries()) putHabit(server, id, id, `2026-11-0${index + 1}T10:00:00Z`);
    const before = open(server, name);
    await until(() => isKept(before, 3));
    before.sync.stop();
    server.state.rows.splice(0, 3);
    putHabit(server, 'k', 'Other', '2026-11-09T10:00:00Z');
    const after = open(server, name);
    await until(() => namesOf(after).includes('Other'));
    // Nothing that is only here is thrown away.
    expect(namesOf(after)).toEqual(['h', 'i', 'j', 'Other']);
  });

  it('keeps nothing more once a piece could not be kept, says so, and is fetched whole next time', async () => {
    const [server, name] = [pretendServer(), newId()];
    putHabit(server, 'h', 'Scales', '2026-11-01T10:00:00Z');
    const device = open(server, name);
    await until(() => isKept(device, 1));
    const putting = jest.spyOn(device.record, 'put').mockRejectedValueOnce(new Error('full'));
    putHabit(server, 'i', 'Cold swim', '2026-11-02T10:00:00Z');
    device.sync.now();
    await until(() => !device.store.getState().outbox.isRecordKept);
    putHabit(server, 'j', 'Cards', '2026-11-03T10:00:00Z');
    device.sync.now();
    await until(() => namesOf(device).length === 3);
    putting.mockRestore();
    expect(await device.record.read()).toBeNull();
    device.sync.stop();
    const after = open(server, name);
    await until(() => namesOf(after).length === 3);
    await until(() => isKept(after, 3));
  });
});

describe('what the server tells while the app is open', () => {
  it('is fetched at once where it is newer, and not where the device sent it itself', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    const asked = jest.spyOn(server.api, 'changesSince');
    device.sync.change([entryChange(entry('2026-11-24'))]);
    // It may be announced before the answer arrives.
    device.sync.revisionAnnounced(1);
    await until(() => device.waiting() === 0 && device.store.getState().records.revision === 1);
    // The round that sent it is over by now.
    await new Promise((resolve) => setTimeout(resolve, 60));
    device.sync.revisionAnnounced(1);
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(asked).not.toHaveBeenCalled();
    const madeAt = new Date(Date.now() + 60_000).toISOString();
    server.put({ collection: 'entries', key: '2026-11-23 h', madeAt, changeId: 'x', record: entry('2026-11-23') });
    device.sync.revisionAnnounced(2);
    await until(() => device.entries()['2026-11-23'] !== undefined);
    expect(asked).toHaveBeenCalledTimes(1);
  });
});

describe('a revision that the server is not at any more', () => {
  it('is looked for once', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    const asked = jest.spyOn(server.api, 'changesSince');
    device.sync.revisionAnnounced(50);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(asked).toHaveBeenCalledTimes(1);
  });
});

describe('two tabs of one account', () => {
  const names = (device: ReturnType<typeof open>): string[] =>
    Object.values(device.store.getState().records.habits).map(({ name }) => name);

  it('show at once what either changes, the server away or not, and it is sent once', async () => {
    const [server, name] = [pretendServer(), newId()];
    // Neither takes over from the other, however long this takes.
    const [one, other] = [open(server, name, 'anna', 600_000), open(server, name, 'anna', 600_000)];
    await until(() => [one, other].every(({ store }) => store.getState().records.isLoaded));
    server.state.isAway = true;
    one.sync.change([changeTo('habits', aHabit('h', { name: 'Scales' }))]);
    await until(() => names(other)[0] === 'Scales');
    other.sync.change([changeTo('habits', aHabit('i', { name: 'Cold swim' }))]);
    await until(() => names(one).length === 2);
    expect([one.waiting(), other.waiting()]).toEqual([1, 1]);
    server.state.isAway = false;
    one.sync.now();
    other.sync.now();
    await until(() => one.waiting() + other.waiting() === 0);
    expect(server.state.taken.map(({ key }) => key).sort()).toEqual(['h', 'i']);
  });

  it('take back together what the server refused', async () => {
    const [server, name] = [pretendServer(), newId()];
    const [one, other] = [open(server, name), open(server, name)];
    await until(() => [one, other].every(({ store }) => store.getState().records.isLoaded));
    server.state.isAway = true;
    server.state.refuse = () => 'not this one';
    one.sync.change([changeTo('habits', aHabit('h', { name: 'Scales' }))]);
    await until(() => names(other).length === 1);
    server.state.isAway = false;
    one.sync.now();
    await until(() => names(one).length === 0);
    await until(() => names(other).length === 0);
  });

  it('what a tab could not send before it was closed is sent by the other', async () => {
    const [server, name] = [pretendServer(), newId()];
    const [one, other] = [open(server, name), open(server, name)];
    await until(() => [one, other].every(({ store }) => store.getState().records.isLoaded));
    server.state.isAway = true;
    one.sync.change([changeTo('habits', aHabit('h', { name: 'Scales' }))]);
    await until(() => names(other).length === 1);
    one.sync.stop();
    server.state.isAway = false;
    await until(() => server.state.taken.length === 1);
    await until(() => other.waiting() === 0);
    expect(names(other)).toEqual(['Scales']);
    await until(async () => (await other.outbox.read('anna')).waiting.length === 0);
  });

  it('hide nothing of the server behind what is kept no more, though the word of its answer was missed', async () => {
    const [server, name] = [pretendServer(), newId()];
    const other = open(server, name);
    await until(() => other.store.getState().records.isLoaded);
    const channel = new BroadcastChannel('wimbel.tabs.anna');
    channel.postMessage({ made: [changeTo('habits', aHabit('h', { name: 'Of a tab that is gone' }))] });
    await until(() => names(other).length === 1);
    await new Promise((resolve) => setTimeout(resolve, 150));
    const madeAt = '2026-11-01T10:00:00Z';
    server.put({
      collection: 'habits',
      key: 'h',
      madeAt,
      changeId: 'x',
      record: aHabit('h', { name: 'As it stands' }),
    });
    other.sync.now();
    await until(() => names(other)[0] === 'As it stands');
    expect(other.waiting()).toBe(0);
    channel.close();
  });

  it('know what one of them alone was told by the server', async () => {
    const [server, name] = [pretendServer(), newId()];
    const [one, other] = [open(server, name), open(server, name)];
    await until(() => [one, other].every(({ store }) => store.getState().records.isLoaded));
    const record = aHabit('h', { name: 'Of the phone' });
    server.put({ collection: 'habits', key: 'h', madeAt: '2026-11-01T10:00:00Z', changeId: 'x', record });
    one.sync.revisionAnnounced(1);
    await until(() => names(other)[0] === 'Of the phone');
    expect(other.store.getState().records.revision).toBe(1);
  });

  it('hear nothing of another account', async () => {
    const [server, name] = [pretendServer(), newId()];
    const [one, other] = [open(server, name), open(server, name, 'bert')];
    await until(() => [one, other].every(({ store }) => store.getState().records.isLoaded));
    server.state.isAway = true;
    one.sync.change([changeTo('habits', aHabit('h', { name: 'Scales' }))]);
    await new Promise((resolve) => setTimeout(resolve, 150));
    expect(names(other)).toEqual([]);
  });
});
