import { bigint, integer, json, pgTable, primaryKey, text, uniqueIndex } from 'drizzle-orm/pg-core';
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
 * The latest version of each record with its origin; `record` is null where it was deleted. Written in the same statement as the
 * record's own table. Pulls read it alone.
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
    record: json(),
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
