import { customType, date, doublePrecision, text } from 'drizzle-orm/pg-core';
import { user } from './account.ts';

/** An instant kept as timestamptz, in ISO 8601 with a Z on our side. The connection's time zone must be UTC. */
export const instant = customType<{ data: string; driverData: string }>({
  dataType: () => 'timestamp with time zone',
  fromDriver: (value) => `${value.replace(' ', 'T').replace(/\+00$/, '')}Z`,
});

/** A calendar day as text, `YYYY-MM-DD`. */
export const day = () => date({ mode: 'string' });

export const number = () => doublePrecision();

/** The account of a row: first column of every primary key. */
export const owned = () => ({
  userId: text()
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
});
