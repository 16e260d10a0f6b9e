import 'fake-indexeddb/auto';
import { createRequire } from 'node:module';
import { type Change, type ChangeResult, type ChangesAnswer, type ChangesSince, MOST_AHEAD_MS } from '@wimbel/contract';
import { type Habit, formatDay, parseDay, reportOf } from '@wimbel/core';
import seedrandom from 'seedrandom';
import type { ApiFault } from '@wimbel/sync';
import type * as SyncPackage from '@wimbel/sync';
import type { Api } from '../../apps/web/src/platform/api.ts';
import type { Step } from '../../apps/web/src/store/undo.ts';
import type * as ClockFile from '../../apps/web/src/platform/clock.ts';
import type * as BroughtInFile from '../../apps/web/src/store/importPlan.ts';
import type * as MakeChangeFile from '../../apps/web/src/store/makeChange.ts';
import type * as StoreFile from '../../apps/web/src/store/store.ts';
import type * as UndoFile from '../../apps/web/src/store/undo.ts';
import type * as OutboxStoreFile from '../../apps/web/src/sync/outboxStore.ts';
import type * as RecordStoreFile from '../../apps/web/src/sync/recordStore.ts';
import type * as SyncFile from '../../apps/web/src/sync/startDeviceSync.ts';
import { ask } from './client.ts';

// Taken as the app's own files take each other: a file that is there twice has two clocks, and faults of two kinds.
const load = createRequire(import.meta.url);
const { ApiError, effectsOfChanges } = load('@wimbel/sync') as typeof SyncPackage;
const { syncServerTime: learnServerTime } = load('../../apps/web/src/platform/clock.ts') as typeof ClockFile;
const { recordsOf } = load('../../apps/web/src/store/importPlan.ts') as typeof BroughtInFile;
const { changeTo, entryChange, removalOf } = load('../../apps/web/src/store/makeChange.ts') as typeof MakeChangeFile;
const { createStore } = load('../../apps/web/src/store/store.ts') as typeof StoreFile;
const { undoChanges: changesBack } = load('../../apps/web/src/store/undo.ts') as typeof UndoFile;
const { openOutboxStore } = load('../../apps/web/src/sync/outboxStore.ts') as typeof OutboxStoreFile;
const { openRecordStore } = load('../../apps/web/src/sync/recordStore.ts') as typeof RecordStoreFile;
const { startDeviceSync } = load('../../apps/web/src/sync/startDeviceSync.ts') as typeof SyncFile;

/** What a device is told at its start. */
export type DeviceTask = {
  name: string;
  urls: string[];
  accountId: string;
  headers: Record<string, string>;
  skewMs: number;
  count: number;
  today: string;
};

/** A change as it was sent, and what became of it in the end. */
export type Told = { change: Change; status: ChangeResult['status']; issues?: unknown };

/** What a device has to say once it is quiet. */
export type DeviceAnswer = { records: string; report: string; told: Told[]; made: number; refused: number };

const [task] = [JSON.parse(process.argv[2]!) as DeviceTask];
const random = seedrandom(task.name);
const pick = (count: number): number => Math.floor(random() * count);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

// A clock of its own, that runs ahead of the server's or behind it.
const RealDate = Date;
class SkewedDate extends RealDate {
  constructor(...args: unknown[]) {
    super(...((args.length === 0 ? [RealDate.now() + task.skewMs] : args) as []));
  }
  static override now(): number {
    return RealDate.now() + task.skewMs;
  }
}
globalThis.Date = SkewedDate as DateConstructor;
// Each device is by itself: what is in one browser only is another matter.
delete (globalThis as { BroadcastChannel?: unknown }).BroadcastChannel;
// The write-ahead log outlives the page, like the device's other storage.
const items = new Map<string, string>();
const storage = {
  getItem: (key: string) => items.get(key) ?? null,
  setItem: (key: string, value: string) => void items.set(key, value),
  removeItem: (key: string) => void items.delete(key),
  key: (at: number) => [...items.keys()][at] ?? null,
  get length() {
    return items.size;
  },
};

const told = new Map<string, Told>();
let isCalm = false;

/** The server as this device reaches it: cut off before or after it heard, asked twice, slow, or one of two. */
function connection(): { api: Api; cut: () => void } {
  let isCut = false;
  const offline = (): never => {
    throw new ApiError({ code: 'offline', message: '' });
  };
  async function reach<T>(path: string, body: unknown): Promise<T> {
    if (isCut) offline();
    const isRough = !isCalm && random() < 0.25;
    const url = task.urls[pick(task.urls.length)]!;
    const sentMs = Date.now();
    if (isRough) await pause(pick(60));
    const cutAfterMs = isRough && random() < 0.5 ? pick(25) : null;
    // Each server takes changes from its own pages only.
    const headers = { ...task.headers, origin: url };
    const once = () => ask(`${url}${path}`, headers, body, cutAfterMs).catch(offline);
    // Asked twice, the answer that comes last may be the first one's.
    const [answer, again] = await Promise.all(isRough && random() < 0.5 ? [once(), once()] : [once()]);
    const { status, body: said } = again !== undefined && random() < 0.5 ? again : answer!;
    if (status >= 500 && status !== 503) throw new Error(`a ${status}: ${JSON.stringify(said)}`);
    if (status !== 200)
      throw new ApiError({ ...(said as ApiFault), code: status === 503 ? 'unavailable' : (said as ApiFault).code });
    // The answer is lost on its way back.
    if (isCut || (isRough && random() < 0.3)) offline();
    const { now } = said as { now?: string };
    if (now !== undefined) learnServerTime(now, sentMs);
    return said as T;
  }
  const api: Pick<Api, 'sendChanges' | 'changesSince'> = {
    async sendChanges(_, changes, since): Promise<ChangesAnswer> {
      const answer = await reach<ChangesAnswer>('/api/changes', { changes, since });
      const byId = new Map(changes.map((each) => [each.id, each]));
      for (const result of answer.results) {
        const change = byId.get(result.id)!;
        if (result.status === 'refused' && result.code === 'ahead') continue;
        told.set(result.id, {
          change,
          status: result.status,
          ...('issues' in result ? { issues: result.issues } : {}),
        });
      }
      return answer;
    },
    changesSince: (_, revision) => reach<ChangesSince>(`/api/changes?since=${revision}`, undefined),
  };
  return { api: api as Api, cut: () => void (isCut = true) };
}

