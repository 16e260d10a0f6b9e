import { pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { number, owned } from './columns.ts';

export const areas = pgTable(
  'areas',
  { ...owned(), id: text().notNull(), name: text().notNull(), color: text(), icon: text(), order: number().notNull() },
  (table) => [primaryKey({ columns: [table.userId, table.id] })],
);
