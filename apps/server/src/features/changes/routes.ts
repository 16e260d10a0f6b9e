import { type Change, LIMITS, changesIssues, isRevision, sizeOfJson } from '@wimbel/contract';
import { Hono } from 'hono';
import { createMiddleware } from 'hono/factory';
import { stream } from 'hono/streaming';
import pLimit from 'p-limit';
import { setTimeout as pause } from 'node:timers/promises';
import { bodyAtMost } from '../../bodyAtMost.ts';
import { AppError } from '../../errors.ts';
import { countAgainst, createTurns, ownLimit } from '../../limits.ts';
import { type SignedInEnv, requireUser } from '../account/session.ts';
import type { Sessions } from '../account/sessions.ts';
import { revisionStream } from './stream.ts';
import { type ChangesDeps, changesSince } from './service.ts';
import { createGroupCommit } from './groupCommit.ts';

/** Per account: queued writes, and concurrent reads. */
const WAITING = 20;
const READERS = 3;
/** An account with queued writes pauses after each: twice as long as it took, at most this long. */
const LONGEST_WRITE_PAUSE_MS = 100;
/** Concurrent pages beyond the first of long pulls, over all accounts. */
const LONG_READS = 1;
/** Longest pause between two such pages; the pause equals the time the last page took. */
const LONGEST_PAUSE_MS = 50;
/** The request, its list of changes and each change stand around a record. */
const ENVELOPE_DEPTH = 3;

/** Parses a JSON body; one with too many values is refused before parsing, which would block the event loop. */
function parsed(text: string): unknown {
  const { values, depth } = sizeOfJson(text);
  if (values > LIMITS.valuesInBody || depth > LIMITS.depth + ENVELOPE_DEPTH) throw new AppError('tooLarge');
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new AppError('notJson');
  }
}

/** `POST /api/changes` is the push, `GET /api/changes?since=REV` the pull, `GET /api/changes/stream` the event stream. */
export function changesRoutes(deps: ChangesDeps, sessions: Sessions, requestsPerMinute: number) {
  const limit = ownLimit('changes', requestsPerMinute, 60);
  const commit = createGroupCommit(deps);
  const { quotas } = deps;
  const writers = createTurns(1, WAITING);
  const readers = createTurns(READERS, WAITING);
  const longReads = pLimit(LONG_READS);
  const counted = createMiddleware<SignedInEnv>(async (c, next) => {
    await countAgainst(limit, c.get('userId'));
    await next();
  });
  return new Hono<SignedInEnv>()
    .use('/', requireUser(sessions), counted)
    .use('/stream', requireUser(sessions), counted)
    .post('/', bodyAtMost(LIMITS.bodyBytes), async (c) => {
      const userId = c.get('userId');
      const text = await c.req.text();
      const body = parsed(text);
      const issues = changesIssues(body);
      if (issues.length > 0) throw new AppError('invalid', issues);
      const person = { userId, isSample: c.get('session').isSample };
      const { changes, since } = body as { changes: Change[]; since?: number };
      const answer = await writers.take(userId, async () => {
        const startedMs = performance.now();
        const done = await commit({ userId, changes, since, isFull: await quotas.isFull(person) });
        // A device sends one request at a time: an account with queued ones is slowed down in favour of the others.
        if (writers.queued(userId) > 0) {
          await pause(Math.min(2 * (performance.now() - startedMs), LONGEST_WRITE_PAUSE_MS));
        }
        return done;
      });
      quotas.sent(person, text.length, changes);
      return c.body(answer, 200, { 'content-type': 'application/json' });
    })
    .get('/stream', (c) => revisionStream(c, { pool: deps.pool, feed: deps.feed, sessions }))
    .get('/', async (c) => {
      const userId = c.get('userId');
      const since = Number(c.req.query('since') ?? '0');
      if (!isRevision(since)) {
        throw new AppError('invalid', [{ path: 'since', message: 'is not a revision: a whole number from 0' }]);
      }
      const pieces = changesSince(deps.pool, userId, since, deps.clock.now());
      // Awaits the first chunk: errors up to here can still set the status.
      let piece = await readers.take(userId, () => pieces.next());
      c.header('content-type', 'application/json');
      if (piece.done || piece.value.isLast) return c.body(piece.value?.json ?? '');
      return stream(c, async (answer) => {
        while (!piece.done && !answer.aborted) {
          const startedMs = performance.now();
          await answer.write(piece.value.json);
          // Long pulls take turns, so that short requests find a connection and the event loop free.
          piece = await longReads(async () => {
            const next = await readers.take(userId, () => pieces.next());
            await pause(Math.min(performance.now() - startedMs, LONGEST_PAUSE_MS));
            return next;
          });
        }
      });
    });
}
