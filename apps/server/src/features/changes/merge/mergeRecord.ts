import { setImmediate as yieldToOthers } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, type Collection, checkRecord, keyOf } from '@wimbel/contract';
import { fittedRecord, mergeInto, partsChanged } from '@wimbel/core';
import { mergedChangeId, mergedOrigin } from './mergeJournal.ts';
import { type AnyRecord, type Logged, type Origin, type PartOrigins, isLater } from '../queries.ts';
import { issuesAgainstOthers } from '../relations.ts';
import { ROOM, keepLostWriting } from './mergeOverflow.ts';
import { seenWith } from './seen.ts';
import type { BatchState } from '../batchState.ts';

/** How many parts of a record have an origin of their own; lists may change for years. */
const MOST_PARTS = 200;

const latest = (all: readonly Origin[]): Origin => all.reduce((most, each) => (isLater(each, most) ? each : most));

/** Origin of each part of a record; of a field with several parts the latest; null where there is none. Indexed once, O(parts). */
function originsOf(held: Logged): (part: string) => Origin | null {
  const of = held.parts?.of ?? {};
  const inside = new Map<string, Origin>();
  for (const [name, origin] of Object.entries(of)) {
    const slash = name.indexOf('/');
    if (slash < 0) continue;
    const field = name.slice(0, slash);
    const before = inside.get(field);
    inside.set(field, before === undefined ? origin : latest([before, origin]));
  }
  return (part) => {
    const field = part.split('/')[0]!;
    const own = [of[part], ...(field === part ? [] : [of[field]])].filter((each) => each !== undefined);
    if (own.length > 0) return latest(own);
    const within = field === part ? inside.get(field) : undefined;
    if (within === undefined && (held.record as Record<string, unknown> | null)?.[field] === undefined) return null;
    return latest([of[''] ?? held, ...(within === undefined ? [] : [within])]);
  };
}

/**
 * Whether a part's origin is known. Of a list item only by its own name or its list's: the origin of the whole record does not
 * distinguish a removed item from one that never existed.
 */
function isNamed(held: Logged, part: string, originOf: (part: string) => Origin | null): boolean {
  const [field] = part.split('/');
  if (field === part) return originOf(part) !== null;
  const of = held.parts?.of ?? {};
  return of[part] !== undefined || of[field!] !== undefined;
}

const only = ({ changedAt, changeId }: Origin): Origin => ({ changedAt, changeId });

/** Origins take at most the size of their record, or this much, in characters. */
const LEAST_ORIGINS = 4096;
/** JSON overhead of one origin, in characters. */
const AROUND = 40;

/** Bounds the origins: the newest keep their names; the oldest collapse into one, their latest. */
function withFew(of: Record<string, Origin>, room: number): Record<string, Origin> {
  const { '': whole, ...named } = of;
  const ordered = Object.entries(named).sort(([, a], [, b]) => (isLater(a, b) ? -1 : 1));
  let size = 0;
  const fits = ordered.findIndex(([name, { changedAt, changeId }], at) => {
    size += name.length + changedAt.length + changeId.length + AROUND;
    return at >= MOST_PARTS || size > room;
  });
  const left = ordered[fits]?.[1];
  if (left === undefined) return of;
  const others = whole === undefined || isLater(left, whole) ? left : whole;
  return { ...Object.fromEntries(ordered.slice(0, fits)), '': others };
}

/** The origins of parts after a change; a change without a base wrote every part that is not later. */
function partsWith(
  held: Logged,
  record: AnyRecord,
  taken: readonly string[],
  isWhole: boolean,
  origin: Origin,
): PartOrigins {
  const before = { '': only(held), ...held.parts?.of };
  const kept = isWhole
    ? { '': only(origin), ...Object.fromEntries(Object.entries(before).filter(([, each]) => isLater(each, origin))) }
    : { ...before, ...Object.fromEntries(taken.map((part) => [part, only(origin)])) };
  const room = Math.max(LEAST_ORIGINS, JSON.stringify(record).length);
  return { of: withFew(kept, room), seen: seenWith(held, origin.changeId) };
}

