import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';

/** What a part of a figure is, so that a screen can name it and lead to it. */
export type PartOf =
  | { kind: 'habit'; habitId: string }
  /** A day, a week, a month, a year, or what of it lies in the figure's span. */
  | { kind: 'days'; span: DaySpan }
  | { kind: 'goal' | 'keyResult' | 'step' | 'milestone'; id: string }
  /** A week of a season, counted from 0. */
  | { kind: 'seasonWeek'; week: number; span: DaySpan }
  /** The days that had this mood. */
  | { kind: 'mood'; mood: number }
  /** What the habits that can wait ask of a day together, beyond those done on it. */
  | { kind: 'canWait' }
  /** What a week or month asks, with how many of its days could be chosen from. */
  | { kind: 'quota'; period: 'weeks' | 'months'; eligible: number; length: number }
  /** Of a forecast: the days gone by, and those still to come at the same rate. */
  | { kind: 'soFar' | 'toCome'; span: DaySpan }
  /** Of a pace: how far it is, and how far it was to be by today (with the other sign). */
  | { kind: 'progress' | 'expected' }
  /** Of what is expected: by the last point of the line behind today, and since then. */
  | { kind: 'byPoint' | 'sincePoint'; span: DaySpan }
  /** Of a ratio: what is divided, and by how much. */
  | { kind: 'left' | 'weeksLeft' | 'amountOfDoneDays' | 'doneDays' };

/** What a column of numbers says. */
export type ColumnSays =
  | 'done'
  | 'asked'
  | 'planned'
  | 'counted'
  | 'days'
  | 'weeks'
  | 'months'
  | 'fullDays'
  | 'brightDays'
  | 'ribbons'
  | 'amount'
  /** A share of the part's own, which adds up to nothing. */
  | 'ownShare'
  /** A ratio, shown in percentage points. */
  | 'points'
  | 'steps'
  | 'milestones'
  | 'mood'
  | 'moodDays'
  | 'rate';

/** A part of a figure: what it is of, and its numbers in the order of the columns. */
export type BreakdownPart = {
  of: PartOf;
  /** One for each column. */
  numbers: readonly number[];
  /** What was done beyond what counts, where that is so. */
  beyond?: number;
};

/** Why the figure is not the bare sum of its parts, and by how much. */
export type Adjustment = {
  /** The place of the column. */
  column: number;
  by: number;
  why:
    /** Parts are rounded to whole days one by one, the whole of them once. */
    | 'rounded'
    /** What is needed is rounded up to what a person would do, so that it gets there. */
    | 'roundedUp'
    /** More than was asked counts no further. */
    | 'moreThanAsked'
    /** A person set another target than the plan. */
    | 'set';
};

/**
 * What a figure is made of. Its parts and adjustments add up to `total`, column by column (`ownShare` apart); of a ratio
 * the first part over the second is the total, of a mean the first column over the second.
 */
export type Breakdown = {
  how: 'sum' | 'ratio' | 'mean';
  columns: readonly ColumnSays[];
  parts: readonly BreakdownPart[];
  adjustments: readonly Adjustment[];
  total: readonly number[];
  /** Done days that do not count, because more was done than asked; of sums of done days alone. */
  beyond?: number;
};

const SAME = 1e-7;

/** Whether the parts and adjustments of a breakdown come to its total. */
export function addsUp({ how, columns, parts, adjustments, total }: Breakdown): boolean {
  if (how === 'ratio') {
    const more = adjustments.reduce((all, { by }) => all + by, 0);
    return Math.abs(parts[0]!.numbers[0]! / parts[1]!.numbers[0]! + more - total[0]!) < SAME;
  }
  const sumIn = (column: number): number => parts.reduce((all, part) => all + part.numbers[column]!, 0);
  if (how === 'mean') return Math.abs(sumIn(0) / sumIn(1) - total[0]!) < SAME && sumIn(1) === total[1];
  return columns.every((says, column) => {
    if (says === 'ownShare') return true;
    const sum = sumIn(column);
    const more = adjustments.reduce((all, each) => all + (each.column === column ? each.by : 0), 0);
    return Math.abs(sum + more - total[column]!) < SAME;
  });
}

/** A breakdown as the bare sum of its parts. */
export const sumOf = (
  columns: readonly ColumnSays[],
  parts: readonly BreakdownPart[],
  total: readonly number[],
): Breakdown => ({
  how: 'sum',
  columns,
  parts,
  adjustments: [],
  total,
});

const MOST_DAYS = 14;
const MOST_DAYS_BY_WEEK = 100;
const MOST_DAYS_BY_MONTH = 800;

/** The days, weeks, months or years of a span, whichever can be read at a glance; the first and last cut to it. */
export function chunksOf(span: DaySpan, weekStart: Weekday): DaySpan[] {
  const length = daysIn(span);
  const whole = (day: PlainDay): DaySpan => {
    if (length <= MOST_DAYS) return { first: day, last: day };
    if (length <= MOST_DAYS_BY_WEEK) return weekSpan(day, weekStart);
    return length <= MOST_DAYS_BY_MONTH ? monthSpan(monthOfDay(day)) : yearSpan(yearOfDay(day));
  };
  return cutInto(span, whole);
}

/** A span cut by what each of its days lies in. */
export function cutInto(span: DaySpan, whole: (day: PlainDay) => DaySpan): DaySpan[] {
  const chunks: DaySpan[] = [];
  for (let day = span.first; day <= span.last; day = chunks.at(-1)!.last + 1)
    chunks.push({ first: day, last: Math.min(span.last, whole(day).last) });
  return chunks;
}

/** Parts that say something: those with a number that is not 0. */
export const withoutNothing = (parts: readonly BreakdownPart[]): BreakdownPart[] =>
  parts.filter(({ numbers }) => numbers.some((number) => number !== 0));
