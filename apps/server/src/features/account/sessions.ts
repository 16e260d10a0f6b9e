import { LRUCache } from 'lru-cache';
import type { Hearing } from '../../db/hearing.ts';
import { SESSION_COOKIE, type Auth } from './auth.ts';

export type Session = { id: string; userId: string; isSample: boolean };

/** Who is signed in, asked of every request. */
export type Sessions = {
  /** The session of a request's cookies; null where there is none. */
  find: (headers: Headers) => Promise<Session | null>;
};

/** How long a session is known without looking, while this server hears of sessions that end. */
const KNOWN_MS = 60_000;
const MOST_KNOWN = 20_000;

/**
 * Looks sessions up, and remembers them for seconds. The database tells every server of a session that ends, so that it
 * is known as ended at once; while nothing can be heard, nothing is remembered.
 */
export function createSessions(auth: Auth, hearing: Hearing): Sessions {
  const cookieOf = new Map<string, string>();
  const known = new LRUCache<string, Session>({
    max: MOST_KNOWN,
    ttl: KNOWN_MS,
    dispose: (session) => cookieOf.delete(session.id),
  });
  // Sessions looked up while another ended may be that one: they are not remembered.
  let ended = 0;
  hearing.on('session_ended', {
    said(payload) {
      ended++;
      const cookie = cookieOf.get(payload);
      if (cookie !== undefined) known.delete(cookie);
    },
    deaf: () => known.clear(),
  });

  return {
    async find(headers) {
      const cookie = SESSION_COOKIE.exec(headers.get('cookie') ?? '')?.[1];
      if (cookie === undefined) return null;
      const found = known.get(cookie);
      if (found !== undefined) return found;
      const before = ended;
      const asked = await auth.api.getSession({ headers });
      if (asked === null) return null;
      const { session, user } = asked;
      const own = { id: session.id, userId: user.id, isSample: user.isAnonymous === true };
      if (hearing.isHearing() && ended === before) {
        known.set(cookie, own);
        cookieOf.set(session.id, cookie);
      }
      return own;
    },
  };
}
