import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type Kept, keptOver } from './kept.ts';
import type { Track } from './track.ts';

/** What was kept of what was asked over the four weeks up to a day. */
export type TrendPoint = { day: PlainDay; kept: Kept };

const WINDOW_DAYS = 28;
/** A trend needs so many days of record before it says anything. */
export const TREND_NEEDS_DAYS = 14;

const NOTHING: Kept = { kept: 0, asked: 0, rate: null };

/**
 * The kept rate over the 28 days up to each week's end in a span, and up to the last day of the record in it. Without a
 * rate before the habit is fourteen days old, and after its last day. In order of days; empty where the span is wholly
 * after today.
 */
export function trendOf(track: Track, span: DaySpan): TrendPoint[] {
  const last = Math.min(span.last, track.today);
  const days: PlainDay[] = [];
  for (let day = last; day >= span.first; day -= 7) days.unshift(day);
  const isTelling = (day: PlainDay): boolean =>
    day - track.first + 1 >= TREND_NEEDS_DAYS && (track.last === null || day <= track.last + 6);
  return days.map((day) => ({
    day,
    kept: isTelling(day) ? keptOver(track, { first: day - WINDOW_DAYS + 1, last: day }) : NOTHING,
  }));
}
