import type { Review } from '@wimbel/core';
import { foreignKey, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, owned } from './columns.ts';
import { seasons } from './seasons.ts';

export const reviews = pgTable(
  'reviews',
  {
    ...owned(),
    id: text().notNull(),
    span: text().$type<Review['span']>().notNull(),
    from: day().notNull(),
    seasonId: text(),
    answers: jsonb().$type<Review['answers']>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.seasonId], foreignColumns: [seasons.userId, seasons.id] }),
  ],
);
