import { bigint, boolean, integer, pgTable, text, timestamp } from 'drizzle-orm/pg-core';

const at = () => timestamp({ withTimezone: true });

export const user = pgTable('user', {
  id: text().primaryKey(),
  name: text().notNull(),
  email: text().notNull().unique(),
  emailVerified: boolean().notNull().default(false),
  image: text(),
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

export const rateLimit = pgTable('rate_limit', {
  id: text().primaryKey(),
  key: text().notNull().unique(),
  count: integer().notNull(),
  lastRequest: bigint({ mode: 'number' }).notNull(),
});
