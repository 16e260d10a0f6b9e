import { newId } from '../store/makeChange.ts';
import { aHabit } from '../testing/goalSamples.ts';
import { keepAccountOfDevice } from './deviceAccount.ts';
import { preloadRecord, recordStoreOf } from './recordPreload.ts';
import { type HeldRow, openRecordStore } from './recordStore.ts';

const habitRow = (name: string, minute: number): HeldRow => ({
  collection: 'habits',
  key: 'h',
  record: aHabit('h', { name }),
  madeAt: `2026-11-24T09:0${minute}:00Z`,
  changeId: `c${minute}`,
  revision: minute,
});
const namesIn = async (accountId: string): Promise<string[]> =>
  (await recordStoreOf(accountId).read())!.rows.map(({ record }) => (record as { name: string }).name);

/** An account that this device opens with, and what it holds. */
async function anAccount(): Promise<string> {
  const id = newId();
  keepAccountOfDevice({ id, email: 'a@example.org', name: '' });
  await openRecordStore(id).put([habitRow('Scales', 1)], 1, true);
  return id;
}

const aMoment = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 50));

/** How often everything of a store was asked for. */
const readings = (): jest.SpyInstance => jest.spyOn(IDBObjectStore.prototype, 'getAllKeys');

it('is read once, and before anybody asks for it', async () => {
  const id = await anAccount();
  const asked = readings();
  preloadRecord();
  await aMoment();
  const before = asked.mock.calls.length;
  expect(before).toBeGreaterThan(0);
  const store = recordStoreOf(id);
  expect((await store.read())!.revision).toBe(1);
  expect(asked.mock.calls.length).toBe(before);
  // Whoever reads once more reads what is there by then.
  await store.put([habitRow('Scales, slowly', 2)], 2, false);
  expect((await store.read())!.revision).toBe(2);
});

it('is read again where another tab has kept something more since', async () => {
  const id = await anAccount();
  preloadRecord();
  await aMoment();
  const store = recordStoreOf(id);
  await openRecordStore(id).put([habitRow('Scales, slowly', 2)], 2, false);
  const kept = (await store.read())!;
  expect(kept.revision).toBe(2);
  expect(kept.rows).toHaveLength(1);
});

it('is of nobody else, and the second time of the account as it is then', async () => {
  const first = await anAccount();
  preloadRecord();
  const other = newId();
  await openRecordStore(other).put([habitRow('Walk', 3)], 3, true);
  expect(await namesIn(other)).toEqual(['Walk']);
  await openRecordStore(first).put([habitRow('Arpeggios', 4)], 4, false);
  expect(await namesIn(first)).toEqual(['Arpeggios']);
});

it('is nothing where nobody is known, or nothing is kept', async () => {
  keepAccountOfDevice(null);
  preloadRecord();
  const nobody = newId();
  expect(await recordStoreOf(nobody).read()).toBeNull();
  keepAccountOfDevice({ id: nobody, email: 'a@example.org', name: '' });
  preloadRecord();
  expect(await recordStoreOf(nobody).read()).toBeNull();
});
