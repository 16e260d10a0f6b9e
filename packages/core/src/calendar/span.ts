import type { PlainDay } from './plainDay.ts';

/** A run of days of which both ends count. `last` may be before `first`: then it holds no day. */
export type DaySpan = { first: PlainDay; last: PlainDay };

/** How many days a span has; both ends count. */
export const daysIn = (span: DaySpan): number => Math.max(0, span.last - span.first + 1);

/** Whether a day lies in a span. */
export const holdsDay = (span: DaySpan, day: PlainDay): boolean => day >= span.first && day <= span.last;

/** Whether two spans share a day. */
export const overlaps = (a: DaySpan, b: DaySpan): boolean => a.first <= b.last && b.first <= a.last;

/** Every day of the span, in order. */
export const eachDay = (span: DaySpan): PlainDay[] =>
  Array.from({ length: daysIn(span) }, (_, index) => span.first + index);
