import { jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { owned } from './columns.ts';

export const months = pgTable(
  'months',
  { ...owned(), month: text().notNull(), word: text(), aims: jsonb().$type<string[]>().notNull() },
  (table) => [primaryKey({ columns: [table.userId, table.month] })],
);
