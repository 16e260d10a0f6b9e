import { type PlainMonth, formatMonth } from '../calendar/month.ts';
import type { Habit, MonthTarget, YearTarget } from '../record/records.ts';
import { setTargetOf, setsSomething } from './targetMonths.ts';

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
  const { [formatMonth(month)]: __, ...others } = targets;
  const before = setTargetOf({ ...habit, monthTargets: others }, month);
  const asPlanned = !isOnward && !setsSomething(wish) && before !== null;
  // An empty wish says nothing by itself: to be as planned in this month alone it has to end what holds onward.
  if (!isOnward && targets[next] === undefined) {
    if (own?.onward === true) targets[next] = own;
    else if (asPlanned) targets[next] = before;
  }
  targets[formatMonth(month)] = isOnward || asPlanned ? { ...wish, onward: true } : { ...wish };
  return { ...habit, monthTargets: targets };
}

/** Whether the target that holds in a month was taken over from an earlier one. */
export function isTakenOver(habit: Habit, month: PlainMonth): boolean {
  const own = habit.monthTargets?.[formatMonth(month)];
  return (own === undefined || !setsSomething(own)) && setTargetOf(habit, month) !== null;
}

/** The habit with a year's target set; an empty wish hands the year back to the sum of its months. */
export function withYearTarget(habit: Habit, year: number, wish: YearTarget): Habit {
  const { [String(year).padStart(4, '0')]: _, ...others } = habit.yearTargets ?? {};
  const isEmpty = wish.days === undefined && wish.amount === undefined;
  const targets = isEmpty ? others : { ...others, [String(year).padStart(4, '0')]: wish };
  const { yearTargets: __, ...rest } = habit;
  return Object.keys(targets).length === 0 ? rest : { ...rest, yearTargets: targets };
}
