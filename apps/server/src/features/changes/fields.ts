import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, type Collection, checkRecord, keyOf } from '@wimbel/contract';
import { mergeInto, partsChanged } from '@wimbel/core';
import { togetherId } from './journal.ts';
import { type AnyRecord, type Logged, type Origin, type PartOrigins, isLater } from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';
import { seenWith } from './seen.ts';
import type { State } from './state.ts';

/** How many parts of a record are told by themselves: its lists may change for years. */
const MOST_PARTS = 200;

/** Who wrote a part of a record last: of a field that holds several, the latest of them. */
function originOf(held: Logged, part: string): Origin {
  const of = held.parts?.of ?? {};
  const [field] = part.split('/');
  const named = Object.entries(of).flatMap(([name, origin]) =>
    name === part || name === field || name.startsWith(`${part}/`) ? [origin] : [],
  );
  return [of[''] ?? held, ...named].reduce((latest, each) => (isLater(each, latest) ? each : latest));
}

const only = ({ changedAt, changeId }: Origin): Origin => ({ changedAt, changeId });

/** The newest parts by name; those that were written longest ago are told together, by the latest of them. */
function withFew(of: Record<string, Origin>): Record<string, Origin> {
  const ordered = Object.entries(of).sort(([, a], [, b]) => (isLater(a, b) ? -1 : 1));
  if (ordered.length <= MOST_PARTS) return of;
  const [latestLeft] = ordered.slice(MOST_PARTS);
  return { ...Object.fromEntries(ordered.slice(0, MOST_PARTS)), '': latestLeft![1] };
}

/** Who wrote which part, once a change wrote some of them anew; one that began from nothing wrote all that is not later. */
function partsWith(held: Logged, taken: readonly string[], isWhole: boolean, origin: Origin): PartOrigins {
  const before = { '': only(held), ...held.parts?.of };
  const kept = isWhole
    ? { '': only(origin), ...Object.fromEntries(Object.entries(before).filter(([, each]) => isLater(each, origin))) }
    : { ...before, ...Object.fromEntries(taken.map((part) => [part, only(origin)])) };
  return { of: withFew(kept), seen: seenWith(held, origin.changeId) };
}

/** Who wrote which part of a record after a change that nothing came in between of. */
export function partsAfter(
  collection: Collection,
  { base }: Change,
  record: AnyRecord,
  before: Logged | null,
  origin: Origin,
): PartOrigins {
  if (base === undefined || before === null || before.record === null) return null;
  // What a device began from and what stands here are the same; else all of it was written now.
  if (!isDeepStrictEqual(before.record, base)) return null;
  const taken = collection === 'journal' ? [] : partsChanged<object>(collection, before.record, record);
  return partsWith(before, taken, false, origin);
}

/**
 * A record that was changed since the one a change began from: what only one of the two changed stays, of the same part the
 * later holds, whoever comes first. Null where nothing came in between, where one of them took it away, or where the two do
 * not fit together; then the usual rules hold. The device is told that something else stands there now, and what.
 */
export async function decideFields(
  state: State,
  { id, collection, key, madeAt, record, base }: Change,
  before: Logged | null,
  latestMs: number,
): Promise<ChangeResult | null> {
  if (collection === 'journal' || record === null || before === null || before.record === null) return null;
  if (before.changeId === id || before.changeId === togetherId(id) || Date.parse(madeAt) > latestMs) return null;
  const origin: Origin = { changedAt: madeAt, changeId: id };
  // One that began from nothing is of one instant, and so is what was written at once: the later holds whole.
  if (base === undefined && (before.parts === null || isLater(origin, before))) return null;
  if (base !== undefined && isDeepStrictEqual(before.record, base) && isLater(origin, before)) return null;
  const from = base === undefined ? { record: null, issues: [] } : checkRecord(collection, base);
  if (from.issues.length > 0) {
    const issues = from.issues.map(({ path, message }) => ({ path: `base.${path}`, message }));
    return { id, status: 'refused', issues };
  }
  const mine = checkRecord(collection, record).record;
  // What is wrong with it is said by the usual rules.
  if (mine === null || keyOf(collection, mine as never) !== key) return null;
  if (from.record !== null && keyOf(collection, from.record as never) !== key) return null;
  const merged = mergeInto<object>(collection, from.record, before.record, mine, {
    isMineLater: (part) => isLater(origin, originOf(before, part)),
    isKnown: before.parts !== null,
  });
  const checked = checkRecord(collection, merged.record);
  if (checked.record === null) return null;
  if ((await issuesAgainstOthers(state, collection, checked.record, before.record)).length > 0) return null;
  if (!isDeepStrictEqual(checked.record, before.record)) {
    const changedAt = isLater(origin, before) ? madeAt : before.changedAt;
    const parts = partsWith(before, merged.taken, from.record === null, origin);
    state.put(collection, key, checked.record, { changedAt, changeId: togetherId(id) }, parts);
  }
  return { id, status: 'superseded' };
}
