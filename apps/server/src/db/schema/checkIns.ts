import { foreignKey, index, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
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
    /** An instant as the device wrote it: `timestamptz` would not keep the number of its digits. */
    madeAt: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('check_ins_by_key_result').on(table.userId, table.keyResultId),
    foreignKey({ columns: [table.userId, table.keyResultId], foreignColumns: [keyResults.userId, keyResults.id] }),
  ],
);
