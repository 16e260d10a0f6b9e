import pino, { type Logger } from 'pino';

export type { Logger };

/** Structured logs, one JSON object a line. Nothing a person wrote goes in: no bodies, queries, names or addresses. */
export const createLog = (level: string): Logger =>
  // Written beside the requests, a little at a time; what is left is written when the server ends.
  pino({ level, base: undefined }, pino.destination({ sync: false, minLength: 1 << 13, periodicFlush: 1000 }));
