import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { type Fraction, ZERO, clamped, fraction, fractionOf, numberOf, over, plus, times } from '../number/fraction.ts';
import type { CheckIn, Goal, KeyResult, Milestone, Step } from '../record/records.ts';
import { type Course, courseOf } from './course.ts';
import { expectedOn } from './expected.ts';
import { meanExpected, stepsExpected, stepsValueWhere } from './steps.ts';

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
   * Progress (0–1) at the end of a day ({@link exactGoalProgress}); null with nothing to measure.
   */
  progressAt: (day: PlainDay) => number | null;
  /** The same, exact: what `progressAt` is rounded from. */
  exactProgressAt: (day: PlainDay) => Fraction | null;
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
function weightedMean(parts: readonly { weight: number; value: number }[]): number | null {
  const weights = parts.reduce((sum, part) => sum + part.weight, 0);
  return weights > 0 ? parts.reduce((sum, part) => sum + part.weight * part.value, 0) / weights : null;
}

/** Where the parts of a goal stand: each key result's part of its way, exact and not clamped, and what is reached and done. */
export type GoalStanding = {
  ratioOf: (part: GoalCourse['keyResults'][number]) => Fraction;
  isReached: (milestone: Milestone) => boolean;
  isDone: (step: Step) => boolean;
};

/**
 * Progress of a goal whose parts stand as given, exact: Σ weight × progress / Σ weight over its key results, each clamped to
 * 0–1; of a goal with none, its milestones reached; with none of those, the mean of its top-level steps; with nothing at all,
 * null. Source: "Goals and key results", Goal progress.
 */
export function exactGoalProgress(
  records: GoalRecords,
  keyResults: GoalCourse['keyResults'],
  { ratioOf, isReached, isDone }: GoalStanding,
): Fraction | null {
  switch (progressByOf(records)) {
    case 'keyResults': {
      let [sum, weights] = [ZERO, ZERO];
      for (const part of keyResults) {
        const weight = fractionOf(part.keyResult.weight ?? 1);
        sum = plus(sum, times(weight, clamped(ratioOf(part))));
        weights = plus(weights, weight);
      }
      return weights.n === 0n ? null : over(sum, weights);
    }
    case 'milestones': {
      const { milestones } = records;
      return fraction(BigInt(milestones.filter(isReached).length), BigInt(milestones.length));
    }
    case 'steps': {
      const { value, count } = stepsValueWhere(null, records.steps, isDone);
      return over(value, fraction(BigInt(count)));
    }
    case 'nothing':
      return null;
  }
}

/** The course of a goal as of today. */
export function goalCourse(
  records: GoalRecords,
  trackOf: (habitId: string) => Track | undefined,
  today: PlainDay,
): GoalCourse {
  const { goal, checkIns, steps } = records;
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
  const exactProgressAt = (day: PlainDay): Fraction | null => {
    const until = Math.min(day, today);
    const isBy = (on: string | null | undefined): boolean => Boolean(on) && dayOf(on!) <= until;
    return exactGoalProgress(records, keyResults, {
      ratioOf: ({ course }) => course.exactRatioAt(until),
      isReached: ({ reachedOn }) => isBy(reachedOn),
      isDone: ({ doneOn }) => isBy(doneOn),
    });
  };
  return {
    start,
    due,
    keyResults,
    exactProgressAt,
    progressAt: (day) => {
      const exact = exactProgressAt(day);
      return exact === null ? null : numberOf(exact);
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
