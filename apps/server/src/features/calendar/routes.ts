import { Hono } from 'hono';
import type { AppEnv } from '../../appEnv.ts';
import type { ClientAddress } from '../../clientAddress.ts';
import { AppError } from '../../errors.ts';
import { bodyAtMost } from '../../bodyAtMost.ts';
import { countAgainst, ownLimit, sharedByProcesses } from '../../limits.ts';
import { type SignedInEnv, requireUser } from '../account/session.ts';
import type { Sessions } from '../account/sessions.ts';
import { createFeeds } from './feed.ts';
import { type CalendarDeps, addressOf, chooseShown, endAddress, isShown, makeAddress } from './service.ts';

const SMALL_BODY_BYTES = 4 * 1024;
/** How often one place may ask for calendars, and one person may change their address, in a minute. */
const FEEDS_PER_MINUTE = 60;
const CHANGES_PER_MINUTE = 20;

/**
 * `GET /api/calendar` says what the person's address shows, `POST` makes one (or another, with `isNew`) or chooses anew what it
 * shows, `POST /end` ends it. `GET /feed/SECRET.ics` is for calendars: whoever knows the secret reads what was chosen, and
 * nothing else.
 */
export function calendarRoutes(deps: CalendarDeps, sessions: Sessions, clientAddress: ClientAddress) {
  const feeds = sharedByProcesses('calendar-feeds', FEEDS_PER_MINUTE, 60);
  const changes = ownLimit('calendar-changes', CHANGES_PER_MINUTE, 60);
  const made = createFeeds(deps);
  const feed = new Hono<AppEnv>().get('/:file', async (c) => {
    await countAgainst(feeds, clientAddress(c));
    const secret = /^([\w-]{43})\.ics$/.exec(c.req.param('file'))?.[1];
    const known = c.req.header('if-none-match');
    const headers = { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, no-cache' };
    if (secret !== undefined && known !== undefined && known === (await made.etagBehind(secret)))
      return c.body(null, 304, { ...headers, etag: known });
    const calendar = secret === undefined ? null : await made.fileBehind(secret, c.req.raw.signal);
    if (calendar === null) throw new AppError('notFound');
    return c.body(calendar.file, 200, { ...headers, etag: calendar.etag });
  });
  const own = new Hono<SignedInEnv>()
    .use('*', requireUser(sessions), bodyAtMost(SMALL_BODY_BYTES))
    .get('/', async (c) => c.json(await addressOf(deps, c.get('userId'))))
    .post('/', async (c) => {
      const userId = c.get('userId');
      await countAgainst(changes, userId);
      const { shows, isNew } = ((await c.req.json().catch(() => null)) ?? {}) as { shows?: unknown; isNew?: unknown };
      if (!isShown(shows))
        throw new AppError('invalid', [{ path: 'shows', message: 'is not a list of what a calendar can show' }]);
      if (isNew !== true && (await chooseShown(deps, userId, shows))) return c.json({ secret: null });
      return c.json({ secret: await makeAddress(deps, userId, shows) });
    })
    .post('/end', async (c) => {
      await endAddress(deps, c.get('userId'));
      return c.json({ ended: true });
    });
  return new Hono<AppEnv>().route('/feed', feed).route('/', own);
}
