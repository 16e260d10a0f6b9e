import type { Prompt } from '@wimbel/core';
import { boolean, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { number, owned } from './columns.ts';

export const prompts = pgTable(
  'prompts',
  {
    ...owned(),
    id: text().notNull(),
    text: text().notNull(),
    part: text().$type<Prompt['part']>().notNull(),
    kind: text().$type<Prompt['kind']>().notNull(),
    size: integer(),
    active: boolean().notNull(),
    order: number().notNull(),
  },
  (table) => [primaryKey({ columns: [table.userId, table.id] })],
);
