import { createHash, randomBytes } from 'node:crypto';
import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import { DEFAULT_SETTINGS, type Entry, type Habit, type Records, dayFromParts } from '@wimbel/core';
import { CALENDAR_KINDS, type CalendarKind, calendarFile } from '@wimbel/exchange';
import type { Pool } from 'pg';
import type { Clock } from '../../clock.ts';

export type CalendarDeps = { pool: Pool; clock: Clock };

/** What a person's address shows, and since when it is there. */
export type CalendarAddress = { shows: CalendarKind[]; madeAt: string };

/** Bytes of chance in an address: nobody guesses it. */
const SECRET_BYTES = 32;
/** What a calendar shows hangs on these alone. */
const SHOWN: readonly Collection[] = ['goals', 'keyResults', 'steps', 'milestones', 'seasons', 'habits'];

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');

/** What a person's address shows; null while they have none. */
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

/** Chooses anew what the address shows; it stays the same. False where there is none. */
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

/** Ends a person's address. */
export async function endAddress({ pool }: CalendarDeps, userId: string): Promise<void> {
  await pool.query('delete from calendar_addresses where user_id = $1', [userId]);
}

/** What was recorded of the habits whose days go by what was done; of the others the calendar needs no record. */
async function entriesOfIntervals(pool: Pool, userId: string, habits: readonly Habit[]): Promise<Entry[]> {
  const ids = habits.flatMap(({ id, terms }) =>
    terms.some(({ schedule }) => schedule.kind === 'interval') ? [id] : [],
  );
  if (ids.length === 0) return [];
  const { rows } = await pool.query<{
    habit_id: string;
    day: string;
    mark: Entry['mark'] | null;
    amount: number | null;
  }>(
    `select habit_id, to_char(day, 'YYYY-MM-DD') as day, mark, amount::float8 as amount from entries
     where user_id = $1 and habit_id = any($2) and (mark is not null or amount is not null)`,
    [userId, ids],
  );
  return rows.map(({ habit_id: habitId, day, mark, amount }) => ({
    habitId,
    day,
    ...(mark === null ? {} : { mark }),
    ...(amount === null ? {} : { amount }),
  }));
}

/** The calendar that a secret opens, as a file; null where it opens none. */
export async function calendarBehind({ pool, clock }: CalendarDeps, secret: string): Promise<string | null> {
  const { rows } = await pool.query<{ user_id: string; shows: CalendarKind[] }>(
    'select user_id, shows from calendar_addresses where secret_hash = $1',
    [hashOf(secret)],
  );
  const [address] = rows;
  if (address === undefined) return null;
  const held = await pool.query<{ collection: Collection; record: RecordOf<Collection> }>(
    'select collection, record from change_log where user_id = $1 and collection = any($2) and record is not null',
    [address.user_id, SHOWN],
  );
  const records = {
    settings: DEFAULT_SETTINGS,
    ...Object.fromEntries(LIST_COLLECTIONS.map((collection) => [collection, [] as unknown[]])),
  } as unknown as Records;
  for (const { collection, record } of held.rows) (records[collection] as unknown[]).push(record);
  if (address.shows.includes('habits'))
    records.entries = await entriesOfIntervals(pool, address.user_id, records.habits);
  const now = clock.now();
  const today = dayFromParts(now.getUTCFullYear(), now.getUTCMonth() + 1, now.getUTCDate());
  return calendarFile(records, new Set(address.shows), today, now);
}

/** Whether a value is a list of what a calendar can show, some of it at least. */
export const isShown = (value: unknown): value is CalendarKind[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.length <= CALENDAR_KINDS.length &&
  value.every((each) => (CALENDAR_KINDS as readonly unknown[]).includes(each));
