import {
  type DYES,
  type Goal,
  type GoalFigures,
  type KeyResult,
  type KeyResultFigures,
  type Pace,
  type PlainDay,
  dayOf,
} from '@wimbel/core';
import { amount, amountOf, money, number } from '../../shared/amounts.ts';
import { counted, dateNear } from '../../shared/format.ts';
import type { Palette } from '../../theme/colors.ts';

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

/** A value of a key result with its unit: "42 h", "€747", "yes". */
export function valueWords({ measure }: KeyResult, value: number): string {
  switch (measure.kind) {
    case 'number':
      return amount(value, measure.unit ?? '');
    case 'money':
      return money(value, measure.currency);
    case 'yesNo':
      return value >= 1 ? 'yes' : 'not yet';
    case 'steps':
      return counted(value, 'step');
    case 'habitDays':
      return counted(value, 'day');
    case 'habitAmount':
      return number(value);
  }
}

/** Where a key result stands, with both its numbers: "42 of 120 h", "24.8, down to 22 min". */
export function standingOf(keyResult: KeyResult, { current, from, target }: KeyResultFigures): string {
  const { measure } = keyResult;
  if (measure.kind === 'yesNo') return valueWords(keyResult, current);
  if (target < from) return `${number(current)}, down to ${valueWords(keyResult, target)}`;
  if (measure.kind === 'number') return amountOf(current, target, measure.unit ?? '');
  if (measure.kind === 'money') return `${money(current, measure.currency)} of ${money(target, measure.currency)}`;
  return `${number(current)} of ${valueWords(keyResult, target)}`;
}

const absolute = (keyResult: KeyResult, value: number): string =>
  valueWords(keyResult, Number(Math.abs(value).toPrecision(2)));

/** The verdict on a key result with its reason, in a short sentence. */
export function paceSentence(keyResult: KeyResult, figures: KeyResultFigures, today: PlainDay): string {
  const { pace, due, forecast, neededPerWeek, expected, from, target, current } = figures;
  const { kind } = keyResult.measure;
  const forecastWords = forecast === null ? '' : ` At this rate reached by ${dateNear(forecast, today)}.`;
  if (pace === 'reached') return 'Reached.';
  if (pace === null || due === null) return `No due day.${forecastWords}`;
  if (pace === 'overdue') {
    const late = counted(today - due, 'day');
    return kind === 'yesNo'
      ? `Overdue by ${late}.`
      : `Overdue by ${late}: ${absolute(keyResult, target - current)} missing.`;
  }
  if (kind === 'yesNo') return `${pace === 'behind' ? 'Still open' : 'Open'}, due ${dateNear(due, today)}.`;
  const planned = from + (expected ?? 0) * (target - from);
  const weekly = neededPerWeek === null ? '' : `${absolute(keyResult, neededPerWeek)} a week from here`;
  if (pace === 'behind')
    return `Behind: ${valueWords(keyResult, Number(planned.toPrecision(3)))} planned by now. ${weekly}.`;
  if (pace === 'ahead') return `Ahead.${forecastWords}`;
  return `On pace: ${weekly}.`;
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
