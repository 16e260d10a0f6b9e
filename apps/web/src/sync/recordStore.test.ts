import type { ServerRow } from '@wimbel/contract';
import { eachEntry } from '@wimbel/core';
import { newId } from '../store/makeChange.ts';
import { aHabit } from '../testing/goalSamples.ts';
import { openDB } from 'idb';
import { type HeldRow, openRecordStore, recordDatabase } from './recordStore.ts';

const at = (minute: number): string => `2026-11-24T09:${String(minute).padStart(2, '0')}:00Z`;
const habitRow = (id: string, minute: number, name: string | null = id): HeldRow => ({
  collection: 'habits',
  key: id,
  record: name === null ? null : aHabit(id, { name }),
  madeAt: at(minute),
  changeId: `c${minute}`,
  revision: minute,
});
const entryRow = (day: string, minute: number, isThere = true): HeldRow => ({
  collection: 'entries',
  key: `${day} h`,
  record: isThere ? { habitId: 'h', day, mark: 'done' } : null,
  madeAt: at(minute),
  changeId: `c${minute}`,
  revision: minute,
});
const daysOf = (entries: Record<string, Parameters<typeof eachEntry>[0]>): string[] =>
  [...eachEntry(entries['h'] ?? {})].map(({ day }) => day);
const namesOf = (rows: readonly Pick<ServerRow, 'record'>[]): string[] =>
  rows.map(({ record }) => (record as { name: string }).name);

it('is read back as it was put, entries by habit and year, with the revision it is up to', async () => {
  const store = openRecordStore(newId());
  expect(await store.read()).toBeNull();
  await store.put([habitRow('h', 1), entryRow('2025-12-31', 2), entryRow('2026-01-01', 3)], 7, true);
  await store.put([entryRow('2026-11-24', 4), habitRow('h', 5, 'Scales')], 9, false);
  const kept = (await store.read())!;
  expect(kept.revision).toBe(9);
  expect(namesOf(kept.rows)).toEqual(['Scales']);
  expect(daysOf(kept.entries)).toEqual(['2025-12-31', '2026-01-01', '2026-11-24']);
  expect(Object.keys(kept.entries['h']!)).toEqual(['2025', '2026']);
});

it('is read in the order in which the server would tell it', async () => {
  const store = openRecordStore(newId());
  await store.put([habitRow('b', 1), habitRow('a', 2), habitRow('c', 3)], 3, true);
  await store.put([habitRow('b', 4, 'again')], 4, true);
  expect(namesOf((await store.read())!.rows)).toEqual(['a', 'c', 'again']);
});

it('is nothing to open with before the whole of it is there', async () => {
  const store = openRecordStore(newId());
  await store.put([habitRow('h', 1)], 1, false);
  expect(await store.read()).toBeNull();
  await store.put([entryRow('2026-11-24', 2)], 2, true);
  expect(namesOf((await store.read())!.rows)).toEqual(['h']);
});

it('holds what was made later, whichever tab tells it first; of what is gone it knows that it is', async () => {
  const store = openRecordStore(newId());
  await store.put([habitRow('a', 9, 'Later'), habitRow('b', 9, null), entryRow('2026-11-24', 9, false)], 9, true);
  await store.put([habitRow('a', 3, 'Earlier'), habitRow('b', 3, 'Back'), entryRow('2026-11-24', 3)], 8, true);
  const kept = (await store.read())!;
  expect(namesOf(kept.rows)).toEqual(['Later']);
  expect(daysOf(kept.entries)).toEqual([]);
  expect(kept.revision).toBe(8);
  // The very same change again, as the server put it together with another, takes its place.
  await store.put([habitRow('a', 9, 'Together')], 10, true);
  expect(namesOf((await store.read())!.rows)).toEqual(['Together']);
});

it('takes the last of several rows of one place', async () => {
  const store = openRecordStore(newId());
  const rows = [
    habitRow('a', 1, 'One'),
    habitRow('a', 2, 'Two'),
    entryRow('2026-11-24', 1),
    entryRow('2026-11-24', 2, false),
  ];
  await store.put(rows, 2, true);
  const kept = (await store.read())!;
  expect(namesOf(kept.rows)).toEqual(['Two']);
  expect(daysOf(kept.entries)).toEqual([]);
});

