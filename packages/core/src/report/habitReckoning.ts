import { type PlainMonth, monthOfDay } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { startOfWeek } from '../calendar/week.ts';
import { yearOfDay } from '../calendar/year.ts';
import { finishedOn } from '../habit/finishLine.ts';
import { type Kept, type KeptSpan, keptOver, keptSpans } from '../habit/kept.ts';
import type { Outcome } from '../habit/outcome.ts';
import { type Recent, last30 } from '../habit/recent.ts';
import { type Streak, streakOf } from '../habit/streak.ts';
import { type Figures, type MonthFigures, monthFigures, spanFigures, yearFigures } from '../habit/targets.ts';
import { type Track, outcomeOn } from '../habit/track.ts';
import { habitPips } from '../pips/pips.ts';

/** Figures of neighbouring periods: `list[i]` is the period `first + i` (of weeks: the week i × 7 days later). */
export type Periods<F> = { first: number; list: F[] };

/** Every figure of one habit as of its track's today. */
export type HabitReckoning = {
  track: Track;
  outcome: Outcome;
  streak: Streak;
  kept: Record<KeptSpan, Kept>;
  weeks: Periods<Figures>;
  months: Periods<MonthFigures>;
  years: Periods<Figures>;
  last30: Recent;
  pips: number;
  finishedOn: PlainDay | null;
};

function eachPeriod<F>(first: number, last: number, stride: number, figure: (at: number) => F): Periods<F> {
  const list: F[] = [];
  for (let at = first; at <= last; at += stride) list.push(figure(at));
  return { first, list };
}

/** Computes every figure of a habit; its periods run from the one of its first day to the one of today. */
export function reckonHabit(track: Track, passMark: number): HabitReckoning {
  const { first, today, weekStart } = track;
  const nothingYet = first > today;
  const lastWeek = nothingYet ? -Infinity : startOfWeek(today, weekStart);
  const lastMonth = nothingYet ? -Infinity : monthOfDay(today);
  const lastYear = nothingYet ? -Infinity : yearOfDay(today);
  const spans = keptSpans(track);
  return {
    track,
    outcome: outcomeOn(track, today),
    streak: streakOf(track),
    kept: {
      last7: keptOver(track, spans.last7),
      last30: keptOver(track, spans.last30),
      month: keptOver(track, spans.month),
      year: keptOver(track, spans.year),
      all: keptOver(track, spans.all),
    },
    weeks: eachPeriod(startOfWeek(first, weekStart), lastWeek, 7, (at) =>
      spanFigures(track, { first: at, last: at + 6 }),
    ),
    months: eachPeriod(monthOfDay(first), lastMonth, 1, (at) => monthFigures(track, at, passMark)),
    years: eachPeriod(yearOfDay(first), lastYear, 1, (at) => yearFigures(track, at)),
    last30: last30(track),
    pips: habitPips(track),
    finishedOn: finishedOn(track),
  };
}

/** The figures of a month, also one outside the reckoned run. */
export const monthOfReckoning = (reckoning: HabitReckoning, month: PlainMonth, passMark: number): MonthFigures =>
  reckoning.months.list[month - reckoning.months.first] ?? monthFigures(reckoning.track, month, passMark);
