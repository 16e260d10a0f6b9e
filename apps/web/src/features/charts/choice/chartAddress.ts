import {
  type DaySpan,
  type PlainDay,
  REVIEW_SPANS,
  type ReviewSpan,
  daysIn,
  formatDay,
  formatMonth,
  monthOfDay,
  parseDay,
} from '@wimbel/core';
import { betweenFault } from '../chartWords.ts';
import { PATHS } from '../../../platform/paths.ts';

/** What charts are of: everything, or one area, habit or goal by its id. */
export type ChartsOf = { of: 'all' } | { of: 'area' | 'habit' | 'goal'; id: string };

/** The parsed route of the charts. */
export type ChartsAt = { kind: ReviewSpan; day: PlainDay; between: DaySpan | null; what: ChartsOf };

export type ChartParams = Partial<Record<'span' | 'day' | 'from' | 'to' | 'area' | 'habit' | 'goal', string>>;

const NAMED = ['habit', 'goal', 'area'] as const;

/** Reads the address; what it leaves out, or says wrongly, is this year, today and everything. */
export function chartsAt(params: ChartParams, today: PlainDay): ChartsAt {
  const [from, to] = [parseDay(params.from ?? ''), parseDay(params.to ?? '')];
  const between = from === null || to === null || betweenFault(from, to) !== null ? null : { first: from, last: to };
  const named = REVIEW_SPANS.find((each) => each === params.span) ?? 'year';
  const of = NAMED.find((each) => params[each]);
  return {
    kind: between !== null ? 'days' : named === 'days' ? 'year' : named,
    day: parseDay(params.day ?? '') ?? today,
    between,
    what: of === undefined ? { of: 'all' } : { of, id: params[of]! },
  };
}

/** The address of charts; what goes without saying is left out. */
export function chartsAddress(
  { kind, day, between, what }: ChartsAt,
  today: PlainDay,
  path: string = PATHS.charts,
): string {
  const words = [
    between !== null
      ? `from=${formatDay(between.first)}&to=${formatDay(between.last)}`
      : kind === 'year'
        ? ''
        : `span=${kind}`,
    day === today || between !== null ? '' : `day=${formatDay(day)}`,
    what.of === 'all' ? '' : `${what.of}=${encodeURIComponent(what.id)}`,
  ].filter(Boolean);
  return words.length > 0 ? `${path}?${words.join('&')}` : path;
}

/** Where the log shows some days: the week of a day (marked there) or a week, the month of a month, else their quarter or year. */
export function logAddress(days: DaySpan): string {
  const long = daysIn(days);
  if (long > 92) return `${PATHS.log}?span=year&day=${formatDay(days.first)}`;
  if (long > 31) return `${PATHS.log}?span=quarter&day=${formatDay(days.first)}`;
  if (long > 7) return `${PATHS.log}?month=${formatMonth(monthOfDay(days.first))}`;
  const day = formatDay(days.first);
  return `${PATHS.log}?span=week&day=${day}${long === 1 ? `&at=${day}` : ''}`;
}
