import type { Change, Collection, RecordOf } from '@wimbel/contract';
import { TOGETHER } from '@wimbel/core';
import isEqual from 'fast-deep-equal';
import { type Touched, recordAt, touchedBy } from './effects.ts';
import { changeTo, removalOf } from './makeChange.ts';
import type { RecordsState } from './recordsState.ts';

type AnyRecord = RecordOf<Collection>;
type Fields = Record<string, unknown>;

/** What a step touched, in the order it did. */
export type Step = Touched[];

export const stepOf = (records: RecordsState, changes: readonly Change[]): Step => touchedBy(records, changes);

/** A record as it is now, with what a step changed of it as it was before. */
function withoutStep({ collection, before, after }: Touched, now: AnyRecord): AnyRecord {
  const [was, made] = [before as Fields, after as Fields];
  const changed = new Set(Object.keys({ ...was, ...made }).filter((field) => !isEqual(was[field], made[field])));
  for (const fields of TOGETHER[collection] ?? []) {
    if (fields.some((field) => changed.has(field))) for (const field of fields) changed.add(field);
  }
  const next: Fields = { ...(now as unknown as Fields) };
  for (const field of changed) {
    if (was[field] === undefined) delete next[field];
    else next[field] = was[field];
  }
  return next as AnyRecord;
}

/**
 * The changes that undo a step in the records as they are now: what it made goes, what it took away comes back, and of
 * what it changed the fields that it changed go back. What was done to other fields since stays.
 */
export function changesBack(records: RecordsState, step: Step): Change[] {
  // The last first: what was taken away comes back before what hangs on it.
  return step.toReversed().flatMap((touched): Change[] => {
    const { collection, key, before, after } = touched;
    const now = recordAt(records, collection, key);
    if (before === null) return now === null ? [] : [removalOf(collection, key)];
    if (after === null) return [changeTo(collection, before as never)];
    // What was taken away since stays away.
    return now === null ? [] : [changeTo(collection, withoutStep(touched, now) as never)];
  });
}
