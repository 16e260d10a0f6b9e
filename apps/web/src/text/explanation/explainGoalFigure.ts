import {
  type FiguredGoal,
  type Breakdown,
  type KeyResult,
  currentOfKeyResult,
  dayOf,
  daysLeftBreakdown,
  expectedOfGoal,
  expectedOfKeyResult,
  forecastBreakdown,
  goalCourse,
  neededBreakdown,
  paceBreakdown,
  progressOfGoal,
  tidySum,
  weeklyNeed,
  stepsOfGoal,
  formatMonth,
  monthOfDay,
  isStepsMeasure,
  sourceOfKind,
} from '@wimbel/core';
import { selectFiguredGoal } from '../../store/goalSelectors.ts';
import { selectSettings } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { percent } from '../format.ts';
import type { FigureQuery } from '../figureQuery.ts';
import { PACE_WORDS, needWords, valueWords } from '../goalText.ts';
import { PATHS, goalPath } from '../../platform/paths.ts';
import { type FigureExplanation, type Write, type Names, told } from './explanation.ts';

type OfGoal = Extract<FigureQuery, { goalId: string }>;

/** An amount of a key result, in its own unit. */
const inUnitOf = (keyResult: KeyResult, unit: string): Write => ({
  amount: (value) => valueWords(keyResult, tidySum(value), unit),
});

export function explainGoalFigure(state: RootState, asked: OfGoal): FigureExplanation | null {
  const figured = selectFiguredGoal(state, asked.goalId);
  if (figured === null) return null;
  const { today } = state.clock;
  const { records, figures, trackOf } = figured;
  const { goal, keyResults, steps, milestones } = records;
  const titles = new Map([...keyResults, ...steps, ...milestones].map(({ id, title }) => [id, title]));
  const names: Names = {
    today,
    goalId: goal.id,
    habitOf: (id) => state.records.habits[id]?.name ?? '',
    titleOf: (id) => titles.get(id) ?? '',
  };
  const course = goalCourse(records, trackOf, today);
  const say: Say = (breakdown, title, sentence, own = {}) =>
    breakdown && told(breakdown, title, sentence, { ...names, ...own });
  if (!('keyResultId' in asked)) {
    switch (asked.figure) {
      case 'goalProgress':
        return say(
          progressOfGoal(records, course, today),
          goal.title,
          keyResults.length > 0
            ? 'Each key result counts by its weight, no further than to its target.'
            : milestones.length > 0
              ? 'Milestones that are reached, of all.'
              : 'Steps that are done, of all at the top; one with sub-steps counts as far as those are done.',
        );
      case 'goalExpected':
        return say(
          expectedOfGoal(records, course, today),
          goal.title,
          'What was to be done by today, if it went evenly from the first to the due day, through the checkpoints. Steps with a due day of their own were to be done by then.',
        );
      case 'goalPace':
        return say(
          paceBreakdown(figures.progress, figures.expected),
          goal.title,
          `${paceRule(figures.pace)} Up to five points either way are on pace.`,
        );
      case 'goalForecast':
        return say(
          forecastBreakdown(course.start, today, figures.forecast),
          goal.title,
          `${percent(figures.progress)} took the days so far; at the same rate all of it takes so many.`,
        );
      case 'goalSteps':
        return say(
          stepsOfGoal(steps, today),
          goal.title,
          'All its steps at the top; one with sub-steps counts as far as those are done.',
        );
      case 'goalDaysLeft':
        return goal.dueOn
          ? say(daysLeftBreakdown(dayOf(goal.dueOn), today), goal.title, 'Days up to the due day, month by month.', {
              daysTo: ({ first }) => `${PATHS.dueGoals}?month=${formatMonth(monthOfDay(first))}`,
            })
          : null;
    }
  }
  return accountOfKeyResult(state, asked, { figured, course, say });
}

type Say = (
  breakdown: Breakdown | null,
  title: string,
  sentence: string,
  own?: Partial<Names>,
) => FigureExplanation | null;

function accountOfKeyResult(
  state: RootState,
  asked: Extract<OfGoal, { keyResultId: string }>,
  { figured, course, say }: { figured: FiguredGoal; course: ReturnType<typeof goalCourse>; say: Say },
): FigureExplanation | null {
  const { today } = state.clock;
  const { figures, records } = figured;
  const { goal, steps } = records;
  const own = course.keyResults.find(({ keyResult }) => keyResult.id === asked.keyResultId);
  const its = figures.keyResults[asked.keyResultId];
  if (own === undefined || its === undefined) return null;
  const { keyResult } = own;
  const { title } = keyResult;
  switch (asked.figure) {
    case 'keyResult':
      return say(
        currentOfKeyResult(keyResult, own.course, steps, today, selectSettings(state).weekStart),
        title,
        isStepsMeasure(keyResult.measure)
          ? 'Its steps at the top; one with sub-steps counts as far as those are done.'
          : own.course.from === 0
            ? 'What each stretch of time brought, up to today.'
            : `What each stretch of time brought, from ${valueWords(keyResult, own.course.from, own.course.unit)} on.`,
        {
          write: inUnitOf(keyResult, own.course.unit),
          // What check-ins brought stands with the key result, what habits brought in the log.
          ...(sourceOfKind(keyResult.measure.kind) === 'habit'
            ? {}
            : { daysTo: () => `${goalPath(goal.id)}?at=${encodeURIComponent(keyResult.id)}` }),
        },
      );
    case 'keyResultExpected':
      return say(
        expectedOfKeyResult(keyResult, own.course, records.steps, today),
        title,
        isStepsMeasure(keyResult.measure)
          ? 'What was to be done by today: steps by their own due day, the others evenly from the first to the due day.'
          : 'What was to be done by today, if it went evenly from point to point.',
      );
    case 'keyResultPace':
      return say(
        paceBreakdown(its.progress, its.expected),
        title,
        `${paceRule(its.pace)} Up to five points either way are on pace.`,
      );
    case 'keyResultForecast':
      return say(
        forecastBreakdown(own.course.start, today, its.forecast),
        title,
        `${percent(its.progress)} took the days so far; at the same rate all of it takes so many.`,
      );
    case 'keyResultNeeded':
      return say(
        neededBreakdown(own.course, its.neededPerWeek, today),
        title,
        `What is left, over the weeks that are left up to the due day: ${needWords(
          keyResult,
          weeklyNeed(its.neededPerWeek ?? 0, its.target - its.from, its.isWhole),
          its.unit,
        )}.`,
        { write: inUnitOf(keyResult, own.course.unit) },
      );
  }
}

const paceRule = (pace: keyof typeof PACE_WORDS | null): string =>
  pace === null
    ? 'How far it is, less how far it was to be.'
    : `It is ${PACE_WORDS[pace]}: how far it is, less how far it was to be.`;
