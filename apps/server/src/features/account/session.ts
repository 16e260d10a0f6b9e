import { createMiddleware } from 'hono/factory';
import type { AppEnv } from '../../appEnv.ts';
import { AppError } from '../../errors.ts';
import type { Auth } from './auth.ts';

/** Lets a request on only with a session; `c.var.userId` then says whose it is. */
export const requireUser = (auth: Auth) =>
  createMiddleware<AppEnv & { Variables: { userId: string } }>(async (c, next) => {
    const found = await auth.api.getSession({ headers: c.req.raw.headers });
    if (!found) throw new AppError('signInNeeded');
    c.set('userId', found.user.id);
    await next();
  });
