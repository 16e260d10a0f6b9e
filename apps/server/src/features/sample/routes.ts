import { Hono } from 'hono';
import type { AppEnv } from '../../appEnv.ts';
import type { ClientAddress } from '../../clientAddress.ts';
import { AppError } from '../../errors.ts';
import { countAgainst, sharedLimit } from '../../limits.ts';
import { CLIENT_ADDRESS_HEADER } from '../account/auth.ts';
import { type SampleDeps, openSample } from './service.ts';

/** `GET /api/sample` says whether there is a sample; `POST /api/sample/session` signs in to one of the visitor's own. */
export function sampleRoutes(
  deps: SampleDeps,
  { isOffered, clientAddress, perHour }: { isOffered: boolean; clientAddress: ClientAddress; perHour: number },
) {
  const limit = sharedLimit(deps.db.$client, 'samples-from', perHour, 60 * 60);
  return new Hono<AppEnv>()
    .get('/', (c) => c.json({ offered: isOffered }))
    .post('/session', async (c) => {
      if (!isOffered) throw new AppError('notFound');
      const address = clientAddress(c);
      await countAgainst(limit, address);
      const headers = new Headers(c.req.raw.headers);
      headers.set(CLIENT_ADDRESS_HEADER, address);
      return openSample(deps, headers);
    });
}
