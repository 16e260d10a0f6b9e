import type { HttpBindings } from '@hono/node-server';

/** Context of every handler. */
export type AppEnv = { Bindings: Partial<HttpBindings>; Variables: { requestId: string } };
