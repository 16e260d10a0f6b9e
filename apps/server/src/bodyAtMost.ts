import { createMiddleware } from 'hono/factory';
import { bodyLimit } from 'hono/body-limit';
import type { AppEnv } from './appEnv.ts';
import { AppError } from './errors.ts';

/** Body size limit (`tooLarge`): by Content-Length, which the HTTP parser enforces; a body without it is counted as it streams. */
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
