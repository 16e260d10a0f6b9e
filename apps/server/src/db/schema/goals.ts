import type { Goal } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, foreignKey, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { areas } from './areas.ts';
import { day, number, owned } from './columns.ts';

export const goals = pgTable(
  'goals',
  {
    ...owned(),
    id: text().notNull(),
    title: text().notNull(),
    areaId: text(),
    why: text(),
    doneWhen: text(),
    startsOn: day().notNull(),
    dueOn: day(),
    state: text().$type<Goal['state']>().notNull(),
    closedOn: day(),
    reward: text(),
    enjoyedOn: day(),
    order: number().notNull(),
    turns: jsonb().$type<Goal['turns']>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.areaId], foreignColumns: [areas.userId, areas.id] }),
    check('goals_state', sql`${table.state} in ('open', 'reached', 'dropped', 'paused')`),
    check('goals_due', sql`${table.dueOn} >= ${table.startsOn}`),
  ],
);
