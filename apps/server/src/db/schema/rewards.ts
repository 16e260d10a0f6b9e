import { sql } from 'drizzle-orm';
import { boolean, check, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
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
  (table) => [primaryKey({ columns: [table.userId, table.id] }), check('rewards_cost', sql`${table.cost} >= 0`)],
);
