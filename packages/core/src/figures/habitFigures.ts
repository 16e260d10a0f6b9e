import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { startOfWeek } from '../calendar/week.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { finishedOn } from '../habit/finishLine.ts';
import { type Kept, type KeptSpan, keptOver, keptSpans } from '../habit/kept.ts';
import type { Outcome } from '../habit/outcome.ts';
import { type Recent, last30 } from '../habit/recent.ts';
import { type Streak, streakOf } from '../habit/streak.ts';
import {
  type Figures,
  type MonthFigures,
  type Target,
  figuresAgainst,
  monthFigures,
  monthFiguresAgainst,
  monthTargetOf,
  planOf,
  yearTargetOf,
} from '../habit/targets.ts';
import { PARTS_PER_DAY } from '../habit/schedule.ts';
import { type Counts, type Parts, type Track, doneBetween, hasSameActiveDays, outcomeOn } from '../habit/track.ts';
import { roundRatio } from '../number/exact.ts';

/**
 * Targets of neighbouring periods in columns: place i is the period `first + i` (of weeks: the week i × 7 days later).
 * Amounts are NaN where none is set. They hold for all tracks of a habit that have the same active span.
 */
export type PeriodTargets = { first: number; days: Int32Array; amounts: Float64Array | null };

/** Every figure of one habit as of its track's today. What it did in a period is read from the track's sums. */
export type HabitFigures = {
  track: Track;
  outcome: Outcome;
  streak: Streak;
  kept: Record<KeptSpan, Kept>;
  weeks: PeriodTargets;
  months: PeriodTargets;
  years: PeriodTargets;
  /** Done days of each period, beside its target. */
  weeksDone: Int32Array;
  monthsDone: Int32Array;
  yearsDone: Int32Array;
  /** What was kept of what was asked in each month. */
  monthsKept: Int32Array;
  monthsAsked: Int32Array;
  last30: Recent;
  finishedOn: PlainDay | null;
};

type Kind = 'weeks' | 'months' | 'years';

const STRIDES: Record<Kind, number> = { weeks: 7, months: 1, years: 1 };

/** The place of a day's period among the figures of a kind, counted from the epoch (weeks by their first day). */
const periodIndexOf = (kind: Kind, day: PlainDay, weekStart: Track['weekStart']): number =>
  kind === 'weeks' ? startOfWeek(day, weekStart) : kind === 'months' ? monthOfDay(day) : yearOfDay(day);

const spanOf = (kind: Kind, at: number) =>
  kind === 'weeks' ? { first: at, last: at + 6 } : kind === 'months' ? monthSpan(at) : yearSpan(at);

/** A running sum parted by periods: of each what it grew by, sums beyond its end being as at its end. */
function growths(track: Track, sums: Counts | Parts, kind: Kind, from: number, into: Int32Array, whole = 1): void {
  const size = sums.length - 1;
  let before = 0;
  for (let i = 0; i < into.length; i++) {
    const end = kind === 'weeks' ? from + i * 7 + 7 : spanOf(kind, from + i).last + 1;
    const sum = sums[Math.min(size, Math.max(0, end - track.first))]!;
    into[i] = roundRatio(sum - before, whole);
    before = sum;
  }
}

/** The targets of every period from the one of the habit's first day to the one of today. */
function layTargets(track: Track, kind: Kind): PeriodTargets {
  const { first, today, weekStart, habit } = track;
  const from = periodIndexOf(kind, first, weekStart);
  const count = first > today ? 0 : (periodIndexOf(kind, today, weekStart) - from) / STRIDES[kind] + 1;
  const days = new Int32Array(count);
  // Where nothing is set every target is the plan, which is laid out past the end of the year, and there are no amounts.
  if (kind === 'weeks' || (habit.monthTargets === undefined && habit.yearTargets === undefined)) {
    if (track.terms.some(({ schedule }) => schedule.kind === 'interval'))
      for (let i = 0; i < count; i++) days[i] = planOf(track, spanOf(kind, from + i * STRIDES[kind]));
    else growths(track, track.planSums, kind, from, days, PARTS_PER_DAY);
    return { first: from, days, amounts: null };
  }
  const amounts = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    const target = kind === 'months' ? monthTargetOf(track, from + i) : yearTargetOf(track, from + i);
    days[i] = target.days;
    amounts[i] = target.amount ?? NaN;
  }
  return { first: from, days, amounts };
}

