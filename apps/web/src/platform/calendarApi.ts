import { PATHS } from '@wimbel/contract';
import { post, send } from './api.ts';

/** What the calendar address shows and since when it exists; null where there is none. */
export const calendarAddress = (accountId: string) =>
  send<{ shows: string[]; madeAt: string } | null>(PATHS.calendar, { accountId });

/**
 * Creates the calendar address (with `isNew`, replaces it), or updates what it shows. Returns the secret only when one was
 * created; else null.
 */
export async function chooseCalendar(
  accountId: string,
  shows: readonly string[],
  isNew: boolean,
): Promise<string | null> {
  const { secret } = await post<{ secret: string | null }>(PATHS.calendar, { shows, isNew }, accountId);
  return secret === null ? null : `${location.origin}${PATHS.calendarFeed}/${secret}.ics`;
}

/** Revokes the address. */
export const endCalendar = (accountId: string) => post<unknown>(PATHS.calendarEnd, {}, accountId);
