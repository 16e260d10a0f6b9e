import {
  type Collection,
  COLLECTIONS,
  type RecordOf,
  type ServerRow,
  entryOfKey,
  keyOf,
  withoutNulls,
} from '@wimbel/contract';
import { type SQL, and, asc, eq, getTableColumns, gt, inArray, or, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import type { Database, Transaction } from '../../db/connection.ts';
import { OWNED_KEYS } from '../../db/schema/columns.ts';
import { removals, revisions } from '../../db/schema/revisions.ts';
import { tableOf } from '../../db/tables.ts';

/** Who wrote a record last: the later instant wins, of the same instant the higher change id. */
export type Origin = { changedAt: string; changeId: string; revision: number };

type Row = Record<string, unknown>;

const columnsOf = (collection: Collection): Record<string, PgColumn> => getTableColumns(tableOf(collection)) as never;

const recordOf = (row: Row): RecordOf<Collection> =>
  withoutNulls(Object.fromEntries(Object.entries(row).filter(([key]) => !OWNED_KEYS.includes(key as never)))) as never;

const keyColumns = (collection: Collection): string[] => {
  if (collection === 'settings') return [];
  if (collection === 'entries') return ['habitId', 'day'];
  return collection === 'months' ? ['month'] : ['id'];
};

/** Picks rows of a person by their keys in the collection. */
function byKeys(collection: Collection, userId: string, keys: readonly string[]): SQL {
  const columns = columnsOf(collection);
  const own = eq(columns.userId!, userId);
  const [only] = keyColumns(collection);
  if (collection === 'entries') {
    const each = keys
      .map(entryOfKey)
      .map(({ habitId, day }) => and(eq(columns.habitId!, habitId), eq(columns.day!, day)));
    return and(own, or(...each))!;
  }
  return only === undefined ? own : and(own, inArray(columns[only]!, [...keys]))!;
}

/** Takes `count` revisions for a person and returns the last; holds the person's lock until the transaction ends. */
export async function takeRevisions(tx: Transaction, userId: string, count: number): Promise<number> {
  const [row] = await tx
    .insert(revisions)
    .values({ userId, revision: count })
    .onConflictDoUpdate({ target: revisions.userId, set: { revision: sql`${revisions.revision} + ${count}` } })
    .returning({ revision: revisions.revision });
  return row!.revision;
}

export async function currentRevision(db: Database | Transaction, userId: string): Promise<number> {
  const [row] = await db.select({ revision: revisions.revision }).from(revisions).where(eq(revisions.userId, userId));
  return row?.revision ?? 0;
}

/** Records of a person by key; keys that are not there are left out. */
export async function findRecords(
  tx: Transaction,
  collection: Collection,
  userId: string,
  keys: readonly string[],
): Promise<RecordOf<Collection>[]> {
  if (keys.length === 0) return [];
  return (
    await tx
      .select()
      .from(tableOf(collection))
      .where(byKeys(collection, userId, keys))
  ).map(recordOf);
}

/** Records of a person whose `column` holds `value`. */
export async function findRecordsBy(
  tx: Transaction,
  collection: Collection,
  userId: string,
  column: string,
  value: string,
): Promise<RecordOf<Collection>[]> {
  const columns = columnsOf(collection);
  const rows = await tx
    .select()
    .from(tableOf(collection))
    .where(and(eq(columns.userId!, userId), eq(columns[column]!, value)));
  return rows.map(recordOf);
}

/** Key results of a person that count a habit. */
export async function findKeyResultsOfHabit(
  tx: Transaction,
  userId: string,
  habitId: string,
): Promise<RecordOf<Collection>[]> {
  const columns = columnsOf('keyResults');
  const rows = await tx
    .select()
    .from(tableOf('keyResults'))
    .where(and(eq(columns.userId!, userId), sql`${columns.measure} ->> 'habitId' = ${habitId}`));
  return rows.map(recordOf);
}

/** Who removed a record, if anyone did. */
export async function findRemoval(
  tx: Transaction,
  userId: string,
  collection: Collection,
  key: string,
): Promise<Origin | null> {
  const [row] = await tx
    .select({ changedAt: removals.changedAt, changeId: removals.changeId, revision: removals.revision })
    .from(removals)
    .where(and(eq(removals.userId, userId), eq(removals.collection, collection), eq(removals.key, key)));
  return row ?? null;
}

export async function forgetRemoval(
  tx: Transaction,
  userId: string,
  collection: Collection,
  key: string,
): Promise<void> {
  await tx
    .delete(removals)
    .where(and(eq(removals.userId, userId), eq(removals.collection, collection), eq(removals.key, key)));
}

export type Written = Origin & { record: RecordOf<Collection> };

/**
 * Writes records of one collection, each unless what is there is as late or later. Returns the keys that were written.
 * A key may be there once only.
 */
export async function upsertRecords(
  tx: Transaction,
  collection: Collection,
  userId: string,
  written: readonly Written[],
): Promise<string[]> {
  const table = tableOf(collection);
  const columns = columnsOf(collection);
  const names = Object.keys(columns);
  const values = written.map(({ record, revision, changedAt, changeId }) => {
    const fields = record as Row;
    const row = { ...fields, userId, revision, place: revision, changedAt, changeId } as Row;
    return Object.fromEntries(names.map((name) => [name, row[name] ?? null]));
  });
  const keys = keyColumns(collection);
  const excluded = (name: string): SQL => sql.raw(`excluded."${snakeCase(name)}"`);
  const kept = new Set(['userId', 'place', ...keys]);
  const rows = (await tx
    .insert(table)
    .values(values as never)
    .onConflictDoUpdate({
      target: ['userId', ...keys].map((name) => columns[name]!) as never,
      set: Object.fromEntries(names.filter((name) => !kept.has(name)).map((name) => [name, excluded(name)])),
      setWhere: sql`(${table.changedAt}, ${table.changeId}) < (${excluded('changedAt')}, ${excluded('changeId')})`,
    })
    .returning(
      Object.fromEntries((keys.length > 0 ? keys : ['userId']).map((name) => [name, columns[name]!])),
    )) as Row[];
  return rows.map((row) => keyOf(collection, row as never));
}

const snakeCase = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** When a record was written last. */
export async function originOf(
  tx: Transaction,
  collection: Collection,
  userId: string,
  key: string,
): Promise<Origin | null> {
  const table = tableOf(collection);
  const [row] = await tx
    .select({ changedAt: table.changedAt, changeId: table.changeId, revision: table.revision })
    .from(table)
    .where(byKeys(collection, userId, [key]));
  return (row as Origin | undefined) ?? null;
}

/** Where a record is named from inside of another's column, which no foreign key watches over. */
const NAMED_INSIDE: Partial<Record<Collection, { by: Collection; column: string; holds: (key: string) => unknown }>> = {
  habits: { by: 'keyResults', column: 'measure', holds: (habitId) => ({ habitId }) },
  goals: { by: 'seasons', column: 'goalIds', holds: (goalId) => [goalId] },
  milestones: { by: 'milestones', column: 'after', holds: (id) => [id] },
  prompts: { by: 'journal', column: 'answers', holds: (promptId) => [{ promptId }] },
};

/** Whether another record names this one from inside of a column. */
export async function isNamedInside(
  tx: Transaction,
  collection: Collection,
  userId: string,
  key: string,
): Promise<boolean> {
  const named = NAMED_INSIDE[collection];
  if (named === undefined) return false;
  const table = tableOf(named.by);
  const column = columnsOf(named.by)[named.column]!;
  const rows = await tx
    .select({ userId: table.userId })
    .from(table)
    .where(and(eq(table.userId, userId), sql`${column} @> ${JSON.stringify(named.holds(key))}::jsonb`))
    .limit(1);
  return rows.length > 0;
}

/** Takes a record away and remembers that it is gone. */
export async function removeRecord(
  tx: Transaction,
  collection: Collection,
  userId: string,
  key: string,
  origin: Origin,
): Promise<void> {
  await tx.delete(tableOf(collection)).where(byKeys(collection, userId, [key]));
  await tx
    .insert(removals)
    .values({ userId, collection, key, ...origin })
    .onConflictDoUpdate({ target: [removals.userId, removals.collection, removals.key], set: origin });
}

/** Up to `limit` rows newer than a revision, in order of revision, removals among them. */
export async function rowsSince(tx: Transaction, userId: string, since: number, limit: number): Promise<ServerRow[]> {
  const found: ServerRow[] = [];
  for (const collection of COLLECTIONS) {
    const table = tableOf(collection);
    const rows = (await tx
      .select()
      .from(table)
      .where(and(eq(table.userId, userId), gt(table.revision, since)))
      .orderBy(asc(table.revision))
      .limit(limit)) as (Row & { revision: number; changedAt: string })[];
    for (const row of rows) {
      const record = recordOf(row);
      found.push({
        collection,
        key: keyOf(collection, record as never),
        revision: row.revision,
        madeAt: row.changedAt,
        record,
      });
    }
  }
  const gone = await tx
    .select()
    .from(removals)
    .where(and(eq(removals.userId, userId), gt(removals.revision, since)))
    .orderBy(asc(removals.revision))
    .limit(limit);
  for (const row of gone) {
    found.push({
      collection: row.collection as Collection,
      key: row.key,
      revision: row.revision,
      madeAt: row.changedAt,
      record: null,
    });
  }
  return found.sort((a, b) => a.revision - b.revision).slice(0, limit);
}
