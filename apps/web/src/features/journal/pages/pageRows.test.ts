import { type JournalPage, dayOf, formatDay, pagesByDay } from '@wimbel/core';
import { type PageRow, firstLines, pageRows, placeOfDay } from './pageRows.ts';

const TODAY = dayOf('2026-11-24');
const page = (day: string, more: Partial<JournalPage> = {}): JournalPage => ({ id: day, day, part: 'day', ...more });
const told = (row: PageRow): string =>
  row.kind === 'month'
    ? `${row.key}: ${row.count}`
    : row.kind === 'day'
      ? formatDay(row.day).slice(5)
      : `none ${formatDay(row.span.last).slice(8)}${row.span.first === row.span.last ? '' : `–${formatDay(row.span.first).slice(8)}`}`;

describe('the list of pages', () => {
  const rows = pageRows(pagesByDay([page('2026-11-22'), page('2026-11-20'), page('2026-10-30')]), TODAY);

  it('is the newest first, with a line for each day without a page, and one for many in a row', () => {
    expect(rows.map(told)).toEqual([
      '2026-11: 2',
      'none 24',
      'none 23',
      '11-22',
      'none 21',
      '11-20',
      'none 19–01',
      '2026-10: 1',
      'none 31',
      '10-30',
    ]);
    expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
  });

  it('has the place of every day up to the first page', () => {
    expect(placeOfDay(rows, dayOf('2026-11-22'))).toBe(3);
    expect(placeOfDay(rows, dayOf('2026-11-07'))).toBe(6);
    expect(placeOfDay(rows, dayOf('2026-10-01'))).toBe(-1);
    expect(pageRows(new Map(), TODAY)).toEqual([]);
  });

  it('tells the first of what was written, in one line', () => {
    const pages = [
      page('2026-11-22', { part: 'morning', text: 'Larch' }),
      page('2026-11-22', { text: 'Rain.\n\nWind.', answers: [{ promptId: 'p', text: 'Tide' }] }),
    ];
    expect(firstLines(pages)).toBe('Rain. Wind. · Tide · Larch');
  });
});
