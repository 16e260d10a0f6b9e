import { bigint, integer, json, pgTable, primaryKey, text, uniqueIndex } from 'drizzle-orm/pg-core';
import { user } from './account.ts';
import { instant, owned } from './columns.ts';

/**
 * The last revision given out to a person. Every write of theirs moves it from the revision its checks were made at, so
 * that of two writes at once one is made again.
 */
export const revisions = pgTable('revisions', {
  userId: text()
    .primaryKey()
    .references(() => user.id, { onDelete: 'cascade' }),
  revision: bigint({ mode: 'number' }).notNull(),
});

/**
 * The newest change of each record of a person, with the record as devices are sent it (null where it was removed).
 * Written in the statement that writes the record's own table; other devices are told from here alone.
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
    /** The instant by the device's own clock, where that was off by hours or more; `changedAt` goes by the server's time. */
    deviceAt: instant(),
    record: json(),
    /** The size of the record in bytes; answers and quotas go by it without reading the record. */
    bytes: integer().notNull().default(0),
    /** Who wrote which part of the record last; null where all of it was written at once. */
    parts: json(),
  },
  (table) => [
    primaryKey({ columns: [table.userId, table.collection, table.key] }),
    uniqueIndex('change_log_by_revision').on(table.userId, table.revision),
  ],
);
