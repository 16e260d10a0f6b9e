import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay, overlaps } from '../calendar/span.ts';
import type { Track } from '../habit/track.ts';
import { type GoalRecords, goalCourse } from './goalCourse.ts';

/** Something that a goal reached in a span. */
export type Reached = { kind: 'goal' | 'keyResult' | 'milestone'; title: string };

/** How a goal moved in a span: progress (0–1) as it began and as it ended, today if it still runs; what was reached in it. */
export type GoalMoved = {
  goalId: string;
  title: string;
  /** At the end of the day before the span. Null where the goal has nothing to be measured by. */
  before: number | null;
  after: number | null;
  /** What was expected by the end; null without a due day. */
  expected: number | null;
  reached: Reached[];
  stepsDone: number;
};

/** The days a goal stands open in: from its start to the day it was closed. */
function daysOpen({ goal }: GoalRecords): DaySpan {
  const first = dayOf(goal.startsOn);
  const isClosed = (goal.state === 'reached' || goal.state === 'dropped') && goal.closedOn;
  return { first, last: isClosed ? Math.max(first, dayOf(goal.closedOn!)) : Number.MAX_SAFE_INTEGER };
}

/** How goals moved in a span, up to today: those that stood open on a day of it, in the order given. */
export function goalMoves(
  goals: readonly GoalRecords[],
  trackOf: (habitId: string) => Track | undefined,
  span: DaySpan,
  today: PlainDay,
): GoalMoved[] {
  const days = { first: span.first, last: Math.min(span.last, today) };
  const isIn = (day: string | null | undefined): boolean => Boolean(day) && holdsDay(days, dayOf(day!));
  return goals.flatMap((records): GoalMoved[] => {
    if (!overlaps(daysOpen(records), days)) return [];
    const { goal, milestones, steps } = records;
    const course = goalCourse(records, trackOf, today);
    const came = course.keyResults.filter(
      ({ course: own }) => own.progressAt(days.last) >= 1 && own.progressAt(days.first - 1) < 1,
    );
    return [
      {
        goalId: goal.id,
        title: goal.title,
        before: course.progressAt(days.first - 1),
        after: course.progressAt(days.last),
        expected: course.expectedAt(days.last),
        reached: [
          ...(goal.state === 'reached' && isIn(goal.closedOn) ? [{ kind: 'goal' as const, title: goal.title }] : []),
          ...came.map(({ keyResult }) => ({ kind: 'keyResult' as const, title: keyResult.title })),
          ...milestones
            .filter(({ reachedOn }) => isIn(reachedOn))
            .map(({ title }) => ({ kind: 'milestone' as const, title })),
        ],
        stepsDone: steps.filter(({ doneOn }) => isIn(doneOn)).length,
      },
    ];
  });
}
