import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type Track, eachTerms, outcomeOn } from '../habit/track.ts';
import { isApproximately, tidySum } from '../number/exact.ts';
import type { Claim, Milestone, Reward } from '../record/records.ts';
import { compareByOrder } from '../record/order.ts';

/** What is earned and spent: by habits, by milestones that were reached, and on rewards. */
export type LedgerSources = {
  tracks: readonly Track[];
  milestones: readonly Milestone[];
  claims: readonly Claim[];
  today: PlainDay;
};

/** Pips earned and spent on each day from the first of them to today; place i is the day `first + i`. */
export type PipsByDay = { first: PlainDay; earned: Float64Array; spent: Float64Array };

const isDoneOn = (track: Track, day: PlainDay): boolean => outcomeOn(track, day) === 'done';

const NOTHING: PipsByDay = { first: 0, earned: new Float64Array(0), spent: new Float64Array(0) };

/** Goes through the done days that earn something, up to today. */
function eachEarned(track: Track, visit: (day: PlainDay, pips: number) => void): void {
  if (track.first > track.today || track.terms.every(({ pips }) => pips === 0)) return;
  eachTerms(track, { first: track.first, last: track.today }, ({ pips }, first, last) => {
    if (pips === 0) return;
    for (let day = first; day <= last; day++) if (isDoneOn(track, day)) visit(day, pips);
  });
}

/** What was earned and spent, day by day; empty where nothing ever was. Claims and milestones after today are not there yet. */
export function pipsByDay({ tracks, milestones, claims, today }: LedgerSources): PipsByDay {
  let first = Infinity;
  const others: [day: PlainDay, earned: number, spent: number][] = [
    ...milestones.flatMap(({ reachedOn, pips }): [number, number, number][] =>
      reachedOn && pips ? [[dayOf(reachedOn), pips, 0]] : [],
    ),
    ...claims.map(({ day, cost }): [number, number, number] => [dayOf(day), 0, cost]),
  ];
  for (const [day] of others) if (day <= today) first = Math.min(first, day);
  for (const track of tracks) if (track.terms.some(({ pips }) => pips !== 0)) first = Math.min(first, track.first);
  if (first > today) return NOTHING;
  const size = today - first + 1;
  const column: PipsByDay = { first, earned: new Float64Array(size), spent: new Float64Array(size) };
  for (const track of tracks) eachEarned(track, (day, pips) => (column.earned[day - first]! += pips));
  for (const [day, earned, spent] of others) {
    if (day > today) continue;
    column.earned[day - first]! += earned;
    column.spent[day - first]! += spent;
  }
  return column;
}

/** Earned and spent over a span, and their difference. */
export type PipsOver = { earned: number; spent: number; net: number };

/** What a span earned and spent, up to today. */
export function pipsOver({ first, earned, spent }: PipsByDay, span: DaySpan): PipsOver {
  let [more, less] = [0, 0];
  const to = Math.min(span.last - first, earned.length - 1);
  for (let i = Math.max(0, span.first - first); i <= to; i++) {
    more += earned[i]!;
    less += spent[i]!;
  }
  return { earned: tidySum(more), spent: tidySum(less), net: tidySum(more - less) };
}

/** What is left at the end of each day of a span; before anything was earned 0. May be below 0. */
export function balanceByDay(byDay: PipsByDay, span: DaySpan): { day: PlainDay; balance: number }[] {
  const { first, earned, spent } = byDay;
  let balance = pipsOver(byDay, { first, last: span.first - 1 }).net;
  const days: { day: PlainDay; balance: number }[] = [];
  for (let day = span.first; day <= Math.min(span.last, first + earned.length - 1); day++) {
    if (day >= first) balance += earned[day - first]! - spent[day - first]!;
    days.push({ day, balance: tidySum(balance) });
  }
  return days;
}

/** A line of the ledger: what a habit's done day or a milestone earned, or what a claim cost (below 0). */
export type LedgerLine = {
  kind: 'habit' | 'milestone' | 'claim';
  /** Of the habit, the milestone or the claim. */
  id: string;
  /** The habit, the goal's milestone or the reward that it is of. */
  ofId: string;
  pips: number;
};

/** Everything that a day earned and spent, habits in their order first. */
export function ledgerOfDay({ tracks, milestones, claims, today }: LedgerSources, day: PlainDay): LedgerLine[] {
  if (day > today) return [];
  const lines: LedgerLine[] = [];
  for (const track of tracks) {
    const { id } = track.habit;
    eachTerms(track, { first: day, last: day }, ({ pips }) => {
      if (pips !== 0 && isDoneOn(track, day)) lines.push({ kind: 'habit', id, ofId: id, pips });
    });
  }
  for (const { id, reachedOn, pips } of milestones) {
    if (reachedOn && pips && dayOf(reachedOn) === day) lines.push({ kind: 'milestone', id, ofId: id, pips });
  }
  for (const { id, rewardId, day: on, cost } of claims) {
    if (dayOf(on) === day) lines.push({ kind: 'claim', id, ofId: rewardId, pips: -cost });
  }
  return lines;
}

/** Window of the mean earned per good day, in days. */
const LOOKED_BACK = 30;

/** What a day that earns something earns on the mean, over the last 30 days; null where none did. */
export function goodDayPips({ first, earned }: PipsByDay, today: PlainDay): number | null {
  let [sum, days] = [0, 0];
  for (let day = Math.max(first, today - LOOKED_BACK + 1); day <= today; day++) {
    const pips = earned[day - first] ?? 0;
    if (pips === 0) continue;
    sum += pips;
    days++;
  }
  return days === 0 ? null : sum / days;
}

/** How many good days bring so many pips; null where it is unknown. */
export function goodDaysFor(pips: number, goodDay: number | null): number | null {
  if (goodDay === null || !(goodDay > 0)) return null;
  return Math.max(0, Math.ceil(pips / goodDay - 1e-9));
}

/**
 * Rewards in use as they stand to a balance: those that can be afforded first, each in the person's order; `missing` is what
 * is still to be earned, 0 where it can be afforded.
 */
export function rewardsStanding(rewards: readonly Reward[], balance: number): { reward: Reward; missing: number }[] {
  return rewards
    .filter(({ retired }) => retired !== true)
    .sort(compareByOrder)
    .map((reward) => ({
      reward,
      missing: reward.cost > balance && !isApproximately(reward.cost, balance) ? tidySum(reward.cost - balance) : 0,
    }))
    .sort((a, b) => Number(a.missing > 0) - Number(b.missing > 0));
}
