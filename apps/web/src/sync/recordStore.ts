import { type Collection, type Made, type RecordOf, type ServerRow, entryOfKey, isLater } from '@wimbel/contract';
import {
  type Entry,
  type EntryYear,
  type EntryYears,
  type PlainDay,
  NO_ENTRIES,
  dayOf,
  firstOfYear,
  withEntriesOn,
  yearOfDay,
} from '@wimbel/core';
import { type DBSchema, type IDBPObjectStore, deleteDB } from 'idb';
import { latestInstant } from '../platform/clock.ts';
import { bitByBit } from '../platform/yieldToMain.ts';
import { placeOf } from '../store/effects.ts';
import { deviceDatabase } from './deviceDatabase.ts';
import { type KeptYear, daysKept, isPacked, keptYear } from './packedYear.ts';

type AnyRecord = RecordOf<Collection>;
type Place = { collection: Collection; key: string };

/** A record as the server holds it, with the change that made it so. */
export type HeldRow = Pick<ServerRow, 'collection' | 'key' | 'record' | 'madeAt' | 'changeId' | 'revision'>;

/** An account's record as it was kept: everything but entries one by one, entries by habit and year. */
export type KeptRecord = {
  revision: number;
  /** The latest instant of it: what is made on top of it has to be later. */
  latest: string | null;
  rows: { collection: Collection; key: string; record: AnyRecord }[];
  entries: Record<string, EntryYears>;
};

/** Where this device keeps an account's record as the server holds it, for the app to open with it. */
export type RecordStore = {
  /** What is kept; null where nothing is, or not yet the whole of it, or some of it is damaged. */
  read: () => Promise<KeptRecord | null>;
  /** The revision that what is kept is up to; null where nothing is. */
  revision: () => Promise<number | null>;
  /** Which change made some records what they are; those that are not there are left out. */
  madeOf: (places: readonly Place[]) => Promise<Map<string, Made>>;
  /**
   * Takes rows in, the later of a place last, with the revision that the record is up to by them, all or nothing. What is
   * held in a later form already (by another tab) stays; what is gone is remembered as gone.
   */
  put: (rows: readonly HeldRow[], revision: number, isWhole: boolean) => Promise<void>;
  /** Takes everything of the account off this device. */
  clear: () => Promise<void>;
};

/** What is kept of a year: who made each of its days, by the day's place in it. */
type YearMade = Record<number, [madeAt: string, changeId: string]>;

interface RecordDatabase extends DBSchema {
  /** Everything but entries, by place. */
  records: { key: string; value: HeldRow };
  /** The entries of a habit in a year: ten years of fifty habits are five hundred of these. */
  entries: { key: string; value: KeptYear };
  made: { key: string; value: YearMade };
  about: { key: 'record'; value: { revision: number; isWhole: boolean; latest: string | null } };
}

const STORES = ['records', 'entries', 'made', 'about'] as const;

/** So many years are kept anew with whatever is put. */
const PACKED_AT_ONCE = 10;

const yearKey = (habitId: string, year: number): string => `${year} ${habitId}`;

/** The name of the database of an account: one for each. */
export const recordDatabase = (accountId: string): string => `wimbel.record.${accountId}`;

/** Keeps nothing: for a device that has no IndexedDB, and for tests. */
export const NO_RECORD_STORE: RecordStore = {
  read: async () => null,
  revision: async () => null,
  madeOf: async () => new Map(),
  put: async () => undefined,
  clear: async () => undefined,
};

/** Opens an account's record in IndexedDB. What goes wrong rejects; the next call tries again. */
export function openRecordStore(accountId: string): RecordStore {
  const name = recordDatabase(accountId);
  const { open: database, close } = deviceDatabase<RecordDatabase>(name, 1, (db) => {
    for (const store of STORES) db.createObjectStore(store);
  });

  /** Years that were found as they used to be kept, and are kept anew some at a time, with whatever is put. */
  const unpacked = new Set<string>();

  return {
    async read() {
      const tx = (await database()).transaction(['about', 'records', 'entries']);
      const [about, rows, years] = await Promise.all([
        tx.objectStore('about').get('record'),
        partsOf(tx.objectStore('records'), 400),
        partsOf(tx.objectStore('entries'), 50),
      ]);
      if (about === undefined || !about.isWhole) return null;
      const entries: Record<string, Record<number, EntryYear>> = {};
      // What is damaged is not guessed at: the whole is fetched anew, and laid over it.
      let isDamaged = false;
      const take = (kept: KeptYear): void => {
        const days = daysKept(kept);
        if (days === null) isDamaged = true;
        else (entries[kept.habitId] ??= {})[kept.year] = days;
        if (days !== null && !isPacked(kept)) unpacked.add(yearKey(kept.habitId, kept.year));
      };
      for (const part of years) await bitByBit(await part, take, () => isDamaged);
      const held = (await Promise.all(rows)).flat();
      if (isDamaged || !held.every(isRow)) return null;
      return {
        revision: about.revision,
        latest: about.latest ?? null,
        // In the order in which the server would tell them.
        rows: held
          .sort((a, b) => a.revision - b.revision)
          .flatMap(({ collection, key, record }) => (record === null ? [] : [{ collection, key, record }])),
        entries,
      };
    },
    async revision() {
      return (await (await database()).get('about', 'record'))?.revision ?? null;
    },
    async madeOf(places) {
      const found = new Map<string, Made>();
      if (places.length === 0) return found;
      const tx = (await database()).transaction(['records', 'made']);
      for (const place of places) {
        const name = placeOf(place);
        if (place.collection === 'entries') {
          const { habitId, year, at } = dayOfKey(place.key);
          const made = (await tx.objectStore('made').get(yearKey(habitId, year)))?.[at];
          if (made !== undefined) found.set(name, { madeAt: made[0], id: made[1] });
        } else {
          const held = await tx.objectStore('records').get(name);
          if (held !== undefined) found.set(name, { madeAt: held.madeAt, id: held.changeId });
        }
      }
      return found;
    },
    async put(rows, revision, isWhole) {
      const tx = (await database()).transaction([...STORES] as Stores, 'readwrite');
      const years = new Map<string, HeldRow[]>();
      for (const row of rows) {
        if (row.collection === 'entries') {
          const { habitId, year } = dayOfKey(row.key);
          const key = yearKey(habitId, year);
          years.set(key, [...(years.get(key) ?? []), row]);
        }
      }
      const others = latestOf(rows.filter(({ collection }) => collection !== 'entries'));
      await Promise.all([
        ...[...others].map(async ([name, row]) => {
          const held = await tx.objectStore('records').get(name);
          if (held === undefined || !isRow(held) || !isLater(madeBy(held), madeBy(row)))
            await tx.objectStore('records').put(heldOf(row), name);
        }),
        ...[...years].map(([key, own]) => putYear(tx.objectStore('entries'), tx.objectStore('made'), key, own)),
        ...[...unpacked].slice(0, PACKED_AT_ONCE).map(async (key) => {
          unpacked.delete(key);
          if (!years.has(key)) await packYear(tx.objectStore('entries'), key);
        }),
      ]);
      const before = await tx.objectStore('about').get('record');
      const latest = [before?.latest, latestInstant()].reduce<string | null>(
        (most, each) => (each && (most === null || each > most) ? each : most),
        null,
      );
      await tx.objectStore('about').put({ revision, isWhole: isWhole || (before?.isWhole ?? false), latest }, 'record');
      await tx.done;
    },
    async clear() {
      await close();
      await deleteDB(name);
    },
  };
}