function open() {
  const store = createStore();
  const { api, cut } = connection();
  const sync = startDeviceSync({
    store,
    api,
    outbox: openOutboxStore('wimbel', storage as never),
    record: openRecordStore(task.accountId),
    accountId: task.accountId,
    retryMs: [10, 30, 80],
  });
  const isLoaded = (): boolean => store.getState().records.isLoaded;
  return { store, sync, cut, isLoaded, waiting: () => store.getState().outbox.waiting.count };
}

let device = open();
let made = 0;
let lastStep: Step | null = null;
const until = async (holds: () => boolean): Promise<void> => {
  while (!holds()) await pause(5);
};

const word = (): string => `${task.name}${made}`;
const dayOfMonth = (): string => `2026-10-${String(1 + pick(20)).padStart(2, '0')}`;

/** Something that a person may do next to what stands here. */
function nextChange(): Change | null {
  const { records } = device.store.getState();
  const ids = Object.keys(records.habits);
  const habitId = ids[pick(ids.length)];
  if (habitId === undefined) return null;
  const habit = records.habits[habitId]!;
  const of = (more: Partial<Habit>): Change => changeTo('habits', { ...habit, ...more });
  const what = random();
  if (what < 0.55) {
    const day = dayOfMonth();
    const held = recordsOf(records).entries.find((each) => each.habitId === habitId && each.day === day);
    if (held !== undefined && random() < 0.15) return removalOf('entries', `${day} ${habitId}`);
    const entry = held ?? { habitId, day };
    return entryChange(
      random() < 0.4 ? { ...entry, note: word() } : { ...entry, mark: (['done', 'missed', 'rest'] as const)[pick(3)]! },
    );
  }
  if (what < 0.66) return of({ name: word() });
  if (what < 0.73) return of({ icon: word() });
  if (what < 0.79) return of({ partOfDay: (['any', 'morning', 'evening'] as const)[pick(3)]! });
  if (what < 0.86)
    return of({ monthTargets: { ...habit.monthTargets, [`2026-0${1 + pick(9)}`]: { days: 1 + pick(28) } } });
  if (what < 0.92) {
    const from = dayOfMonth();
    const others = (habit.pauses ?? []).filter((each) => each.from !== from);
    const pauses = [...others, { from, to: from }].sort((a, b) => (a.from < b.from ? -1 : 1));
    return of({ pauses: random() < 0.3 ? others : pauses });
  }
  if (what < 0.96) return of({ note: `${habit.note ?? ''}\n${word()}.` });
  const { settings } = device.store.getState().records;
  return changeTo(
    'settings',
    random() < 0.5 ? { ...settings, passMark: 0.5 + pick(50) / 100 } : { ...settings, dayEndsAt: pick(4) },
  );
}

/** The page is gone in the middle of whatever it did, and is opened again. */
async function killed(): Promise<void> {
  device.cut();
  device.sync.stop();
  lastStep = null;
  await pause(pick(40));
  device = open();
  await until(device.isLoaded);
}

async function live(): Promise<void> {
  await until(device.isLoaded);
  while (made < task.count) {
    for (let some = 1 + pick(5); some > 0 && made < task.count; some--) {
      const { records } = device.store.getState();
      const isUndo = lastStep !== null && random() < 0.08;
      const changes = isUndo ? changesBack(records, lastStep!) : [nextChange()].filter((each) => each !== null);
      if (changes.length === 0) continue;
      lastStep = isUndo ? null : effectsOfChanges(records, changes);
      made += changes.length;
      device.sync.change(changes);
    }
    await pause(pick(25));
    if (random() < 0.02) await killed();
    if (random() < 0.1) await pause(pick(150));
    if (random() < 0.3) device.sync.now();
  }
}

/** What this device has in the end, in one order. */
function answer(): DeviceAnswer {
  const { records, outbox } = device.store.getState();
  const all = recordsOf(records);
  const sorted = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(sorted)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(
            Object.entries(value)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([name, each]) => [name, sorted(each)]),
          )
        : value;
  const lists = Object.fromEntries(
    Object.entries(all).map(([name, list]) => [
      name,
      Array.isArray(list) ? list.map((each) => JSON.stringify(sorted(each))).sort() : JSON.stringify(sorted(list)),
    ]),
  );
  const today = parseDay(task.today)!;
  return {
    records: JSON.stringify(lists),
    report: JSON.stringify(sorted(reportOf(all, today))),
    told: [...told.values()],
    made,
    refused: outbox.refused.length,
  };
}

process.on('message', (words: { calm?: true; tell?: true }) => {
  if (words.tell) return void process.send!(answer());
  isCalm = true;
  device.sync.now();
  void until(() => device.waiting() === 0)
    .then(() => pause(200))
    .then(() => {
      device.sync.now();
      return pause(400);
    })
    .then(() => process.send!({ quiet: true, revision: device.store.getState().records.revision }));
});
// Whoever watches over it is gone.
process.on('disconnect', () => process.exit(1));
await live();
process.send!({ lived: true, day: formatDay(parseDay(task.today)!), ahead: MOST_AHEAD_MS });
