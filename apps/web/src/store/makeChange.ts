import { type Change, type Collection, type RecordOf, entryKey, keyOf } from '@wimbel/contract';
import type { Entry } from '@wimbel/core';
import { v7 as uuid } from 'uuid';

/** A new id, in order of making. */
export const newId = (): string => uuid();

let latestMs = 0;

/** Takes note of an instant seen, so that what is made from here on is later, even where this device's clock is behind. */
export function noteInstant(instant: string): void {
  latestMs = Math.max(latestMs, Date.parse(instant));
}

/** The instant of a change made now: the device's time, but always later than any instant seen. */
function nextInstant(): string {
  latestMs = Math.max(Date.now(), latestMs + 1);
  return new Date(latestMs).toISOString();
}

/** A record as it is to be from now on. */
export const changeTo = <C extends Collection>(collection: C, record: RecordOf<C>): Change => ({
  id: newId(),
  madeAt: nextInstant(),
  collection,
  key: keyOf(collection, record),
  record,
});

export const removalOf = (collection: Collection, key: string): Change => ({
  id: newId(),
  madeAt: nextInstant(),
  collection,
  key,
  record: null,
});

/** An entry as it is to be; one that says nothing any more is taken away. */
export const entryChange = (entry: Entry): Change =>
  entry.mark === undefined && entry.amount === undefined && !entry.note && !entry.parts?.length
    ? removalOf('entries', entryKey(entry.habitId, entry.day))
    : changeTo('entries', entry);
