import { sql } from 'drizzle-orm';
import { boolean, check, index, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { number, owned } from './columns.ts';

export const rewards = pgTable(
  'rewards',
  {
    ...owned(),
    id: text().notNull(),
    title: text().notNull(),
    cost: number().notNull(),
    icon: text(),
    order: number().notNull(),
    retired: boolean(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('rewards_by_revision').on(table.userId, table.revision),
    check('rewards_cost', sql`${table.cost} >= 0`),
  ],
);
