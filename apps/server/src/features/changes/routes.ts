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

/** How many requests of one person wait for their turn to write, and how many of them read at once. */
const WAITING = 20;
const READERS = 3;
/** How many pages of long records, of all people together, are read at once after their first. */
const LONG_READS = 1;
/** Between two of them as much time goes to others as the last one took, up to so many milliseconds. */
const LONGEST_PAUSE_MS = 50;
/** The request, its list of changes and each change stand around a record. */
const ENVELOPE_DEPTH = 3;

/** A body as JSON. One of too many values is refused before they are made: making them holds everybody up. */
function parsed(text: string): unknown {
  const { values, depth } = sizeOfJson(text);
  if (values > LIMITS.valuesInBody || depth > LIMITS.depth + ENVELOPE_DEPTH) throw new AppError('tooLarge');
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new AppError('notJson');
  }
}

/**
 * `POST /api/changes` takes changes in; `GET /api/changes?since=REV` gives what is newer; `GET /api/changes/stream` tells
 * when there is something newer.
 */
export function changesRoutes(deps: ChangesDeps, sessions: Sessions, requestsPerMinute: number) {
  const limit = ownLimit('changes', requestsPerMinute, 60);
  const takeIn = createGroupCommit(deps);
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
      const answer = await writers.take(userId, async () =>
        takeIn({ userId, changes, since, isFull: await quotas.isFull(person) }),
      );
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
      // The first piece is waited for: what goes wrong up to there can still be answered as an error.
      let piece = await readers.take(userId, () => pieces.next());
      c.header('content-type', 'application/json');
      if (piece.done || piece.value.isLast) return c.body(piece.value?.json ?? '');
      return stream(c, async (answer) => {
        while (!piece.done && !answer.aborted) {
          const startedMs = performance.now();
          await answer.write(piece.value.json);
          // Long records of all people take turns: meanwhile short requests find a connection and the processor free.
          piece = await longReads(async () => {
            const next = await readers.take(userId, () => pieces.next());
            await pause(Math.min(performance.now() - startedMs, LONGEST_PAUSE_MS));
            return next;
          });
        }
      });
    });
}
