import { ACCOUNT_HEADER } from '@wimbel/contract';
import { createMiddleware } from 'hono/factory';
import type { AppEnv } from '../../appEnv.ts';
import { AppError } from '../../errors.ts';
import type { Session, Sessions } from './sessions.ts';

export type SignedInEnv = AppEnv & { Variables: { session: Session; userId: string } };

/**
 * Lets a request on only with a session, and only if it is of the account that the page names: a page that still shows
 * another account reads and writes nothing of this one. `c.var.userId` then says whose it is.
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
