import { createHash, randomBytes } from 'node:crypto';
import { CALENDAR_KINDS, type CalendarKind } from '@wimbel/exchange';
import type { Pool } from 'pg';
import type { Clock } from '../../clock.ts';

export type CalendarDeps = { pool: Pool; clock: Clock };

/** What a calendar address shows, and when it was created. */
export type CalendarAddress = { shows: CalendarKind[]; madeAt: string };

/** Random bytes of a secret. */
const SECRET_BYTES = 32;

export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

/** The account's calendar address; null where there is none. */
export async function addressOf({ pool }: CalendarDeps, userId: string): Promise<CalendarAddress | null> {
  const { rows } = await pool.query<{ shows: CalendarKind[]; at: Date | string }>(
    'select shows, made_at as at from calendar_addresses where user_id = $1',
    [userId],
  );
  return rows[0] === undefined ? null : { shows: rows[0].shows, madeAt: new Date(rows[0].at).toISOString() };
}

/**
 * Makes a person's address, or another in its place, after which the one before finds nothing. Gives the secret, which is
 * told this once.
 */
export async function makeAddress(
  { pool, clock }: CalendarDeps,
  userId: string,
  shows: readonly CalendarKind[],
): Promise<string> {
  const secret = randomBytes(SECRET_BYTES).toString('base64url');
  await pool.query(
    `insert into calendar_addresses (user_id, secret_hash, shows, made_at) values ($1, $2, $3, $4)
     on conflict (user_id) do update set secret_hash = $2, shows = $3, made_at = $4`,
    [userId, hashOf(secret), JSON.stringify(shows), clock.now().toISOString()],
  );
  return secret;
}

/** Updates what the address shows; false where there is none. */
export async function chooseShown(
  { pool }: CalendarDeps,
  userId: string,
  shows: readonly CalendarKind[],
): Promise<boolean> {
  const { rowCount } = await pool.query('update calendar_addresses set shows = $2 where user_id = $1', [
    userId,
    JSON.stringify(shows),
  ]);
  return rowCount === 1;
}

/** Revokes the address. */
export async function endAddress({ pool }: CalendarDeps, userId: string): Promise<void> {
  await pool.query('delete from calendar_addresses where user_id = $1', [userId]);
}

/** Whether a value is a list of what a calendar can show, some of it at least. */
export const isShown = (value: unknown): value is CalendarKind[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.length <= CALENDAR_KINDS.length &&
  value.every((each) => (CALENDAR_KINDS as readonly unknown[]).includes(each));
