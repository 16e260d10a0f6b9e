import type { Hideable } from '@wimbel/core';
import { PATHS } from './paths.ts';

/** What can be left off, and whether an address is of it. */
const OF_HIDDEN: Partial<Record<Hideable, (path: string) => boolean>> = {
  journal: (path) => path.startsWith(PATHS.journal) || path === PATHS.prompts,
  pips: (path) => path.startsWith(PATHS.rewards),
  seasons: (path) => path.startsWith(PATHS.seasons),
};

/** Whether an address is of something that a person left off, of which no screen speaks then. */
export const isHiddenPlace = (path: string, hidden: readonly Hideable[]): boolean =>
  hidden.some((what) => OF_HIDDEN[what]?.(path) ?? false);
