import {
  type DaySpan,
  type LogSpan,
  type PipsByDay,
  type PipsOver,
  type PlainDay,
  type Weekday,
  daysIn,
  dayOfNeighbour,
  logSpanOf,
  pipsOver,
} from '@wimbel/core';

/** The spans that the ledger is summed by. */
export const LEDGER_SPANS = ['day', 'week', 'month', 'quarter', 'year'] as const;
export type LedgerSpan = (typeof LEDGER_SPANS)[number];

/** A span with what it earned and spent. */
export type LedgerRow = PipsOver & { span: DaySpan };

const spanOf = (kind: LedgerSpan, day: PlainDay, weekStart: Weekday): DaySpan =>
  kind === 'day' ? { first: day, last: day } : logSpanOf(kind satisfies LogSpan, day, weekStart);

/** The spans from today's back to the first that earned or spent something, newest first; those with nothing are left out. */
export function ledgerRows(byDay: PipsByDay, kind: LedgerSpan, today: PlainDay, weekStart: Weekday): LedgerRow[] {
  const rows: LedgerRow[] = [];
  if (byDay.earned.length === 0) return rows;
  for (let span = spanOf(kind, today, weekStart); span.last >= byDay.first;) {
    const sums = pipsOver(byDay, span);
    if (sums.earned !== 0 || sums.spent !== 0) rows.push({ span, ...sums });
    span =
      kind === 'day'
        ? { first: span.first - 1, last: span.first - 1 }
        : logSpanOf(kind, dayOfNeighbour(kind, span, -1), weekStart);
    if (daysIn(span) === 0) break;
  }
  return rows;
}
