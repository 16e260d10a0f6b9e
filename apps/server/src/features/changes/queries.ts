import {
  type Collection,
  COLLECTIONS,
  type NamedBy,
  type RecordOf,
  type ServerRow,
  entryOfKey,
  isLater as isLaterChange,
  isNamed,
} from '@wimbel/contract';
import { getTableColumns, getTableName } from 'drizzle-orm';
import { getTableConfig } from 'drizzle-orm/pg-core';
import { LRUCache } from 'lru-cache';
import type { Pool } from 'pg';
import { namedRecordSql, recordSql } from '../../db/recordSql.ts';
import { tableOf } from '../../db/tables.ts';

export type AnyRecord = RecordOf<Collection>;

/** Origin of a version: later instants win, at the same instant the higher change id. */
export type Origin = { changedAt: string; changeId: string };

/** Whether a version wins over another. */
export const isLater = (a: Origin, b: Origin): boolean =>
  isLaterChange({ madeAt: a.changedAt, id: a.changeId }, { madeAt: b.changedAt, id: b.changeId });

/**
 * Origins by part of a record, by the part names of `mergeInto` ("" for the others), and the ids of recently merged changes. Null
 * where the record was written as a whole; `isOld` for records from before origins by part existed.
 */
export type PartOrigins = { of: Readonly<Record<string, Origin>>; seen: readonly string[]; isOld?: true } | null;

/** A row of the change log; `record` is null where it is deleted. */
export type Logged = Origin & { revision: number; record: AnyRecord | null; parts: PartOrigins };

/** A pending write: record or deletion, with its revision. */
export type Write = Logged & { collection: Collection; key: string; deviceAt?: string };

const snakeCase = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

const isoOf = (timestamp: string): string => `${timestamp.replace(' ', 'T').replace(/\+00$/, '')}Z`;

/** A table's name, columns, and key columns beside `user_id`. */
type TableFacts = { name: string; columns: string[]; keys: string[] };

const FACTS = new Map<Collection, TableFacts>(
  COLLECTIONS.map((collection) => {
    const table = tableOf(collection);
    const names = Object.keys(getTableColumns(table))
      .map(snakeCase)
      .filter((name) => name !== 'user_id');
    const primary = getTableConfig(table).primaryKeys[0]!.columns.map((column) => snakeCase(column.name));
    return [
      collection,
      {
        name: getTableName(table),
        columns: names,
        keys: primary.filter((name) => name !== 'user_id'),
      },
    ];
  }),
);

const factsOf = (collection: Collection): TableFacts => FACTS.get(collection)!;

/** Statements over more tables are not prepared, which bounds the number of prepared statements per connection. */
const MOST_PREPARED = 2;

/** Bound of cached statement texts: which tables a batch touches is up to the sender. */
const MOST_TEXTS = 200;

/** Caches a statement's text by the names it is built from. */
function memoize<T extends string>(build: (names: readonly T[]) => string): (names: readonly T[]) => string {
  const built = new LRUCache<string, string>({ max: MOST_TEXTS });
  return (names) => {
    const key = names.join(' ');
    const known = built.get(key) ?? build(names);
    built.set(key, known);
    return known;
  };
}

export const placeOf = (collection: Collection, key: string): string => `${collection} ${key}`;

const readSql = memoize(
  (collections: readonly Collection[]) => `
select person.user_id, (select revision from revisions r where r.user_id = person.user_id) as at,
  l.collection, l.key, l.revision, l.changed_at::text as changed_at, l.change_id, l.parts,
  ${collections.length === 0 ? 'null' : namedRecordSql(collections)} as record
from unnest($1::text[]) as person(user_id)
left join (
  select log.* from unnest($2::text[], $3::text[], $4::text[]) as wanted(user_id, collection, key)
  join change_log log
    on log.user_id = wanted.user_id and log.collection = wanted.collection and log.key = wanted.key
) l on l.user_id = person.user_id`,
);

