import { yearOfDay } from '../calendar/year.ts';
import { dayOf } from '../calendar/plainDay.ts';
import type { Goal, GoalState } from '../record/records.ts';

/** What became of some goals. The four states add up to all that were set. */
export type GoalsTogether = Record<GoalState, number> & {
  set: number;
  /** Mean progress (0–1) of those that measure something, whatever their state; null where none does. */
  progress: number | null;
};

/** A goal with how far it is; null where nothing of it is measured. */
export type MeasuredGoal = { goal: Goal; progress: number | null };

/**
 * Goals as one figure. A goal closed as reached counts as reached in full, measured or not: to say so is the person's own
 * verdict.
 */
export function goalsTogether(goals: readonly MeasuredGoal[]): GoalsTogether {
  const counts: Record<GoalState, number> = { open: 0, reached: 0, dropped: 0, paused: 0 };
  let [sum, measured] = [0, 0];
  for (const { goal, progress } of goals) {
    counts[goal.state]++;
    const own = goal.state === 'reached' ? 1 : progress;
    if (own === null) continue;
    sum += own;
    measured++;
  }
  return { ...counts, set: goals.length, progress: measured === 0 ? null : sum / measured };
}

/** The year a goal belongs to: that of its due day, without one that of its start. */
export const yearOfGoal = ({ dueOn, startsOn }: Pick<Goal, 'dueOn' | 'startsOn'>): number =>
  yearOfDay(dayOf(dueOn ?? startsOn));