/** Done days of each period, read from the track's running sum. */
function doneColumn(track: Track, kind: Kind, targets: PeriodTargets): Int32Array {
  const done = new Int32Array(targets.days.length);
  growths(track, track.doneSums, kind, targets.first, done);
  return done;
}

/**
 * Every figure of a habit; its periods run from the one of its first day to the one of today. `before`, figures of the same habit,
 * is returned where the track is the same, and its targets are taken over where the day, the week start and the active span are.
 */
export function habitFiguresFrom(track: Track, before?: HabitFigures): HabitFigures {
  if (before?.track === track) return before;
  const spans = keptSpans(track);
  const base =
    before !== undefined &&
    before.track.habit === track.habit &&
    before.track.today === track.today &&
    before.track.weekStart === track.weekStart &&
    hasSameActiveDays(before.track, track)
      ? before
      : null;
  const weeks = base?.weeks ?? layTargets(track, 'weeks');
  const months = base?.months ?? layTargets(track, 'months');
  const years = base?.years ?? layTargets(track, 'years');
  const monthsKept = new Int32Array(months.days.length);
  const monthsAsked = new Int32Array(months.days.length);
  for (let i = 0; i < monthsKept.length; i++) {
    const { kept, asked } = keptOver(track, monthSpan(months.first + i));
    monthsKept[i] = kept;
    monthsAsked[i] = asked;
  }
  return {
    track,
    outcome: outcomeOn(track, track.today),
    streak: streakOf(track),
    kept: {
      last7: keptOver(track, spans.last7),
      last30: keptOver(track, spans.last30),
      month: keptOver(track, spans.month),
      year: keptOver(track, spans.year),
      all: keptOver(track, spans.all),
    },
    weeks,
    months,
    years,
    weeksDone: doneColumn(track, 'weeks', weeks),
    monthsDone: doneColumn(track, 'months', months),
    yearsDone: doneColumn(track, 'years', years),
    monthsKept,
    monthsAsked,
    last30: last30(track),
    finishedOn: finishedOn(track),
  };
}

const targetAt = ({ days, amounts }: PeriodTargets, i: number): Target => {
  const amount = amounts?.[i] ?? NaN;
  return { days: days[i]!, amount: Number.isNaN(amount) ? null : amount };
};

/** The figures of a habit's weeks (by first day) or years, in order. */
export const periodFigures = (habit: HabitFigures, kind: 'weeks' | 'years'): { at: number; figures: Figures }[] =>
  Array.from(habit[kind].days, (_, i) => {
    const at = habit[kind].first + i * STRIDES[kind];
    return { at, figures: figuresAgainst(habit.track, spanOf(kind, at), targetAt(habit[kind], i)) };
  });

/** The figures of a habit's month, also of one outside its run. */
export function habitMonthFigures(habit: HabitFigures, month: PlainMonth, passMark: number): MonthFigures {
  const i = month - habit.months.first;
  return i >= 0 && i < habit.months.days.length
    ? monthFiguresAgainst(habit.track, month, targetAt(habit.months, i), passMark)
    : monthFigures(habit.track, month, passMark);
}

/** Done and target days of a habit's month, and what was kept of what it asked; also of one outside its run. */
export function monthDaysOf(
  { track, months, monthsDone, monthsKept, monthsAsked }: HabitFigures,
  month: PlainMonth,
): { actual: number; target: number; kept: number; asked: number } {
  const i = month - months.first;
  if (i >= 0 && i < monthsDone.length)
    return { actual: monthsDone[i]!, target: months.days[i]!, kept: monthsKept[i]!, asked: monthsAsked[i]! };
  const { kept, asked } = keptOver(track, monthSpan(month));
  return { actual: doneBetween(track, monthSpan(month)), target: monthTargetOf(track, month).days, kept, asked };
}
