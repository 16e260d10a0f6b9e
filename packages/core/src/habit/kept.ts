import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { WEEKDAYS, type Weekday, weekdayOf } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay } from '../calendar/span.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { shareOf } from '../number/exact.ts';
import { type PeriodKind, askedOf, keptOf, quotaHistory } from './quota.ts';
import { type Track, sumBetween } from './track.ts';

/** How much of what was asked was done; `rate` is null where nothing was asked. */
export type Kept = { kept: number; asked: number; rate: number | null };

const FLEXIBLE_KINDS: readonly PeriodKind[] = ['weeks', 'months'];

/**
 * The kept rate over a span as of the track's today. Fixed terms count by due day; flexible ones by the weeks or months
 * that end in the span, and the current one where today lies in it.
 */
export function keptOver(track: Track, span: DaySpan): Kept {
  const last = Math.min(span.last, track.today);
  let asked = sumBetween(track, track.dueSums, span.first, last);
  let kept = sumBetween(track, track.keptSums, span.first, last);
  for (const kind of FLEXIBLE_KINDS) {
    for (const standing of quotaHistory(track, kind)) {
      const isCurrent = holdsDay(standing.period, track.today);
      if (!(holdsDay(span, standing.period.last) || (isCurrent && holdsDay(span, track.today)))) continue;
      asked += askedOf(standing);
      kept += keptOf(standing);
    }
  }
  return { kept, asked, rate: shareOf(kept, asked) };
}

export type KeptSpan = 'last7' | 'last30' | 'month' | 'year' | 'all';

/** The spans that a habit's kept rate is given for, as of the track's today. */
export const keptSpans = (track: Track): Record<KeptSpan, DaySpan> => ({
  last7: { first: track.today - 6, last: track.today },
  last30: { first: track.today - 29, last: track.today },
  month: monthSpan(monthOfDay(track.today)),
  year: yearSpan(yearOfDay(track.today)),
  all: { first: track.first, last: track.today },
});

/** What was kept of what was asked of several habits over a span. */
export function keptTogether(tracks: readonly Track[], span: DaySpan): Kept {
  let [kept, asked] = [0, 0];
  for (const track of tracks) {
    const each = keptOver(track, span);
    kept += each.kept;
    asked += each.asked;
  }
  return { kept, asked, rate: shareOf(kept, asked) };
}

/** Kept and asked by weekday over the last 12 weeks (84 days) up to today, fixed terms only. */
export const keptByWeekday = (track: Track): Record<Weekday, Kept> =>
  weekdaysTogether([track], { first: track.today - 83, last: track.today });

/** Kept and asked by weekday of several habits over a span, up to today, fixed terms only. */
export function weekdaysTogether(tracks: readonly Track[], span: DaySpan): Record<Weekday, Kept> {
  const byWeekday = WEEKDAYS.map(() => ({ kept: 0, asked: 0 }));
  for (const track of tracks) {
    for (let day = Math.max(track.first, span.first); day <= Math.min(span.last, track.today); day++) {
      const sums = byWeekday[weekdayOf(day)]!;
      sums.asked += sumBetween(track, track.dueSums, day, day);
      sums.kept += sumBetween(track, track.keptSums, day, day);
    }
  }
  return Object.fromEntries(
    WEEKDAYS.map((weekday, index) => {
      const { kept, asked } = byWeekday[index]!;
      return [weekday, { kept, asked, rate: shareOf(kept, asked) }];
    }),
  ) as Record<Weekday, Kept>;
}
