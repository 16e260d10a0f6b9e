import { type Change, type Collection, type RecordOf, entryKey, keyOf } from '@wimbel/contract';
import type { Entry } from '@wimbel/core';
import { v7 as uuid } from 'uuid';
import { nextInstant, wrongInstant } from '../platform/clock.ts';

/** A new id, in order of making. */
export const newId = (): string => uuid();

/** The instant of a change made now, with the one by the device's own clock where that is wrong. */
function madeNow(): Pick<Change, 'madeAt' | 'deviceAt'> {
  const deviceAt = wrongInstant();
  return { madeAt: nextInstant(), ...(deviceAt === undefined ? {} : { deviceAt }) };
}

/** A record as it is to be from now on. */
export const changeTo = <C extends Collection>(collection: C, record: RecordOf<C>): Change => ({
  id: newId(),
  ...madeNow(),
  collection,
  key: keyOf(collection, record),
  record,
});

/** The removal of a record, with all that hangs on it. */
export const removalOf = (collection: Collection, key: string): Change => ({
  id: newId(),
  ...madeNow(),
  collection,
  key,
  record: null,
});

/** An entry as it is to be; one that says nothing any more is taken away. */
export const entryChange = (entry: Entry): Change =>
  entry.mark === undefined && entry.amount === undefined && !entry.note && !entry.parts?.length
    ? removalOf('entries', entryKey(entry.habitId, entry.day))
    : changeTo('entries', entry);
