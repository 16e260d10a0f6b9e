import type { JournalPage } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, owned } from './columns.ts';

export const journal = pgTable(
  'journal',
  {
    ...owned(),
    id: text().notNull(),
    day: day().notNull(),
    part: text().$type<JournalPage['part']>().notNull(),
    mood: integer().$type<JournalPage['mood']>(),
    feelings: jsonb().$type<string[]>(),
    text: text(),
    answers: jsonb().$type<JournalPage['answers']>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    check('journal_mood', sql`${table.mood} between 1 and 5`),
  ],
);
