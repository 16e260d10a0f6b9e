import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, type Weekday, dayOf } from '../calendar/plainDay.ts';
import type { Course } from '../goal/course.ts';
import { type GoalCourse, type GoalRecords, progressByOf } from '../goal/goalCourse.ts';
import { expectedOn } from '../goal/expected.ts';
import { type MeasuredGoal, goalsTogether, progressAmongOthers } from '../goal/goalGroups.ts';
import { type StepsValue, meanExpected, stepsExpected, stepsValueWhere } from '../goal/steps.ts';
import { weeklyNeed } from '../goal/weeklyNeed.ts';
import { numberOf } from '../number/fraction.ts';
import { tidySum } from '../number/exact.ts';
import type { KeyResult, Step } from '../record/records.ts';
import { type Breakdown, type BreakdownPart, chunksOf, cutInto, sumOf, withoutNothing } from './breakdown.ts';
import { isStepsMeasure } from '../keyResults/kinds.ts';

const weightOf = ({ keyResult }: GoalCourse['keyResults'][number]): number => keyResult.weight ?? 1;

/** A weighted mean over key results: each with its own share and the points it brings. */
function byWeight(
  keyResults: readonly GoalCourse['keyResults'][number][],
  valueOf: (course: Course) => number | null,
): Breakdown | null {
  const known = keyResults.flatMap((each) => {
    const value = valueOf(each.course);
    return value === null ? [] : [{ id: each.keyResult.id, weight: weightOf(each), value }];
  });
  const weights = known.reduce((sum, { weight }) => sum + weight, 0);
  if (weights === 0) return null;
  const parts = known.map(({ id, weight, value }): BreakdownPart => ({
    of: { kind: 'keyResult', id },
    numbers: [value, (weight * value) / weights],
  }));
  const total = known.reduce((sum, { weight, value }) => sum + weight * value, 0) / weights;
  return sumOf(['ownShare', 'points'], parts, [total, total]);
}

/** Steps at the top of a list, each with what it is worth: 1 done, a part where some of its sub-steps are. */
function bySteps(steps: readonly Step[], keyResultId: string | null, today: PlainDay): Breakdown {
  const isDone = (step: Step): boolean => !!step.doneOn && dayOf(step.doneOn) <= today;
  const all: StepsValue = stepsValueWhere(keyResultId, steps, isDone);
  const top = steps.filter((step) => !step.parentId && (step.keyResultId ?? null) === keyResultId);
  const parts = top.map((step): BreakdownPart => {
    // Of a list that holds this step alone at the top its value is what the step is worth.
    const own = steps.filter((each) => each.id === step.id || each.parentId);
    return {
      of: { kind: 'step', id: step.id },
      numbers: [numberOf(stepsValueWhere(keyResultId, own, isDone).value), 1],
    };
  });
  return sumOf(['done', 'steps'], parts, [numberOf(all.value), all.count]);
}

/** All steps of a goal at the top, whichever key result they belong to. */
export const stepsOfGoal = (steps: readonly Step[], today: PlainDay): Breakdown =>
  bySteps(
    steps.map(({ keyResultId: _, ...step }) => step),
    null,
    today,
  );

/** How far a goal is: by its key results, its milestones, or its steps; null where nothing is measured. */
export function progressOfGoal(records: GoalRecords, course: GoalCourse, today: PlainDay): Breakdown | null {
  switch (progressByOf(records)) {
    case 'keyResults':
      return byWeight(course.keyResults, (each) => each.progressAt(today));
    case 'milestones': {
      const parts = records.milestones.map(({ id, reachedOn }): BreakdownPart => ({
        of: { kind: 'milestone', id },
        numbers: [reachedOn && dayOf(reachedOn) <= today ? 1 : 0, 1],
      }));
      return sumOf(['done', 'milestones'], parts, [
        parts.reduce((sum, { numbers }) => sum + numbers[0]!, 0),
        parts.length,
      ]);
    }
    case 'steps':
      return bySteps(records.steps, null, today);
    case 'nothing':
      return null;
  }
}

/** What was expected of a goal by today; null where nothing was. */
export function expectedOfGoal(records: GoalRecords, course: GoalCourse, today: PlainDay): Breakdown | null {
  if (course.keyResults.length > 0) return byWeight(course.keyResults, (each) => each.expectedAt(today));
  const expected = course.expectedAt(today);
  if (course.due === null || expected === null) return null;
  return progressByOf(records) === 'steps'
    ? expectedOfSteps(null, records.steps, course.start, course.due, [], today)
    : alongLine(course.start, course.due, [], today, expected);
}

/** What was expected of steps by today: each with its own share and the points it brings. */
function expectedOfSteps(
  keyResultId: string | null,
  steps: readonly Step[],
  start: PlainDay,
  due: PlainDay,
  points: Course['linePoints'],
  today: PlainDay,
): Breakdown {
  const line = expectedOn(today, start, due, points);
  const all = stepsExpected(keyResultId, steps, today, line);
  const expected = meanExpected(all, line);
  if (all.length === 0) return alongLine(start, due, points, today, expected);
  const parts = all.map(({ step, ratio }): BreakdownPart => ({
    of: { kind: 'step', id: step.id },
    numbers: [ratio, ratio / all.length],
  }));
  return sumOf(['ownShare', 'points'], parts, [expected, expected]);
}