/** The origins of parts after a change without a conflict. */
export function partsAfter(
  collection: Collection,
  { base }: Change,
  record: AnyRecord,
  before: Logged | null,
  origin: Origin,
): PartOrigins {
  if (!base || before === null || before.record === null) return null;
  // The base equals the stored record; else every part counts as written now.
  if (!isDeepStrictEqual(before.record, base)) return null;
  const taken = collection === 'journal' ? [] : partsChanged<object>(collection, before.record, record);
  return partsWith(before, record, taken, false, origin);
}

/** Truncates a merged record to the limits. Returns null where the result is still invalid. */
async function fittingRecord(
  state: BatchState,
  collection: Collection,
  merged: AnyRecord,
  held: AnyRecord,
  late: AnyRecord,
): Promise<AnyRecord | null> {
  const whole = checkRecord(collection, merged).record;
  const record = whole ?? checkRecord(collection, fittedRecord(collection, merged, late, ROOM)).record;
  if (record === null) return null;
  return (await issuesAgainstOthers(state, collection, record, held)).length > 0 ? null : record;
}

/**
 * Resolves a conflict: three-way merge of a change (made from its base) into the stored record. Parts that one side changed are
 * kept; of a part that both changed the later wins, in any order of arrival. Text that exceeds a limit overflows into records
 * beside it. Null where there is no conflict, a side is a deletion, or the merge is invalid; then last-write-wins applies. The
 * result is `superseded`, so that the device receives the merged record.
 */
export async function mergeRecord(
  state: BatchState,
  change: Change,
  before: Logged | null,
  latestMs: number,
): Promise<ChangeResult | null> {
  const { id, collection, key, madeAt, record, base } = change;
  if (collection === 'journal' || record === null || before === null || before.record === null) return null;
  if (before.changeId === id || before.changeId === mergedChangeId(id) || Date.parse(madeAt) > latestMs) return null;
  const origin: Origin = { changedAt: madeAt, changeId: id };
  // Without a base, and against a record written as a whole, the later wins as a whole.
  if (base === undefined && (before.parts === null || isLater(origin, before))) return null;
  if (base && isDeepStrictEqual(before.record, base) && isLater(origin, before)) return null;
  const from = base ? checkRecord(collection, base) : { record: null, issues: [] };
  if (from.issues.length > 0) {
    const issues = from.issues.map(({ path, message }) => ({ path: `base.${path}`, message }));
    return { id, status: 'refused', issues };
  }
  const mine = checkRecord(collection, record).record;
  // The regular checks report its issues.
  if (mine === null || keyOf(collection, mine as never) !== key) return null;
  if (from.record !== null && keyOf(collection, from.record as never) !== key) return null;
  // Each step takes milliseconds for long records: yields to other requests.
  await yieldToOthers();
  const isWhole = base === undefined;
  const originOf = originsOf(before);
  const merged = mergeInto<object>(collection, isWhole ? null : (from.record ?? {}), before.record, mine, {
    isMineLater: (part) => {
      const theirs = originOf(part);
      return theirs === null || isLater(origin, theirs);
    },
    isKnown: (part) => !before.parts?.isOld && isNamed(before, part, originOf),
  });
  await yieldToOthers();
  const isLate = isLater(origin, before);
  const checked = await fittingRecord(
    state,
    collection,
    merged.record as AnyRecord,
    before.record,
    isLate ? mine : before.record,
  );
  await yieldToOthers();
  const versions = { base: from.record, held: before.record, mine };
  if (checked === null) {
    // Without a base, what was removed is unknown.
    if (base === undefined || (await issuesAgainstOthers(state, collection, mine, before.record)).length > 0)
      return null;
    const result = isLate ? mine : before.record;
    if (!(await keepLostWriting(state, change, { ...versions, result, isWhole: true }, origin))) return null;
    // Last write wins; the earlier change is recorded as seen, for idempotency.
    const parts = { of: {}, seen: seenWith(before, id) };
    const revision = state.put(collection, key, result, isLate ? origin : only(before), parts);
    return isLate ? { id, status: 'accepted', revision } : { id, status: 'superseded' };
  }
  // Equal parts get the newer origin too: else a change in between would win.
  const together = mergedOrigin(origin, before);
  if (merged.taken.length > 0 || !isDeepStrictEqual(checked, before.record)) {
    const parts = partsWith(before, checked, merged.taken, isWhole, origin);
    state.put(collection, key, checked, together, parts);
  }
  if (base !== undefined)
    await keepLostWriting(state, change, { ...versions, result: checked, isWhole: false }, together);
  return { id, status: 'superseded' };
}
