import { type PlainMonth, daysInMonth, formatMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { DaySpan } from '../calendar/span.ts';
import { monthsOfYear, quarterOfMonth, yearSpan } from '../calendar/year.ts';
import { TOLERANCE, floorExact, isAtLeast, roundRatio, shareOf, tidySum } from '../number/exact.ts';
import type { Habit } from '../record/records.ts';
import { keptOver } from './kept.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { setDaysOf, setTargetOf } from './targetMonths.ts';
import { type Track, activeDaysIn, amountBetween, doneBetween, isActiveIn, plannedBetween } from './track.ts';

/** Done days of a period against its target, and what was kept of what it asked so far. `amount` and `amountTarget` are there for amount habits only. */
export type Figures = {
  actual: number;
  target: number;
  left: number;
  /** actual / target, not capped; null where the target is 0. */
  share: number | null;
  kept: number;
  asked: number;
  /** kept / asked; null where nothing was asked. */
  rate: number | null;
  amount?: number;
  /** In the habit's unit; null if none is set. */
  amountTarget?: number | null;
};

/** A month against its target, with its ribbon; a month’s amount target also for a week. */
export type MonthFigures = Figures & { ribbon: boolean; weeklyAmountTarget?: number };

/**
 * Whole days of a plan: those on named days, days of an interval rounded down once, and what flexible days owe rounded
 * once.
 */
const wholePlan = ({ parts, intervalDays }: { parts: number; intervalDays: number }): number =>
  roundRatio(parts, PARTS_PER_DAY) + (intervalDays === 0 ? 0 : floorExact(intervalDays));

/** The plan of a run of days; rest days do not lower it. */
export const planOf = (track: Track, span: DaySpan): number => wholePlan(plannedBetween(track, span));

/** The reward promised for a month: its own, else that of the target that holds onward into it; null without one. */
export const rewardOfMonth = (habit: Habit, month: PlainMonth): string | null =>
  habit.monthTargets?.[formatMonth(month)]?.reward || setTargetOf(habit, month)?.reward || null;

/** What is aimed at: days, and an amount in the habit’s unit or none. */
export type Target = { days: number; amount: number | null };

const NO_TARGET: Target = { days: 0, amount: null };

/** A month's target days and amount. Without a day of the active span: 0 days and no amount, whatever is set. */
export function monthTargetOf(track: Track, month: PlainMonth): Target {
  const span = monthSpan(month);
  if (!isActiveIn(track, span)) return NO_TARGET;
  return {
    days: setDaysOf(track, month) ?? planOf(track, span),
    amount: setTargetOf(track.habit, month)?.amount ?? null,
  };
}

/**
 * What some months come to: what is set for their days, and the plan of the others in one sum, rounded once; the sum of
 * their amounts where every month that the habit takes part in has one, else none.
 */
export function monthsTargetOf(track: Track, months: readonly PlainMonth[]): Target {
  let set = 0;
  const planned = { parts: 0, intervalDays: 0 };
  const amounts: (number | null)[] = [];
  for (const month of months) {
    const span = monthSpan(month);
    if (!isActiveIn(track, span)) continue;
    const days = setDaysOf(track, month);
    if (days === null) {
      const { parts, intervalDays } = plannedBetween(track, span);
      planned.parts += parts;
      planned.intervalDays += intervalDays;
    } else set += days;
    amounts.push(setTargetOf(track.habit, month)?.amount ?? null);
  }
  const known = amounts.filter((amount) => amount !== null);
  const amount =
    known.length === 0 || known.length < amounts.length ? null : tidySum(known.reduce((sum, each) => sum + each, 0));
  return { days: set + wholePlan(planned), amount };
}

/**
 * A year's target: what was set for it, else what its months come to; days and amount each by themselves. 0 days and no
 * amount in a year without a day of the active span.
 */
export function yearTargetOf(track: Track, year: number): Target {
  if (!isActiveIn(track, yearSpan(year))) return NO_TARGET;
  const set = track.habit.yearTargets?.[String(year).padStart(4, '0')];
  const sum = monthsTargetOf(track, monthsOfYear(year));
  return { days: set?.days ?? sum.days, amount: set?.amount ?? sum.amount };
}

/** What was done in a span against a target. */
export function figuresAgainst(track: Track, span: DaySpan, target: Target): Figures {
  const actual = doneBetween(track, span);
  const figures: Figures = {
    actual,
    target: target.days,
    left: Math.max(0, target.days - actual),
    share: shareOf(actual, target.days),
    ...keptOver(track, span),
  };
  if (track.habit.measure.kind !== 'amount') return figures;
  return { ...figures, amount: tidySum(amountBetween(track, span)), amountTarget: target.amount };
}

/** A run of days against its plan; weeks of any start are figured so. A week has no amount target of its own. */
export const spanFigures = (track: Track, span: DaySpan): Figures =>
  figuresAgainst(track, span, { days: planOf(track, span), amount: null });

/** A month earns no ribbon with fewer days of the active span. */
export const RIBBON_NEEDS_DAYS = 7;

/** Whether a month earns its ribbon: its share of the target reaches the pass mark, and the habit was there long enough. */
export const earnsRibbon = (track: Track, month: PlainMonth, share: number | null, passMark: number): boolean =>
  share !== null && isAtLeast(share, passMark) && activeDaysIn(track, monthSpan(month)) >= RIBBON_NEEDS_DAYS;

/** A month against a target, with its ribbon. */
export function monthFiguresAgainst(track: Track, month: PlainMonth, target: Target, passMark: number): MonthFigures {
  const figures = figuresAgainst(track, monthSpan(month), target);
  const ribbon = earnsRibbon(track, month, figures.share, passMark);
  if (track.habit.measure.kind !== 'amount' || target.amount === null) return { ...figures, ribbon };
  return { ...figures, ribbon, weeklyAmountTarget: weeklyAmountOf(month, target.amount) };
}

/** What a month's amount target comes to for a week of it. */
export const weeklyAmountOf = (month: PlainMonth, amount: number): number => (amount * 7) / daysInMonth(month);

/**
 * What the months' amount targets come to for some days, each day by its own month; null where none of them has one. A week
 * of one month has what `weeklyAmountOf` gives.
 */
export function amountForDays(track: Track, { first, last }: DaySpan): number | null {
  let sum: number | null = null;
  for (let day = first; day <= last;) {
    const month = monthOfDay(day);
    const end = Math.min(last, monthSpan(month).last);
    const { amount } = monthTargetOf(track, month);
    if (amount !== null) sum = (sum ?? 0) + (amount * (end - day + 1)) / daysInMonth(month);
    day = end + 1;
  }
  return sum;
}

/** A month against its target. */
export const monthFigures = (track: Track, month: PlainMonth, passMark: number): MonthFigures =>
  monthFiguresAgainst(track, month, monthTargetOf(track, month), passMark);

/** A year against its target. */
export const yearFigures = (track: Track, year: number): Figures =>
  figuresAgainst(track, yearSpan(year), yearTargetOf(track, year));

/** The target of the calendar quarter that a month lies in. */
export function quarterTargetOf(track: Track, month: PlainMonth): Target {
  const { first } = quarterOfMonth(month);
  return monthsTargetOf(track, [first, first + 1, first + 2]);
}

/** Several habits together: what each did, no more than its target, against the sum of their targets. */
export function togetherOf(figures: Iterable<{ actual: number; target: number }>): {
  actual: number;
  target: number;
  share: number | null;
} {
  let actual = 0;
  let target = 0;
  for (const each of figures) {
    actual += Math.min(each.actual, each.target);
    target += each.target;
  }
  return { actual, target, share: shareOf(actual, target) };
}

/** Done days that are missing to the ribbon of a month: to the pass mark of its target; 0 once it is earned. */
export const daysToRibbon = ({ actual, target }: Pick<Figures, 'actual' | 'target'>, passMark: number): number =>
  Math.max(0, Math.ceil(passMark * target - TOLERANCE) - actual);
