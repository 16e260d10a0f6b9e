import { bigint, customType, date, doublePrecision, text } from 'drizzle-orm/pg-core';
import { user } from './account.ts';

/** An instant kept as timestamptz, in ISO 8601 with a Z on our side. The connection's time zone must be UTC. */
export const instant = customType<{ data: string; driverData: string }>({
  dataType: () => 'timestamp with time zone',
  fromDriver: (value) => `${value.replace(' ', 'T').replace(/\+00$/, '')}Z`,
});

/** A calendar day as text, `YYYY-MM-DD`. */
export const day = () => date({ mode: 'string' });

export const number = () => doublePrecision();

/**
 * What every row of a person's data carries: whose it is, the revision it got when it was last written, the instant and
 * id of the change that wrote it, and its place among its kind in the order they came.
 */
export const owned = () => ({
  userId: text()
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  revision: bigint({ mode: 'number' }).notNull(),
  changedAt: instant().notNull(),
  changeId: text().notNull(),
  place: bigint({ mode: 'number' }).notNull(),
});

export const OWNED_KEYS = ['userId', 'revision', 'changedAt', 'changeId', 'place'] as const;
