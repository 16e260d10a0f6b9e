import type { LogSpan, ReviewSpan, Settings } from '@wimbel/core';

/** How many full days are aimed at in a span; undefined where no target is set for its kind. */
export const fullDaysAimedAt = (kind: ReviewSpan | LogSpan, target: Settings['fullDayTarget']): number | undefined =>
  kind === 'month' ? target?.month : kind === 'year' ? target?.year : undefined;
