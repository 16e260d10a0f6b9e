import { PATHS } from '@wimbel/contract';
import { post, send } from './api.ts';

/** What the address of one's calendar shows and since when it is there; null while there is none. */
export const calendarAddress = (accountId: string) =>
  send<{ shows: string[]; madeAt: string } | null>(PATHS.calendar, { accountId });

/**
 * Makes the address of one's calendar (or, with `isNew`, another in its place), or chooses anew what it shows. The whole address
 * is told once, when it is made; else null.
 */
export async function chooseCalendar(
  accountId: string,
  shows: readonly string[],
  isNew: boolean,
): Promise<string | null> {
  const { secret } = await post<{ secret: string | null }>(PATHS.calendar, { shows, isNew }, accountId);
  return secret === null ? null : `${location.origin}${PATHS.calendarFeed}/${secret}.ics`;
}

/** Ends the address: it finds nothing any more. */
export const endCalendar = (accountId: string) => post<unknown>(PATHS.calendarEnd, {}, accountId);
