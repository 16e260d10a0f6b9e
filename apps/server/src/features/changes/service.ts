import {
  type Change,
  type ChangeResult,
  type ChangesAnswer,
  type ChangesSince,
  type Collection,
  LIST_COLLECTIONS,
  type RecordOf,
  checkRecord,
  keyOf,
} from '@wimbel/contract';
import type { Records } from '@wimbel/core';
import type { Database, Transaction } from '../../db/connection.ts';
import { codeOf } from '../../errors.ts';
import * as queries from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';

/** How many rows one answer to `since` carries at most. */
const PAGE = 20000;
/** How many rows one insert of an import carries. */
const IMPORT_ROWS = 500;

/** Whether PostgreSQL refused values (class 22) or a constraint (class 23). */
const isRefusedByDatabase = (error: unknown): boolean => /^2[23]/.test(codeOf(error) ?? '');

/**
 * Takes in changes in order, all in one transaction. A change that does not hold is refused by itself and the others go
 * in; one that is not later than what is there is passed over, so that sending it twice is harmless.
 */
export async function applyChanges(db: Database, userId: string, changes: readonly Change[]): Promise<ChangesAnswer> {
  try {
    return await applyAll(db, userId, changes, (tx, change, revision) => applyChange(tx, userId, change, revision));
  } catch (error) {
    if (!isRefusedByDatabase(error)) throw error;
    // One of them broke a constraint that no check foresaw: find it by giving each a savepoint of its own.
    return applyAll(db, userId, changes, (tx, change, revision) => applyGuarded(tx, userId, change, revision));
  }
}

async function applyAll(
  db: Database,
  userId: string,
  changes: readonly Change[],
  apply: (tx: Transaction, change: Change, revision: number) => Promise<ChangeResult>,
): Promise<ChangesAnswer> {
  return db.transaction(async (tx) => {
    const last = await queries.takeRevisions(tx, userId, changes.length);
    const results: ChangeResult[] = [];
    for (const [index, change] of changes.entries()) {
      results.push(await apply(tx, change, last - changes.length + 1 + index));
    }
    return { revision: last, results };
  });
}

async function applyGuarded(tx: Transaction, userId: string, change: Change, revision: number): Promise<ChangeResult> {
  try {
    return await tx.transaction((inner) => applyChange(inner, userId, change, revision));
  } catch (error) {
    if (!isRefusedByDatabase(error)) throw error;
    const message =
      codeOf(error) === '23503' ? 'is named by other records, or names one that is gone' : 'cannot be stored';
    return { id: change.id, status: 'refused', issues: [{ path: '', message }] };
  }
}

const isLater = (a: { changedAt: string; changeId: string }, b: { changedAt: string; changeId: string }): boolean => {
  const byTime = instantValue(a.changedAt) - instantValue(b.changedAt);
  return byTime > 0 || (byTime === 0 && a.changeId > b.changeId);
};

/** Microseconds since 1970, exact for the instants that the contract lets through. */
function instantValue(text: string): number {
  const [seconds = '', fraction = ''] = text.replace('Z', '').split('.');
  return Date.parse(`${seconds}Z`) * 1000 + Number(fraction.padEnd(6, '0').slice(0, 6));
}

async function applyChange(tx: Transaction, userId: string, change: Change, revision: number): Promise<ChangeResult> {
  const { id, collection, key } = change;
  const origin = { changedAt: change.madeAt, changeId: id, revision };
  const superseded: ChangeResult = { id, status: 'superseded', revision };
  if (change.record === null || change.record === undefined) {
    if (collection === 'settings') return refusal(id, '', 'cannot be removed');
    const before =
      (await queries.originOf(tx, collection, userId, key)) ?? (await queries.findRemoval(tx, userId, collection, key));
    if (before !== null && !isLater(origin, before)) return superseded;
    if (await queries.isNamedInside(tx, collection, userId, key)) return refusal(id, '', 'is named by other records');
    await queries.removeRecord(tx, collection, userId, key, origin);
    return { id, status: 'accepted', revision };
  }
  const { record, issues } = checkRecord(collection, change.record);
  if (record === null) return { id, status: 'refused', issues };
  if (keyOf(collection, record as never) !== key) return refusal(id, 'key', 'is not the key of the record');
  const removal = await queries.findRemoval(tx, userId, collection, key);
  if (removal !== null && !isLater(origin, removal)) return superseded;
  const against = await issuesAgainstOthers(tx, userId, collection, record);
  if (against.length > 0) return { id, status: 'refused', issues: against };
  const written = await queries.upsertRecords(tx, collection, userId, [{ record, ...origin }]);
  if (written.length === 0) return superseded;
  if (removal !== null) await queries.forgetRemoval(tx, userId, collection, key);
  return { id, status: 'accepted', revision };
}

const refusal = (id: string, path: string, message: string): ChangeResult => ({
  id,
  status: 'refused',
  issues: [{ path, message }],
});

/** What is newer than a revision. With `more`, there is a next page from the revision returned. */
export async function changesSince(db: Database, userId: string, since: number): Promise<ChangesSince> {
  return db.transaction(
    async (tx) => {
      const revision = await queries.currentRevision(tx, userId);
      if (revision <= since) return { revision, more: false, rows: [] };
      const rows = await queries.rowsSince(tx, userId, since, PAGE);
      const more = rows.length === PAGE;
      return { revision: more ? rows[PAGE - 1]!.revision : revision, more, rows };
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
}

/**
 * Takes in a whole file of records that has been read and checked. Records already there are replaced, all in one
 * transaction; nothing is removed.
 */
export async function importRecords(
  db: Database,
  userId: string,
  records: Records,
  changedAt: string,
  changeId: string,
): Promise<number> {
  return db.transaction(async (tx) => {
    const lists: [Collection, RecordOf<Collection>[]][] = [
      ['settings', [records.settings]],
      ...LIST_COLLECTIONS.map((collection): [Collection, RecordOf<Collection>[]] => [collection, records[collection]]),
    ];
    const total = lists.reduce((sum, [, list]) => sum + list.length, 0);
    let revision = (await queries.takeRevisions(tx, userId, total)) - total;
    for (const [collection, list] of lists) {
      const ordered = collection === 'steps' ? parentsFirst(records.steps) : list;
      for (let at = 0; at < ordered.length; at += IMPORT_ROWS) {
        const rows = ordered
          .slice(at, at + IMPORT_ROWS)
          .map((record) => ({ record, changedAt, changeId, revision: ++revision }));
        await queries.upsertRecords(tx, collection, userId, rows);
      }
    }
    return total;
  });
}

/** Steps so ordered that each comes after the step it belongs to; otherwise as they were. */
function parentsFirst(steps: Records['steps']): Records['steps'] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const placed = new Set<string>();
  const ordered: Records['steps'] = [];
  const place = (step: Records['steps'][number]): void => {
    if (placed.has(step.id)) return;
    placed.add(step.id);
    const parent = step.parentId ? byId.get(step.parentId) : undefined;
    if (parent) place(parent);
    ordered.push(step);
  };
  steps.forEach(place);
  return ordered;
}
