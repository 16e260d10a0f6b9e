import type { KeyResult } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, foreignKey, index, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
import { goals } from './goals.ts';

export const keyResults = pgTable(
  'key_results',
  {
    ...owned(),
    id: text().notNull(),
    goalId: text().notNull(),
    title: text().notNull(),
    weight: number(),
    startsOn: day(),
    dueOn: day(),
    order: number().notNull(),
    measure: jsonb().$type<KeyResult['measure']>().notNull(),
    checkpoints: jsonb().$type<KeyResult['checkpoints']>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('key_results_by_goal').on(table.userId, table.goalId),
    foreignKey({ columns: [table.userId, table.goalId], foreignColumns: [goals.userId, goals.id] }),
    check('key_results_weight', sql`${table.weight} > 0`),
    check('key_results_due', sql`${table.dueOn} >= ${table.startsOn}`),
  ],
);
