import { type PlainMonth, formatMonth } from '../calendar/month.ts';
import type { Habit, MonthTarget, YearTarget } from '../record/records.ts';
import { setTargetOf } from './targets.ts';

/** What a person sets for a month; without `days` the plan rules, without `amount` there is no amount target. */
export type MonthWish = Omit<MonthTarget, 'onward'>;

/**
 * The habit with a month's target set, for this month only or from it on. Months before never change. Set for one month
 * only, what held onward from it before goes on holding from the next.
 */
export function withMonthTarget(habit: Habit, month: PlainMonth, wish: MonthWish, isOnward: boolean): Habit {
  const targets = { ...habit.monthTargets };
  const own = targets[formatMonth(month)];
  const next = formatMonth(month + 1);
  if (!isOnward && own?.onward === true && targets[next] === undefined) targets[next] = own;
  targets[formatMonth(month)] = isOnward ? { ...wish, onward: true } : { ...wish };
  return { ...habit, monthTargets: targets };
}

/** Whether the target that holds in a month was taken over from an earlier one. */
export const isTakenOver = (habit: Habit, month: PlainMonth): boolean =>
  habit.monthTargets?.[formatMonth(month)] === undefined && setTargetOf(habit, month) !== null;

/** The habit with a year's target set; an empty wish hands the year back to the sum of its months. */
export function withYearTarget(habit: Habit, year: number, wish: YearTarget): Habit {
  const { [String(year).padStart(4, '0')]: _, ...others } = habit.yearTargets ?? {};
  const isEmpty = wish.days === undefined && wish.amount === undefined;
  const targets = isEmpty ? others : { ...others, [String(year).padStart(4, '0')]: wish };
  const { yearTargets: __, ...rest } = habit;
  return Object.keys(targets).length === 0 ? rest : { ...rest, yearTargets: targets };
}
