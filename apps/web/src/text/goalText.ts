import {
  type FiguredGoal,
  type DYES,
  type Goal,
  type GoalFigures,
  type KeyResult,
  type KeyResultFigures,
  type Pace,
  type PlainDay,
  type StepState,
  type StoryItem,
  dayOf,
  neededPerWeek,
  type WeeklyNeed,
  weeklyNeed,
  roundTo,
  progressByOf,
  stepsValue,
  numberOf,
  type GoalMove,
  tidySum,
} from '@wimbel/core';
import { amount, amountOf, money, number, signed } from './amounts.ts';
import { capital, counted, dateNear, percent } from './format.ts';
import type { Palette } from '../theme/colors.ts';
import { stoppedWords } from './effectOnGoals.ts';

/** How many goals at a time are easy to keep in mind. */
export const EASY_GOALS = 3;

export const PACE_WORDS: Record<Pace, string> = {
  reached: 'reached',
  overdue: 'overdue',
  ahead: 'ahead',
  behind: 'behind',
  onPace: 'on pace',
};

export const paceTone = (pace: Pace | null): 'working' | 'madder' | 'ink' | 'quiet' => {
  if (pace === null) return 'quiet';
  if (pace === 'overdue') return 'madder';
  return pace === 'behind' ? 'ink' : 'working';
};

/** The colour of a key result's hole: by its place in the goal, so that neighbours differ. */
export const holeColor = (colors: Palette, place: number): string => {
  const order = [
    'clay',
    'verdigris',
    'weld',
    'woad',
    'plum',
    'moss',
    'slate',
    'madder',
  ] as const satisfies readonly (typeof DYES)[number][];
  return colors.dyes[order[place % order.length]!];
};

/** Steps with sub-steps are rounded to a tenth. */
const tenths = (value: number): number => Math.round(value * 10) / 10;

/** A value of a key result with its unit: "42 h", "€747", "yes". The unit of a habit's amount has to be given. */
export function valueWords({ measure }: Pick<KeyResult, 'measure'>, value: number, habitUnit = ''): string {
  switch (measure.kind) {
    case 'number':
      return amount(value, measure.unit ?? '');
    case 'money':
      return money(value, measure.currency);
    case 'yesNo':
      return value >= 1 ? 'yes' : 'not yet';
    case 'steps':
      return counted(tenths(value), 'step');
    case 'habitDays':
      return counted(value, 'day');
    case 'habitAmount':
      return amount(value, habitUnit);
  }
}

/** "2.3 of 6 steps": the same wherever steps are counted. */
export const stepsWords = (value: number, count: number): string =>
  `${number(tenths(value))} of ${counted(count, 'step')}`;

/** Where a key result stands, with both its numbers: "42 of 120 h", "24.8, down to 22 min". */
export function standingOf(keyResult: KeyResult, { current, from, target, unit }: KeyResultFigures): string {
  const { measure } = keyResult;
  if (measure.kind === 'yesNo') return valueWords(keyResult, current);
  if (measure.kind === 'steps') return stepsWords(current, target);
  if (target < from) return `${number(current)}, down to ${valueWords(keyResult, target)}`;
  if (measure.kind === 'number' || measure.kind === 'habitAmount') return amountOf(current, target, unit);
  if (measure.kind === 'money') return `${money(current, measure.currency)} of ${money(target, measure.currency)}`;
  return `${number(current)} of ${valueWords(keyResult, target)}`;
}

/** What is left of a key result: "78 h left"; "" of a yes or no, and once it is reached. */
export function leftWords(keyResult: KeyResult, { current, target, unit, progress }: KeyResultFigures): string {
  if (keyResult.measure.kind === 'yesNo' || progress >= 1) return '';
  const left = tidySum(Math.abs(target - current));
  return left === 0 ? '' : `${valueWords(keyResult, left, unit)} left`;
}

/** What a key result is to reach, before anything is done: "0 to 14 planks", "28 down to 22 min", "30 days". */
export function targetWords(keyResult: KeyResult): string {
  const { measure } = keyResult;
  if (measure.kind === 'yesNo') return 'yes or no';
  if (measure.kind === 'steps') return 'by its steps';
  const target = valueWords(keyResult, measure.target);
  if (!('start' in measure)) return target;
  return `${number(measure.start)} ${measure.target < measure.start ? 'down to' : 'to'} ${target}`;
}

/** "7.1 h a week", "1 plank every 6 weeks": what is to be done from here; "about" where it was rounded. */
export function needWords(keyResult: Pick<KeyResult, 'measure'>, need: WeeklyNeed, unit: string): string {
  const often = need.everyWeeks === 1 ? 'a week' : `every ${need.everyWeeks} weeks`;
  // A unit is written as its owner likes, most often for many.
  const much = need.grain === 1 && need.amount === 1 ? '1 more' : valueWords(keyResult, need.amount, unit);
  return `${need.isRounded ? 'about ' : ''}${much} ${often}`;
}

