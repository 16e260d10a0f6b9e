import type { Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { planOf, togetherOf } from '../habit/targets.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import { isAtLeast } from '../number/exact.ts';

/** A week over several habits, cut to the span it is shown in: what was done of what its days asked. */
export type WeekTotal = {
  days: DaySpan;
  actual: number;
  target: number;
  share: number | null;
  /**
   * Whether the pass mark is reached: of a running week by what its days before today asked. Null while nothing was
   * asked, and for weeks to come.
   */
  onTrack: boolean | null;
  isRunning: boolean;
};

/**
 * Every week of a span, the first and last cut to it. `actual` and `target` are the capped sum and the sum of the
 * habits' own figures, as several habits together always are.
 */
export function weekTotals(tracks: readonly Track[], span: DaySpan, weekStart: Weekday, passMark: number): WeekTotal[] {
  const weeks: WeekTotal[] = [];
  const today = tracks[0]?.today ?? -Infinity;
  for (let first = span.first; first <= span.last; first = weekSpan(first, weekStart).last + 1) {
    const days = { first, last: Math.min(span.last, weekSpan(first, weekStart).last) };
    const isRunning = today >= days.first && today < days.last;
    const { actual, target, share } = together(tracks, days);
    const asked = isRunning ? together(tracks, days, { first, last: today - 1 }) : { share };
    const onTrack = asked.share === null || days.first > today ? null : isAtLeast(asked.share, passMark);
    weeks.push({ days, actual, target, share, onTrack, isRunning });
  }
  return weeks;
}

const together = (tracks: readonly Track[], done: DaySpan, asked: DaySpan = done) =>
  togetherOf(tracks.map((track) => ({ actual: doneBetween(track, done), target: planOf(track, asked) })));