/**
 * Everything of a store, some at once, each part as soon as it is there: the page is blocked for as long as what one answer
 * brings is unpacked. All are asked for together, so that nobody waits for the way there and back in between.
 */
async function partsOf<V>(
  store: { getAllKeys: () => Promise<string[]>; getAll: (range: IDBKeyRange) => Promise<V[]> },
  atOnce: number,
): Promise<Promise<V[]>[]> {
  const keys = await store.getAllKeys();
  const parts: Promise<V[]>[] = [];
  for (let at = 0; at < keys.length; at += atOnce) {
    const part = store.getAll(IDBKeyRange.bound(keys[at], keys[Math.min(keys.length, at + atOnce) - 1]));
    // One that fails is told of where it is taken, which others before it may keep from coming to.
    part.catch(() => undefined);
    parts.push(part);
  }
  return parts;
}

type Stores = (typeof STORES)[number][];
type StoreOf<S extends (typeof STORES)[number]> = IDBPObjectStore<RecordDatabase, Stores, S, 'readwrite'>;

/** Lays some days of a habit into their year, except where what is held was made later. */
async function putYear(
  entries: StoreOf<'entries'>,
  makers: StoreOf<'made'>,
  key: string,
  rows: readonly HeldRow[],
): Promise<void> {
  const { habitId, year } = dayOfKey(rows[0]!.key);
  const [kept, makersOfYear = {}] = await Promise.all([entries.get(key), makers.get(key)]);
  // Over a damaged year everything is laid anew.
  const daysHeld = daysKept(kept);
  const made = daysHeld === null ? {} : makersOfYear;
  const held: EntryYears = daysHeld === null ? NO_ENTRIES : { [year]: daysHeld };
  const days: [day: PlainDay, entry: Entry | null][] = [];
  for (const row of rows) {
    const { at } = dayOfKey(row.key);
    const maker = made[at];
    if (maker !== undefined && isLater({ madeAt: maker[0], id: maker[1] }, madeBy(row))) continue;
    days.push([firstOfYear(year) + at, row.record as Entry | null]);
    made[at] = [row.madeAt, row.changeId];
  }
  const laid = withEntriesOn(held, days)[year];
  if (laid === undefined) return;
  await Promise.all([entries.put(keptYear(habitId, year, laid), key), makers.put(made, key)]);
}

/** Keeps a year anew as it is kept now; what is damaged stays, to be found so. */
async function packYear(entries: StoreOf<'entries'>, key: string): Promise<void> {
  const kept = await entries.get(key);
  const days = daysKept(kept);
  if (kept !== undefined && days !== null) await entries.put(keptYear(kept.habitId, kept.year, days), key);
}

const madeBy = ({ madeAt, changeId }: HeldRow): Made => ({ madeAt, id: changeId });

/** The last row of each place. */
const latestOf = (rows: readonly HeldRow[]): Map<string, HeldRow> => new Map(rows.map((row) => [placeOf(row), row]));

const isRow = (row: unknown): boolean => {
  const { collection, key, record } = (row ?? {}) as Partial<HeldRow>;
  return typeof collection === 'string' && typeof key === 'string' && typeof record === 'object';
};

const heldOf = ({ collection, key, record, madeAt, changeId, revision }: HeldRow): HeldRow => ({
  collection,
  key,
  record,
  madeAt,
  changeId,
  revision,
});

function dayOfKey(key: string): { habitId: string; year: number; at: number } {
  const { habitId, day } = entryOfKey(key);
  const number = dayOf(day);
  const year = yearOfDay(number);
  return { habitId, year, at: number - firstOfYear(year) };
}