/** The verdict on a key result with its reason, in a short sentence. Amounts in it are rounded alike. */
export function paceSentence(keyResult: KeyResult, figures: KeyResultFigures, today: PlainDay): string {
  const { pace, due, forecast, neededPerWeek, expected, from, target, current, unit, isWhole } = figures;
  const { kind } = keyResult.measure;
  const forecastWords = forecast === null ? '' : ` At this rate reached by ${dateNear(forecast, today)}.`;
  if (pace === 'reached') return 'Reached.';
  if (figures.stoppedOn !== null) return stoppedWords(figures.stoppedOn, today);
  if (pace === null || due === null) return `No due day.${forecastWords}`;
  if (pace === 'overdue') {
    const late = counted(today - due, 'day');
    const left = tidySum(Math.abs(target - current));
    return kind === 'yesNo'
      ? `Overdue by ${late}.`
      : `Overdue by ${late}: ${valueWords(keyResult, left, unit)} missing.`;
  }
  if (kind === 'yesNo') return `${pace === 'behind' ? 'Still open' : 'Open'}, due ${dateNear(due, today)}.`;
  if (pace === 'ahead') return `Ahead.${forecastWords}`;
  const need = weeklyNeed(neededPerWeek ?? 0, target - from, isWhole);
  const weekly =
    neededPerWeek === null
      ? ''
      : ` ${capital(needWords(keyResult, need, unit))} from here ${due === today ? 'would reach' : 'reaches'} it by ${dateNear(due, today)}.`;
  if (pace === 'onPace') return `On pace.${weekly}`;
  const exact = from + (expected ?? 0) * (target - from);
  const planned = roundTo(exact, need.grain);
  const about = Math.abs(planned - exact) > 1e-9 ? 'about ' : '';
  return `Behind: ${about}${valueWords(keyResult, planned, unit)} ${kind === 'money' ? 'was' : 'were'} planned by now.${weekly}`;
}

/**
 * How far a goal is in whole things: of one key result where that stands, of several "2 of 4 key results reached"; "1 of 3
 * milestones", "2.3 of 6 steps"; "" where nothing is measured.
 */
export function shareWords({ records, figures }: FiguredGoal, today: PlainDay): string {
  const { keyResults, milestones, steps } = records;
  if (figures.progress === null) return '';
  switch (progressByOf(records)) {
    case 'milestones':
      return `${number(Math.round(figures.progress * milestones.length))} of ${counted(milestones.length, 'milestone')}`;
    case 'steps': {
      const { value, count } = stepsValue(null, steps, today);
      return stepsWords(numberOf(value), count);
    }
    default: {
      const [only] = keyResults;
      if (only !== undefined && keyResults.length === 1) return standingOf(only, figures.keyResults[only.id]!);
      const reached = keyResults.filter(({ id }) => (figures.keyResults[id]?.progress ?? 0) >= 1).length;
      return `${number(reached)} of ${counted(keyResults.length, 'key result')} reached`;
    }
  }
}

const REACHED_WORDS = {
  keyResults: 'Every key result has reached its target.',
  milestones: 'Every milestone is reached.',
  steps: 'Every step is done.',
  nothing: '',
} as const;

/** The verdict on a goal with its reason; where it leads at this rate is a figure of its own. */
export function goalPaceSentence({ records, figures }: FiguredGoal, today: PlainDay): string {
  const { goal } = records;
  const { progress, expected, pace } = figures;
  const due = goal.dueOn ? dayOf(goal.dueOn) : null;
  if (progress === null) return 'Nothing is measured yet.';
  if (pace === 'reached') return REACHED_WORDS[progressByOf(records)];
  if (due === null) return 'Without a due day there is no pace.';
  if (pace === 'overdue') return `Overdue by ${counted(today - due, 'day')}, with ${percent(1 - progress)} missing.`;
  // Whole points of a hundred are whole things.
  const { amount: points, everyWeeks } = weeklyNeed(neededPerWeek(1 - progress, due, today) * 100, 100, true);
  const often = everyWeeks === 1 ? 'a week' : `every ${everyWeeks} weeks`;
  const weekly = `${points}\u00a0% ${often} from here ${due === today ? 'would reach' : 'reaches'} it by ${dateNear(due, today)}.`;
  const planned =
    expected === null ? '' : `${percent(progress)} of the way, and by now ${percent(expected)} was planned.`;
  if (pace === 'behind') return `Behind: ${planned} ${weekly}`;
  if (pace === 'ahead') return `Ahead: ${planned}`;
  return `On pace: ${planned}`;
}

