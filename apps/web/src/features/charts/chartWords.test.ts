import { type ReviewFact, type ReviewSpan, dayOf, reviewSpanOf } from '@wimbel/core';
import { betweenFault, factWords, partWords, rankWords, weekdaysFrom } from './chartWords.ts';
import { changeWords, spanTitle } from '../../text/spanText.ts';

const TODAY = dayOf('2026-11-24');
const spanOf = (kind: ReviewSpan, day = TODAY) =>
  reviewSpanOf(kind, day, 'monday', { first: dayOf('2025-10-01'), last: TODAY });
const nameOf = (): string => 'Cold swim';

describe('charts in words', () => {
  it('name their span', () => {
    const titles = (['week', 'month', 'quarter', 'year', 'all'] as const).map((kind) =>
      spanTitle(kind, spanOf(kind), TODAY),
    );
    expect(titles).toEqual([
      '23 to 29 November',
      'November 2026',
      'October to December 2026',
      '2026',
      'Since 1 October 2025',
    ]);
  });

  it.each<[ReviewFact, string]>([
    [
      { kind: 'kept', rate: 0.79, kept: 1722, asked: 2180, before: 0.71, isByNow: false },
      '79\u00a0% kept, 1,722 of 2,180, up from 71\u00a0% the year before.',
    ],
    [
      { kind: 'kept', rate: 0.5, kept: 1, asked: 2, before: 0.75, isByNow: false },
      '50\u00a0% kept, 1 of 2, down from 75\u00a0% the year before.',
    ],
    [
      { kind: 'kept', rate: 0.501, kept: 1, asked: 2, before: 0.499, isByNow: false },
      '50\u00a0% kept, 1 of 2, as the year before.',
    ],
    [{ kind: 'kept', rate: 0.5, kept: 1, asked: 2, before: null, isByNow: false }, '50\u00a0% kept, 1 of 2.'],
    [
      { kind: 'kept', rate: 0.76, kept: 3, asked: 4, before: 0.7, isByNow: true },
      '76\u00a0% kept, 3 of 4, up from 70\u00a0% the year before by this day.',
    ],
    [
      { kind: 'partOfDay', part: 'morning', rate: 0.81, others: 0.6, isHarder: false },
      'Mornings are best: 81\u00a0%, other times 60\u00a0%.',
    ],
    [
      { kind: 'run', habitId: 'h', length: 43, first: dayOf('2026-04-11'), last: dayOf('2026-05-23') },
      'Longest run: 43 days of Cold swim, 11 April to 23 May.',
    ],
    [
      { kind: 'weekday', weekday: 'sunday', rate: 0.58, others: 0.84, isHarder: true, isOfAll: true },
      'Sundays are hardest: 58\u00a0%, other days 84\u00a0%.',
    ],
    [
      { kind: 'weekday', weekday: 'friday', rate: 0.9, others: 0.6, isHarder: false, isOfAll: false },
      'Fridays are best for habits with fixed days: 90\u00a0%, other days 60\u00a0%.',
    ],
    [
      { kind: 'habit', habitId: 'h', rate: 0.9, before: 0.6, isByNow: false },
      'Cold swim rose most: from 60\u00a0% to 90\u00a0%.',
    ],
    [
      { kind: 'habit', habitId: 'h', rate: 0.4, before: 0.6, isByNow: true },
      'Cold swim fell most by this day: from 60\u00a0% to 40\u00a0%.',
    ],
  ])('%j', (fact, words) => expect(factWords(fact, 'year', nameOf, TODAY)).toBe(words));

  it('tell a change of rank', () => {
    expect([rankWords(1, 3), rankWords(3, 1), rankWords(2, 2), rankWords(1, null)]).toEqual([
      'up 2 places',
      'down 2 places',
      'same place',
      'new',
    ]);
  });

  it('tell a change of rate in points', () => {
    expect([changeWords(0.123), changeWords(-0.01), changeWords(0.004), changeWords(-1)]).toEqual([
      '12 points up',
      '1 point down',
      'as before',
      '100 points down',
    ]);
  });

  it('name the parts of each span', () => {
    const part = (kind: ReviewSpan, first: string, last: string) =>
      partWords(kind, { span: { first: dayOf(first), last: dayOf(last) } }, TODAY);
    expect(part('week', '2026-11-24', '2026-11-24')).toEqual({ label: 'Tu', words: '24 November' });
    expect(part('month', '2026-10-26', '2026-11-01')).toEqual({
      label: '26 Oct',
      words: 'Week of 26 October to 1 November',
    });
    expect(part('quarter', '2026-10-05', '2026-10-11')).toEqual({ label: '5', words: 'Week of 5 to 11 October' });
    expect(part('year', '2026-03-01', '2026-03-31')).toEqual({ label: 'M', words: 'March 2026' });
    expect(part('days', '2026-11-24', '2026-11-24').words).toBe('24 November');
    expect(part('days', '2026-10-05', '2026-10-11').label).toBe('5 Oct');
    expect(part('days', '2026-02-01', '2026-02-28').words).toBe('February 2026');
    expect(part('all', '2025-01-01', '2025-12-31')).toEqual({ label: '2025', words: '2025' });
  });

  it('refuse two days that cannot be looked between, in words', () => {
    const fault = (first: string | null, last: string | null) =>
      betweenFault(first && dayOf(first), last && dayOf(last));
    expect(fault('2026-11-01', '2026-11-01')).toBeNull();
    expect(fault('2006-11-25', '2026-11-24')).toBeNull();
    expect(fault('0002-11-25', '2026-11-24')).toMatch(/more than twenty years/);
    expect(fault('2026-11-02', '2026-11-01')).toBe('The last day is before the first');
    expect(fault(null, '2026-11-01')).toBe('Choose both days');
  });

  it('begin their weekdays with the first of the week', () => {
    expect(weekdaysFrom('sunday').slice(0, 2)).toEqual(['sunday', 'monday']);
    expect(weekdaysFrom('monday').at(-1)).toBe('sunday');
  });
});
