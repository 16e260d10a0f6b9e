import {
  type FiguredGoal,
  type Course,
  type DaySpan,
  type PlainDay,
  type ProgressLineInput,
  dayOf,
  type Fraction,
  ZERO,
  forecastOf,
  goalCourse,
} from '@wimbel/core';
import type { GoalLine } from '../../../charts/GoalLinesPicture.tsx';

/** The days that hold several goals and today. */
export function spanOfGoals(goals: readonly FiguredGoal[], today: PlainDay): DaySpan {
  const days = goals.flatMap(({ records: { goal } }) => [dayOf(goal.startsOn), goal.dueOn ? dayOf(goal.dueOn) : today]);
  return { first: Math.min(today, ...days), last: Math.max(today, ...days) };
}

type Way = {
  start: PlainDay;
  due: PlainDay | null;
  progressAt: (day: PlainDay) => number | null;
  expectedAt: (day: PlainDay) => number | null;
};

/** A way on the common axis, with where it stands today: nothing before its start, nothing after its due day or today, whichever is later. */
function inputOf(way: Way, now: Fraction | null, span: DaySpan, today: PlainDay): ProgressLineInput {
  const from = (day: PlainDay, value: number | null): number | null =>
    day < way.start || (way.due !== null && day > Math.max(way.due, today)) ? null : value;
  return {
    span,
    today,
    progressAt: (day) => from(day, way.progressAt(day)),
    expectedAt: (day) => (way.due !== null && day > way.due ? null : from(day, way.expectedAt(day))),
    checkpoints: [],
    forecast: forecastOf(now ?? ZERO, way.start, today),
  };
}

/** A goal as a line of the common axis: its milestones stand on the expected line at their days. */
export function lineOfGoal(figured: FiguredGoal, span: DaySpan, today: PlainDay, color: string): GoalLine {
  const { records, trackOf } = figured;
  const course = goalCourse(records, trackOf, today);
  return {
    id: records.goal.id,
    color,
    input: {
      ...inputOf(course, course.exactProgressAt(today), span, today),
      checkpoints: records.milestones.flatMap(({ dueOn, reachedOn }) => {
        const on = reachedOn ?? dueOn;
        if (on === undefined) return [];
        const ratio = reachedOn ? course.progressAt(dayOf(on)) : course.expectedAt(dayOf(on));
        return ratio === null ? [] : [{ day: dayOf(on), ratio, reached: reachedOn !== undefined }];
      }),
    },
  };
}

/** The key results of a goal as lines of one axis, in their order. */
export function linesOfKeyResults(
  { records, trackOf }: FiguredGoal,
  today: PlainDay,
  colorOf: (place: number) => string,
): { span: DaySpan; lines: GoalLine[] } {
  const { keyResults } = goalCourse(records, trackOf, today);
  const days = keyResults.flatMap(({ course }: { course: Course }) => [course.start, course.due ?? today]);
  const span = { first: Math.min(today, ...days), last: Math.max(today, ...days) };
  return {
    span,
    lines: keyResults.map(({ keyResult, course }, place) => ({
      id: keyResult.id,
      color: colorOf(place),
      input: inputOf(course, course.exactRatioAt(today), span, today),
    })),
  };
}