/** A row of the change log with the record it names, as JSON text. */
type LogRow = {
  collection: Collection;
  key: string;
  revision: string;
  changed_at: string;
  change_id: string;
  record: string | null;
  parts: PartOrigins;
};

const parseRecord = (json: string): AnyRecord => JSON.parse(json) as AnyRecord;

export type Place = { collection: Collection; key: string };

/** Rows of the change log of an account, and its revision (null before the first write). */
export type Reading = { revision: number | null; logged: Map<string, Logged> };

/** Reads rows of the change log of several accounts, and their records, with one statement, hence from one snapshot. */
export async function readLogged(
  pool: Pool,
  wanted: readonly { userId: string; places: readonly Place[] }[],
): Promise<Reading[]> {
  const all = wanted.flatMap(({ userId, places }) => places.map((place) => ({ userId, ...place })));
  const collections = [...new Set(all.map(({ collection }) => collection))].sort();
  const { rows } = await pool.query<LogRow & { user_id: string; at: string | null }>({
    ...(collections.length <= MOST_PREPARED ? { name: `read ${collections.join(' ')}` } : {}),
    text: readSql(collections),
    values: [
      wanted.map((each) => each.userId),
      all.map((each) => each.userId),
      all.map((each) => each.collection),
      all.map((each) => each.key),
    ],
  });
  const readings = new Map<string, Reading>(
    wanted.map(({ userId }) => [userId, { revision: null, logged: new Map<string, Logged>() }]),
  );
  for (const row of rows) {
    const reading = readings.get(row.user_id)!;
    if (row.at !== null) reading.revision = Number(row.at);
    if (row.collection === null) continue;
    reading.logged.set(placeOf(row.collection, row.key), {
      changedAt: isoOf(row.changed_at),
      changeId: row.change_id,
      revision: Number(row.revision),
      record: row.record === null ? null : parseRecord(row.record),
      parts: row.parts,
    });
  }
  return wanted.map(({ userId }) => readings.get(userId)!);
}

/** Creates an account's revision row. */
export async function startRevisions(pool: Pool, userId: string): Promise<void> {
  await pool.query('insert into revisions (user_id, revision) values ($1, 0) on conflict do nothing', [userId]);
}

/** The columns of a key, as values. */
function keyValues(collection: Collection, key: string): Record<string, string> {
  if (collection === 'settings') return {};
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    return { habit_id: habitId, day };
  }
  return collection === 'months' ? { month: key } : { id: key };
}

function insertInto({ name, columns, keys }: TableFacts, parameter: string): string {
  const list = columns.map((column) => `"${column}"`).join(', ');
  const values = columns.map((column) => `r."${column}"`).join(', ');
  const changed = columns
    .filter((column) => !keys.includes(column))
    .map((column) => `"${column}" = excluded."${column}"`)
    .join(', ');
  const target = ['user_id', ...keys].map((column) => `"${column}"`).join(', ');
  return (
    `insert into "${name}" (user_id, ${list}) select r.user_id, ${values} ` +
    `from turn join jsonb_populate_recordset(null::"${name}", ${parameter}::jsonb) r on r.user_id = turn.user_id ` +
    `on conflict (${target}) do ${changed === '' ? 'nothing' : `update set ${changed}`}`
  );
}

function deleteFrom({ name, keys }: TableFacts, parameter: string): string {
  const same = keys.map((key) => `t."${key}" = r."${key}"`).join(' and ');
  return (
    `delete from "${name}" t using turn, jsonb_populate_recordset(null::"${name}", ${parameter}::jsonb) r ` +
    `where r.user_id = turn.user_id and t.user_id = r.user_id and ${same}`
  );
}

