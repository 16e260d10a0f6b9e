import { sql } from 'drizzle-orm';
import { check, foreignKey, index, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
import { goals } from './goals.ts';

export const milestones = pgTable(
  'milestones',
  {
    ...owned(),
    id: text().notNull(),
    goalId: text().notNull(),
    title: text().notNull(),
    dueOn: day(),
    reachedOn: day(),
    reward: text(),
    enjoyedOn: day(),
    pips: number(),
    after: jsonb().$type<string[]>(),
    order: number().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('milestones_by_goal').on(table.userId, table.goalId),
    foreignKey({ columns: [table.userId, table.goalId], foreignColumns: [goals.userId, goals.id] }),
    check('milestones_pips', sql`${table.pips} >= 0`),
  ],
);
