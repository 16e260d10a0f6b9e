import type { Change, Collection, RecordOf } from '@wimbel/contract';
import { mergePolicyOf } from '@wimbel/core';
import isEqual from 'fast-deep-equal';
import { type ChangeEffect, type RecordsState, recordAt } from '@wimbel/sync';
import { changeTo, removalOf } from './makeChange.ts';

type AnyRecord = RecordOf<Collection>;
type Fields = Record<string, unknown>;

/** The effects of an undo step, in order. */
export type Step = ChangeEffect[];

/** Reverts, field by field, what a step changed of a record; other fields stay as they are now. */
function withoutStep({ collection, before, after }: ChangeEffect, now: AnyRecord): AnyRecord {
  const [was, made] = [before as Fields, after as Fields];
  const changed = new Set(Object.keys({ ...was, ...made }).filter((field) => !isEqual(was[field], made[field])));
  for (const fields of mergePolicyOf(collection).together ?? []) {
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
 * The changes that undo a step on the current records: created records are deleted, deleted ones restored, of changed ones the
 * changed fields reverted. Later edits of other fields stay.
 */
export function undoChanges(records: RecordsState, step: Step): Change[] {
  // In reverse: a deleted record is restored before its dependants.
  return step.toReversed().flatMap((touched): Change[] => {
    const { collection, key, before, after } = touched;
    const now = recordAt(records, collection, key);
    if (before === null) return now === null ? [] : [removalOf(collection, key)];
    if (after === null) return [changeTo(collection, before)];
    // A record deleted since stays deleted.
    return now === null ? [] : [changeTo(collection, withoutStep(touched, now))];
  });
}
