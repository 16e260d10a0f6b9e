import { setImmediate as yieldToOthers } from 'node:timers/promises';
import {
  type Change,
  type ChangeResult,
  type Collection,
  type RemovalPlan,
  checkRecord,
  isKey,
  keyOf,
  removalPlan,
} from '@wimbel/contract';
import { type Origin, isLater, placeOf } from './queries.ts';
import { mergeRecord, partsAfter } from './merge/mergeRecord.ts';
import { mergePage } from './merge/mergeJournal.ts';
import { issuesAgainstOthers } from './relations.ts';
import type { BatchState } from './batchState.ts';

/** Time slice of validation before yielding to other requests. */
const SLICE_MS = 8;

/**
 * Decides changes in order, each on the state after those before it; instants after `latestMs` are refused. For an account over
 * its quota (`isFull`) only deletions are accepted.
 */
export async function decideAll(
  state: BatchState,
  changes: readonly Change[],
  latestMs: number,
  isFull: boolean,
): Promise<ChangeResult[]> {
  const results: ChangeResult[] = [];
  let since = performance.now();
  for (const change of changes) {
    if (isFull && change.record !== null) {
      results.push({ ...refusal(change.id, '', 'has no room: the account is full'), code: 'full' });
      continue;
    }
    results.push(await decide(state, change, latestMs).catch((error: unknown) => unreadable(change, error)));
    if (performance.now() - since > SLICE_MS) {
      await yieldToOthers();
      since = performance.now();
    }
  }
  return results;
}

/** A TypeError or RangeError in a check refuses the change; any other error is rethrown. */
function unreadable({ id }: Change, error: unknown): ChangeResult {
  if (error instanceof TypeError || error instanceof RangeError) return refusal(id, '', 'cannot be read');
  throw error;
}

async function decide(state: BatchState, change: Change, latestMs: number): Promise<ChangeResult> {
  const { id, collection, key } = change;
  const origin = { changedAt: change.madeAt, changeId: id };
  if (!isKey(collection, key)) return refusal(id, 'key', 'is not a key of this collection');
  const before = await state.logged(collection, key);
  if (before?.parts?.seen.includes(id)) return { id, status: 'superseded' };
  const together = await mergePage(state, change, before, latestMs);
  if (together !== null) return together;
  const fields = await mergeRecord(state, change, before, latestMs);
  if (fields !== null) return fields;
  if (before !== null && !isLater(origin, before)) return { id, status: 'superseded' };
  if (!('record' in change)) return refusal(id, 'record', 'is missing; a removal says null');
  if (Date.parse(change.madeAt) > latestMs) {
    return { ...refusal(id, 'madeAt', 'lies ahead of the server’s clock'), code: 'ahead' };
  }
  if (change.record === null) return remove(state, change, origin);
  const { record, issues } = checkRecord(collection, change.record);
  if (record === null) return { id, status: 'refused', issues };
  if (keyOf(collection, record as never) !== key) return refusal(id, 'key', 'is not the key of the record');
  const against = await issuesAgainstOthers(state, collection, record, before?.record ?? null);
  if (against.length > 0) return { id, status: 'refused', issues: against };
  const parts = partsAfter(collection, change, record, before, origin);
  return { id, status: 'accepted', revision: state.put(collection, key, record, origin, parts) };
}

/** Cascading deletion, unless a dependant was written later. */
async function remove(state: BatchState, { id, collection, key }: Change, origin: Origin): Promise<ChangeResult> {
  if (collection === 'settings') return refusal(id, '', 'cannot be removed');
  const origins = new Map<string, Origin>();
  const plan = await planRemoval(state, collection, key, origins);
  if (plan.keptBy !== null) return refusal(id, '', `is named by ${plan.keptBy.collection}, which stay`);
  const originOf = (of: Collection, each: string) => origins.get(placeOf(of, each));
  const later = plan.goes.filter((each) => {
    const own = originOf(each.collection, each.key);
    return own !== undefined && isLater(own, origin);
  });
  if (later.length > 0) {
    return refusal(id, '', `has something newer under it (${later[0]!.collection}), written on another device since`);
  }
  for (const each of plan.letsGo) {
    const own = originOf(each.collection, each.key)!;
    state.put(each.collection, each.key, each.record, isLater(own, origin) ? own : origin);
  }
  let revision = 0;
  for (const each of plan.goes) revision = state.put(each.collection, each.key, null, origin);
  return { id, status: 'accepted', revision };
}

async function planRemoval(
  state: BatchState,
  collection: Collection,
  key: string,
  origins: Map<string, Origin>,
): Promise<RemovalPlan> {
  const asking = removalPlan(collection, key);
  let step = asking.next();
  while (!step.done) {
    const { by, key: named } = step.value;
    const found = await state.namedBy(by, named);
    for (const { record, changedAt, changeId } of found) {
      origins.set(placeOf(by.in, keyOf(by.in, record as never)), { changedAt, changeId });
    }
    step = asking.next(found.map((each) => each.record));
  }
  return step.value;
}

/** A change refused for one fault. */
export const refusal = (id: string, path: string, message: string): ChangeResult & { status: 'refused' } => ({
  id,
  status: 'refused',
  issues: [{ path, message }],
});
