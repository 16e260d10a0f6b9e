import type { Season } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';

export const seasons = pgTable(
  'seasons',
  {
    ...owned(),
    id: text().notNull(),
    title: text().notNull(),
    startsOn: day().notNull(),
    weeks: integer().notNull(),
    vision: text(),
    why: text(),
    passMark: number(),
    goalIds: jsonb().$type<string[]>().notNull(),
    habitIds: jsonb().$type<string[]>(),
    notes: jsonb().$type<Season['notes']>(),
  },
  (table) => [primaryKey({ columns: [table.userId, table.id] }), check('seasons_weeks', sql`${table.weeks} > 0`)],
);
