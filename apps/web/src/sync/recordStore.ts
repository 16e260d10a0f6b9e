import { type Made, entryOfKey, isLater } from '@wimbel/contract';
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
import { type HeldRow, type RecordStore, placeOf } from '@wimbel/sync';
import { type DBSchema, type IDBPObjectStore, deleteDB } from 'idb';
import { latestInstant } from '../platform/clock.ts';
import { forEachInSlices } from '../platform/yieldToMain.ts';
import { deviceDatabase } from './deviceDatabase.ts';
import { type PackedYear, unpackYear, isPacked, packYear } from './packedYear.ts';

/** Origins of the days of a year, by day of the year. */
type YearMade = Record<number, [madeAt: string, changeId: string]>;

interface RecordDatabase extends DBSchema {
  /** Every record but entries, by collection and key. */
  records: { key: string; value: HeldRow };
  /** The entries of a habit in a year: ten years of fifty habits are five hundred of these. */
  entries: { key: string; value: PackedYear };
  made: { key: string; value: YearMade };
  about: { key: 'record'; value: { revision: number; isWhole: boolean; latest: string | null } };
}

const STORES = ['records', 'entries', 'made', 'about'] as const;

/** How many unpacked years are repacked with each write. */
const PACKED_AT_ONCE = 10;

const yearKey = (habitId: string, year: number): string => `${year} ${habitId}`;

/** The database name of an account. */
export const recordDatabase = (accountId: string): string => `wimbel.record.${accountId}`;

/** Opens an account's store in IndexedDB, lazily; a failed attempt rejects, and the next call retries. */
export function openRecordStore(accountId: string): RecordStore {
  const name = recordDatabase(accountId);
  const { open: database, close } = deviceDatabase<RecordDatabase>(name, 1, (db) => {
    for (const store of STORES) db.createObjectStore(store);
  });

  /** Years in the form of older versions, repacked a few at a time with each write. */
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
      // A damaged store is not repaired: everything is pulled again over it.
      let isDamaged = false;
      const take = (kept: PackedYear): void => {
        const days = unpackYear(kept);
        if (days === null) isDamaged = true;
        else (entries[kept.habitId] ??= {})[kept.year] = days;
        if (days !== null && !isPacked(kept)) unpacked.add(yearKey(kept.habitId, kept.year));
      };
      for (const part of years) await forEachInSlices(await part, take, () => isDamaged);
      const held = (await Promise.all(rows)).flat();
      if (isDamaged || !held.every(isRow)) return null;
      return {
        revision: about.revision,
        latest: about.latest ?? null,
        // In the server's order.
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
          if (!years.has(key)) await repackYear(tx.objectStore('entries'), key);
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
 * Reads an object store in chunks, each handled as it arrives: deserializing one chunk is the longest block of the main thread.
 * All chunks are requested at once, so that there is one round trip.
 */
async function partsOf<V>(
  store: { getAllKeys: () => Promise<string[]>; getAll: (range: IDBKeyRange) => Promise<V[]> },
  atOnce: number,
): Promise<Promise<V[]>[]> {
  const keys = await store.getAllKeys();
  const parts: Promise<V[]>[] = [];
  for (let at = 0; at < keys.length; at += atOnce) {
    const part = store.getAll(IDBKeyRange.bound(keys[at], keys[Math.min(keys.length, at + atOnce) - 1]));
    // A rejection is handled where the chunk is awaited; an earlier one may prevent that.
    part.catch(() => undefined);
    parts.push(part);
  }
  return parts;
}

type Stores = (typeof STORES)[number][];
type StoreOf<S extends (typeof STORES)[number]> = IDBPObjectStore<RecordDatabase, Stores, S, 'readwrite'>;

/** Writes days of a habit into their year, except where the stored version is later. */
async function putYear(
  entries: StoreOf<'entries'>,
  makers: StoreOf<'made'>,
  key: string,
  rows: readonly HeldRow[],
): Promise<void> {
  const { habitId, year } = dayOfKey(rows[0]!.key);
  const [kept, makersOfYear = {}] = await Promise.all([entries.get(key), makers.get(key)]);
  // A damaged year is overwritten.
  const daysHeld = unpackYear(kept);
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
  await Promise.all([entries.put(packYear(habitId, year, laid), key), makers.put(made, key)]);
}

/** Repacks a year; a damaged one stays, to be found so. */
async function repackYear(entries: StoreOf<'entries'>, key: string): Promise<void> {
  const kept = await entries.get(key);
  const days = unpackYear(kept);
  if (kept !== undefined && days !== null) await entries.put(packYear(kept.habitId, kept.year, days), key);
}

const madeBy = ({ madeAt, changeId }: HeldRow): Made => ({ madeAt, id: changeId });

/** The last row per record. */
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
