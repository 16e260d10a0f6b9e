import pg from 'pg';

/** What is done with what a channel says. */
export type Ear = {
  said: (payload: string) => void;
  /** The connection broke: what was said meanwhile is never heard. */
  deaf?: () => void;
};

/** One connection of a process on which the database tells it what happens elsewhere. */
export type Hearing = {
  /** Hears a channel, named as an identifier. To be called before anything happens on it. */
  on: (channel: string, ear: Ear) => void;
  /** Whether all that is said now is heard. */
  isHearing: () => boolean;
  close: () => Promise<void>;
};

/** How long to wait before listening again after the connection broke. */
const LISTEN_AGAIN_MS = 1000;

/** Listens on a connection of its own, and again when it breaks. */
export function openHearing(databaseUrl: string): Hearing {
  const ears = new Map<string, Ear[]>();
  let listener: pg.Client | null = null;
  let isHearing = false;
  let isClosed = false;

  const deaf = (client: pg.Client): void => {
    if (listener !== client) return;
    listener = null;
    isHearing = false;
    for (const ear of [...ears.values()].flat()) ear.deaf?.();
    void client.end().catch(() => undefined);
    if (!isClosed) setTimeout(() => void listen(), LISTEN_AGAIN_MS).unref();
  };

  async function listen(): Promise<void> {
    if (isClosed) return;
    const client = new pg.Client({ connectionString: databaseUrl, keepAlive: true });
    listener = client;
    client.on('error', () => deaf(client));
    client.on('end', () => deaf(client));
    client.on('notification', ({ channel, payload = '' }) => {
      for (const ear of ears.get(channel) ?? []) ear.said(payload);
    });
    try {
      await client.connect();
      // Those that are added while this goes on are listened to as well.
      const heard = new Set<string>();
      for (let next = nextOf(heard); next !== undefined; next = nextOf(heard)) {
        await client.query(`listen ${client.escapeIdentifier(next)}`);
        heard.add(next);
      }
      if (listener === client) isHearing = true;
    } catch {
      deaf(client);
    }
  }
  const nextOf = (heard: ReadonlySet<string>): string | undefined => [...ears.keys()].find((each) => !heard.has(each));
  // After all that is built with it has said what it wants to hear.
  setImmediate(() => void listen());

  return {
    on(channel, ear) {
      if (isHearing) throw new Error(`${channel} is to be heard from the start`);
      ears.set(channel, [...(ears.get(channel) ?? []), ear]);
    },
    isHearing: () => isHearing,
    async close() {
      isClosed = true;
      const client = listener;
      listener = null;
      await client?.end().catch(() => undefined);
    },
  };
}
