import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, type Collection, checkRecord, keyOf } from '@wimbel/contract';
import { mergeInto, partsChanged } from '@wimbel/core';
import { togetherId, togetherOrigin } from './journal.ts';
import { type AnyRecord, type Logged, type Origin, type PartOrigins, isLater } from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';
import { seenWith } from './seen.ts';
import type { State } from './state.ts';

/** How many parts of a record are told by themselves: its lists may change for years. */
const MOST_PARTS = 200;

/** Who wrote a part of a record last: of a field that holds several, the latest of them. Null where nobody ever did. */
function originOf(held: Logged, part: string): Origin | null {
  const of = held.parts?.of ?? {};
  const [field] = part.split('/');
  const latest = (all: Origin[]): Origin => all.reduce((most, each) => (isLater(each, most) ? each : most));
  const own = Object.entries(of).flatMap(([name, origin]) => (name === part || name === field ? [origin] : []));
  if (own.length > 0) return latest(own);
  const inside = Object.entries(of).flatMap(([name, origin]) => (name.startsWith(`${part}/`) ? [origin] : []));
  if (inside.length === 0 && (held.record as Record<string, unknown> | null)?.[field!] === undefined) return null;
  return latest([of[''] ?? held, ...inside]);
}

const only = ({ changedAt, changeId }: Origin): Origin => ({ changedAt, changeId });

/** The newest parts by name; those that were written longest ago are told together, by the latest of them. */
function withFew(of: Record<string, Origin>): Record<string, Origin> {
  const { '': whole, ...named } = of;
  const ordered = Object.entries(named).sort(([, a], [, b]) => (isLater(a, b) ? -1 : 1));
  const left = ordered[MOST_PARTS]?.[1];
  if (left === undefined) return of;
  const others = whole === undefined || isLater(left, whole) ? left : whole;
  return { ...Object.fromEntries(ordered.slice(0, MOST_PARTS)), '': others };
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
  if (!base || before === null || before.record === null) return null;
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
  // One that does not say what it began from is of one instant, and so is what was written at once: the later holds whole.
  if (base === undefined && (before.parts === null || isLater(origin, before))) return null;
  if (base && isDeepStrictEqual(before.record, base) && isLater(origin, before)) return null;
  const from = base ? checkRecord(collection, base) : { record: null, issues: [] };
  if (from.issues.length > 0) {
    const issues = from.issues.map(({ path, message }) => ({ path: `base.${path}`, message }));
    return { id, status: 'refused', issues };
  }
  const mine = checkRecord(collection, record).record;
  // What is wrong with it is said by the usual rules.
  if (mine === null || keyOf(collection, mine as never) !== key) return null;
  if (from.record !== null && keyOf(collection, from.record as never) !== key) return null;
  const isWhole = base === undefined;
  const merged = mergeInto<object>(collection, isWhole ? null : (from.record ?? {}), before.record, mine, {
    isMineLater: (part) => {
      const theirs = originOf(before, part);
      return theirs === null || isLater(origin, theirs);
    },
    isKnown: (part) => !before.parts?.isOld && originOf(before, part) !== null,
  });
  const checked = checkRecord(collection, merged.record);
  if (checked.record === null) return null;
  if ((await issuesAgainstOthers(state, collection, checked.record, before.record)).length > 0) return null;
  // Who says last what stands here already is written down too: else one of in between would win over it.
  if (merged.taken.length > 0 || !isDeepStrictEqual(checked.record, before.record)) {
    const parts = partsWith(before, merged.taken, isWhole, origin);
    state.put(collection, key, checked.record, togetherOrigin(origin, before), parts);
  }
  return { id, status: 'superseded' };
}
