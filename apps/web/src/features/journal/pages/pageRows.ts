import {
  type JournalPage,
  type PlainDay,
  type PlainMonth,
  type DaySpan,
  formatMonth,
  monthOfDay,
  monthSpan,
  writingOf,
} from '@wimbel/core';
import { beginningOf } from '../../../text/format.ts';

/** A line of the list of pages: a month's head, a day with its pages, a day without any, or many of those in a row. */
export type PageRow =
  | { kind: 'month'; key: string; month: PlainMonth; count: number }
  | { kind: 'day'; key: string; day: PlainDay; pages: readonly JournalPage[] }
  | { kind: 'none'; key: string; span: DaySpan };

/** Length of a page's excerpt, in characters. */
const LONGEST = 130;
/** From so many days without a page in a row they are one line. */
const MANY = 8;

/** The list of pages from `today` back to the first of them, newest first, months as heads. */
export function pageRows(byDay: ReadonlyMap<PlainDay, readonly JournalPage[]>, today: PlainDay): PageRow[] {
  let first = Infinity;
  for (const day of byDay.keys()) first = Math.min(first, day);
  const rows: PageRow[] = [];
  for (let last = today; last >= first;) {
    const month = monthOfDay(last);
    const span = { first: Math.max(first, monthSpan(month).first), last };
    const days = daysOfMonth(byDay, span);
    const count = days.filter(({ kind }) => kind === 'day').length;
    rows.push({ kind: 'month', key: formatMonth(month), month, count }, ...days);
    last = span.first - 1;
  }
  return rows;
}

function daysOfMonth(byDay: ReadonlyMap<PlainDay, readonly JournalPage[]>, { first, last }: DaySpan): PageRow[] {
  const rows: PageRow[] = [];
  for (let day = last; day >= first; day--) {
    const pages = byDay.get(day);
    if (pages !== undefined) {
      rows.push({ kind: 'day', key: String(day), day, pages });
      continue;
    }
    let from = day;
    while (from > first && !byDay.has(from - 1)) from--;
    const isMany = day - from + 1 >= MANY;
    for (let to = day; to >= from; to = isMany ? from - 1 : to - 1) {
      const span = { first: isMany ? from : to, last: to };
      rows.push({ kind: 'none', key: `none ${to}`, span });
    }
    day = from;
  }
  return rows;
}

/** The place of a day in the list: its own line, or that of days without a page that it lies in; −1 where it has none. */
export const placeOfDay = (rows: readonly PageRow[], day: PlainDay): number =>
  rows.findIndex((row) =>
    row.kind === 'day' ? row.day === day : row.kind === 'none' && row.span.first <= day && day <= row.span.last,
  );

/** The first lines of what a day’s pages say, what is of the whole day first. */
export const firstLines = (pages: readonly JournalPage[]): string =>
  beginningOf(
    [...pages]
      .sort((a, b) => Number(b.part === 'day') - Number(a.part === 'day'))
      .flatMap(writingOf)
      .join(' · '),
    LONGEST,
  );
