import { bigint, boolean, integer, json, pgTable, primaryKey, text, uniqueIndex } from 'drizzle-orm/pg-core';
import { user } from './account.ts';
import { instant, owned } from './columns.ts';

/** The last revision of an account. Every write raises it from the revision it was decided at (revision guard). */
export const revisions = pgTable('revisions', {
  userId: text()
    .primaryKey()
    .references(() => user.id, { onDelete: 'cascade' }),
  revision: bigint({ mode: 'number' }).notNull(),
});

/**
 * The revision and origin of each record's latest version, and whether that deleted it. The record itself stands in its own table
 * only; both are written in one statement.
 */
export const changeLog = pgTable(
  'change_log',
  {
    ...owned(),
    collection: text().notNull(),
    key: text().notNull(),
    revision: bigint({ mode: 'number' }).notNull(),
    changedAt: instant().notNull(),
    changeId: text().notNull(),
    /** The device's own instant where its clock was wrong; `changedAt` is the server's time. */
    deviceAt: instant(),
    deleted: boolean().notNull(),
    /** Size of the record in bytes, for pages and quotas. */
    bytes: integer().notNull().default(0),
    /** Origins by part; null where the record was written as a whole. */
    parts: json(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.collection, table.key] }),
    uniqueIndex('change_log_by_revision').on(table.userId, table.revision),
  ],
);