it('tells which change made a record or a day what it is', async () => {
  const store = openRecordStore(newId());
  await store.put([habitRow('a', 1), entryRow('2026-11-24', 2)], 2, true);
  const made = await store.madeOf([
    { collection: 'habits', key: 'a' },
    { collection: 'entries', key: '2026-11-24 h' },
    { collection: 'entries', key: '2026-11-23 h' },
    { collection: 'goals', key: 'g' },
  ]);
  expect(Object.fromEntries(made)).toEqual({
    'habits a': { madeAt: at(1), id: 'c1' },
    'entries 2026-11-24 h': { madeAt: at(2), id: 'c2' },
  });
});

it('is of one account alone, and goes with it', async () => {
  const [anna, bert] = [newId(), newId()];
  const [own, other] = [openRecordStore(anna), openRecordStore(bert)];
  await own.put([habitRow('a', 1)], 1, true);
  await other.put([habitRow('b', 1)], 1, true);
  await own.clear();
  expect(await own.read()).toBeNull();
  expect(namesOf((await other.read())!.rows)).toEqual(['b']);
  // It can be used again at once.
  await own.put([habitRow('c', 2)], 2, true);
  expect(namesOf((await openRecordStore(anna).read())!.rows)).toEqual(['c']);
});

it('gives way to another tab that takes it off the device', async () => {
  const account = newId();
  const [one, other] = [openRecordStore(account), openRecordStore(account)];
  await one.put([habitRow('a', 1)], 1, true);
  expect(await other.read()).not.toBeNull();
  await one.clear();
  expect(await other.read()).toBeNull();
});

it.each([
  ['records', 'habits h', { collection: 'habits' }],
  ['entries', '2026 h', { habitId: 'h', year: 2026, days: 'gone' }],
])(
  'is not opened with where a piece of its %s is damaged, and is whole again once that was fetched',
  async (name, key, value) => {
    const account = newId();
    const store = openRecordStore(account);
    const rows = [habitRow('h', 1), entryRow('2026-11-24', 2)];
    await store.put(rows, 2, true);
    const database = await openDB(recordDatabase(account));
    await database.put(name, value, key);
    expect(await store.read()).toBeNull();
    database.close();
    await store.put(rows, 2, true);
    const kept = (await store.read())!;
    expect([namesOf(kept.rows), daysOf(kept.entries)]).toEqual([['h'], ['2026-11-24']]);
  },
);

it('is read whole in portions, however much it is, in the order in which the server told it', async () => {
  const store = openRecordStore(newId());
  const habits = Array.from({ length: 450 }, (_, index) => ({ ...habitRow(`h${index}`, 1), revision: 1000 - index }));
  const years = Array.from({ length: 60 }, (_, index) => ({
    ...entryRow('2026-01-01', 2),
    key: `${1967 + index}-06-01 h`,
    record: { habitId: 'h', day: `${1967 + index}-06-01`, mark: 'done' as const },
  }));
  await store.put([...habits, ...years], 1000, true);
  const kept = (await store.read())!;
  expect(namesOf(kept.rows)).toEqual(habits.map(({ key }) => key).reverse());
  expect(daysOf(kept.entries)).toEqual(years.map(({ record }) => record.day));
});

it('takes over years that were kept as lists of entries, and keeps them anew in passing', async () => {
  const account = newId();
  await openRecordStore(account).put([entryRow('2026-11-24', 1)], 1, true);
  const days = [{ habitId: 'h', day: '2019-01-01', mark: 'done' }, ...new Array<null>(364).fill(null)];
  const database = await openDB(recordDatabase(account));
  await database.put('entries', { habitId: 'h', year: 2019, days }, '2019 h');
  const store = openRecordStore(account);
  expect(daysOf((await store.read())!.entries)).toEqual(['2019-01-01', '2026-11-24']);
  await store.put([habitRow('h', 2)], 2, false);
  expect(await database.get('entries', '2019 h')).toEqual({
    habitId: 'h',
    year: 2019,
    marks: `d${'.'.repeat(364)}`,
    others: {},
  });
  database.close();
  expect(daysOf((await store.read())!.entries)).toEqual(['2019-01-01', '2026-11-24']);
});
