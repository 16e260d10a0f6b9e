import { setImmediate as yieldToOthers } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, type Collection, checkRecord, keyOf } from '@wimbel/contract';
import { fittedRecord, mergeInto, partsChanged } from '@wimbel/core';
import { mergedChangeId, mergedOrigin } from './mergeJournal.ts';
import { type AnyRecord, type Logged, type Origin, type PartOrigins, isLater } from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';
import { ROOM, keepLostWriting } from './mergeOverflow.ts';
import { seenWith } from './seen.ts';
import type { BatchState } from './batchState.ts';

/** How many parts of a record are told by themselves: its lists may change for years. */
const MOST_PARTS = 200;

const latest = (all: readonly Origin[]): Origin => all.reduce((most, each) => (isLater(each, most) ? each : most));

/**
 * Who wrote a part of a record last: of a field that holds several, the latest of them. Null where nobody ever did. The parts
 * are gone through once, however many are asked about.
 */
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
 * Whether it is known who wrote a part last. Of an item it is known by its own name or its list's: by the origin of the whole
 * record nobody can tell an item that was taken away from one that was never there.
 */
function isNamed(held: Logged, part: string, originOf: (part: string) => Origin | null): boolean {
  const [field] = part.split('/');
  if (field === part) return originOf(part) !== null;
  const of = held.parts?.of ?? {};
  return of[part] !== undefined || of[field!] !== undefined;
}

const only = ({ changedAt, changeId }: Origin): Origin => ({ changedAt, changeId });

/** Origins of parts take up as much as the record they are of, or this much where it is small, in characters. */
const LEAST_ORIGINS = 4096;
/** Characters around a name, an instant and an id as JSON. */
const AROUND = 40;

/** The newest parts by name; those that were written longest ago are told together, by the latest of them. */
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

/** Who wrote which part, once a change wrote some of them anew; one that began from nothing wrote all that is not later. */
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
  return partsWith(before, record, taken, false, origin);
}

/**
 * A merged record that holds, cut down to what it has room for where it is too long together; null where it breaks a rule all
 * the same.
 */
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
 * A record that was changed since the one a change began from: what only one of the two changed stays, of the same part the
 * later holds, whoever comes first. What the record has no room for stays in records beside it. Null where nothing came in
 * between, where one of them took it away, or where the two break a rule together; then the usual rules hold. The device is told that something else stands there now, and what.
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
  // Long records take milliseconds in each step: other requests are answered in between.
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
    // Without its base nobody knows what of a record was written and what was left out.
    if (base === undefined || (await issuesAgainstOthers(state, collection, mine, before.record)).length > 0)
      return null;
    const result = isLate ? mine : before.record;
    if (!(await keepLostWriting(state, change, { ...versions, result, isWhole: true }, origin))) return null;
    // The later holds whole; that the earlier went in is written down, so that sending it again makes nothing more.
    const parts = { of: {}, seen: seenWith(before, id) };
    const revision = state.put(collection, key, result, isLate ? origin : only(before), parts);
    return isLate ? { id, status: 'accepted', revision } : { id, status: 'superseded' };
  }
  // Who says last what stands here already is written down too: else one of in between would win over it.
  const together = mergedOrigin(origin, before);
  if (merged.taken.length > 0 || !isDeepStrictEqual(checked, before.record)) {
    const parts = partsWith(before, checked, merged.taken, isWhole, origin);
    state.put(collection, key, checked, together, parts);
  }
  if (base !== undefined)
    await keepLostWriting(state, change, { ...versions, result: checked, isWhole: false }, together);
  return { id, status: 'superseded' };
}
