import { LRUCache } from 'lru-cache';
import pg from 'pg';
import { SESSION_COOKIE, type Auth } from './auth.ts';

export type Session = { id: string; userId: string; isSample: boolean };

/** Who is signed in, asked of every request. */
export type Sessions = {
  /** The session of a request's cookies; null where there is none. */
  find: (headers: Headers) => Promise<Session | null>;
  close: () => Promise<void>;
};

/** How long a session is known without looking, while this server hears of sessions that end. */
const KNOWN_MS = 60_000;
const MOST_KNOWN = 20_000;
/** How long to wait before listening again after the connection broke. */
const LISTEN_AGAIN_MS = 1000;

/**
 * Looks sessions up, and remembers them for seconds. The database tells every server of a session that ends, so that it
 * is known as ended at once; while nothing can be heard, nothing is remembered.
 */
export function createSessions(auth: Auth, databaseUrl: string): Sessions {
  const cookieOf = new Map<string, string>();
  const known = new LRUCache<string, Session>({
    max: MOST_KNOWN,
    ttl: KNOWN_MS,
    dispose: (session) => cookieOf.delete(session.id),
  });
  let listener: pg.Client | null = null;
  let isHearing = false;
  let isClosed = false;
  // Sessions looked up while another ended may be that one: they are not remembered.
  let ended = 0;

  const deaf = (client: pg.Client): void => {
    if (listener !== client) return;
    listener = null;
    isHearing = false;
    known.clear();
    void client.end().catch(() => undefined);
    if (!isClosed) setTimeout(() => void listen(), LISTEN_AGAIN_MS).unref();
  };

  async function listen(): Promise<void> {
    if (isClosed) return;
    const client = new pg.Client({ connectionString: databaseUrl, keepAlive: true });
    listener = client;
    client.on('error', () => deaf(client));
    client.on('end', () => deaf(client));
    client.on('notification', ({ payload = '' }) => {
      ended++;
      const cookie = cookieOf.get(payload);
      if (cookie !== undefined) known.delete(cookie);
    });
    try {
      await client.connect();
      await client.query('listen session_ended');
      isHearing = true;
    } catch {
      deaf(client);
    }
  }
  void listen();

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
      if (isHearing && ended === before) {
        known.set(cookie, own);
        cookieOf.set(session.id, cookie);
      }
      return own;
    },
    async close() {
      isClosed = true;
      const client = listener;
      listener = null;
      await client?.end().catch(() => undefined);
    },
  };
}
