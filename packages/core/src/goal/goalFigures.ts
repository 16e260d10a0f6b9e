import type { PlainDay } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { ZERO } from '../number/fraction.ts';
import { type GoalRecords, goalCourse } from './goalCourse.ts';
import { type KeyResultFigures, figuresOfCourse } from './keyResult.ts';
import { type Pace, forecastOf, paceOf } from './pace.ts';
import { type StepState, stepState } from './steps.ts';

/** The figures of a goal and of each of its key results. Source: "Goals" in the numbers. */
export type GoalFigures = {
  progress: number | null;
  expected: number | null;
  pace: Pace | null;
  /** The day it is reached if things go on as since its start; null where that says nothing. */
  forecast: PlainDay | null;
  /** Below 0 when overdue by that many; null without a due day. */
  daysLeft: number | null;
  keyResults: Record<string, KeyResultFigures>;
  steps: Record<string, StepState>;
};

/** Everything computed of a goal as of today. Pace goes by the goal's own due day, whatever its state. */
export function goalFigures(
  records: GoalRecords,
  trackOf: (habitId: string) => Track | undefined,
  today: PlainDay,
): GoalFigures {
  const course = goalCourse(records, trackOf, today);
  const progress = course.progressAt(today);
  const expected = course.expectedAt(today);
  return {
    progress,
    expected,
    pace: paceOf(progress, expected, course.due, today),
    forecast: forecastOf(course.exactProgressAt(today) ?? ZERO, course.start, today),
    daysLeft: course.due === null ? null : course.due - today,
    keyResults: Object.fromEntries(
      course.keyResults.map(({ keyResult, course: own }) => [keyResult.id, figuresOfCourse(own, today)]),
    ),
    steps: Object.fromEntries(records.steps.map((step) => [step.id, stepState(step, today)])),
  };
}
