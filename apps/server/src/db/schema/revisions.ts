import { bigint, index, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { user } from './account.ts';
import { instant } from './columns.ts';

const userId = () =>
  text()
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' });

/** The last revision given out to a person. Writing it serialises the person's changes. */
export const revisions = pgTable('revisions', {
  userId: userId().primaryKey(),
  revision: bigint({ mode: 'number' }).notNull(),
});

/** Records that were taken away, so that other devices hear of it and an earlier change does not bring them back. */
export const removals = pgTable(
  'removals',
  {
    userId: userId(),
    collection: text().notNull(),
    key: text().notNull(),
    revision: bigint({ mode: 'number' }).notNull(),
    changedAt: instant().notNull(),
    changeId: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.collection, table.key] }),
    index('removals_by_revision').on(table.userId, table.revision),
  ],
);