/** What a straight line expects by a day: by the last point behind it, and since then. */
function alongLine(
  start: PlainDay,
  due: PlainDay,
  points: readonly { day: PlainDay; ratio: number }[],
  today: PlainDay,
  expected: number,
): Breakdown {
  const behind = [{ day: start, ratio: 0 }, ...points, { day: due, ratio: 1 }]
    .filter(({ day }) => day <= today)
    .at(-1) ?? {
    day: start,
    ratio: 0,
  };
  const parts: BreakdownPart[] = [
    { of: { kind: 'byPoint', span: { first: start, last: behind.day } }, numbers: [behind.ratio] },
    { of: { kind: 'sincePoint', span: { first: behind.day, last: today } }, numbers: [expected - behind.ratio] },
  ];
  return sumOf(['points'], withoutNothing(parts), [expected]);
}

/** What was expected of a key result by today; null without a due day. `steps` are those of its goal. */
export function expectedOfKeyResult(
  { id, measure }: Pick<KeyResult, 'id' | 'measure'>,
  { start, due, linePoints, expectedAt }: Course,
  steps: readonly Step[],
  today: PlainDay,
): Breakdown | null {
  const expected = expectedAt(today);
  if (due === null || expected === null) return null;
  return isStepsMeasure(measure)
    ? expectedOfSteps(id, steps, start, due, linePoints, today)
    : alongLine(start, due, linePoints, today, expected);
}

/** How far ahead (or, below 0, behind) of what was expected; null where nothing was. */
export const paceBreakdown = (progress: number | null, expected: number | null): Breakdown | null =>
  progress === null || expected === null
    ? null
    : sumOf(
        ['points'],
        [
          { of: { kind: 'progress' }, numbers: [progress] },
          { of: { kind: 'expected' }, numbers: [-expected] },
        ],
        [progress - expected],
      );

/** The days from the start to where things lead if they go on as so far; null without a forecast. */
export const forecastBreakdown = (start: PlainDay, today: PlainDay, forecast: PlainDay | null): Breakdown | null =>
  forecast === null
    ? null
    : sumOf(
        ['days'],
        [
          { of: { kind: 'soFar', span: { first: start, last: today } }, numbers: [today - start] },
          { of: { kind: 'toCome', span: { first: today, last: forecast } }, numbers: [forecast - today] },
        ],
        [forecast - start],
      );

/** What is left of a key result over the weeks that are left, rounded up as it is shown; null where nothing is needed. */
export function neededBreakdown(
  { due, from, target, isWhole, valueAt }: Course,
  neededPerWeek: number | null,
  today: PlainDay,
): Breakdown | null {
  if (due === null || neededPerWeek === null) return null;
  const { amount, everyWeeks } = weeklyNeed(neededPerWeek, target - from, isWhole);
  const told = (Math.sign(neededPerWeek) * amount) / everyWeeks;
  return {
    how: 'ratio',
    columns: ['rate'],
    parts: [
      { of: { kind: 'left' }, numbers: [tidySum(target - valueAt(today))] },
      { of: { kind: 'weeksLeft' }, numbers: [Math.max(1, due - today) / 7] },
    ],
    adjustments:
      Math.abs(told - neededPerWeek) > 1e-9 ? [{ column: 0, by: told - neededPerWeek, why: 'roundedUp' }] : [],
    total: [told],
  };
}

/** How far several goals are on the mean: each with its own share and the points it brings; null where none counts. */
export function meanOfGoals(goals: readonly MeasuredGoal[]): Breakdown | null {
  const { progress } = goalsTogether(goals);
  if (progress === null) return null;
  const known = goals.flatMap((each) => {
    const value = progressAmongOthers(each);
    return value === null ? [] : [{ id: each.goal.id, value }];
  });
  const parts = known.map(({ id, value }): BreakdownPart => ({
    of: { kind: 'goal', id },
    numbers: [value, value / known.length],
  }));
  return sumOf(['ownShare', 'points'], parts, [progress, progress]);
}

/** The days up to a due day, month by month; of one that is past the days since. */
export function daysLeftBreakdown(due: PlainDay, today: PlainDay): Breakdown {
  const isPast = due < today;
  const span = isPast ? { first: due + 1, last: today } : { first: today + 1, last: due };
  const parts = cutInto(span, (day) => monthSpan(monthOfDay(day))).map((chunk): BreakdownPart => ({
    of: { kind: 'days', span: chunk },
    numbers: [chunk.last - chunk.first + 1],
  }));
  return sumOf(['days'], parts, [Math.abs(due - today)]);
}

/** What brought a key result to where it stands: its steps, or what each month (week, year) added. */
export function currentOfKeyResult(
  keyResult: KeyResult,
  course: Course,
  steps: readonly Step[],
  today: PlainDay,
  weekStart: Weekday,
): Breakdown {
  if (isStepsMeasure(keyResult.measure)) return bySteps(steps, keyResult.id, today);
  const { movesFrom, from, valueAt } = course;
  const chunks = chunksOf({ first: movesFrom, last: today }, weekStart);
  const parts = chunks.map((span, index): BreakdownPart => {
    const before = index === 0 ? from : valueAt(span.first - 1);
    return { of: { kind: 'days', span }, numbers: [tidySum(valueAt(span.last) - before)] };
  });
  return sumOf([keyResult.measure.kind === 'habitDays' ? 'days' : 'amount'], withoutNothing(parts), [
    tidySum(valueAt(today) - from),
  ]);
}