/** The statement that writes to these tables (insert, delete or both). */
const writeSql = memoize((parts: readonly string[]): string => {
  const writes = parts.map((part, index) => {
    const [how, collection] = part.split(':') as ['in' | 'out', Collection];
    const parameter = `$${index + 8}`;
    const facts = factsOf(collection);
    return `w${index} as (${how === 'in' ? insertInto(facts, parameter) : deleteFrom(facts, parameter)})`;
  });
  return `
with meant as (
  select * from unnest($1::text[], $2::bigint[], $3::bigint[]) as meant(user_id, at, moved)
), free as (
  select meant.user_id, meant.moved from meant cross join lateral (
    select from revisions r where r.user_id = meant.user_id and r.revision = meant.at for update skip locked
  ) held where not exists (
    select from unnest($5::text[], $6::text[], $7::text[]) as empty(user_id, collection, key) where empty.user_id = meant.user_id
    and (
      select true from change_log l where l.user_id = empty.user_id and l.collection = empty.collection and l.key = empty.key
    )
  )
), turn as (
  update revisions r set revision = r.revision + free.moved from free where r.user_id = free.user_id
  returning r.user_id
), logged as (
  insert into change_log (user_id, collection, key, revision, changed_at, change_id, device_at, deleted, bytes, parts)
  select r."userId", r.collection, r.key, r.revision, r."changedAt", r."changeId", r."deviceAt", r.deleted, r.bytes, r.parts
  from turn join json_to_recordset($4::json) as r(
    "userId" text, collection text, key text, revision bigint, "changedAt" timestamptz, "changeId" text, "deviceAt" timestamptz,
    deleted boolean, bytes integer, parts json)
    on r."userId" = turn.user_id
  on conflict (user_id, collection, key) do update set revision = excluded.revision,
    changed_at = excluded.changed_at, change_id = excluded.change_id, device_at = excluded.device_at, deleted = excluded.deleted,
    bytes = excluded.bytes, parts = excluded.parts
), ${writes.join(', ')}
select user_id from turn`;
});

/** A record as its table's row. */
function rowOf(record: AnyRecord): Record<string, unknown> {
  return Object.fromEntries(Object.entries(record).map(([name, value]) => [snakeCase(name), value]));
}

/**
 * The writes of one account: the revision they were decided at, how many revisions they take, the records, and places that must
 * never have been written.
 */
export type Writing = {
  userId: string;
  at: number;
  moved: number;
  writes: readonly Write[];
  empty: readonly Place[];
};

/**
 * Writes the batches of several accounts, each key once, with one statement: tables and change log together, per account all or
 * nothing, only if the account is still at revision `at` (revision guard), no other writer holds it, and the places that must be
 * empty are. Returns the accounts that were written.
 */
export async function writeAll(pool: Pool, writings: readonly Writing[]): Promise<Set<string>> {
  const rows = new Map<string, unknown[]>();
  const log: unknown[] = [];
  for (const { userId, writes } of writings) {
    for (const write of writes) {
      const { collection, key, record, ...rest } = write;
      const part = `${record === null ? 'out' : 'in'}:${collection}`;
      const list = rows.get(part) ?? rows.set(part, []).get(part)!;
      list.push({ user_id: userId, ...(record === null ? keyValues(collection, key) : rowOf(record)) });
      const bytes = record === null ? 0 : Buffer.byteLength(JSON.stringify(record));
      log.push({ ...rest, userId, collection, key, deleted: record === null, bytes });
    }
  }
  const parts = [...rows.keys()].sort();
  const empty = writings.flatMap((each) => each.empty.map((place) => ({ userId: each.userId, ...place })));
  const { rows: written } = await pool.query<{ user_id: string }>({
    ...(parts.length <= MOST_PREPARED ? { name: `write ${parts.join(' ')}` } : {}),
    text: writeSql(parts),
    values: [
      writings.map((each) => each.userId),
      writings.map((each) => each.at),
      writings.map((each) => each.moved),
      JSON.stringify(log),
      empty.map((each) => each.userId),
      empty.map((each) => each.collection),
      empty.map((each) => each.key),
      ...parts.map((part) => JSON.stringify(rows.get(part))),
    ],
  });
  return new Set(written.map((each) => each.user_id));
}

