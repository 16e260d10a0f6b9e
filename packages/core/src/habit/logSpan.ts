import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { quarterOfMonth, yearOfDay, yearSpan } from '../calendar/year.ts';
import {
  type Figures,
  type MonthFigures,
  type Target,
  figuresAgainst,
  monthFigures,
  monthTargetOf,
  planOf,
  quarterTargetOf,
  yearTargetOf,
} from './targets.ts';
import type { Track } from './track.ts';

/** The spans that the log can be laid out for. */
export const LOG_SPANS = ['week', 'sevenDays', 'month', 'sixWeeks', 'quarter', 'year'] as const;
/** A kind of span of the log. */
export type LogSpan = (typeof LOG_SPANS)[number];

/** Spans that begin at any day, and how many days they have. */
const FREE = { sevenDays: 7, sixWeeks: 42 } as const;

/** Whether a span of a kind begins at any day. */
export const isFreeSpan = (kind: LogSpan): kind is keyof typeof FREE => kind in FREE;

/** The days of a span of a kind. `day` lies in it; seven days and six weeks begin with it. */
export function logSpanOf(kind: LogSpan, day: PlainDay, weekStart: Weekday): DaySpan {
  switch (kind) {
    case 'week':
      return weekSpan(day, weekStart);
    case 'month':
      return monthSpan(monthOfDay(day));
    case 'sevenDays':
    case 'sixWeeks':
      return { first: day, last: day + FREE[kind] - 1 };
    case 'quarter': {
      const { first, last } = quarterOfMonth(monthOfDay(day));
      return { first: monthSpan(first).first, last: monthSpan(last).last };
    }
    case 'year':
      return yearSpan(yearOfDay(day));
  }
}

/** The day that names the span before (`by` −1) or after (1); of seven days and six weeks its first day. */
export function dayOfNeighbour(kind: LogSpan, span: DaySpan, by: -1 | 1): PlainDay {
  if (isFreeSpan(kind)) return span.first + by * FREE[kind];
  return by === 1 ? span.last + 1 : span.first - 1;
}

/** A habit's target over a span of the log: a month's own, a quarter's and a year's, else the plan. */
export function logTarget(track: Track, kind: LogSpan, span: DaySpan): Target {
  const month: PlainMonth = monthOfDay(span.first);
  switch (kind) {
    case 'month':
      return monthTargetOf(track, month);
    case 'quarter':
      return quarterTargetOf(track, month);
    case 'year':
      return yearTargetOf(track, yearOfDay(span.first));
    default:
      return { days: planOf(track, span), amount: null };
  }
}

/**
 * A habit's figures over a span of the log: a month against its target (with its ribbon), a quarter and a year against
 * the sum of their months' or what was set, a week, seven days and six weeks against their plan. Source: "Targets by week, month and year".
 */
export const logFigures = (track: Track, kind: LogSpan, span: DaySpan, passMark: number): Figures | MonthFigures =>
  kind === 'month'
    ? monthFigures(track, monthOfDay(span.first), passMark)
    : figuresAgainst(track, span, logTarget(track, kind, span));
