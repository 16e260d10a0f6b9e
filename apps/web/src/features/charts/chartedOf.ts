import type { DaySpan, ReviewSpan, Track, Weekday } from '@wimbel/core';
import { WEEKDAYS } from '@wimbel/core';
import type { FigureQuery } from '../../text/figureQuery.ts';

/** Subject of the charts' figures: one habit, several under a name, or (both null) all. */
export type ChartedOf = {
  habitId: string | null;
  /** "Music" */
  name: string | null;
  tracks: readonly Track[];
};

type Over = { habitIds?: readonly string[]; name?: string };

/** The habits that a figure is over, where those are not all. */
export const overThese = ({ name, tracks }: Omit<ChartedOf, 'habitId'>): Over =>
  name === null ? {} : { habitIds: tracks.map(({ habit }) => habit.id), name };

/** What was kept in some days. */
export const keptAsked = (of: ChartedOf, span: DaySpan): FigureQuery =>
  of.habitId === null ? { figure: 'kept', span, ...overThese(of) } : { figure: 'habitKept', habitId: of.habitId, span };

/** What was kept on a weekday of some days. */
export const keptOnWeekdayAsked = (of: ChartedOf, span: DaySpan, name: Weekday): FigureQuery => {
  const weekday = WEEKDAYS.indexOf(name);
  return of.habitId === null
    ? { figure: 'keptOnWeekday', span, weekday, ...overThese(of) }
    : { figure: 'habitKeptOnWeekday', habitId: of.habitId, span, weekday };
};

/** Done days against the target of a span; of days between any two, and of everything, against the plan. */
export const targetAsked = (habitId: string, kind: ReviewSpan, span: DaySpan): FigureQuery =>
  kind === 'all' || kind === 'days'
    ? { figure: 'habitPlan', habitId, span }
    : { figure: 'habitTarget', habitId, kind, span };
