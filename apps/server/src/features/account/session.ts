import { ACCOUNT_HEADER } from '@wimbel/contract';
import { createMiddleware } from 'hono/factory';
import type { AppEnv } from '../../appEnv.ts';
import { AppError } from '../../errors.ts';
import type { Session, Sessions } from './sessions.ts';

export type SignedInEnv = AppEnv & { Variables: { session: Session; userId: string } };

/**
 * Requires a session, and that the request names its account: a page that still shows another account is refused. Sets
 * `c.var.userId`.
 */
export const requireUser = (sessions: Sessions) =>
  createMiddleware<SignedInEnv>(async (c, next) => {
    const session = await sessions.find(c.req.raw.headers);
    if (session === null) throw new AppError('signInNeeded');
    // A page from before requests named their account names none: it keeps what waits until it is loaded anew.
    if (c.req.header(ACCOUNT_HEADER) !== session.userId) throw new AppError('otherAccount');
    c.set('session', session);
    c.set('userId', session.userId);
    await next();
  });
