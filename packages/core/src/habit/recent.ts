import type { DaySpan } from '../calendar/span.ts';
import { tidySum } from '../number/exact.ts';
import { type Track, amountBetween, doneBetween, outcomeOn } from './track.ts';

/** The last thirty days beside the thirty before. */
export type Recent = {
  done: number;
  /** In the habit's unit; 0 for a check habit. */
  sum: number;
  /** Of the amounts of done days alone; null without a done day, 0 for a check habit. */
  meanPerDoneDay: number | null;
  /** This window minus the 30 days before. */
  change: { done: number; sum: number };
};

/** Mean of the amounts of done days in a span; null without any; 0 for a check habit. */
function meanPerDoneDay(track: Track, span: DaySpan): number | null {
  let [sum, days] = [0, 0];
  for (let day = Math.max(span.first, track.first); day <= span.last; day++) {
    if (outcomeOn(track, day) !== 'done') continue;
    sum += track.amounts[day - track.first] ?? 0;
    days++;
  }
  return days > 0 ? tidySum(sum) / days : null;
}

const windowOf = (track: Track, span: DaySpan) => ({
  done: doneBetween(track, span),
  sum: track.habit.measure.kind === 'amount' ? tidySum(amountBetween(track, span)) : 0,
});

/** The last 30 days, today included, against the 30 before. */
export function last30(track: Track): Recent {
  const span = { first: track.today - 29, last: track.today };
  const now = windowOf(track, span);
  const before = windowOf(track, { first: track.today - 59, last: track.today - 30 });
  return {
    ...now,
    meanPerDoneDay: meanPerDoneDay(track, span),
    change: { done: now.done - before.done, sum: tidySum(now.sum - before.sum) },
  };
}
