import { type DaySpan, dayOf, monthOf, monthSpan, yearSpan } from '@wimbel/core';
import { daysHref, daysName, monthsOf } from './dayLists.ts';

const TODAY = dayOf('2026-11-24');
const span = (first: string, last = first): DaySpan => ({ first: dayOf(first), last: dayOf(last) });

it.each<[DaySpan, string]>([
  [span('2026-11-23'), 'Mon 23 Nov'],
  [span('2025-11-23'), 'Sun 23 Nov 2025'],
  [monthSpan(monthOf('2026-02')), 'February'],
  [monthSpan(monthOf('2025-02')), 'February 2025'],
  [yearSpan(2025), '2025'],
  [span('2026-10-01', '2026-12-31'), 'October to December'],
  [span('2025-10-01', '2025-12-31'), 'October to December 2025'],
  [span('2026-11-03', '2026-11-09'), '3 to 9 November'],
  [span('2026-10-29', '2026-11-03'), '29 October to 3 November'],
])('%j is called %s', (days, name) => expect(daysName(days, TODAY)).toBe(name));

it.each<[DaySpan, string]>([
  [span('2026-11-23'), '/today?day=2026-11-23'],
  [span('2026-11-23', '2026-11-29'), '/log?span=week&day=2026-11-23'],
  [span('2026-11-01', '2026-11-20'), '/log?month=2026-11'],
  [span('2026-10-20', '2026-11-20'), '/log?span=year&day=2026-10-20'],
])('%j stands at %s', (days, address) => expect(daysHref(days)).toBe(address));

it('the months of some days are all that have one of them', () => {
  expect(monthsOf(span('2026-10-31', '2027-01-01'))).toEqual(['2026-10', '2026-11', '2026-12', '2027-01'].map(monthOf));
});
