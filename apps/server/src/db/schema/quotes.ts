import { pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { owned } from './columns.ts';

export const quotes = pgTable(
  'quotes',
  { ...owned(), id: text().notNull(), text: text().notNull(), by: text() },
  (table) => [primaryKey({ columns: [table.userId, table.id] })],
);
