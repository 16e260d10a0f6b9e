import {
  type DaySpan,
  type LogSpan,
  type PlainDay,
  type Weekday,
  isoWeekNumber,
  monthOfDay,
  quarterOfMonth,
  yearOfDay,
} from '@wimbel/core';
import { monthName, shortDate, spanInWords } from '../../shared/format.ts';

export const SPAN_CHOICES: { value: LogSpan; label: string }[] = [
  { value: 'week', label: 'Week' },
  { value: 'month', label: 'Month' },
  { value: 'sixWeeks', label: '6 weeks' },
  { value: 'quarter', label: 'Quarter' },
  { value: 'year', label: 'Year' },
];

const NAMES: Record<LogSpan, string> = {
  week: 'week',
  month: 'month',
  sixWeeks: 'six weeks',
  quarter: 'quarter',
  year: 'year',
};
export const spanName = (kind: LogSpan): string => NAMES[kind];

/** The title of the log over a span, and the quieter words behind it: "November" "2026". */
export function spanTitle(kind: LogSpan, span: DaySpan, today: PlainDay, weekStart: Weekday): [string, string] {
  const year = String(yearOfDay(span.last));
  switch (kind) {
    case 'week':
      return [
        spanInWords(span, span.last),
        weekStart === 'monday' ? `${year}, week ${isoWeekNumber(span.first)}` : year,
      ];
    case 'month':
      return [monthName(monthOfDay(span.first)), year];
    case 'sixWeeks':
      return [`${shortDate(span.first)} to ${shortDate(span.last)}`, year];
    case 'quarter': {
      const { first, last } = quarterOfMonth(monthOfDay(span.first));
      return [`${monthName(first)} to ${monthName(last)}`, year];
    }
    case 'year':
      return [year, yearOfDay(today) === yearOfDay(span.first) ? 'this year' : ''];
  }
}
