import { foreignKey, index, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, instant, number, owned } from './columns.ts';
import { keyResults } from './keyResults.ts';

export const checkIns = pgTable(
  'check_ins',
  {
    ...owned(),
    id: text().notNull(),
    keyResultId: text().notNull(),
    day: day().notNull(),
    value: number().notNull(),
    note: text(),
    madeAt: instant().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('check_ins_by_key_result').on(table.userId, table.keyResultId),
    foreignKey({ columns: [table.userId, table.keyResultId], foreignColumns: [keyResults.userId, keyResults.id] }),
  ],
);
