import { Hono } from 'hono';
import type { AppEnv } from '../../appEnv.ts';
import { AppError } from '../../errors.ts';
import type { Auth } from '../account/auth.ts';
import type { Sample } from './service.ts';

/** `GET /api/sample` says whether there is a sample account; `POST /api/sample/session` signs in to it. */
export const sampleRoutes = (auth: Auth, sample: Sample | null) =>
  new Hono<AppEnv>()
    .get('/', (c) => c.json({ offered: sample !== null }))
    .post('/session', async (c) => {
      if (sample === null) throw new AppError('notFound');
      return auth.api.signInEmail({ body: sample, headers: c.req.raw.headers, asResponse: true });
    });
