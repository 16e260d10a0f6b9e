import type { Pool } from 'pg';
import type { Hearing } from '../../db/notifications.ts';

const CHANNEL = 'record_moved';

/** A person's record has moved on to a revision. */
export type Moved = { userId: string; revision: number };

/** Somebody who hears of one record, until the ending is called. */
export type Listener = { moved: (revision: number) => void; end: () => void };

/** Tells the open devices of a person, wherever they are connected, that their record moved on; only to which revision. */
export type News = {
  /** Hears of a person's record; gives the way to stop. */
  hear: (userId: string, listener: Listener) => () => void;
  /** Tells what was written. It is told here at once, and to other processes with the next turn of this one. */
  tell: (moved: readonly Moved[]) => void;
  /** How many listen here, of one person or of all. */
  count: (userId?: string) => number;
  /** Ends everybody's listening. */
  close: () => void;
};

/** Opens the news of a process. What a broken connection may have missed ends the listening: who comes back is told anew. */
export function openNews(pool: Pool, hearing: Hearing): News {
  const listeners = new Map<string, Set<Listener>>();
  const waiting = new Map<string, number>();
  let isTelling = false;
  let count = 0;

  const pass = ({ userId, revision }: Moved): void => {
    for (const each of listeners.get(userId) ?? []) each.moved(revision);
  };
  const endAll = (): void => {
    for (const each of [...listeners.values()].flatMap((own) => [...own])) each.end();
  };
  hearing.on(CHANNEL, {
    said(payload) {
      const at = payload.lastIndexOf(' ');
      pass({ userId: payload.slice(0, at), revision: Number(payload.slice(at + 1)) });
    },
    deaf: endAll,
  });

  function tellOthers(): void {
    isTelling = false;
    const payloads = [...waiting].map(([userId, revision]) => `${userId} ${revision}`);
    waiting.clear();
    // What cannot be told is found by looking: devices look now and then too.
    pool
      .query({
        name: 'tell',
        text: `select pg_notify('${CHANNEL}', payload) from unnest($1::text[]) payload`,
        values: [payloads],
      })
      .catch(() => undefined);
  }

  return {
    hear(userId, listener) {
      const own = listeners.get(userId) ?? new Set();
      listeners.set(userId, own.add(listener));
      count++;
      return () => {
        if (!own.delete(listener)) return;
        count--;
        if (own.size === 0 && listeners.get(userId) === own) listeners.delete(userId);
      };
    },
    tell(moved) {
      for (const each of moved) {
        pass(each);
        waiting.set(each.userId, Math.max(each.revision, waiting.get(each.userId) ?? 0));
      }
      if (isTelling || waiting.size === 0) return;
      isTelling = true;
      setImmediate(tellOthers);
    },
    count: (userId) => (userId === undefined ? count : (listeners.get(userId)?.size ?? 0)),
    close: endAll,
  };
}
