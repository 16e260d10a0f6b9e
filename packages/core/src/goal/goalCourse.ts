import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { type Fraction, ONE, ZERO, fraction, fractionOf, numberOf, over, plus, times } from '../number/fraction.ts';
import type { CheckIn, Goal, KeyResult, Milestone, Step } from '../record/records.ts';
import { type Course, courseOf } from './course.ts';
import { expectedOn } from './expected.ts';
import { meanExpected, stepsExpected, stepsValue } from './steps.ts';

/** A goal with everything that hangs on it, each list in the order of the file. */
export type GoalRecords = {
  goal: Goal;
  keyResults: readonly KeyResult[];
  /** Check-ins of these key results. */
  checkIns: readonly CheckIn[];
  steps: readonly Step[];
  milestones: readonly Milestone[];
};

/** The way of a goal and of its key results, on any day up to today. */
export type GoalCourse = {
  start: PlainDay;
  due: PlainDay | null;
  keyResults: { keyResult: KeyResult; course: Course }[];
  /**
   * Progress (0–1) at the end of a day: the weighted mean over the key results; of a goal with none, its milestones
   * reached; with none of those, the mean of its top-level steps; with nothing at all, null.
   */
  progressAt: (day: PlainDay) => number | null;
  /** Progress today, exact; null as above. */
  exactProgress: () => Fraction | null;
  /** What was expected by a day; null where nothing has a due day. */
  expectedAt: (day: PlainDay) => number | null;
};

/** What a goal's progress is made of. */
export type ProgressBy = 'keyResults' | 'milestones' | 'steps' | 'nothing';

/** By its key results; without any by its milestones; without those by its steps that belong to no key result. */
export function progressByOf({ keyResults, milestones, steps }: GoalRecords): ProgressBy {
  if (keyResults.length > 0) return 'keyResults';
  if (milestones.length > 0) return 'milestones';
  return steps.some(({ parentId, keyResultId }) => !parentId && !keyResultId) ? 'steps' : 'nothing';
}

/** Weighted mean; null where nothing has a weight. */
export function weightedMean(parts: readonly { weight: number; value: number }[]): number | null {
  const weights = parts.reduce((sum, part) => sum + part.weight, 0);
  return weights > 0 ? parts.reduce((sum, part) => sum + part.weight * part.value, 0) / weights : null;
}

/** Σ weight × progress / Σ weight, exact, each progress clamped to 0–1. */
function exactMean(parts: readonly { weight: number; course: Course }[]): Fraction {
  let [sum, weights] = [ZERO, ZERO];
  for (const { weight, course } of parts) {
    const own = course.exactProgress();
    const clamped = own.n < 0n ? ZERO : own.n > own.d ? ONE : own;
    sum = plus(sum, times(fractionOf(weight), clamped));
    weights = plus(weights, fractionOf(weight));
  }
  return over(sum, weights);
}

/** The course of a goal as of today. */
export function goalCourse(
  records: GoalRecords,
  trackOf: (habitId: string) => Track | undefined,
  today: PlainDay,
): GoalCourse {
  const { goal, checkIns, steps, milestones } = records;
  const start = dayOf(goal.startsOn);
  const due = goal.dueOn ? dayOf(goal.dueOn) : null;
  const keyResults = records.keyResults.map((keyResult) => ({
    keyResult,
    course: courseOf(keyResult, {
      goal,
      checkIns: checkIns.filter((checkIn) => checkIn.keyResultId === keyResult.id),
      steps,
      trackOf,
      today,
    }),
  }));
  const weighted = keyResults.map(({ keyResult, course }) => ({ weight: keyResult.weight ?? 1, course }));
  const reachedBy = (day: PlainDay): number =>
    milestones.filter((each) => each.reachedOn && dayOf(each.reachedOn) <= day).length;
  return {
    start,
    due,
    keyResults,
    progressAt: (day) => {
      const until = Math.min(day, today);
      if (weighted.length > 0)
        return weightedMean(weighted.map(({ weight, course }) => ({ weight, value: course.progressAt(until) })));
      if (milestones.length > 0) return reachedBy(until) / milestones.length;
      const { value, count } = stepsValue(null, steps, until);
      return count > 0 ? numberOf(value) / count : null;
    },
    exactProgress: () => {
      if (weighted.length > 0) return exactMean(weighted);
      if (milestones.length > 0) return fraction(BigInt(reachedBy(today)), BigInt(milestones.length));
      const { value, count } = stepsValue(null, steps, today);
      return count > 0 ? over(value, fraction(BigInt(count))) : null;
    },
    expectedAt: (day) => {
      if (weighted.length === 0) {
        if (due === null) return null;
        const line = expectedOn(day, start, due);
        return progressByOf(records) === 'steps' ? meanExpected(stepsExpected(null, steps, day, line), line) : line;
      }
      return weightedMean(
        weighted.flatMap(({ weight, course }) => {
          const value = course.expectedAt(day);
          return value === null ? [] : [{ weight, value }];
        }),
      );
    },
  };
}
