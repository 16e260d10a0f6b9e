import pg from 'pg';

/** Callbacks of a channel. */
type NotificationListener = {
  onMessage: (payload: string) => void;
  /** The connection broke: notifications sent meanwhile are lost. */
  onDisconnect?: () => void;
};

/** PostgreSQL `LISTEN` on one connection per process. */
export type Notifications = {
  /** Listens to a channel, named as an identifier. Must be called before the connection is up. */
  on: (channel: string, listener: NotificationListener) => void;
  /** Whether every notification is received now. */
  isListening: () => boolean;
  close: () => Promise<void>;
};

/** Pause before reconnecting. */
const LISTEN_AGAIN_MS = 1000;

/** Opens the listening connection; reconnects when it breaks. */
export function openNotifications(databaseUrl: string): Notifications {
  const listeners = new Map<string, NotificationListener[]>();
  let listener: pg.Client | null = null;
  let isListening = false;
  let isClosed = false;

  const disconnected = (client: pg.Client): void => {
    if (listener !== client) return;
    listener = null;
    isListening = false;
    for (const each of [...listeners.values()].flat()) each.onDisconnect?.();
    void client.end().catch(() => undefined);
    if (!isClosed) setTimeout(() => void listen(), LISTEN_AGAIN_MS).unref();
  };

  async function listen(): Promise<void> {
    if (isClosed) return;
    const client = new pg.Client({ connectionString: databaseUrl, keepAlive: true });
    listener = client;
    client.on('error', () => disconnected(client));
    client.on('end', () => disconnected(client));
    client.on('notification', ({ channel, payload = '' }) => {
      for (const each of listeners.get(channel) ?? []) each.onMessage(payload);
    });
    try {
      await client.connect();
      // Channels added meanwhile are included.
      const listened = new Set<string>();
      for (let next = nextOf(listened); next !== undefined; next = nextOf(listened)) {
        await client.query(`listen ${client.escapeIdentifier(next)}`);
        listened.add(next);
      }
      if (listener === client) isListening = true;
    } catch {
      disconnected(client);
    }
  }
  const nextOf = (listened: ReadonlySet<string>): string | undefined =>
    [...listeners.keys()].find((each) => !listened.has(each));
  // After every service has subscribed.
  setImmediate(() => void listen());

  return {
    on(channel, added) {
      if (isListening) throw new Error(`${channel} must be subscribed before the connection is up`);
      listeners.set(channel, [...(listeners.get(channel) ?? []), added]);
    },
    isListening: () => isListening,
    async close() {
      isClosed = true;
      const client = listener;
      listener = null;
      await client?.end().catch(() => undefined);
    },
  };
}
