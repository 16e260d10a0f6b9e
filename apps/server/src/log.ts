import { type Logger, pino } from 'pino';

export type { Logger };

/** Structured logs, one JSON object a line. Nothing a person wrote goes in: no bodies, queries, names or addresses. */
export const createLog = (level: string): Logger => pino({ level, base: undefined });
