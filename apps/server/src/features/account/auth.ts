import { hash, verify } from '@node-rs/argon2';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import type { Database } from '../../db/connection.ts';
import * as schema from '../../db/schema/account.ts';

/** The header in which the server itself writes the address of the client; whatever a client sends in it is dropped. */
export const CLIENT_ADDRESS_HEADER = 'x-wimbel-client-address';

export type Auth = ReturnType<typeof createAuth>;

/** Accounts by e-mail and password, with sessions in http-only cookies. */
export function createAuth(db: Database, options: { secret: string; origins: string[]; signInAttempts: number }) {
  const attempts = { window: 300, max: options.signInAttempts };
  return betterAuth({
    appName: 'Wimbel',
    secret: options.secret,
    baseURL: options.origins[0]!,
    basePath: '/api/auth',
    trustedOrigins: options.origins,
    telemetry: { enabled: false },
    logger: { disabled: true },
    database: drizzleAdapter(db, { provider: 'pg', schema: { ...schema, rateLimit: schema.rateLimit } }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 200,
      password: {
        hash: (password) => hash(password),
        verify: ({ hash: stored, password }) => verify(stored, password),
      },
    },
    session: { expiresIn: 60 * 60 * 24 * 90, updateAge: 60 * 60 * 24 },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 600,
      customRules: { '/sign-in/email': attempts, '/sign-up/email': attempts, '/get-session': false },
    },
    advanced: {
      ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] },
      cookiePrefix: 'wimbel',
    },
  });
}
