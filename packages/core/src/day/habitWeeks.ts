import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { keptOver } from '../habit/kept.ts';
import { type QuotaVerdict, quotaStanding, quotaVerdict } from '../habit/periods.ts';
import { askKindOf } from '../habit/schedule.ts';
import { planOf } from '../habit/targets.ts';
import { termsOn } from '../habit/terms.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import { daysStillOpen } from './weekTotals.ts';

/** A week of one habit. */
export type HabitWeek = {
  days: DaySpan;
  /** Of a week that is over the done days that count, of a running one all of them. */
  done: number;
  /** What the whole week asks. */
  asked: number;
  /** `met` once everything is done, `lost` once it can no longer be; null for a week to come, or one that asks nothing. */
  verdict: QuotaVerdict | null;
  isRunning: boolean;
};

/**
 * How one week of a habit stands: by its quota where terms of so many days a week are in force on
 * its last day, else by what it asks.
 */
export function habitWeek(track: Track, days: DaySpan): HabitWeek {
  const { today } = track;
  const isRunning = today >= days.first && today <= days.last;
  const of = (done: number, asked: number, verdict: QuotaVerdict): HabitWeek => ({
    days,
    done,
    asked,
    verdict: asked === 0 || days.first > today ? null : verdict,
    isRunning,
  });
  if (askKindOf(termsOn(track.terms, days.last).schedule) === 'weeks') {
    const standing = quotaStanding(track, 'weeks', days);
    return of(standing.done, standing.quota, quotaVerdict(standing));
  }
  if (!isRunning) {
    const { kept, asked } = keptOver(track, days);
    return of(kept, asked, kept === asked ? 'met' : 'lost');
  }
  const [done, planned] = [doneBetween(track, days), planOf(track, days)];
  return of(done, planned, done >= planned ? 'met' : done + daysStillOpen(track, days) >= planned ? 'open' : 'lost');
}

/** Weeks that were met, of those that are over or met already. */
export type WeeksMet = { met: number; of: number };

/**
 * How many weeks of a span a habit met: a week belongs to the span that its last day lies in, so that each counts once, and
 * the running one only once it is met.
 */
export function weeksMetIn(track: Track, span: DaySpan): WeeksMet {
  const met: WeeksMet = { met: 0, of: 0 };
  const first = Math.max(span.first, track.first);
  for (let week = weekSpan(first, track.weekStart); week.last <= span.last && week.first <= track.today;) {
    const { verdict, isRunning } = habitWeek(track, week);
    if (verdict === 'met') met.met++;
    if (verdict !== null && (!isRunning || verdict === 'met')) met.of++;
    week = { first: week.first + 7, last: week.last + 7 };
  }
  return met;
}
