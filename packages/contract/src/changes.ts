import type { InstantText } from '@wimbel/core';
import { COLLECTIONS, type Collection, type RecordOf } from './keys.ts';
import { type Issue, isId, isInstant } from './plain.ts';
import { LIMITS, sizeOf } from './limits.ts';

/**
 * One record as it is to be from an instant on, or its removal (`record: null`, said; a change without the key is
 * refused). What hangs on a record that is removed goes with it or lets go of it, see {@link removalPlan}. Sending a
 * change twice is harmless.
 */
export type Change<C extends Collection = Collection> = {
  id: string;
  madeAt: InstantText;
  /** The instant by the device's own clock, where it is off by hours or more; `madeAt` then is the server's time. */
  deviceAt?: InstantText;
  collection: C;
  key: string;
  record: RecordOf<C> | null;
  /**
   * The record that the change began from, null where nothing was there. Where another device changed it meanwhile, what only
   * one of them changed stays as that one has it, and of long texts nothing that was typed is lost. Without it the record
   * holds whole, or not at all.
   */
  base?: RecordOf<C> | null;
};

const FIELDS = ['id', 'madeAt', 'deviceAt', 'collection', 'key', 'record', 'base'];
const NAMES = new Set<unknown>(COLLECTIONS);

/**
 * The faults of one change but for its record, which is checked by itself so that a fault in it refuses it alone. Said in
 * plain code: it is looked at for every change that anybody sends.
 */
function envelopeIssues(change: unknown): Issue[] {
  if (change === null || typeof change !== 'object' || Array.isArray(change)) {
    return [{ path: '', message: 'is not an object' }];
  }
  const { id, madeAt, deviceAt, collection, key } = change as Record<string, unknown>;
  const issues: Issue[] = Object.keys(change)
    .filter((each) => !FIELDS.includes(each))
    .slice(0, LIMITS.issues)
    .map((each) => ({ path: each.slice(0, LIMITS.keyLength), message: 'is not a known key' }));
  if (typeof id !== 'string' || !isId(id)) issues.push({ path: 'id', message: 'is not an id of 1 to 64 characters' });
  if (typeof madeAt !== 'string' || !isInstant(madeAt)) {
    issues.push({ path: 'madeAt', message: 'is not an instant in UTC, such as 2025-03-01T07:30:00Z' });
  }
  if (deviceAt !== undefined && (typeof deviceAt !== 'string' || !isInstant(deviceAt))) {
    issues.push({ path: 'deviceAt', message: 'is not an instant in UTC, such as 2025-03-01T07:30:00Z' });
  }
  if (!NAMES.has(collection)) issues.push({ path: 'collection', message: 'is not a collection' });
  if (typeof key !== 'string' || key.length === 0 || key.length > LIMITS.keyLength) {
    issues.push({ path: 'key', message: `is not a key of 1 to ${LIMITS.keyLength} characters` });
  }
  return issues;
}

/**
 * The faults of the body of `POST /api/changes`, {@link LIMITS}.issues at most: the looking ends there. How many changes
 * there are is looked at before any of them.
 */
export function changesIssues(body: unknown): Issue[] {
  if (body === null || typeof body !== 'object' || Array.isArray(body)) {
    return [{ path: '', message: 'is not an object' }];
  }
  const { changes, since, ...rest } = body as Record<string, unknown>;
  const issues: Issue[] = Object.keys(rest)
    .slice(0, LIMITS.issues)
    .map((key) => ({ path: key.slice(0, LIMITS.keyLength), message: 'is not a known key' }));
  if (since !== undefined && !isRevision(since))
    issues.push({ path: 'since', message: 'is not a whole number from 0' });
  if (!Array.isArray(changes)) return [...issues, { path: 'changes', message: 'is not a list' }];
  if (changes.length > LIMITS.changes) {
    return [...issues, { path: 'changes', message: `has more than ${LIMITS.changes} changes` }];
  }
  let values = 0;
  for (const [index, change] of changes.entries()) {
    if (issues.length >= LIMITS.issues) break;
    const { record, base } = (change ?? {}) as { record?: unknown; base?: unknown };
    values += sizeOf(record).values + sizeOf(base).values;
    if (values > LIMITS.valuesTogether) {
      issues.push({ path: 'changes', message: `hold more than ${LIMITS.valuesTogether} values together` });
      break;
    }
    for (const { path, message } of envelopeIssues(change)) {
      issues.push({ path: `changes[${index}]${path === '' ? '' : `.${path}`}`, message });
    }
  }
  return issues.slice(0, LIMITS.issues);
}

/** Whether a value is a revision: a whole number from 0. */
export const isRevision = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0;

/**
 * What became of a change: taken in, passed over because something later is already there (or this very change), or
 * refused for the issues named. A refusal of code `ahead` is a change made by a clock that runs ahead of the server's,
 * one of code `full` would add to an account that has no room left.
 */
export type ChangeResult =
  | { id: string; status: 'accepted'; revision: number }
  | { id: string; status: 'superseded' }
  | { id: string; status: 'refused'; code?: 'ahead' | 'full'; issues: Issue[] };

/** How far ahead of the server's clock the instant of a change may lie. */
export const MOST_AHEAD_MS = 24 * 60 * 60 * 1000;

/** A record (or its removal) as the server has it, with the instant and the id of the change that made it so. */
export type ServerRow = {
  collection: Collection;
  key: string;
  revision: number;
  madeAt: InstantText;
  changeId: string;
  record: RecordOf<Collection> | null;
};

/** Rows in order of revision, and the server's time. With `more`, ask again since `revision`. */
export type ChangesSince = { revision: number; more: boolean; rows: ServerRow[]; now: InstantText };

/**
 * The answer to `POST /api/changes`: what became of each change, the server's time, and what is newer than the `since`
 * that was asked with, without what the request itself brought.
 */
export type ChangesAnswer = { results: ChangeResult[] } & ChangesSince;
