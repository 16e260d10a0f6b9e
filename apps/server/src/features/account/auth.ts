import { hash, verify } from '@node-rs/argon2';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { anonymous } from 'better-auth/plugins';
import type { Database } from '../../db/connection.ts';
import * as schema from '../../db/schema/account.ts';

/** The header in which the server itself writes the address of the client; whatever a client sends in it is dropped. */
export const CLIENT_ADDRESS_HEADER = 'x-wimbel-client-address';

/** The cookies of sessions among a request's cookies. */
export const SESSION_COOKIES = /(?<=^|;)\s*(?:__Secure-)?wimbel\.session_token=[^;]+/g;

export type Auth = ReturnType<typeof createAuth>;

/**
 * Accounts by e-mail and password, and passing ones without either for those who look at the sample; with sessions in
 * http-only cookies. Its limits are our own, see `routes.ts`.
 */
export function createAuth(db: Database, options: { secret: string; origins: string[] }) {
  return betterAuth({
    appName: 'Wimbel',
    secret: options.secret,
    baseURL: options.origins[0]!,
    basePath: '/api/auth',
    trustedOrigins: options.origins,
    telemetry: { enabled: false },
    logger: { disabled: true },
    onAPIError: { throw: true },
    database: drizzleAdapter(db, { provider: 'pg', schema }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 200,
      password: {
        hash: (password) => hash(password),
        verify: ({ hash: stored, password }) => verify(stored, password),
      },
    },
    user: { deleteUser: { enabled: true } },
    session: { expiresIn: 60 * 60 * 24 * 90, updateAge: 60 * 60 * 24 },
    rateLimit: { enabled: false },
    plugins: [anonymous({ emailDomainName: 'wimbel.invalid', generateName: () => 'Sample' })],
    advanced: {
      ipAddress: { ipAddressHeaders: [CLIENT_ADDRESS_HEADER] },
      cookiePrefix: 'wimbel',
    },
  });
}
