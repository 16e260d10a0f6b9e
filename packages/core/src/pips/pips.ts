import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type Track, pipsBetween } from '../habit/track.ts';
import { tidySum } from '../number/exact.ts';
import type { Claim, Milestone } from '../record/records.ts';

/** Pips of all done days of a habit up to today, each by the terms in force on it. */
export const habitPips = (track: Track): number =>
  tidySum(pipsBetween(track, { first: track.first, last: track.today }));

export type PipsBalance = { earned: number; spent: number; balance: number };

/** Earned by habits and reached milestones less what claims cost when they were made; may be below 0. */
export function pipsBalance(
  habits: Iterable<number>,
  milestones: readonly Milestone[],
  claims: readonly Claim[],
  today: PlainDay,
): PipsBalance {
  let earned = 0;
  for (const pips of habits) earned += pips;
  for (const { reachedOn, pips } of milestones) if (reachedOn && dayOf(reachedOn) <= today) earned += pips ?? 0;
  let spent = 0;
  for (const claim of claims) if (dayOf(claim.day) <= today) spent += claim.cost;
  return { earned: tidySum(earned), spent: tidySum(spent), balance: tidySum(earned - spent) };
}
