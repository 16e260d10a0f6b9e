import {
  type Adjustment,
  type Breakdown,
  type BreakdownPart,
  type DaySpan,
  type PartOf,
  type PlainDay,
  type Track,
} from '@wimbel/core';
import { amount, number, readable, signed } from '../amounts.ts';
import { counted, dateNear, percent } from '../format.ts';
import { daysHref, daysName } from '../dayLists.ts';
import { goalPath, habitPath } from '../../platform/paths.ts';

/** The explanation of a figure: a sentence on what is counted, its parts with their links, and their total. */
export type FigureExplanation = {
  title: string;
  sentence: string;
  parts: { key: string; name: string; value: string; href: string | null }[];
  adjustments: { text: string; value: string }[];
  total: string;
};

const ADJUSTMENT_WORDS: Record<Adjustment['why'], string> = {
  rounded: 'Rounded once for all of it, not row by row',
  roundedUp: 'Rounded up, so that it gets there',
  moreThanAsked: 'More than was asked',
  set: 'You set this target',
};

/** Hundredths are as much as a share of a day needs. */
export const short = (value: number): string => number(Math.round(value * 100) / 100);

/** Points of a hundred with a decimal: "16.1 %". */
export const points = (value: number): string =>
  `${number(Math.round(value * 1000) / 10).replace('-', '\u2212')}\u00a0%`;

export type Write = { amount: (value: number) => string };
const PLAIN: Write = { amount: number };

/** One part's numbers, or the total's, in words. */
function numbersInWords({ columns }: Breakdown, numbers: readonly number[], write: Write, beyond = 0): string {
  const [first = 0, second = 0] = numbers;
  switch (columns[0]) {
    case 'done':
    case 'counted':
      if (columns.length === 1 || (second === 0 && beyond === 0)) return counted(first, 'day');
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
  const share = breakdown.columns.length === 2 && second > 0 ? `, ${percent(first / second)}` : '';
  const { beyond = 0 } = breakdown;
  const more = beyond > 0 ? `; ${number(first + beyond)} done, ${number(beyond)} more than asked` : '';
  return `${words}${share}${more}`;
}

/** What a breakdown's parts are called and where they lead. */
export type Names = {
  today: PlainDay;
  habitOf: (id: string) => string;
  goalId?: string;
  titleOf?: (id: string) => string;
  /** Link of days: by default to their record in the log. */
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
      return { name: 'One of the habits that can wait', href: null };
    case 'quota': {
      const period = of.period === 'weeks' ? 'week' : 'month';
      const name =
        of.eligible === of.length
          ? `What the ${period} asks`
          : `What ${of.eligible} of the ${of.length} days of the ${period} ask`;
      return { name, href: null };
    }
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
  if (part.of.kind === 'quota') return counted(part.numbers[1]!, 'day');
  return numbersInWords(breakdown, part.numbers, write, part.beyond);
}

/** A breakdown with its words. Its parts stand in the order they come. */
export function told(breakdown: Breakdown, title: string, sentence: string, names: Names): FigureExplanation {
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

export const unitOf = ({ habit }: Track): Write => ({
  amount: (value) => amount(value, habit.measure.kind === 'amount' ? habit.measure.unit : ''),
});

/** Days of a span, today named as such. */
export const elapsedSpanText = (span: DaySpan, today: PlainDay): string =>
  span.last > today && span.first <= today ? `${daysName(span, today)}, up to today` : daysName(span, today);
