import { json, pgTable, text } from 'drizzle-orm/pg-core';
import { user } from './account.ts';
import { instant } from './columns.ts';

/**
 * The address under which a person's calendar is found by whoever knows it, one each. Of its secret only the hash is kept:
 * whoever reads the database can't open it.
 */
export const calendarAddresses = pgTable('calendar_addresses', {
  userId: text()
    .primaryKey()
    .references(() => user.id, { onDelete: 'cascade' }),
  secretHash: text().notNull().unique(),
  /** What it shows, by the names of `CALENDAR_KINDS`. */
  shows: json().notNull(),
  madeAt: instant().notNull(),
});
