import type { Reminder, Weekday } from '@wimbel/core';
import { boolean, foreignKey, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { owned } from './columns.ts';
import { habits } from './habits.ts';

export const reminders = pgTable(
  'reminders',
  {
    ...owned(),
    id: text().notNull(),
    habitId: text(),
    about: text().$type<Reminder['about']>().notNull(),
    at: text().notNull(),
    days: jsonb().$type<Weekday[]>().notNull(),
    on: boolean().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.habitId], foreignColumns: [habits.userId, habits.id] }),
  ],
);
