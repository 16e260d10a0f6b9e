import type { Context } from 'hono';
import type { Pool } from 'pg';
import { AppError } from '../../errors.ts';
import type { SignedInEnv } from '../account/session.ts';
import type { Sessions } from '../account/sessions.ts';
import type { RevisionFeed } from './revisionFeed.ts';
import { revisionOf } from './queries.ts';

/** Concurrent streams per account and process. */
const MOST_OF_ONE = 30;
/** Concurrent streams per process. */
const MOST = 5000;
/** Interval of heartbeats, by which both sides detect a broken connection. */
const HEARTBEAT_MS = 20_000;

/** Buffered events of a slow client before it is disconnected. */
const MOST_UNHEARD = 100;

const bytes = new TextEncoder();
const NOTHING = bytes.encode(': \n\n');

type StreamDeps = { pool: Pool; feed: RevisionFeed; sessions: Sessions; heartbeatMs?: number };

/** Server-sent events: the account's revision at once and whenever it changes, and heartbeats. Ends with the session. */
export async function revisionStream(
  c: Context<SignedInEnv>,
  { pool, feed, sessions, heartbeatMs = HEARTBEAT_MS }: StreamDeps,
): Promise<Response> {
  const userId = c.get('userId');
  const sessionId = c.get('session').id;
  if (feed.count(userId) >= MOST_OF_ONE || feed.count() >= MOST) throw new AppError('tooMany', undefined, 30);
  // Holds no reference to the request: there may be a thousand streams.
  const headers = new Headers({ cookie: c.req.header('cookie') ?? '' });
  c.header('content-type', 'text/event-stream; charset=utf-8');
  // Turns response buffering off in proxies.
  c.header('x-accel-buffering', 'no');
  return c.body(
    await wordsTo(userId, {
      feed,
      heartbeatMs,
      revision: () => revisionOf(pool, userId),
      onSessionEnd: (end) => sessions.onEnd(sessionId, end),
      isSignedIn: async () => (await sessions.find(headers))?.userId === userId,
    }),
  );
}

/** The events of one client, until it disconnects, its session ends or its buffer is full. */
async function wordsTo(
  userId: string,
  {
    feed,
    heartbeatMs,
    revision,
    onSessionEnd,
    isSignedIn,
  }: {
    feed: RevisionFeed;
    heartbeatMs: number;
    revision: () => Promise<number>;
    onSessionEnd: (end: () => void) => () => void;
    isSignedIn: () => Promise<boolean>;
  },
): Promise<ReadableStream<Uint8Array>> {
  let sentRevision = -1;
  let to: ReadableStreamDefaultController<Uint8Array> | null = null;
  let timer: ReturnType<typeof setInterval> | undefined;
  let isOver = false;
  const over = (): void => {
    isOver = true;
    clearInterval(timer);
    stop();
    to = null;
  };
  const end = (): void => {
    const ending = to;
    over();
    ending?.close();
  };
  const say = (words: Uint8Array): void => {
    if (to === null) return;
    to.enqueue(words);
    if ((to.desiredSize ?? 0) < -MOST_UNHEARD) end();
  };
  const moved = (at: number): void => {
    if (at <= sentRevision) return;
    sentRevision = at;
    say(bytes.encode(`data: ${at}\n\n`));
  };
  // Subscribes before reading the revision, so that none is missed.
  const unsubscribe = feed.subscribe(userId, { moved, end });
  const stopWatching = onSessionEnd(end);
  const stop = (): void => {
    unsubscribe();
    stopWatching();
  };
  try {
    const at = await revision();
    return new ReadableStream<Uint8Array>({
      start(controller) {
        if (isOver) return controller.close();
        to = controller;
        const first = Math.max(at, sentRevision);
        sentRevision = -1;
        moved(first);
        const look = (): void => {
          isSignedIn().then(
            (isStill) => {
              if (!isStill) end();
            },
            () => undefined,
          );
        };
        // The session may have ended before `onEnd` was registered.
        look();
        timer = setInterval(() => {
          say(NOTHING);
          look();
        }, heartbeatMs);
      },
      cancel: over,
    });
  } catch (error) {
    stop();
    throw error;
  }
}
