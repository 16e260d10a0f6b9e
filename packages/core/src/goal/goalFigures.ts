import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import type { CheckIn, Goal, KeyResult, Milestone, Step } from '../record/records.ts';
import { expectedOn } from './expected.ts';
import { type KeyResultFigures, keyResultFigures } from './keyResult.ts';
import { type Pace, paceOf } from './pace.ts';
import { type StepState, stepState } from './steps.ts';

/** A goal with everything that hangs on it, each list in the order of the file. */
export type GoalRecords = {
  goal: Goal;
  keyResults: readonly KeyResult[];
  /** Check-ins of these key results. */
  checkIns: readonly CheckIn[];
  steps: readonly Step[];
  milestones: readonly Milestone[];
};

export type GoalFigures = {
  progress: number | null;
  expected: number | null;
  pace: Pace | null;
  /** Below 0 when overdue by that many; null without a due day. */
  daysLeft: number | null;
  keyResults: Record<string, KeyResultFigures>;
  steps: Record<string, StepState>;
};

/** Weighted mean; null where nothing has a weight. */
function weightedMean(parts: readonly { weight: number; value: number }[]): number | null {
  const weights = parts.reduce((sum, part) => sum + part.weight, 0);
  return weights > 0 ? parts.reduce((sum, part) => sum + part.weight * part.value, 0) / weights : null;
}

/**
 * Everything computed of a goal as of today. Progress is the weighted mean over its key results; of a goal with none,
 * its milestones reached; with neither, null. Pace goes by the goal's own due day, whatever its state.
 */
export function goalFigures(
  records: GoalRecords,
  trackOf: (habitId: string) => Track | undefined,
  today: PlainDay,
): GoalFigures {
  const { goal, keyResults, checkIns, steps, milestones } = records;
  const due = goal.dueOn ? dayOf(goal.dueOn) : null;
  const figured = keyResults.map((keyResult) => ({
    id: keyResult.id,
    weight: keyResult.weight ?? 1,
    figures: keyResultFigures(keyResult, {
      goal,
      checkIns: checkIns.filter((checkIn) => checkIn.keyResultId === keyResult.id),
      steps,
      trackOf,
      today,
    }),
  }));
  const reached = milestones.filter((each) => each.reachedOn && dayOf(each.reachedOn) <= today).length;
  const progress =
    figured.length > 0
      ? weightedMean(figured.map(({ weight, figures }) => ({ weight, value: figures.progress })))
      : milestones.length > 0
        ? reached / milestones.length
        : null;
  const expected =
    figured.length > 0
      ? weightedMean(
          figured.flatMap(({ weight, figures }) =>
            figures.expected === null ? [] : [{ weight, value: figures.expected }],
          ),
        )
      : due === null
        ? null
        : expectedOn(today, dayOf(goal.startsOn), due);
  return {
    progress,
    expected,
    pace: paceOf(progress, expected, due, today),
    daysLeft: due === null ? null : due - today,
    keyResults: Object.fromEntries(figured.map(({ id, figures }) => [id, figures])),
    steps: Object.fromEntries(steps.map((step) => [step.id, stepState(step, today)])),
  };
}
