import {
  type Adjustment,
  type Breakdown,
  type BreakdownPart,
  type DaySpan,
  type DayTotals,
  type KeyResult,
  type PartOf,
  type PlainDay,
  type Track,
  WEEKDAYS,
  againstPlan,
  againstTarget,
  aliveRun,
  amountsOfHabit,
  countedDays,
  currentOfKeyResult,
  dayOf,
  daysLeftBreakdown,
  doneOfHabit,
  expectedOfGoal,
  expectedOfKeyResult,
  forecastBreakdown,
  fullDayRuns,
  goalCourse,
  isActiveIn,
  keptByHabits,
  keptByHabitsOn,
  keptOfHabit,
  keptOnWeekday,
  longestRun,
  meanOfGoals,
  meanOfSeasonWeeks,
  meanOfDoneDays,
  neededBreakdown,
  paceBreakdown,
  progressOfGoal,
  quotaOfHabit,
  ribbonsOfMonths,
  runOfFullDays,
  runOfHabit,
  scoreOfDay,
  streakUnitOn,
  tidySum,
  togetherInDays,
  togetherInSpan,
  moodByDay,
  moodMeanBeside,
  totalsOf,
  stepsOfGoal,
  formatMonth,
  monthOfDay,
} from '@wimbel/core';
import { type FiguredGoal, selectFiguredGoal } from '../store/figuredGoals.ts';
import { selectSettings, selectTotals, selectTrack, selectTracks } from '../store/selectors.ts';
import { selectFiguredSeason } from '../store/seasons.ts';
import type { RootState } from '../store/store.ts';
import { amount, number, readable, signed } from '../shared/amounts.ts';
import { counted, dateNear, dayInWords, percent, spanInWords, streakLength } from '../shared/format.ts';
import type { Asked } from './asked.ts';
import { daysHref, daysName, monthsOf } from './daysNamed.ts';
import { PACE_WORDS, valueWords } from './goalWords.ts';
import { PATHS, goalPath, habitPath } from '../shared/paths.ts';

/** A figure told: what is counted in one sentence, its parts with where they lead, and what they come to. */
export type FigureAccount = {
  title: string;
  sentence: string;
  parts: { key: string; name: string; value: string; href: string | null }[];
  adjustments: { text: string; value: string }[];
  total: string;
};

const ADJUSTMENT_WORDS: Record<Adjustment['why'], string> = {
  rounded: 'Rounded to whole days, once for all of it',
  moreThanAsked: 'Done beyond what was due',
  set: 'Set by you instead of what is planned',
};

/** Hundredths are as much as a share of a day needs. */
const short = (value: number): string => number(Math.round(value * 100) / 100);

/** Points of a hundred with a decimal: "16.1 %". */
const points = (value: number): string => `${number(Math.round(value * 1000) / 10).replace('-', '\u2212')}\u00a0%`;

type Write = { amount: (value: number) => string };
const PLAIN: Write = { amount: number };

/** One part's numbers, or the total's, in words. */
function numbersInWords({ columns }: Breakdown, numbers: readonly number[], write: Write, beyond = 0): string {
  const [first = 0, second = 0] = numbers;
  switch (columns[0]) {
    case 'done':
      return columns.length === 1 ? counted(first, 'day') : `${short(first)} of ${short(second)}`;
    case 'counted':
      return `${short(first)} of ${short(second)}${beyond > 0 ? ` (${short(first + beyond)} done)` : ''}`;
    case 'mood':
      return counted(second, 'day');
    case 'days':
    case 'fullDays':
    case 'brightDays':
      return counted(first, 'day');
    case 'weeks':
      return counted(first, 'week');
    case 'months':
      return counted(first, 'month');
    case 'ribbons':
      return counted(first, 'ribbon');
    case 'ownShare':
      return `${percent(first)}, brings ${points(second)}`;
    case 'points':
      return points(first);
    default:
      return write.amount(first);
  }
}

function totalInWords(breakdown: Breakdown, write: Write): string {
  const [first = 0, second = 0] = breakdown.total;
  const words = numbersInWords(breakdown, breakdown.total, write);
  if (breakdown.columns[0] === 'ownShare') return points(second);
  if (breakdown.columns[0] === 'mood') return `${first.toFixed(1)} on ${counted(second, 'day')}`;
  return breakdown.columns.length === 2 && second > 0 ? `${words}, ${percent(first / second)}` : words;
}

/** What a breakdown's parts are called and where they lead. */
type Names = {
  today: PlainDay;
  habitOf: (id: string) => string;
  goalId?: string;
  titleOf?: (id: string) => string;
  /** Where days lead; to their record in the log, unless it is told otherwise. */
  daysTo?: (span: DaySpan, today: PlainDay) => string | null;
  write?: Write;
};

