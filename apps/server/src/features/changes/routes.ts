import { type Change, LIMITS, changesIssues, isRevision, sizeOfJson } from '@wimbel/contract';
import { Hono } from 'hono';
import { createMiddleware } from 'hono/factory';
import { stream } from 'hono/streaming';
import { bodyAtMost } from '../../bodyAtMost.ts';
import { AppError } from '../../errors.ts';
import { countAgainst, createTurns, ownLimit } from '../../limits.ts';
import { type SignedInEnv, requireUser } from '../account/session.ts';
import type { Sessions } from '../account/sessions.ts';
import { revisionStream } from './stream.ts';
import { type ChangesDeps, changesSince } from './service.ts';
import { createIntake } from './together.ts';

/** How many requests of one person wait for their turn to write, and how many of them read at once. */
const WAITING = 20;
const READERS = 3;
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
  const takeIn = createIntake(deps);
  const writers = createTurns(1, WAITING);
  const readers = createTurns(READERS, WAITING);
  const counted = createMiddleware<SignedInEnv>(async (c, next) => {
    await countAgainst(limit, c.get('userId'));
    await next();
  });
  return new Hono<SignedInEnv>()
    .use('/', requireUser(sessions), counted)
    .use('/stream', requireUser(sessions), counted)
    .post('/', bodyAtMost(LIMITS.bodyBytes), async (c) => {
      const userId = c.get('userId');
      const body = parsed(await c.req.text());
      const issues = changesIssues(body);
      if (issues.length > 0) throw new AppError('invalid', issues);
      const { changes, since } = body as { changes: Change[]; since?: number };
      return c.json(await writers.take(userId, () => takeIn({ userId, changes, since })));
    })
    .get('/stream', (c) => revisionStream(c, { pool: deps.pool, news: deps.news, sessions }))
    .get('/', async (c) => {
      const userId = c.get('userId');
      const since = Number(c.req.query('since') ?? '0');
      if (!isRevision(since)) {
        throw new AppError('invalid', [{ path: 'since', message: 'is not a revision: a whole number from 0' }]);
      }
      const pieces = changesSince(deps.pool, userId, since);
      // The first piece is waited for: what goes wrong up to there can still be answered as an error.
      let piece = await readers.take(userId, () => pieces.next());
      c.header('content-type', 'application/json');
      if (piece.done || piece.value.isLast) return c.body(piece.value?.json ?? '');
      return stream(c, async (answer) => {
        while (!piece.done && !answer.aborted) {
          await answer.write(piece.value.json);
          piece = await readers.take(userId, () => pieces.next());
        }
      });
    });
}
