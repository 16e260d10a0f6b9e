import type { PlainMonth } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { dayOfDone, finishedOn } from '../habit/finishLine.ts';
import { monthRewards } from '../habit/monthRewards.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import type { DayText, Goal, Milestone } from '../record/records.ts';

/** A reward that was promised for reaching something: a month of a habit, its finish line, a milestone, a goal. */
export type Promised = {
  kind: 'month' | 'finishLine' | 'milestone' | 'goal';
  /** The habit, the milestone or the goal. */
  id: string;
  month: PlainMonth | null;
  reward: string;
  state: 'open' | 'earned' | 'missed';
  /** The day it was earned on, where that is known. */
  earnedOn: PlainDay | null;
  enjoyedOn: DayText | null;
  /** Days still to be done of a habit; null of milestones and goals. */
  left: number | null;
};

/** The rewards of a habit, its months the latest first, then its finish line. */
function promisedByHabit(track: Track): Promised[] {
  const { habit } = track;
  const months = monthRewards(track).map(({ month, reward, state, left, enjoyedOn }): Promised => ({
    kind: 'month',
    id: habit.id,
    month,
    reward,
    state,
    earnedOn: null,
    enjoyedOn,
    left,
  }));
  const line = habit.finishLine;
  if (!line?.reward) return months;
  const earnedOn = finishedOn(track);
  const done = doneBetween(track, { first: track.first, last: track.today });
  return [
    ...months,
    {
      kind: 'finishLine',
      id: habit.id,
      month: null,
      reward: line.reward,
      state: earnedOn === null ? 'open' : 'earned',
      earnedOn: earnedOn ?? dayOfDone(track, line.days),
      enjoyedOn: line.enjoyedOn ?? null,
      left: Math.max(0, line.days - done),
    },
  ];
}

/**
 * Every reward that was promised, as it stands today: earned and not enjoyed yet first, then those to be earned, then
 * enjoyed ones and those of months that went by.
 */
export function promisedRewards(
  tracks: readonly Track[],
  milestones: readonly Milestone[],
  goals: readonly Goal[],
  today: PlainDay,
): Promised[] {
  const byDay = (day: string | undefined): PlainDay | null => (day && dayOf(day) <= today ? dayOf(day) : null);
  const own = (
    kind: 'milestone' | 'goal',
    { id, reward, enjoyedOn }: { id: string; reward?: string; enjoyedOn?: string },
    earnedOn: PlainDay | null,
    isOver: boolean,
  ): Promised[] =>
    reward
      ? [
          {
            kind,
            id,
            month: null,
            reward,
            state: earnedOn !== null ? 'earned' : isOver ? 'missed' : 'open',
            earnedOn,
            enjoyedOn: enjoyedOn ?? null,
            left: null,
          },
        ]
      : [];
  const rank = ({ state, enjoyedOn }: Promised): number =>
    state === 'earned' ? (enjoyedOn === null ? 0 : 2) : state === 'open' ? 1 : 3;
  return [
    ...tracks.flatMap(promisedByHabit),
    ...milestones.flatMap((each) => own('milestone', each, byDay(each.reachedOn), false)),
    ...goals.flatMap((each) =>
      own('goal', each, each.state === 'reached' ? byDay(each.closedOn) : null, each.state === 'dropped'),
    ),
  ].sort((a, b) => rank(a) - rank(b));
}
