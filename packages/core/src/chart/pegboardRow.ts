import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay, overlaps } from '../calendar/span.ts';
import { quotaHistory } from '../habit/periods.ts';
import { runsOf } from '../habit/streak.ts';
import { type Track, asksOn, FLEXIBLE, isScheduledOn, outcomeOn } from '../habit/track.ts';

/**
 * How a day is shown: `done`, `part` (with its ratio), `rest`, `missed`; `blank` where something was asked or could be
 * done, `notAsked` where nothing was; `toCome` after today; `outside` the habit's span.
 */
export type PegState = 'done' | 'part' | 'rest' | 'missed' | 'blank' | 'notAsked' | 'toCome' | 'outside';

/** What a habit's day looks like on the pegboard. */
export function pegStateOf(track: Track, day: PlainDay): PegState {
  const outcome = outcomeOn(track, day);
  if (outcome === 'outside') return 'outside';
  if (outcome !== 'blank' && outcome !== 'paused') return outcome;
  const isAsked = outcome === 'blank' && (isScheduledOn(track, day) || (asksOn(track, day) & FLEXIBLE) !== 0);
  if (day > track.today) return isAsked || day > track.horizon ? 'toCome' : 'notAsked';
  if (!isAsked) return 'notAsked';
  return (asksOn(track, day) & FLEXIBLE) !== 0 && day < track.today ? 'notAsked' : 'blank';
}

/** A stretch of cord between two days that count, both ends included. */
export type CordStretch = { first: PlainDay; last: PlainDay };

/**
 * The cords of a habit's streaks within a span: one for each run of two or more done days of days-habits; for weeks and
 * months, from the first to the last done day of the run. Ends are clipped to the span.
 */
export function cordsIn(track: Track, span: DaySpan): CordStretch[] {
  const byDays = runsOf(track, 'days').map(({ first, last }) => ({ first, last }));
  const byPeriods = (['weeks', 'months'] as const).flatMap((kind) =>
    quotaHistory(track, kind).length === 0
      ? []
      : runsOf(track, kind).map(({ first, last }) => doneWithin(track, first, last)),
  );
  return [...byDays, ...byPeriods]
    .filter((cord): cord is CordStretch => cord !== null && cord.last > cord.first && overlaps(cord, span))
    .map(({ first, last }) => ({ first: Math.max(first, span.first), last: Math.min(last, span.last) }))
    .filter((cord) => cord.last > cord.first || holdsDay(span, cord.first));
}

/** From the first to the last done day in [first, last]; null without any. */
function doneWithin(track: Track, first: PlainDay, last: PlainDay): CordStretch | null {
  let from = Math.max(first, track.first);
  let to = Math.min(last, track.today);
  while (from <= to && outcomeOn(track, from) !== 'done') from++;
  while (to >= from && outcomeOn(track, to) !== 'done') to--;
  return to >= from ? { first: from, last: to } : null;
}
