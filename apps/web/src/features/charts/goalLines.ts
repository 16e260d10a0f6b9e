import { type DaySpan, type PlainDay, dayOf, forecastOf, goalCourse } from '@wimbel/core';
import type { GoalLine } from '../../charts/GoalLinesPicture.tsx';
import type { FiguredGoal } from '../../records/figuredGoals.ts';

/** The days that hold several goals and today. */
export function spanOfGoals(goals: readonly FiguredGoal[], today: PlainDay): DaySpan {
  const days = goals.flatMap(({ records: { goal } }) => [dayOf(goal.startsOn), goal.dueOn ? dayOf(goal.dueOn) : today]);
  return { first: Math.min(today, ...days), last: Math.max(today, ...days) };
}

/** A goal as a line of the common axis: its milestones stand on the expected line at their days. */
export function lineOfGoal(figured: FiguredGoal, span: DaySpan, today: PlainDay, color: string): GoalLine {
  const { records, trackOf } = figured;
  const course = goalCourse(records, trackOf, today);
  const from = (day: PlainDay, value: number | null): number | null =>
    day < course.start || (course.due !== null && day > Math.max(course.due, today)) ? null : value;
  return {
    id: records.goal.id,
    color,
    input: {
      span,
      today,
      progressAt: (day) => from(day, course.progressAt(day)),
      expectedAt: (day) => (course.due !== null && day > course.due ? null : from(day, course.expectedAt(day))),
      checkpoints: records.milestones.flatMap(({ dueOn, reachedOn }) => {
        const on = reachedOn ?? dueOn;
        if (on === undefined) return [];
        const ratio = reachedOn ? course.progressAt(dayOf(on)) : course.expectedAt(dayOf(on));
        return ratio === null ? [] : [{ day: dayOf(on), ratio, reached: reachedOn !== undefined }];
      }),
      forecast: forecastOf(course.progressAt(today) ?? 0, course.start, today),
    },
  };
}
