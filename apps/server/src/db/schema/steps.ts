import type { Step } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, foreignKey, index, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { day, number, owned } from './columns.ts';
import { goals } from './goals.ts';
import { keyResults } from './keyResults.ts';

export const steps = pgTable(
  'steps',
  {
    ...owned(),
    id: text().notNull(),
    goalId: text().notNull(),
    keyResultId: text(),
    parentId: text(),
    title: text().notNull(),
    priority: integer().$type<Step['priority']>(),
    impact: text().$type<Step['impact']>(),
    startsOn: day(),
    dueOn: day(),
    doneOn: day(),
    note: text(),
    order: number().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    index('steps_by_goal').on(table.userId, table.goalId),
    foreignKey({ columns: [table.userId, table.goalId], foreignColumns: [goals.userId, goals.id] }),
    foreignKey({ columns: [table.userId, table.keyResultId], foreignColumns: [keyResults.userId, keyResults.id] }),
    foreignKey({ columns: [table.userId, table.parentId], foreignColumns: [table.userId, table.id] }),
    check('steps_priority', sql`${table.priority} between 1 and 4`),
    check('steps_due', sql`${table.dueOn} >= ${table.startsOn}`),
  ],
);
