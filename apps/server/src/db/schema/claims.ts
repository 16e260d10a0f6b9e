import { sql } from 'drizzle-orm';
import { check, foreignKey, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
import { rewards } from './rewards.ts';

export const claims = pgTable(
  'claims',
  { ...owned(), id: text().notNull(), rewardId: text().notNull(), day: day().notNull(), cost: number().notNull() },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.rewardId], foreignColumns: [rewards.userId, rewards.id] }),
    check('claims_cost', sql`${table.cost} >= 0`),
  ],
);
