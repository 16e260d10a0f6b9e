import type { Hideable } from '@wimbel/core';
import { PATHS } from './paths.ts';

/** The features that can be hidden, with a predicate on paths. */
const OF_HIDDEN: Partial<Record<Hideable, (path: string) => boolean>> = {
  journal: (path) => path.startsWith(PATHS.journal) || path === PATHS.prompts,
  pips: (path) => path.startsWith(PATHS.rewards),
  seasons: (path) => path.startsWith(PATHS.seasons),
};

/** Whether a path belongs to a feature that the person has hidden. */
export const isHiddenPlace = (path: string, hidden: readonly Hideable[]): boolean =>
  hidden.some((what) => OF_HIDDEN[what]?.(path) ?? false);
