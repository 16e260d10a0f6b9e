import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, type Weekday, weekdayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { shareOf } from '../number/exact.ts';
import { askedBetween, wholeAsked } from './asked.ts';
import { countedDone } from './keptPeriods.ts';
import { OUTCOMES } from './outcome.ts';
import { DUE, INTERVAL, type Track, asksOn } from './track.ts';

const DONE = OUTCOMES.indexOf('done');

/** How much of what was asked was done; `rate` is null where nothing was asked. */
export type Kept = { kept: number; asked: number; rate: number | null };

/** What stands where nothing was asked: no rate. */
export const NOTHING_ASKED: Kept = { kept: 0, asked: 0, rate: null };

/**
 * The kept rate over a span as of the track's today, which counts once it is settled: of the done days those that count
 * by week and month (`countedDone`), of what was asked, and no more than that. Source: "Kept rate".
 */
export function keptOver(track: Track, span: DaySpan): Kept {
  const asked = wholeAsked(askedBetween(track, span));
  const kept = asked === 0 ? 0 : Math.min(asked, countedDone(track, span));
  return { kept, asked, rate: shareOf(kept, asked) };
}

/** A span of a habit’s rate. */
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

/** What was done of due days on a weekday; `days` are the dates on which something was due. */
export type WeekdayKept = Kept & { days: number };

/** Due days and those of them done by weekday, over the last 12 weeks (84 days) up to today. */
export const keptByWeekday = (track: Track): Record<Weekday, WeekdayKept> =>
  weekdaysTogether([track], { first: track.today - 83, last: track.today });

/** Whether a day is due under terms that name days by the calendar: daily, or on weekdays. */
export const isDueByCalendar = (track: Track, day: PlainDay): boolean =>
  (asksOn(track, day) & (DUE | INTERVAL)) === DUE;

/** Due days of `daily` and `weekdays` terms and those of them done, by weekday, of several habits over a span, up to today. */
export function weekdaysTogether(tracks: readonly Track[], span: DaySpan): Record<Weekday, WeekdayKept> {
  const sums = WEEKDAYS.map(() => ({ kept: 0, asked: 0, days: 0 }));
  const today = tracks[0]?.today ?? -Infinity;
  const first = tracks.reduce((least, track) => Math.min(least, track.first), Infinity);
  for (let day = Math.max(first, span.first); day <= Math.min(span.last, today); day++) {
    const sum = sums[weekdayOf(day)]!;
    let asked = 0;
    for (const track of tracks) {
      if (day > track.counted || !isDueByCalendar(track, day)) continue;
      asked++;
      if (track.outcomes[day - track.first] === DONE) sum.kept++;
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
