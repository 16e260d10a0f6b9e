import type { Settings, Weekday } from '@wimbel/core';
import { sql } from 'drizzle-orm';
import { check, integer, jsonb, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { number, owned } from './columns.ts';

export const settings = pgTable(
  'settings',
  {
    ...owned(),
    weekStart: text().$type<Weekday>().notNull(),
    passMark: number().notNull(),
    dayEndsAt: integer().notNull(),
    dayMarks: jsonb().$type<Settings['dayMarks']>(),
    currency: text(),
    pipsName: jsonb().$type<Settings['pipsName']>(),
    fullDayTarget: jsonb().$type<Settings['fullDayTarget']>(),
    moodMarks: jsonb().$type<Settings['moodMarks']>(),
    reviewDay: text().$type<Weekday>(),
    hidden: jsonb().$type<Settings['hidden']>(),
    todayBy: text().$type<Settings['todayBy']>(),
  },
  (table) => [
    primaryKey({ columns: [table.userId] }),
    check('settings_pass_mark', sql`${table.passMark} between 0 and 1`),
    check('settings_day_ends', sql`${table.dayEndsAt} between 0 and 6`),
  ],
);
