import type { Habit } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { boolean, check, foreignKey, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { areas } from './areas.ts';
import { day, number, owned } from './columns.ts';
import { goals } from './goals.ts';

export const habits = pgTable(
  'habits',
  {
    ...owned(),
    id: text().notNull(),
    name: text().notNull(),
    areaId: text(),
    goalId: text(),
    icon: text(),
    order: number().notNull(),
    note: text(),
    aim: text().$type<Habit['aim']>().notNull(),
    partOfDay: text().$type<Habit['partOfDay']>().notNull(),
    measure: jsonb().$type<Habit['measure']>().notNull(),
    terms: jsonb().$type<Habit['terms']>().notNull(),
    startsOn: day().notNull(),
    endsOn: day(),
    archived: boolean(),
    pauses: jsonb().$type<Habit['pauses']>(),
    finishLine: jsonb().$type<Habit['finishLine']>(),
    monthTargets: jsonb().$type<Habit['monthTargets']>(),
    yearTargets: jsonb().$type<Habit['yearTargets']>(),
    variants: jsonb().$type<Habit['variants']>(),
    doneBy: text().$type<Habit['doneBy']>(),
    impact: text().$type<Habit['impact']>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.id] }),
    foreignKey({ columns: [table.userId, table.areaId], foreignColumns: [areas.userId, areas.id] }),
    foreignKey({ columns: [table.userId, table.goalId], foreignColumns: [goals.userId, goals.id] }),
    check('habits_aim', sql`${table.aim} in ('build', 'quit')`),
    check('habits_part_of_day', sql`${table.partOfDay} in ('morning', 'midday', 'evening', 'any')`),
    check('habits_ends', sql`${table.endsOn} >= ${table.startsOn}`),
    check('habits_terms', sql`jsonb_array_length(${table.terms}) > 0`),
  ],
);