const recordOf = (span: DaySpan, today: PlainDay): string | null => (span.first > today ? null : daysHref(span));

function partInWords(
  of: PartOf,
  { today, habitOf, goalId, titleOf, daysTo = recordOf }: Names,
): { name: string; href: string | null } {
  switch (of.kind) {
    case 'habit':
      return { name: habitOf(of.habitId), href: habitPath(of.habitId) };
    case 'days':
      return { name: daysName(of.span, today), href: daysTo(of.span, today) };
    case 'goal':
      return { name: titleOf?.(of.id) ?? '', href: goalPath(of.id) };
    case 'keyResult':
    case 'step':
    case 'milestone':
      return {
        name: titleOf?.(of.id) ?? '',
        href: goalId === undefined ? null : `${goalPath(goalId)}?at=${encodeURIComponent(of.id)}`,
      };
    case 'seasonWeek':
      return { name: `Week ${of.week + 1}, ${daysName(of.span, today)}`, href: daysTo(of.span, today) };
    case 'mood':
      return { name: `A mood of ${short(of.mood)}`, href: null };
    case 'canWait':
      return { name: 'Any of those that can wait', href: null };
    case 'soFar':
      return { name: `So far, since ${dateNear(of.span.first, today)}`, href: null };
    case 'toCome':
      return { name: `Still to come at this rate, until ${dateNear(of.span.last, today)}`, href: null };
    case 'progress':
      return { name: 'How far it is', href: null };
    case 'expected':
      return { name: 'Less what was expected by today', href: null };
    case 'byPoint':
      return { name: `Expected by ${dateNear(of.span.last, today)}`, href: null };
    case 'sincePoint':
      return { name: `Since then, ${counted(of.span.last - of.span.first, 'day')}`, href: null };
    case 'left':
      return { name: 'What is left', href: null };
    case 'weeksLeft':
      return { name: 'Over so many weeks that are left', href: null };
    case 'amountOfDoneDays':
      return { name: 'Amount of the done days', href: null };
    case 'doneDays':
      return { name: 'Over so many done days', href: null };
  }
}

/** Of a ratio the second part is a count of its own, not in the unit of the first. */
function partValue(breakdown: Breakdown, part: BreakdownPart, write: Write): string {
  if (part.of.kind === 'weeksLeft') return counted(readable(part.numbers[0]!), 'week');
  if (part.of.kind === 'doneDays') return counted(part.numbers[0]!, 'day');
  return numbersInWords(breakdown, part.numbers, write, part.beyond);
}

/** A breakdown with its words. Its parts stand in the order they come. */
function told(breakdown: Breakdown, title: string, sentence: string, names: Names): FigureAccount {
  const write = names.write ?? PLAIN;
  return {
    title,
    sentence,
    parts: breakdown.parts.map((part, index) => ({
      key: String(index),
      ...partInWords(part.of, names),
      value: partValue(breakdown, part, write),
    })),
    adjustments: breakdown.adjustments.map(({ by, why }) => ({
      text: ADJUSTMENT_WORDS[why],
      value: signed(Math.round(by * 100) / 100),
    })),
    total: totalInWords(breakdown, write),
  };
}

const unitOf = ({ habit }: Track): Write => ({
  amount: (value) => amount(value, habit.measure.kind === 'amount' ? habit.measure.unit : ''),
});

/** What lies in a span of which today is told as such. */
const upTo = (span: DaySpan, today: PlainDay): string =>
  span.last > today && span.first <= today ? `${daysName(span, today)}, up to today` : daysName(span, today);

