import { yearOfDay } from '../calendar/year.ts';
import { dayOf } from '../calendar/plainDay.ts';
import type { Goal, GoalState } from '../record/records.ts';

/** What became of some goals. The four states add up to all that were set. */
export type GoalsTogether = Record<GoalState, number> & {
  set: number;
  /** Mean progress (0–1) of those that were not dropped; null where all of them were, or none was set. */
  progress: number | null;
};

/** A goal with how far it is; null where nothing of it is measured. */
export type MeasuredGoal = { goal: Goal; progress: number | null };

/**
 * How far a goal counts among others, 0–1: 1 once it is closed as reached, measured or not; 0 where nothing of it is
 * measured. Null where it was dropped and does not count. Source: "Goals together".
 */
export function progressAmongOthers({ goal, progress }: MeasuredGoal): number | null {
  if (goal.state === 'dropped') return null;
  return goal.state === 'reached' ? 1 : (progress ?? 0);
}

/** Goals as one figure. */
export function goalsTogether(goals: readonly MeasuredGoal[]): GoalsTogether {
  const counts: Record<GoalState, number> = { open: 0, reached: 0, dropped: 0, paused: 0 };
  for (const { goal } of goals) counts[goal.state]++;
  const counted = goals.map(progressAmongOthers).filter((progress) => progress !== null);
  const sum = counted.reduce((all, progress) => all + progress, 0);
  return { ...counts, set: goals.length, progress: counted.length === 0 ? null : sum / counted.length };
}

/** The year a goal belongs to: that of its due day, without one that of its start. */
export const yearOfGoal = ({ dueOn, startsOn }: Pick<Goal, 'dueOn' | 'startsOn'>): number =>
  yearOfDay(dayOf(dueOn ?? startsOn));
