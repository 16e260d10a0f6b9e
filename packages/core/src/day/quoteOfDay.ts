import type { PlainDay } from '../calendar/plainDay.ts';
import type { Quote } from '../record/records.ts';

/** The quote of a day: each in turn, one a day, in the order of their ids. Null where there is none. */
export function quoteOfDay(quotes: readonly Quote[], day: PlainDay): Quote | null {
  const inOrder = [...quotes].sort((a, b) => (a.id < b.id ? -1 : 1));
  return inOrder.length === 0 ? null : inOrder[((day % inOrder.length) + inOrder.length) % inOrder.length]!;
}
