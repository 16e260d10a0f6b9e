import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, checkRecord, keyOf } from '@wimbel/contract';
import { mergedRecord } from '@wimbel/core';
import { togetherId } from './journal.ts';
import { type Logged, isLater } from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';
import type { State } from './state.ts';

/**
 * A record that was changed since the one a change began from: what only one of the two changed stays. Null where nothing came
 * in between, where one of them took it away, or where the two do not fit together; then the usual rules hold. The device is
 * told that something else stands there now, and what.
 */
export async function decideFields(
  state: State,
  { id, collection, key, madeAt, record, base }: Change,
  before: Logged | null,
  latestMs: number,
): Promise<ChangeResult | null> {
  if (collection === 'journal' || collection === 'entries') return null;
  if (base === undefined || record === null || before === null || before.record === null) return null;
  if (before.changeId === id || before.changeId === togetherId(id) || Date.parse(madeAt) > latestMs) return null;
  if (isDeepStrictEqual(before.record, base)) return null;
  const from = checkRecord(collection, base);
  if (from.record === null) {
    const issues = from.issues.map(({ path, message }) => ({ path: `base.${path}`, message }));
    return { id, status: 'refused', issues };
  }
  const mine = checkRecord(collection, record).record;
  // What is wrong with it is said by the usual rules.
  if (mine === null || keyOf(collection, mine as never) !== key || keyOf(collection, from.record as never) !== key)
    return null;
  if (isDeepStrictEqual(before.record, from.record)) return null;
  const isMineLate = isLater({ changedAt: madeAt, changeId: id }, before);
  const [earlier, late] = isMineLate ? [before.record, mine] : [mine, before.record];
  const checked = checkRecord(collection, mergedRecord<object>(collection, from.record, earlier, late));
  if (checked.record === null) return null;
  if ((await issuesAgainstOthers(state, collection, checked.record, before.record)).length > 0) return null;
  if (!isDeepStrictEqual(checked.record, before.record)) {
    const changedAt = isMineLate ? madeAt : before.changedAt;
    state.put(collection, key, checked.record, { changedAt, changeId: togetherId(id) });
  }
  return { id, status: 'superseded' };
}