/** Page size in rows, and in bytes of records; a page holds at least one record. */
const PAGE_ROWS = 2000;
export const PAGE_BYTES = 256 * 1024;

const SINCE = `
select account.at, l.candidates::int as candidates, l.collection, l.key, l.revision, l.changed_at::text as changed_at, l.change_id,
  ${namedRecordSql(COLLECTIONS)} as record
from (select (select revision from revisions where user_id = $1) as at) account
left join (
  select c.*, count(*) over () as candidates, sum(c.bytes) over (order by c.revision) - c.bytes as before
  from (
    select user_id, collection, key, revision, changed_at, change_id, bytes from change_log
    where user_id = $1 and revision > $2 and revision <= $3 order by revision limit ${PAGE_ROWS}
  ) c
) l on l.before < $4
order by l.revision`;

type SinceRow = Omit<LogRow, 'parts'> & { at: string | null; candidates: number | null };

/** A row as JSON, with its identity. */
export type SentRow = { collection: Collection; key: string; revision: number; changeId: string; json: string };

/** The JSON of a `ServerRow`; `record` is JSON text and is not parsed. */
export function rowJson(head: Omit<ServerRow, 'record'>, record: string | null): string {
  return `${JSON.stringify(head).slice(0, -1)},"record":${record ?? 'null'}}`;
}

/**
 * A page of rows newer than a revision, up to another, and the account's revision. A page ends after {@link PAGE_BYTES} of records;
 * `isLast` says that no row is left. Records are sent as the database's JSON text, read from their own tables.
 */
export async function rowsBetween(
  pool: Pool,
  userId: string,
  since: number,
  until: number,
): Promise<{ revision: number; rows: SentRow[]; isLast: boolean }> {
  const { rows } = await pool.query<SinceRow>({
    name: 'rows between',
    text: SINCE,
    values: [userId, since, until, PAGE_BYTES],
  });
  const candidates = rows[0]?.candidates ?? 0;
  const sent = rows.flatMap((row): SentRow[] => {
    if (row.collection === null) return [];
    const { collection, key, change_id: changeId } = row;
    const head = { collection, key, revision: Number(row.revision), madeAt: isoOf(row.changed_at), changeId };
    return [{ collection, key, changeId, revision: head.revision, json: rowJson(head, row.record) }];
  });
  const isLast = sent.length === candidates && candidates < PAGE_ROWS;
  return { revision: Number(rows[0]?.at ?? 0), rows: sent, isLast };
}

/** Records that refer to another by a field, with their origins. */
export async function namedBy(
  pool: Pool,
  userId: string,
  by: NamedBy,
  key: string,
): Promise<(Origin & { record: AnyRecord })[]> {
  const { name, keys } = factsOf(by.in);
  const column = `t."${snakeCase(by.field)}"`;
  const holds = {
    id: `${column} = $3`,
    ids: `${column} @> jsonb_build_array($3::text)`,
    habitId: `${column} ->> 'habitId' = $3`,
    promptId: `${column} @> jsonb_build_array(jsonb_build_object('promptId', $3::text))`,
  }[by.holds];
  const keyText = keys.length === 2 ? `t."day"::text || ' ' || t."habit_id"` : `t."${keys[0]}"`;
  const { rows } = await pool.query<{ changed_at: string; change_id: string; record: string }>(
    `select l.changed_at::text as changed_at, l.change_id, ${recordSql(by.in)} as record from "${name}" t ` +
      `join change_log l on l.user_id = $1 and l.collection = $2 and l.key = ${keyText} ` +
      `where t.user_id = $1 and ${holds}`,
    [userId, by.in, key],
  );
  return rows.flatMap(({ record: json, changed_at: changedAt, change_id: changeId }) => {
    const record = parseRecord(json);
    return isNamed(by, record, key) ? [{ record, changedAt: isoOf(changedAt), changeId }] : [];
  });
}

