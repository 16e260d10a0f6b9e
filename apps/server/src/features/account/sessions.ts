import { LRUCache } from 'lru-cache';
import type { Notifications } from '../../db/notifications.ts';
import { SESSION_COOKIES, type Auth } from './auth.ts';

export type Session = { id: string; userId: string; isSample: boolean };

/** Session lookup. */
export type Sessions = {
  /** The session of a request's cookies; null where there is none. */
  find: (headers: Headers) => Promise<Session | null>;
  /** Calls `end` when a session ends on any server; returns the unsubscriber. */
  onEnd: (sessionId: string, end: () => void) => () => void;
};

/** Time to live of cached sessions, while ends are received by NOTIFY. */
const KNOWN_MS = 60_000;
const MOST_KNOWN = 20_000;

/** The session cookies of a request, deduplicated: the cache key, and all that the lookup is given. */
const sessionCookies = (headers: Headers): string =>
  [...new Set((headers.get('cookie') ?? '').match(SESSION_COOKIES)?.map((each) => each.trim()))].join('; ');

/**
 * Looks sessions up and caches them. The database notifies every server of ended sessions, whose cache entries are removed at once;
 * while notifications are not received nothing is cached. One session may be cached under several cookie texts; all go with it.
 */
export function createSessions(auth: Auth, notifications: Notifications): Sessions {
  const cookiesOf = new Map<string, Set<string>>();
  const watchers = new Map<string, Set<() => void>>();
  const known = new LRUCache<string, Session>({
    max: MOST_KNOWN,
    ttl: KNOWN_MS,
    dispose: ({ id }, cookies) => {
      const own = cookiesOf.get(id);
      own?.delete(cookies);
      if (own?.size === 0) cookiesOf.delete(id);
    },
  });
  // A lookup during which a session ended is not cached: it may be that one.
  let ended = 0;
  notifications.on('session_ended', {
    onMessage(sessionId) {
      ended++;
      for (const cookies of [...(cookiesOf.get(sessionId) ?? [])]) known.delete(cookies);
      for (const end of [...(watchers.get(sessionId) ?? [])]) end();
    },
    onDisconnect: () => known.clear(),
  });

  return {
    async find(headers) {
      const cookies = sessionCookies(headers);
      if (cookies === '') return null;
      const found = known.get(cookies);
      if (found !== undefined) return found;
      const before = ended;
      const asked = await auth.api.getSession({ headers: new Headers({ cookie: cookies }) });
      if (asked === null) return null;
      const { session, user } = asked;
      const own = { id: session.id, userId: user.id, isSample: user.isAnonymous === true };
      if (notifications.isListening() && ended === before) {
        known.set(cookies, own);
        cookiesOf.set(own.id, (cookiesOf.get(own.id) ?? new Set()).add(cookies));
      }
      return own;
    },
    onEnd(sessionId, end) {
      const own = watchers.get(sessionId) ?? new Set();
      watchers.set(sessionId, own.add(end));
      return () => {
        own.delete(end);
        if (own.size === 0 && watchers.get(sessionId) === own) watchers.delete(sessionId);
      };
    },
  };
}
