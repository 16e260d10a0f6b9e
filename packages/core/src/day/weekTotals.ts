import type { Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { type QuotaVerdict, periodOf, quotaStanding, quotaVerdict } from '../habit/periods.ts';
import { askKindOf } from '../habit/schedule.ts';
import { planOf, togetherOf } from '../habit/targets.ts';
import { termsOn } from '../habit/terms.ts';
import { DUE, OWED, type Track, asksOn, doneBetween, isOpen } from '../habit/track.ts';
import { isAtLeast } from '../number/exact.ts';

/** A week over several habits, cut to the span it is shown in: what was done of what its days asked. */
export type WeekTotal = {
  days: DaySpan;
  actual: number;
  target: number;
  share: number | null;
  /**
   * Whether the pass mark is met; of a running week it is open while no habit's week is lost, or the mark can still be
   * reached with the days that are left. Null while nothing is asked, and for weeks to come.
   */
  verdict: QuotaVerdict | null;
  isRunning: boolean;
};

/** Days of a span on which a habit can still be done towards its plan: today while it is open, and those to come. */
export function daysStillOpen(track: Track, span: DaySpan): number {
  let days = 0;
  for (let day = Math.max(span.first, track.today); day <= span.last; day++)
    if ((asksOn(track, day) & (DUE | OWED)) !== 0 && (day > track.today || isOpen(track, day))) days++;
  return days;
}

/** Whether a habit can no longer bring a running week to what it asks: of flexible ones by the quota, else by the plan. */
function isLost(track: Track, days: DaySpan): boolean {
  const kind = askKindOf(termsOn(track.terms, track.today).schedule);
  const week = periodOf(track, 'weeks', track.today);
  if (kind === 'weeks' && week.first === days.first && week.last === days.last)
    return quotaVerdict(quotaStanding(track, 'weeks', week)) === 'lost';
  return doneBetween(track, days) + daysStillOpen(track, days) < planOf(track, days);
}

/** Whether the pass mark is within reach of a running week. */
function isReachable(tracks: readonly Track[], days: DaySpan, passMark: number): boolean {
  const best = togetherOf(
    tracks.map((track) => ({
      actual: doneBetween(track, days) + daysStillOpen(track, days),
      target: planOf(track, days),
    })),
  ).share;
  return best !== null && isAtLeast(best, passMark);
}

/**
 * Every week of a span, the first and last cut to it. `actual` and `target` are the capped sum and the sum of the
 * habits' own figures, as several habits together always are.
 */
export function weekTotals(tracks: readonly Track[], span: DaySpan, weekStart: Weekday, passMark: number): WeekTotal[] {
  const weeks: WeekTotal[] = [];
  const today = tracks[0]?.today ?? -Infinity;
  for (let first = span.first; first <= span.last; first = weekSpan(first, weekStart).last + 1) {
    const days = { first, last: Math.min(span.last, weekSpan(first, weekStart).last) };
    const isRunning = today >= days.first && today <= days.last;
    const { actual, target, share } = togetherOf(
      tracks.map((track) => ({ actual: doneBetween(track, days), target: planOf(track, days) })),
    );
    const isOpenStill = (): boolean =>
      isRunning && (!tracks.some((track) => isLost(track, days)) || isReachable(tracks, days, passMark));
    const verdict =
      share === null || days.first > today
        ? null
        : isAtLeast(share, passMark)
          ? 'met'
          : isOpenStill()
            ? 'open'
            : 'lost';
    weeks.push({ days, actual, target, share, verdict, isRunning });
  }
  return weeks;
}
