import type { Pool } from 'pg';
import type { Notifications } from '../../db/notifications.ts';

const CHANNEL = 'record_moved';

/** An account reached a revision. */
export type Moved = { userId: string; revision: number };

/** A subscriber to one account; `end` is called when the feed ends. */
export type Listener = { moved: (revision: number) => void; end: () => void };

/** Announces new revisions of accounts to the event streams of all processes (PostgreSQL NOTIFY). */
export type RevisionFeed = {
  /** Subscribes to an account; returns the unsubscriber. */
  subscribe: (userId: string, listener: Listener) => () => void;
  /** Publishes committed revisions: to subscribers of this process at once, to other processes with the next turn of the event loop. */
  publish: (moved: readonly Moved[]) => void;
  /** Number of subscribers of this process, of one account or of all. */
  count: (userId?: string) => number;
  /** Ends every subscription. */
  close: () => void;
};

/** Opens the feed of a process. A broken listening connection ends all subscriptions, since it may have missed a revision; clients reconnect. */
export function openRevisionFeed(pool: Pool, notifications: Notifications): RevisionFeed {
  const listeners = new Map<string, Set<Listener>>();
  const waiting = new Map<string, number>();
  let isScheduled = false;
  let count = 0;

  const pass = ({ userId, revision }: Moved): void => {
    for (const each of listeners.get(userId) ?? []) each.moved(revision);
  };
  const endAll = (): void => {
    for (const each of [...listeners.values()].flatMap((own) => [...own])) each.end();
  };
  notifications.on(CHANNEL, {
    onMessage(payload) {
      const at = payload.lastIndexOf(' ');
      pass({ userId: payload.slice(0, at), revision: Number(payload.slice(at + 1)) });
    },
    onDisconnect: endAll,
  });

  function notifyOthers(): void {
    isScheduled = false;
    const payloads = [...waiting].map(([userId, revision]) => `${userId} ${revision}`);
    waiting.clear();
    // A lost notification is harmless: devices poll as well.
    pool
      .query({
        name: 'notify',
        text: `select pg_notify('${CHANNEL}', payload) from unnest($1::text[]) payload`,
        values: [payloads],
      })
      .catch(() => undefined);
  }

  return {
    subscribe(userId, listener) {
      const own = listeners.get(userId) ?? new Set();
      listeners.set(userId, own.add(listener));
      count++;
      return () => {
        if (!own.delete(listener)) return;
        count--;
        if (own.size === 0 && listeners.get(userId) === own) listeners.delete(userId);
      };
    },
    publish(moved) {
      for (const each of moved) {
        pass(each);
        waiting.set(each.userId, Math.max(each.revision, waiting.get(each.userId) ?? 0));
      }
      if (isScheduled || waiting.size === 0) return;
      isScheduled = true;
      setImmediate(notifyOthers);
    },
    count: (userId) => (userId === undefined ? count : (listeners.get(userId)?.size ?? 0)),
    close: endAll,
  };
}
