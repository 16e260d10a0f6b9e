import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type Track, pipsBetween } from '../habit/track.ts';
import { tidySum } from '../number/exact.ts';
import type { Claim, Milestone } from '../record/records.ts';

/** Pips of all done days of a habit up to today, each by the terms in force on it. */
export const habitPips = (track: Track): number =>
  tidySum(pipsBetween(track, { first: track.first, last: track.today }));

/** Pips of neighbouring months, place i being the month `first + i`, and their sum. */
export type PipsColumn = { first: PlainMonth; pips: Float64Array; sum: number };

const NO_PIPS: PipsColumn = { first: 0, pips: new Float64Array(0), sum: 0 };

/** Pips that a habit earned by month, from its first to that of today; empty where none of its terms gives any. */
export function habitPipsByMonth(track: Track): PipsColumn {
  if (track.terms.every(({ pips }) => pips === 0) || track.first > track.today) return NO_PIPS;
  const first = monthOfDay(track.first);
  const pips = new Float64Array(monthOfDay(track.today) - first + 1);
  for (let i = 0; i < pips.length; i++) pips[i] = pipsBetween(track, monthSpan(first + i));
  return { first, pips, sum: habitPips(track) };
}

/** Pips earned and spent in a month. */
export type PipsOfMonth = { earned: number; spent: number };
/** All pips earned and spent up to a day, and what is left. */
export type PipsBalance = { earned: number; spent: number; balance: number };

/** What habits earned, with the milestones reached and the claims made up to a day. */
export type PipsSources = {
  habits: readonly PipsColumn[];
  milestones: readonly Milestone[];
  claims: readonly Claim[];
  today: PlainDay;
};

/** Every milestone that earned something by today, and every claim that cost something. */
function eachOther(
  { milestones, claims, today }: PipsSources,
  visit: (day: PlainDay, earned: number, spent: number) => void,
): void {
  for (const { reachedOn, pips } of milestones)
    if (reachedOn && pips && dayOf(reachedOn) <= today) visit(dayOf(reachedOn), pips, 0);
  for (const { day, cost } of claims) if (cost > 0 && dayOf(day) <= today) visit(dayOf(day), 0, cost);
}

/** Earned by habits and reached milestones less what claims cost when they were made; may be below 0. */
export function pipsBalance(sources: PipsSources): PipsBalance {
  let [earned, spent] = [0, 0];
  for (const { sum } of sources.habits) earned += sum;
  eachOther(sources, (_, more, less) => {
    earned += more;
    spent += less;
  });
  return { earned: tidySum(earned), spent: tidySum(spent), balance: tidySum(earned - spent) };
}

/** The same by month, in order; only months that earned or spent something. */
export function pipsByMonth(sources: PipsSources): Map<PlainMonth, PipsOfMonth> {
  const months = new Map<PlainMonth, PipsOfMonth>();
  const add = (month: PlainMonth, earned: number, spent: number): void => {
    const before = months.get(month) ?? { earned: 0, spent: 0 };
    months.set(month, { earned: before.earned + earned, spent: before.spent + spent });
  };
  for (const { first, pips } of sources.habits)
    for (let i = 0; i < pips.length; i++) if (pips[i]! > 0) add(first + i, pips[i]!, 0);
  eachOther(sources, (day, earned, spent) => add(monthOfDay(day), earned, spent));
  return new Map(
    [...months]
      .sort(([a], [b]) => a - b)
      .map(([month, { earned, spent }]) => [month, { earned: tidySum(earned), spent: tidySum(spent) }]),
  );
}