/** What a figure is made of, in words; null where there is nothing (any more) that it could be made of. */
export function accountOf(state: RootState, asked: Asked): FigureAccount | null {
  if ('goalId' in asked) return accountOfGoal(state, asked);
  if ('habitId' in asked) return accountOfHabit(state, asked);
  const { today } = state.clock;
  const { passMark, weekStart } = selectSettings(state);
  const names: Names = { today, habitOf: (id) => state.records.habits[id]?.name ?? '' };
  const all = selectTracks(state);
  const over = 'habitIds' in asked && asked.habitIds ? new Set(asked.habitIds) : null;
  const tracks = over === null ? all : all.filter(({ habit }) => over.has(habit.id));
  const totals = (): DayTotals => (over === null ? selectTotals(state) : totalsOf(tracks, today));
  switch (asked.figure) {
    case 'dayScore':
      return told(
        scoreOfDay(tracks, totals(), asked.day),
        [asked.name, dayInWords(asked.day)].filter(Boolean).join(', '),
        'What was due that day, and what of it was done. Habits of so many days a week or month ask together for what an even spread over the days left would be, rounded down.',
        names,
      );
    case 'kept': {
      const days = upTo(asked.span, today);
      return told(
        keptByHabits(tracks, asked.span),
        asked.name ?? daysName(asked.span, today),
        `What was due in ${days}, and how much of it was kept. Today counts once it is decided; habits of so many days a week or month are asked for an even spread.`,
        names,
      );
    }
    case 'keptOnWeekday':
      return told(
        keptByHabitsOn(tracks, asked.span, asked.weekday),
        asked.name ?? WEEKDAYS[asked.weekday]!,
        `What habits with fixed days had due on this weekday in ${upTo(asked.span, today)}, and how much of it was kept.`,
        names,
      );
    case 'together':
      return told(
        togetherInSpan(
          tracks.filter((track) => isActiveIn(track, asked.span)),
          asked.kind,
          asked.span,
        ),
        asked.name ?? daysName(asked.span, today),
        `Days done of the days aimed at in all of ${daysName(asked.span, today)}. No habit counts for more than its own target.`,
        names,
      );
    case 'week':
      return told(
        togetherInDays(
          tracks.filter((track) => isActiveIn(track, asked.days)),
          asked.days,
        ),
        daysName(asked.days, today),
        'Days done of the days planned. No habit counts for more than its own; each week is rounded by itself, so that weeks need not add up to their month.',
        names,
      );
    case 'fullDays':
    case 'brightDays':
      return told(
        countedDays(totals(), asked.span, passMark, asked.figure),
        asked.name ?? daysName(asked.span, today),
        asked.figure === 'fullDays'
          ? `Days in ${upTo(asked.span, today)} on which everything due was done.`
          : `Days in ${upTo(asked.span, today)} on which at least ${percent(passMark)} of what was due was done, the full ones among them.`,
        names,
      );
    case 'ribbons':
      return told(
        ribbonsOfMonths(tracks, monthsOf(asked.span), passMark),
        asked.name ?? daysName(asked.span, today),
        `A habit earns a ribbon for a month in which it reached at least ${percent(passMark)} of its target.`,
        names,
      );
    case 'seasonScore':
    case 'goals':
      return accountOfMean(state, asked, names);
    case 'fullDayRun': {
      const totals = selectTotals(state);
      const runs = fullDayRuns(totals, asked.until);
      const run = asked.which === 'current' ? aliveRun(runs) : longestRun(runs);
      if (run === null) return null;
      return told(
        runOfFullDays(totals, run, weekStart),
        counted(run.length, 'full day'),
        `Full days in a row, ${spanInWords(run, today)}. Days with nothing due are passed over.`,
        names,
      );
    }
  }
}

/** The mean of a season's weeks, or of several goals. */
function accountOfMean(
  state: RootState,
  asked: Extract<Asked, { figure: 'seasonScore' | 'goals' }>,
  names: Names,
): FigureAccount | null {
  switch (asked.figure) {
    case 'seasonScore': {
      const season = selectFiguredSeason(state, asked.seasonId);
      const mean = season && meanOfSeasonWeeks(season.figures, names.today);
      return (
        mean &&
        told(
          mean,
          season.season.title,
          'The mean of its weeks that are over, each counting the same; weeks that asked nothing are left out.',
          names,
        )
      );
    }
    case 'goals': {
      const goals = asked.goalIds.flatMap((id) => selectFiguredGoal(state, id) ?? []);
      const mean = meanOfGoals(goals.map(({ records: { goal }, figures: { progress } }) => ({ goal, progress })));
      const titles = new Map(goals.map(({ records: { goal } }) => [goal.id, goal.title]));
      return (
        mean &&
        told(
          mean,
          asked.name,
          'How far these goals are on average, each counting the same; those closed as reached in full, those that measure nothing left out.',
          { ...names, titleOf: (id) => titles.get(id) ?? '' },
        )
      );
    }
  }
}

type OfHabit = Extract<Asked, { habitId: string }>;

