import { COLLECTIONS, type Collection } from '@wimbel/contract';
import { type AnyColumn, getTableColumns, getTableName } from 'drizzle-orm';
import { tableOf } from './tables.ts';

const snakeCase = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** Column types whose text is JSON already. */
const JSON_TYPES = new Set(['jsonb', 'boolean', 'integer', 'double precision']);

/** `"name":value` of a column, preceded by `before`; an SQL null leaves the field out. */
function fieldSql(name: string, column: AnyColumn, before: string): string {
  const value = `t."${snakeCase(name)}"`;
  const json = JSON_TYPES.has(column.getSQLType()) ? `${value}::text` : `to_json(${value})::text`;
  const field = `'${before}"${name}":' || ${json}`;
  return column.notNull ? field : `coalesce(${field}, '')`;
}

/**
 * SQL for the record of a row `t` of a collection's table, as JSON text: fields named as in the record, without those that are null.
 */
function recordSqlOf(collection: Collection): string {
  const fields = Object.entries(getTableColumns(tableOf(collection))).filter(([name]) => name !== 'userId');
  return [...fields.map(([name, column], index) => fieldSql(name, column, index === 0 ? '{' : ',')), `'}'`].join(
    ' || ',
  );
}

const RECORDS = new Map(COLLECTIONS.map((collection) => [collection, recordSqlOf(collection)]));

/** SQL for the record of a row `t` of this collection's table, as JSON text. */
export const recordSql = (collection: Collection): string => RECORDS.get(collection)!;

/** Keys that are not an id. */
const KEY_SQL: Partial<Record<Collection, string>> = {
  entries: 't.habit_id = substr(l.key, 12) and t.day = left(l.key, 10)::date',
  months: 't.month = l.key',
};

/** SQL condition that a row `t` of a collection's table is the one named by a row `l` of the change log. */
function namedRowSql(collection: Collection): string {
  if (collection === 'settings') return 't.user_id = l.user_id';
  return `t.user_id = l.user_id and ${KEY_SQL[collection] ?? 't.id = l.key'}`;
}

/** SQL for the record that a row `l` of the change log names, as JSON text; null where it is deleted. One lookup by primary key. */
export function namedRecordSql(collections: readonly Collection[]): string {
  const branches = collections.map(
    (each) =>
      `when '${each}' then (select ${recordSql(each)} from "${getTableName(tableOf(each))}" t where ${namedRowSql(each)})`,
  );
  return `case l.collection ${branches.join('\n  ')} end`;
}