/** How a step or milestone stands, in words: "overdue by 3 days", "due in 2 days", "done 4 days late". */
export function stateWords(
  { state, dueOn, doneOn }: { state: StepState; dueOn?: string; doneOn?: string },
  today: PlainDay,
  done = 'done',
): string {
  const due = dueOn ? dayOf(dueOn) : null;
  const on = doneOn ? dayOf(doneOn) : null;
  switch (state) {
    case 'doneInTime':
      return `${done} ${on === null ? '' : dateNear(on, today)}${due === null ? '' : ', in time'}`;
    case 'doneLate':
      return `${done} ${dateNear(on!, today)}, ${counted(on! - due!, 'day')} late`;
    case 'overdue':
      return `overdue by ${counted(today - due!, 'day')}`;
    case 'dueSoon':
      return due === today ? 'due today' : `due in ${counted(due! - today, 'day')}`;
    case 'open':
      return due === null ? '' : `due ${dateNear(due, today)}`;
  }
}

export const stateTone = (state: StepState): 'madder' | 'brassText' | 'working' | 'quiet' => {
  if (state === 'overdue') return 'madder';
  if (state === 'dueSoon' || state === 'doneLate') return 'brassText';
  return state === 'doneInTime' ? 'working' : 'quiet';
};

const TURN_WORDS = {
  paused: 'Paused',
  reopened: 'Opened again',
  dropped: 'Dropped',
  reached: 'Closed as reached',
} as const;

/** One line of a goal's story, and the words written beside it. */
export function storyWords(item: StoryItem, today: PlainDay): { text: string; note: string | null } {
  switch (item.kind) {
    case 'begun':
      return { text: 'The goal begins', note: null };
    case 'checkIn': {
      const { keyResult, checkIn, was } = item;
      const value = valueWords(keyResult, checkIn.value);
      const change = checkIn.value - was;
      const by = keyResult.measure.kind === 'yesNo' || change === 0 ? '' : ` (${signed(tidySum(change))})`;
      return { text: `${keyResult.title}: ${value}${by}`, note: checkIn.note ?? null };
    }
    case 'habit': {
      const { keyResult, grown, unit } = item;
      return { text: `${keyResult.title}: ${valueWords(keyResult, grown, unit)} more`, note: null };
    }
    case 'step':
      return {
        text: `Step done: ${item.step.title}${item.state === 'doneLate' ? ` (${counted(dayOf(item.step.doneOn!) - dayOf(item.step.dueOn!), 'day')} late)` : ''}`,
        note: item.step.note ?? null,
      };
    case 'milestone':
      return {
        text: `Milestone reached: ${item.milestone.title}${item.state === 'doneLate' ? ', late' : ''}`,
        note: item.milestone.reward ? `Reward: ${item.milestone.reward}` : null,
      };
    case 'turn': {
      const { kind, dueWas, startWas, about, note = null } = item.turn;
      if (kind === 'word') return { text: about ?? 'A word', note };
      if (kind === 'postponed')
        return {
          text: dueWas ? `Another due day; until then it was ${dateNear(dayOf(dueWas), today)}` : 'Given a due day',
          note,
        };
      if (kind === 'moved') {
        const was = [
          dueWas ? `due ${dateNear(dayOf(dueWas), today)}` : 'without a due day',
          startWas ? `from ${dateNear(dayOf(startWas), today)}` : '',
        ];
        return { text: `Moved; until then it was ${was.filter(Boolean).join(', ')}`, note };
      }
      return { text: TURN_WORDS[kind], note };
    }
  }
}

/** "by 30 June, 218 days left" */
export function dueWords(goal: Goal, figures: GoalFigures, today: PlainDay): string {
  if (!goal.dueOn || figures.daysLeft === null) return 'no due day';
  const by = `by ${dateNear(dayOf(goal.dueOn), today)}`;
  if (goal.state !== 'open') return by;
  if (figures.daysLeft < 0) return `${by}, overdue by ${counted(-figures.daysLeft, 'day')}`;
  return figures.daysLeft === 0 ? `${by}, today` : `${by}, ${counted(figures.daysLeft, 'day')} left`;
}

export const STATE_WORDS: Record<Goal['state'], string> = {
  open: 'open',
  reached: 'reached',
  dropped: 'dropped',
  paused: 'paused',
};

/** What changes with a move, each in a few words: "now due 31 March 2027", "still starts 1 October", "Planks now due 15 March". */
export function moveWords(before: Goal, { goal, keyResults }: GoalMove, today: PlainDay): string[] {
  const near = (day: string): string => dateNear(dayOf(day), today);
  return [
    goal.dueOn ? `now due ${near(goal.dueOn)}` : 'no longer due on a day',
    goal.startsOn === before.startsOn ? `still starts ${near(goal.startsOn)}` : `now starts ${near(goal.startsOn)}`,
    ...keyResults.map(({ title, startsOn, dueOn }) => {
      const days = [startsOn ? `starts ${near(startsOn)}` : '', dueOn ? `due ${near(dueOn)}` : ''].filter(Boolean);
      return `${title} ${days.length === 0 ? 'goes by the goal’s days' : `now ${days.join(', ')}`}`;
    }),
  ];
}
