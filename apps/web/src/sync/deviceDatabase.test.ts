import { openDB } from 'idb';
import { newId } from '../store/makeChange.ts';
import { deviceDatabase, onBlocked, isHeldUp } from './deviceDatabase.ts';

const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

/** The layout of a version: a store more with each. */
const lay = (
  db: { objectStoreNames: DOMStringList; createObjectStore: (name: string) => unknown },
  version: number,
) => {
  for (let at = 1; at <= version; at++)
    if (!db.objectStoreNames.contains(`store ${at}`)) db.createObjectStore(`store ${at}`);
};
const open = (name: string, version: number) => deviceDatabase(name, version, (db) => lay(db as never, version));

it('is said to be held up by a tab that does not let go, and goes on by itself once it does', async () => {
  const name = newId();
  const old = await openDB(name, 1, { upgrade: (db) => lay(db, 1) });
  const told: boolean[] = [];
  const stop = onBlocked(() => void told.push(isHeldUp()));
  const opening = open(name, 2).open();
  await soon();
  expect(isHeldUp()).toBe(true);
  old.close();
  expect([...(await opening).objectStoreNames]).toEqual(['store 1', 'store 2']);
  expect(told).toEqual([true, false]);
  stop();
});

it('lets go where a newer version wants it, which is not held up', async () => {
  const name = newId();
  const old = open(name, 1);
  await old.open();
  const newer = await open(name, 2).open();
  expect(newer.objectStoreNames).toHaveLength(2);
  expect(isHeldUp()).toBe(false);
  newer.close();
  // The older one cannot read it any more, and says so each time it is asked.
  await expect(old.open()).rejects.toThrow();
  await expect(old.open()).rejects.toThrow();
});

it('is opened again after it could not be', async () => {
  const opening = jest.spyOn(indexedDB, 'open').mockImplementationOnce(() => {
    throw new Error('not now');
  });
  const database = open(newId(), 1);
  await expect(database.open()).rejects.toThrow('not now');
  expect((await database.open()).objectStoreNames).toHaveLength(1);
  opening.mockRestore();
});
