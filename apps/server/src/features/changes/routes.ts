import { type Change, type Issue, MOST_BODY_BYTES, changesIssues } from '@wimbel/contract';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { AppEnv } from '../../appEnv.ts';
import type { Database } from '../../db/connection.ts';
import { AppError } from '../../errors.ts';
import type { Auth } from '../account/auth.ts';
import { requireUser } from '../account/session.ts';
import { applyChanges, changesSince } from './service.ts';

/** `POST /api/changes` takes changes in; `GET /api/changes?since=REV` gives what is newer. */
export function changesRoutes(db: Database, auth: Auth) {
  const tooLarge = () => {
    throw new AppError('tooLarge');
  };
  return new Hono<AppEnv>()
    .post('/', requireUser(auth), bodyLimit({ maxSize: MOST_BODY_BYTES, onError: tooLarge }), async (c) => {
      const body: unknown = await c.req.json().catch(() => {
        throw new AppError('notJson');
      });
      const issues: Issue[] = changesIssues(body);
      if (issues.length > 0) throw new AppError('invalid', issues.slice(0, 20));
      return c.json(await applyChanges(db, c.var.userId, (body as { changes: Change[] }).changes));
    })
    .get('/', requireUser(auth), async (c) => {
      const since = Number(c.req.query('since') ?? '0');
      if (!(Number.isSafeInteger(since) && since >= 0)) {
        throw new AppError('invalid', [{ path: 'since', message: 'is not a revision: a whole number from 0' }]);
      }
      return c.json(await changesSince(db, c.var.userId, since));
    });
}