function accountOfHabit(state: RootState, asked: OfHabit): FigureAccount | null {
  const track = selectTrack(state, asked.habitId);
  if (track === null) return null;
  const { today, habit } = track;
  const names: Names = { today, habitOf: () => habit.name, write: unitOf(track) };
  switch (asked.figure) {
    case 'habitKept':
      return told(
        keptOfHabit(track, asked.span),
        habit.name,
        `What was due in ${upTo(asked.span, today)}, and how much of it was kept. Today counts once it is decided.`,
        names,
      );
    case 'habitKeptOnWeekday':
      return told(
        keptOnWeekday(track, asked.span, asked.weekday),
        habit.name,
        `What was due on this weekday in ${upTo(asked.span, today)}, and how much of it was kept.`,
        names,
      );
    case 'habitQuota': {
      const period = asked.kind === 'weeks' ? 'week' : 'month';
      return told(
        quotaOfHabit(track, asked.kind, asked.day),
        habit.name,
        `Days done of the days that this ${period} asks for: its share for each day on which it could be done, rest and pauses left out.`,
        names,
      );
    }
    case 'habitTarget':
      return told(
        againstTarget(track, asked.kind, asked.span),
        habit.name,
        `Days done of the days aimed at in all of ${daysName(asked.span, today)}.`,
        names,
      );
    case 'habitPlan':
      return told(
        againstPlan(track, asked.span),
        habit.name,
        `Days done of the days planned in all of ${daysName(asked.span, today)}.`,
        names,
      );
    case 'habitMood': {
      const mood = moodMeanBeside(track, asked.span, moodByDay(Object.values(state.records.journal)), asked.side);
      return (
        mood &&
        told(
          mood,
          `${habit.name}, ${asked.side === 'done' ? 'done days' : 'other days'}`,
          asked.side === 'done'
            ? `The mood, from 1 to 5, on average over its done days in ${upTo(asked.span, today)} that have one. What went together, not what caused it.`
            : `The mood, from 1 to 5, on average over the days in ${upTo(asked.span, today)} on which it was due and not done. What went together, not what caused it.`,
          names,
        )
      );
    }
    case 'habitRun': {
      const unit = asked.unit ?? streakUnitOn(track, today);
      return told(
        runOfHabit(track, asked.run, unit),
        `${habit.name}: ${streakLength(asked.run.length, unit)} in a row`,
        unit === 'days'
          ? 'Days that were due and done, one after the other. Rest, pauses and days that were not due are passed over.'
          : `${unit === 'weeks' ? 'Weeks' : 'Months'} that did what was due, one after the other. Those with nothing due are passed over.`,
        names,
      );
    }
    case 'habitAmount':
      return told(
        amountsOfHabit(track, asked.span),
        habit.name,
        `Everything recorded in ${upTo(asked.span, today)}, whatever the days came to.`,
        names,
      );
    case 'habitDone':
      return told(
        doneOfHabit(track, asked.span),
        habit.name,
        `Days done in ${upTo(asked.span, today)}, those that were not due among them.`,
        names,
      );
    case 'habitMean': {
      const mean = meanOfDoneDays(track);
      return mean && told(mean, habit.name, 'What a done day of the last 30 days brought on average.', names);
    }
  }
}

type OfGoal = Extract<Asked, { goalId: string }>;

/** An amount of a key result, in its own unit. */
const inUnitOf = (keyResult: KeyResult, unit: string): Write => ({
  amount: (value) => valueWords(keyResult, tidySum(value), unit),
});

function accountOfGoal(state: RootState, asked: OfGoal): FigureAccount | null {
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
          expectedOfGoal(course, today),
          goal.title,
          'What was to be done by today, if it went evenly from the first to the due day, through the checkpoints.',
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

type Say = (breakdown: Breakdown | null, title: string, sentence: string, own?: Partial<Names>) => FigureAccount | null;

function accountOfKeyResult(
  state: RootState,
  asked: Extract<OfGoal, { keyResultId: string }>,
  { figured, course, say }: { figured: FiguredGoal; course: ReturnType<typeof goalCourse>; say: Say },
): FigureAccount | null {
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
        keyResult.measure.kind === 'steps'
          ? 'Its steps at the top; one with sub-steps counts as far as those are done.'
          : own.course.from === 0
            ? 'What each stretch of time brought, up to today.'
            : `What each stretch of time brought, from ${valueWords(keyResult, own.course.from, own.course.unit)} on.`,
        {
          write: inUnitOf(keyResult, own.course.unit),
          // What check-ins brought stands with the key result, what habits brought in the log.
          ...(keyResult.measure.kind.startsWith('habit')
            ? {}
            : { daysTo: () => `${goalPath(goal.id)}?at=${encodeURIComponent(keyResult.id)}` }),
        },
      );
    case 'keyResultExpected':
      return say(
        expectedOfKeyResult(own.course, today),
        title,
        'What was to be done by today, if it went evenly from point to point.',
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
        'What is left, over the weeks that are left up to the due day. Screens round it up to what a person would do, so that it gets there.',
        { write: inUnitOf(keyResult, own.course.unit) },
      );
  }
}

const paceRule = (pace: keyof typeof PACE_WORDS | null): string =>
  pace === null
    ? 'How far it is, less how far it was to be.'
    : `It is ${PACE_WORDS[pace]}: how far it is, less how far it was to be.`;
