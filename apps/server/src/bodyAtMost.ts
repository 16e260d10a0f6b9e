import { createMiddleware } from 'hono/factory';
import { bodyLimit } from 'hono/body-limit';
import type { AppEnv } from './appEnv.ts';
import { AppError } from './errors.ts';

/**
 * Refuses a body of more than so many bytes (`tooLarge`). One that says its length is taken at its word, which the HTTP
 * parser holds it to; only one that says none is counted as it comes.
 */
export function bodyAtMost(bytes: number) {
  const counted = bodyLimit({
    maxSize: bytes,
    onError: () => {
      throw new AppError('tooLarge');
    },
  });
  return createMiddleware<AppEnv>(async (c, next) => {
    const said = c.req.header('content-length');
    if (said === undefined || c.req.header('transfer-encoding') !== undefined) return counted(c, next);
    if (!(Number(said) <= bytes)) throw new AppError('tooLarge');
    await next();
  });
}
