import type { DaySpan } from '../calendar/span.ts';
import { tidySum } from '../number/exact.ts';
import { type Track, amountBetween, doneBetween } from './track.ts';

export type Recent = {
  done: number;
  /** In the habit's unit; 0 for a check habit. */
  sum: number;
  meanPerDoneDay: number | null;
  /** This window minus the 30 days before. */
  change: { done: number; sum: number };
};

const windowOf = (track: Track, span: DaySpan) => ({
  done: doneBetween(track, span),
  sum: track.habit.measure.kind === 'amount' ? tidySum(amountBetween(track, span)) : 0,
});

/** The last 30 days, today included, against the 30 before. */
export function last30(track: Track): Recent {
  const now = windowOf(track, { first: track.today - 29, last: track.today });
  const before = windowOf(track, { first: track.today - 59, last: track.today - 30 });
  return {
    ...now,
    meanPerDoneDay: now.done > 0 ? now.sum / now.done : null,
    change: { done: now.done - before.done, sum: tidySum(now.sum - before.sum) },
  };
}
