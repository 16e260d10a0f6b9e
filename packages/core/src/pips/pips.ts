import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type Track, pipsBetween } from '../habit/track.ts';
import { tidySum } from '../number/exact.ts';
import type { Claim, Milestone } from '../record/records.ts';

/** Pips of all done days of a habit up to today, each by the terms in force on it. */
export const habitPips = (track: Track): number =>
  tidySum(pipsBetween(track, { first: track.first, last: track.today }));

/** Pips that a habit earned by month, up to today: only months in which it earned some. */
export function habitPipsByMonth(track: Track): Map<PlainMonth, number> {
  const months = new Map<PlainMonth, number>();
  if (track.terms.every(({ pips }) => pips === 0) || track.first > track.today) return months;
  for (let month = monthOfDay(track.first); month <= monthOfDay(track.today); month++) {
    const earned = pipsBetween(track, monthSpan(month));
    if (earned > 0) months.set(month, earned);
  }
  return months;
}

export type PipsOfMonth = { earned: number; spent: number };

export type PipsBalance = {
  earned: number;
  spent: number;
  balance: number;
  /** In order; only months that earned or spent something. */
  months: Map<PlainMonth, PipsOfMonth>;
};

/** Earned by habits and reached milestones less what claims cost when they were made; may be below 0. */
export function pipsBalance(
  habits: Iterable<ReadonlyMap<PlainMonth, number>>,
  milestones: readonly Milestone[],
  claims: readonly Claim[],
  today: PlainDay,
): PipsBalance {
  const months = new Map<PlainMonth, PipsOfMonth>();
  const add = (month: PlainMonth, earned: number, spent: number): void => {
    const before = months.get(month) ?? { earned: 0, spent: 0 };
    months.set(month, { earned: before.earned + earned, spent: before.spent + spent });
  };
  for (const habit of habits) for (const [month, earned] of habit) add(month, earned, 0);
  for (const { reachedOn, pips } of milestones)
    if (reachedOn && pips && dayOf(reachedOn) <= today) add(monthOfDay(dayOf(reachedOn)), pips, 0);
  for (const { day, cost } of claims) if (cost > 0 && dayOf(day) <= today) add(monthOfDay(dayOf(day)), 0, cost);
  let [earned, spent] = [0, 0];
  for (const month of months.values()) {
    month.earned = tidySum(month.earned);
    month.spent = tidySum(month.spent);
    earned += month.earned;
    spent += month.spent;
  }
  return {
    earned: tidySum(earned),
    spent: tidySum(spent),
    balance: tidySum(earned - spent),
    months: new Map([...months].sort(([a], [b]) => a - b)),
  };
}
