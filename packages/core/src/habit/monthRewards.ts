import { type PlainMonth, formatMonth, monthOf, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { DayText, Habit } from '../record/records.ts';
import { type Figures, figuresAgainst, monthTargetOf, rewardOfMonth } from './targets.ts';
import { type Track, isActiveIn } from './track.ts';

/** A reward promised for reaching a month's target. */
export type MonthReward = {
  month: PlainMonth;
  reward: string;
  /** Earned, still to be earned, or not earned in a month that is over. */
  state: 'earned' | 'open' | 'missed';
  /** Days that are left to the month's target. */
  left: number;
  enjoyedOn: DayText | null;
};

/** Whether all that is aimed at is reached: the days, and the amount where there is one. False where nothing is aimed at. */
export function isTargetReached({
  target,
  left,
  amount = 0,
  amountTarget = null,
}: Pick<Figures, 'target' | 'left' | 'amount' | 'amountTarget'>): boolean {
  if (target === 0 && amountTarget === null) return false;
  return left === 0 && (amountTarget === null || amount >= amountTarget);
}

/**
 * The rewards promised for the months of a habit up to today's, the latest first; `[]` where none ever was. A month in
 * which the habit has no day of its span promises none.
 */
export function monthRewards(track: Track): MonthReward[] {
  const { habit, today } = track;
  const first = firstRewarded(habit);
  if (first === null) return [];
  const rewards: MonthReward[] = [];
  const thisMonth = monthOfDay(today);
  for (let month = thisMonth; month >= first; month--) {
    const reward = rewardOfMonth(habit, month);
    const span = monthSpan(month);
    if (reward === null || !isActiveIn(track, span)) continue;
    const figures = figuresAgainst(track, span, monthTargetOf(track, month));
    const state = isTargetReached(figures) ? 'earned' : month === thisMonth ? 'open' : 'missed';
    const enjoyedOn = habit.monthTargets?.[formatMonth(month)]?.enjoyedOn ?? null;
    rewards.push({ month, reward, state, left: figures.left, enjoyedOn });
  }
  return rewards;
}

/** The first month that promises a reward; null where none does. */
function firstRewarded({ monthTargets }: Habit): PlainMonth | null {
  const months = Object.entries(monthTargets ?? {}).flatMap(([text, { reward }]) => (reward ? [monthOf(text)] : []));
  return months.length === 0 ? null : Math.min(...months);
}

/** The habit with the reward of a month enjoyed on a day, or not enjoyed yet (null). What governs the month stays. */
export function withRewardEnjoyed(habit: Habit, month: PlainMonth, day: DayText | null): Habit {
  const text = formatMonth(month);
  const { enjoyedOn: _, ...own } = habit.monthTargets?.[text] ?? {};
  const reward = rewardOfMonth(habit, month);
  // A month that takes its reward over from an earlier one notes it for itself, which governs nothing else.
  const next = day === null ? own : { ...own, ...(reward === null ? {} : { reward }), enjoyedOn: day };
  const { [text]: __, ...others } = habit.monthTargets ?? {};
  return { ...habit, monthTargets: Object.keys(next).length === 0 ? others : { ...others, [text]: next } };
}
