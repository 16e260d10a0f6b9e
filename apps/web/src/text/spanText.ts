import { type DaySpan, type PlainDay, type ReviewSpan, monthOfDay } from '@wimbel/core';
import { counted, dateNear, monthAndYear, monthName, spanInWords, yearOf } from './format.ts';

export const SPAN_WORDS: Record<ReviewSpan, string> = {
  week: 'Week',
  month: 'Month',
  quarter: 'Quarter',
  year: 'Year',
  all: 'All',
  days: 'Two days',
};

/** A span as a title: "16 to 22 November", "November 2026", "October to December 2026", "2026", "Since 1 October 2025". */
export function spanTitle(kind: ReviewSpan, span: DaySpan, today: PlainDay): string {
  switch (kind) {
    case 'week':
    case 'days':
      return spanInWords(span, today);
    case 'month':
      return monthAndYear(monthOfDay(span.first));
    case 'quarter':
      return `${monthName(monthOfDay(span.first))} to ${monthAndYear(monthOfDay(span.last))}`;
    case 'year':
      return yearOf(span.first);
    case 'all':
      return `Since ${dateNear(span.first, today)}`;
  }
}

const BEFORE_WORDS: Record<ReviewSpan, string> = {
  week: 'the week before',
  month: 'the month before',
  quarter: 'the quarter before',
  year: 'the year before',
  all: '',
  days: 'as many days before',
};

/** What something is compared with: of what still runs, as many days of the span before. */
export const beforeWords = (kind: ReviewSpan, isByNow: boolean): string =>
  `${BEFORE_WORDS[kind]}${isByNow ? ' by this day' : ''}`;

/** "12 points up", "3 points down", "as before": how a rate stands to the one before. */
export function changeWords(change: number): string {
  const points = Math.round(Math.abs(change) * 100);
  if (points === 0) return 'as before';
  return `${counted(points, 'point')} ${change > 0 ? 'up' : 'down'}`;
}
