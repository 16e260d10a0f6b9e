import type { HttpBindings } from '@hono/node-server';

/** What every handler finds in its context. */
export type AppEnv = { Bindings: Partial<HttpBindings>; Variables: { requestId: string } };