/** Conditions on entries and check-ins that no longer fit their habit or key result. */
const MISFITS = {
  /** Entries with a part of a removed variant; `values` are the removed ids. */
  goneVariant: {
    of: 'entries',
    where: `t.habit_id = $2 and exists (
      select from jsonb_array_elements(coalesce(t.parts, '[]'::jsonb)) part where part ->> 'variantId' = any($3::text[]))`,
  },
  /** Entries with an amount, of a habit without amounts. */
  amountOfCheck: {
    of: 'entries',
    where: `t.habit_id = $2 and $3::text[] is not null and (t.amount is not null or exists (
      select from jsonb_array_elements(coalesce(t.parts, '[]'::jsonb)) part where part ? 'amount'))`,
  },
  /** Entries marked done, of a habit with amounts. */
  doneOfAmount: { of: 'entries', where: `t.habit_id = $2 and $3::text[] is not null and t.mark = 'done'` },
  /** Check-ins of a yes-or-no key result that are neither 0 nor 1. */
  valueOfYesNo: {
    of: 'checkIns',
    where: `t.key_result_id = $2 and $3::text[] is not null and t.value not in (0, 1)`,
  },
  /** Check-ins of a key result that takes none. */
  anyCheckIn: { of: 'checkIns', where: `t.key_result_id = $2 and $3::text[] is not null` },
} as const satisfies Record<string, { of: Collection; where: string }>;

export type Misfit = keyof typeof MISFITS;
export const collectionOfMisfit = (misfit: Misfit): 'entries' | 'checkIns' => MISFITS[misfit].of;

/** Dependants that no longer fit, at most `limit`, found with one query. */
export async function misfits(
  pool: Pool,
  userId: string,
  misfit: Misfit,
  key: string,
  values: readonly string[],
  limit: number,
): Promise<AnyRecord[]> {
  const { of, where } = MISFITS[misfit];
  const { name } = factsOf(of);
  const { rows } = await pool.query<{ record: string }>(
    `select ${recordSql(of)} as record from "${name}" t where t.user_id = $1 and ${where} limit $4`,
    [userId, key, values, limit],
  );
  return rows.map(({ record }) => parseRecord(record));
}

const ABOVE = {
  steps: `select s.id, jsonb_build_array(s.parent_id) as names from steps s`,
  milestones: `select s.id, coalesce(s."after", '[]'::jsonb) as names from milestones s`,
} as const;

/** The ids of the ancestors of steps or milestones, at most `limit`, with one recursive query. */
export async function idsAbove(
  pool: Pool,
  userId: string,
  of: keyof typeof ABOVE,
  ids: readonly string[],
  limit: number,
): Promise<string[]> {
  const { rows } = await pool.query<{ id: string }>(
    `with recursive up as (
       select each.id, each.names from (${ABOVE[of]} where s.user_id = $1 and s.id = any($2)) each
       union
       select each.id, each.names from up, jsonb_array_elements_text(up.names) named
       join lateral (${ABOVE[of]} where s.user_id = $1 and s.id = named) each on true
     ) select id from up limit $3`,
    [userId, ids, limit],
  );
  return rows.map(({ id }) => id);
}

/** Records by a column, such as the steps of a goal. */
export const findBy = (pool: Pool, userId: string, collection: Collection, field: string, value: string) =>
  namedBy(pool, userId, { in: collection, field, holds: 'id' }, value);

/** An account's revision; 0 before the first write. */
export async function revisionOf(pool: Pool, userId: string): Promise<number> {
  const { rows } = await pool.query<{ revision: string }>({
    name: 'revision',
    text: 'select revision from revisions where user_id = $1',
    values: [userId],
  });
  return Number(rows[0]?.revision ?? 0);
}
