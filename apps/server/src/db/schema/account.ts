import { bigint, boolean, integer, pgTable, text, timestamp, varchar } from 'drizzle-orm/pg-core';

const at = () => timestamp({ withTimezone: true });

export const user = pgTable('user', {
  id: text().primaryKey(),
  name: text().notNull(),
  email: text().notNull().unique(),
  emailVerified: boolean().notNull().default(false),
  image: text(),
  /** An account of a visitor who looks at the sample; gone after a day. */
  isAnonymous: boolean(),
  createdAt: at().notNull().defaultNow(),
  updatedAt: at().notNull().defaultNow(),
});

export const session = pgTable('session', {
  id: text().primaryKey(),
  expiresAt: at().notNull(),
  token: text().notNull().unique(),
  createdAt: at().notNull().defaultNow(),
  updatedAt: at().notNull().defaultNow(),
  ipAddress: text(),
  userAgent: text(),
  userId: text()
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
});

export const account = pgTable('account', {
  id: text().primaryKey(),
  accountId: text().notNull(),
  providerId: text().notNull(),
  userId: text()
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  accessToken: text(),
  refreshToken: text(),
  idToken: text(),
  accessTokenExpiresAt: at(),
  refreshTokenExpiresAt: at(),
  scope: text(),
  password: text(),
  createdAt: at().notNull().defaultNow(),
  updatedAt: at().notNull().defaultNow(),
});

export const verification = pgTable('verification', {
  id: text().primaryKey(),
  identifier: text().notNull(),
  value: text().notNull(),
  expiresAt: at().notNull(),
  createdAt: at().notNull().defaultNow(),
  updatedAt: at().notNull().defaultNow(),
});

/** Attempts counted against a limit, by what is limited and for whom, until `expire` (milliseconds since 1970). */
export const limits = pgTable('limits', {
  key: varchar({ length: 255 }).primaryKey(),
  points: integer().notNull().default(0),
  expire: bigint({ mode: 'number' }),
});
