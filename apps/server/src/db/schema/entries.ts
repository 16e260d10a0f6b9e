import type { EntryPart } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, foreignKey, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
import { habits } from './habits.ts';

export const entries = pgTable(
  'entries',
  {
    ...owned(),
    habitId: text().notNull(),
    day: day().notNull(),
    mark: text().$type<'done' | 'missed' | 'rest'>(),
    amount: number(),
    note: text(),
    parts: jsonb().$type<EntryPart[]>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.habitId, table.day] }),
    foreignKey({ columns: [table.userId, table.habitId], foreignColumns: [habits.userId, habits.id] }),
    check('entries_mark', sql`${table.mark} in ('done', 'missed', 'rest')`),
    check('entries_amount', sql`${table.amount} >= 0`),
  ],
);
