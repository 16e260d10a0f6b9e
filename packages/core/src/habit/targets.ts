import { type PlainMonth, daysInMonth, formatMonth, monthOf, monthSpan } from '../calendar/month.ts';
import type { DaySpan } from '../calendar/span.ts';
import { monthsOfYear, quarterOfMonth, yearSpan } from '../calendar/year.ts';
import { isAtLeast, roundRatio, shareOf, tidySum } from '../number/exact.ts';
import type { Habit, MonthTarget } from '../record/records.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { type Track, amountBetween, doneBetween, isActiveIn, planPartsBetween } from './track.ts';

/** Done days of a period against its target. `amount` and `amountTarget` are there for amount habits only. */
export type Figures = {
  actual: number;
  target: number;
  left: number;
  /** actual / target, not capped; null where the target is 0. */
  share: number | null;
  amount?: number;
  /** In the habit's unit; null if none is set. */
  amountTarget?: number | null;
};

export type MonthFigures = Figures & { ribbon: boolean; weeklyAmountTarget?: number };

/** The plan of a run of days: scheduled days and what flexible days owe, rounded once; rest days do not lower it. */
export const planOf = (track: Track, span: DaySpan): number => roundRatio(planPartsBetween(track, span), PARTS_PER_DAY);

/** What the user set for a month, or for the latest earlier month onward; null where the plan rules. */
export function setTargetOf(habit: Habit, month: PlainMonth): MonthTarget | null {
  const targets = habit.monthTargets ?? {};
  const own = targets[formatMonth(month)];
  if (own) return own;
  let found: MonthTarget | null = null;
  let foundMonth = -Infinity;
  for (const [text, target] of Object.entries(targets)) {
    const each = monthOf(text);
    if (target.onward !== true || each >= month || each <= foundMonth) continue;
    found = target;
    foundMonth = each;
  }
  return found;
}

export type Target = { days: number; amount: number | null };

/** A month's target days and amount. Without a day of the active span: 0 days and no amount, whatever is set. */
export function monthTargetOf(track: Track, month: PlainMonth): Target {
  const span = monthSpan(month);
  if (!isActiveIn(track, span)) return { days: 0, amount: null };
  const set = setTargetOf(track.habit, month);
  return { days: set?.days ?? planOf(track, span), amount: set?.amount ?? null };
}

/** The sum of some months' targets; no amount if none of them has one. */
export function monthsTargetOf(track: Track, months: readonly PlainMonth[]): Target {
  let days = 0;
  let amount: number | null = null;
  for (const month of months) {
    const target = monthTargetOf(track, month);
    days += target.days;
    if (target.amount !== null) amount = (amount ?? 0) + target.amount;
  }
  return { days, amount: amount === null ? null : tidySum(amount) };
}

/** A year's target: what was set for it, else the sum of its months; days and amount each by themselves. */
export function yearTargetOf(track: Track, year: number): Target {
  const set = track.habit.yearTargets?.[String(year).padStart(4, '0')];
  const sum = monthsTargetOf(track, monthsOfYear(year));
  return { days: set?.days ?? sum.days, amount: set?.amount ?? sum.amount };
}

function figuresOf(track: Track, span: DaySpan, target: Target): Figures {
  const actual = doneBetween(track, span);
  const figures: Figures = {
    actual,
    target: target.days,
    left: Math.max(0, target.days - actual),
    share: shareOf(actual, target.days),
  };
  if (track.habit.measure.kind !== 'amount') return figures;
  return { ...figures, amount: tidySum(amountBetween(track, span)), amountTarget: target.amount };
}

/** A run of days against its plan; weeks of any start are figured so. A week has no amount target of its own. */
export const spanFigures = (track: Track, span: DaySpan): Figures =>
  figuresOf(track, span, { days: planOf(track, span), amount: null });

/** A month against its target. The ribbon is earned where the share reaches the pass mark. */
export function monthFigures(track: Track, month: PlainMonth, passMark: number): MonthFigures {
  const target = monthTargetOf(track, month);
  const figures = figuresOf(track, monthSpan(month), target);
  const ribbon = figures.share !== null && isAtLeast(figures.share, passMark);
  if (track.habit.measure.kind !== 'amount' || target.amount === null) return { ...figures, ribbon };
  return { ...figures, ribbon, weeklyAmountTarget: (target.amount * 7) / daysInMonth(month) };
}

export const yearFigures = (track: Track, year: number): Figures =>
  figuresOf(track, yearSpan(year), yearTargetOf(track, year));

/** The calendar quarter that a month lies in, against the sum of its months' targets. */
export function quarterFigures(track: Track, month: PlainMonth): Figures {
  const { first, last } = quarterOfMonth(month);
  const span = { first: monthSpan(first).first, last: monthSpan(last).last };
  return figuresOf(track, span, monthsTargetOf(track, [first, first + 1, last]));
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
