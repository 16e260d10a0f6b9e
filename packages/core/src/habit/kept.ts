import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, type Weekday, weekdayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { roundRatio, shareOf } from '../number/exact.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { DUE, type Track, askedBetween, asksOn, flexibleDoneBetween, keptBetween } from './track.ts';

/** How much of what was asked was done; `rate` is null where nothing was asked. */
export type Kept = { kept: number; asked: number; rate: number | null };

/** What stands where nothing was asked: no rate. */
export const NOTHING_ASKED: Kept = { kept: 0, asked: 0, rate: null };

/**
 * The kept rate over a span as of the track's today, which counts once it is settled. Fixed terms ask their due days;
 * flexible ones what an even spread asks of the eligible days of the span, rounded once, of which no more is kept than
 * was done in it. Source: "Kept rate".
 */
export function keptOver(track: Track, span: DaySpan): Kept {
  const { due, owed: parts } = askedBetween(track, span);
  const owed = roundRatio(parts, PARTS_PER_DAY);
  const asked = due + owed;
  const kept = keptBetween(track, span) + (owed === 0 ? 0 : Math.min(owed, flexibleDoneBetween(track, span)));
  return { kept, asked, rate: shareOf(kept, asked) };
}

/** A span that a habit’s rate is told for. */
export type KeptSpan = 'last7' | 'last30' | 'month' | 'year' | 'all';

/** The spans that a habit's kept rate is given for: as of the track's today, or cut at the end of an earlier day. */
export function keptSpans(track: Track, until: PlainDay = track.today): Record<KeptSpan, DaySpan> {
  const cut = ({ first, last }: DaySpan): DaySpan => ({ first, last: until === track.today ? last : until });
  return {
    last7: { first: until - 6, last: until },
    last30: { first: until - 29, last: until },
    month: cut(monthSpan(monthOfDay(until))),
    year: cut(yearSpan(yearOfDay(until))),
    all: { first: track.first, last: until },
  };
}

/** Several kept rates as one. */
export function keptSum(all: Iterable<Kept>): Kept {
  let [kept, asked] = [0, 0];
  for (const each of all) {
    kept += each.kept;
    asked += each.asked;
  }
  return { kept, asked, rate: shareOf(kept, asked) };
}

/** What was kept of what was asked of several habits over a span. */
export const keptTogether = (tracks: readonly Track[], span: DaySpan): Kept =>
  keptSum(tracks.map((track) => keptOver(track, span)));

/** What was kept on a weekday; `days` are the dates on which something was asked. */
export type WeekdayKept = Kept & { days: number };

/** Kept and asked by weekday over the last 12 weeks (84 days) up to today, fixed terms only. */
export const keptByWeekday = (track: Track): Record<Weekday, WeekdayKept> =>
  weekdaysTogether([track], { first: track.today - 83, last: track.today });

/** Kept and asked by weekday of several habits over a span, up to today, fixed terms only. */
export function weekdaysTogether(tracks: readonly Track[], span: DaySpan): Record<Weekday, WeekdayKept> {
  const sums = WEEKDAYS.map(() => ({ kept: 0, asked: 0, days: 0 }));
  const today = tracks[0]?.today ?? -Infinity;
  const first = tracks.reduce((least, track) => Math.min(least, track.first), Infinity);
  for (let day = Math.max(first, span.first); day <= Math.min(span.last, today); day++) {
    const sum = sums[weekdayOf(day)]!;
    let asked = 0;
    for (const track of tracks) {
      if (day <= track.counted && (asksOn(track, day) & DUE) !== 0) asked++;
      sum.kept += keptBetween(track, { first: day, last: day });
    }
    sum.asked += asked;
    if (asked > 0) sum.days++;
  }
  return Object.fromEntries(
    WEEKDAYS.map((weekday, index) => {
      const { kept, asked, days } = sums[index]!;
      return [weekday, { kept, asked, rate: shareOf(kept, asked), days }];
    }),
  ) as Record<Weekday, WeekdayKept>;
}
