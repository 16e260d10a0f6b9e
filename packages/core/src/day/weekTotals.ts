import type { Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { type QuotaVerdict, periodOf, quotaStanding, quotaVerdict } from '../habit/periods.ts';
import { askKindOf } from '../habit/schedule.ts';
import { type Kept, keptTogether } from '../habit/kept.ts';
import { planOf, togetherOf } from '../habit/targets.ts';
import { termsOn } from '../habit/terms.ts';
import { DUE, OWED, type Track, asksOn, doneBetween, isOpen } from '../habit/track.ts';
import { isAtLeast } from '../number/exact.ts';

/** A week over several habits, cut to the span it is shown in: what was kept of what its days asked so far. */
export type WeekTotal = Kept & {
  days: DaySpan;
  /**
   * Whether the pass mark is met; of a running week by what it asks as a whole, open while no habit's week is lost or the
   * mark can still be reached with the days that are left. Null where nothing was asked, and for weeks to come.
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

/** How a running week stands: by what it asks as a whole, days to come included. */
function runningVerdict(tracks: readonly Track[], days: DaySpan, passMark: number): QuotaVerdict | null {
  const { share } = togetherOf(
    tracks.map((track) => ({ actual: doneBetween(track, days), target: planOf(track, days) })),
  );
  if (share === null) return null;
  if (isAtLeast(share, passMark)) return 'met';
  return !tracks.some((track) => isLost(track, days)) || isReachable(tracks, days, passMark) ? 'open' : 'lost';
}

/** Every week of a span, the first and last cut to it, with what the habits kept of what was asked of them. */
export function weekTotals(tracks: readonly Track[], span: DaySpan, weekStart: Weekday, passMark: number): WeekTotal[] {
  const weeks: WeekTotal[] = [];
  const today = tracks[0]?.today ?? -Infinity;
  for (let first = span.first; first <= span.last; first = weekSpan(first, weekStart).last + 1) {
    const days = { first, last: Math.min(span.last, weekSpan(first, weekStart).last) };
    const isRunning = today >= days.first && today <= days.last;
    const kept = keptTogether(tracks, days);
    const overVerdict = kept.rate === null ? null : isAtLeast(kept.rate, passMark) ? 'met' : 'lost';
    const verdict = days.first > today ? null : isRunning ? runningVerdict(tracks, days, passMark) : overVerdict;
    weeks.push({ days, ...kept, verdict, isRunning });
  }
  return weeks;
}
