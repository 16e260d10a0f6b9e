import { stream } from 'hono/streaming';
import type { Context } from 'hono';
import type { Pool } from 'pg';
import { AppError } from '../../errors.ts';
import type { SignedInEnv } from '../account/session.ts';
import type { Sessions } from '../account/sessions.ts';
import type { News } from './news.ts';
import { revisionOf } from './queries.ts';

/** How many devices of one person can listen at a time on one process. */
const MOST_OF_ONE = 30;
/** How many listen at a time on one process, of all people together. */
const MOST = 5000;
/** How often something is said though there is no news, so that both sides know that the other is there. */
const HEARTBEAT_MS = 20_000;

export type StreamDeps = { pool: Pool; news: News; sessions: Sessions; heartbeatMs?: number };

/**
 * Server-sent events: the revision that a person's record is at, at once and whenever it moves on, and a line without
 * meaning every now and then. It ends with the session.
 */
export async function revisionStream(
  c: Context<SignedInEnv>,
  { pool, news, sessions, heartbeatMs = HEARTBEAT_MS }: StreamDeps,
): Promise<Response> {
  const userId = c.get('userId');
  if (news.count(userId) >= MOST_OF_ONE || news.count() >= MOST) throw new AppError('tooMany', undefined, 30);
  const { headers } = c.req.raw;
  let told = -1;
  let say: (text: string) => void = () => undefined;
  let end: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  const moved = (revision: number): void => {
    if (revision <= told) return;
    told = revision;
    say(`data: ${revision}\n\n`);
  };
  // Listened to before it is looked where the record is: nothing falls between the two.
  const stop = news.hear(userId, { moved, end });
  let at: number;
  try {
    at = await revisionOf(pool, userId);
  } catch (error) {
    stop();
    throw error;
  }
  c.header('content-type', 'text/event-stream; charset=utf-8');
  // Proxies that gather answers before they pass them on are told not to.
  c.header('x-accel-buffering', 'no');
  return stream(c, async (answer) => {
    answer.onAbort(end);
    say = (text) => void answer.write(text).catch(end);
    const first = Math.max(at, told);
    told = -1;
    moved(first);
    const timer = setInterval(() => {
      say(': \n\n');
      sessions.find(headers).then(
        (session) => {
          if (session?.userId !== userId) end();
        },
        () => undefined,
      );
    }, heartbeatMs);
    await ended;
    clearInterval(timer);
    stop();
  });
}
