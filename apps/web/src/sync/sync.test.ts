import type { Change, ChangesAnswer, ChangesSince, ServerRow } from '@wimbel/contract';
import { type Entry, eachEntry } from '@wimbel/core';
import { type Api, ApiError } from '../shared/api.ts';
import { entryChange, newId } from '../store/makeChange.ts';
import { openOutboxStore } from './outboxStore.ts';
import { selectEntries } from '../store/selectors.ts';
import { createStore } from '../store/store.ts';
import { type Sync, startSync } from './sync.ts';

/** A server as the app sees one: it keeps what it is sent, once, and can be out of reach. */
function pretendServer() {
  const rows: ServerRow[] = [];
  const seen = new Set<string>();
  const state = { isAway: false, sent: 0, refuse: (_: Change): string | null => null, rows };
  const reach = (): void => {
    if (state.isAway) throw new ApiError({ code: 'offline', message: '' });
  };
  const api: Pick<Api, 'sendChanges' | 'changesSince'> = {
    sendChanges: async (changes): Promise<ChangesAnswer> => {
      reach();
      state.sent++;
      const results = changes.map((change): ChangesAnswer['results'][number] => {
        const words = state.refuse(change);
        if (words !== null) return { id: change.id, status: 'refused', issues: [{ path: 'name', message: words }] };
        if (seen.has(change.id)) return { id: change.id, status: 'superseded', revision: rows.length };
        seen.add(change.id);
        rows.push({ ...change, revision: rows.length + 1 });
        return { id: change.id, status: 'accepted', revision: rows.length };
      });
      return { revision: rows.length, results };
    },
    changesSince: async (since): Promise<ChangesSince> => {
      reach();
      return { revision: rows.length, more: false, rows: rows.filter((row) => row.revision > since) };
    },
  };
  return { api: api as Api, state };
}

const entry = (day: string, more: Partial<Entry> = { mark: 'done' }): Entry => ({ habitId: 'h', day, ...more });
let running: Sync[] = [];

function open(server: ReturnType<typeof pretendServer>, name: string, accountId = 'anna') {
  const store = createStore();
  const outbox = openOutboxStore(name);
  const sync = startSync({ store, api: server.api, outbox, accountId, retryMs: [5] });
  running.push(sync);
  return {
    store,
    outbox,
    sync,
    waiting: () => store.getState().outbox.waiting.length,
    entries: (): Record<string, Entry> =>
      Object.fromEntries([...eachEntry(selectEntries(store.getState(), 'h'))].map((each) => [each.day, each])),
  };
}

/** Waits until something holds. */
async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 6000; tries++) {
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
    // Closed before IndexedDB came to it: only what was jotted down within the tap is there.
    const tapped = entryChange(entry('2026-11-24'));
    first.outbox.jot('anna', [tapped]);
    first.sync.stop();

    const again = open(server, name);
    await until(() => again.entries()['2026-11-24']?.mark === 'done');
    const third = open(server, name);
    server.state.isAway = false;
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

  it('is sent from what was jotted down where the device gives no database', async () => {
    const server = pretendServer();
    const slips = new Map<string, string>();
    const storage = {
      getItem: (key: string) => slips.get(key) ?? null,
      setItem: (key: string, value: string) => void slips.set(key, value),
      removeItem: (key: string) => void slips.delete(key),
      key: (index: number) => [...slips.keys()][index] ?? null,
      get length() {
        return slips.size;
      },
    };
    const opening = jest.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not here', 'SecurityError');
    });
    const store = createStore();
    const outbox = openOutboxStore(newId(), storage);
    outbox.jot('anna', [entryChange(entry('2026-11-23'))]);
    running.push(startSync({ store, api: server.api, outbox, accountId: 'anna', retryMs: [5] }));
    await until(() => server.state.rows.length === 1);
    running[0]!.change([entryChange(entry('2026-11-24'))]);
    await until(() => server.state.rows.length === 2 && slips.size === 0);
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
      { change: bad, issues: [{ path: 'name', message: 'is not right' }] },
    ]);
    await until(async () => (await device.outbox.read('anna')).refused.length === 1);
    await device.sync.dismiss(bad.id);
    expect(await device.outbox.read('anna')).toEqual({ waiting: [], refused: [] });
  });

  it('that is too large with others is sent alone, and refused only if it still is', async () => {
    const server = pretendServer();
    const sizes: number[] = [];
    const api: Api = {
      ...server.api,
      sendChanges: async (changes) => {
        sizes.push(changes.length);
        if (changes.length > 1 || changes[0]!.key.startsWith('2026-11-23'))
          throw new ApiError({ code: 'tooLarge', message: 'too large' });
        return server.api.sendChanges(changes);
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

  it('made after one from a device whose clock is ahead is still later', async () => {
    const server = pretendServer();
    const ahead = '2126-01-01T00:00:00.000Z';
    server.state.rows.push({
      collection: 'entries',
      key: '2026-11-24 h',
      revision: 1,
      madeAt: ahead,
      record: entry('2026-11-24', { mark: 'missed' }),
    });
    const device = open(server, newId());
    await until(() => device.entries()['2026-11-24']?.mark === 'missed');
    const change = entryChange(entry('2026-11-24'));
    expect(change.madeAt > ahead).toBe(true);
  });
});

describe('what the server sends', () => {
  it('is taken in, except where something newer waits here', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    server.state.isAway = true;
    device.sync.change([entryChange(entry('2026-11-24', { mark: 'rest' }))]);
    await until(() => device.waiting() === 1);
    server.state.rows.push(
      {
        collection: 'entries',
        key: '2026-11-24 h',
        revision: 1,
        madeAt: '2020-01-01T00:00:00Z',
        record: entry('2026-11-24', { mark: 'missed' }),
      },
      {
        collection: 'entries',
        key: '2026-11-20 h',
        revision: 2,
        madeAt: '2020-01-01T00:00:00Z',
        record: entry('2026-11-20'),
      },
    );
    const sendChanges = server.api.sendChanges;
    server.api.sendChanges = async () => {
      throw new ApiError({ code: 'unavailable', message: '' });
    };
    server.state.isAway = false;
    server.api.sendChanges = sendChanges;
    await until(() => device.waiting() === 0 && device.entries()['2026-11-20'] !== undefined);
    expect(device.entries()['2026-11-24']?.mark).toBe('rest');
  });

  it('takes away what was removed elsewhere', async () => {
    const server = pretendServer();
    const device = open(server, newId());
    await until(() => device.store.getState().records.isLoaded);
    device.sync.change([entryChange(entry('2026-11-24'))]);
    await until(() => device.waiting() === 0);
    server.state.rows.push({
      collection: 'entries',
      key: '2026-11-24 h',
      revision: 2,
      madeAt: '2126-02-01T00:00:00Z',
      record: null,
    });
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
