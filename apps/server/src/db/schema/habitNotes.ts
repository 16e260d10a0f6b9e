import { foreignKey, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, owned } from './columns.ts';
import { habits } from './habits.ts';

export const habitNotes = pgTable(
  'habit_notes',
  { ...owned(), id: text().notNull(), habitId: text().notNull(), day: day(), text: text().notNull(), link: text() },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.habitId], foreignColumns: [habits.userId, habits.id] }),
  ],
);
