import { dayOf, formatDay } from '../calendar/plainDay.ts';
import type { Review, ReviewAnswers } from '../record/records.ts';
import {
  isWritten,
  linesOf,
  newReview,
  offeredReviews,
  plannedBefore,
  rememberedOn,
  reviewOfSpan,
  saidAnswers,
  spanOfReview,
} from './lookBack.ts';

const review = (span: Review['span'], from: string, answers: ReviewAnswers, id = `${span} ${from}`): Review => ({
  id,
  span,
  from,
  answers,
});
const week = (day: string) => ({ first: dayOf(day), last: dayOf(day) + 6 });
const monday = { weekStart: 'monday' as const };
/** What is offered on a day, in words. */
const offered = (day: string, reviews: Review[] = [], settings: Parameters<typeof offeredReviews>[2] = monday) =>
  offeredReviews(reviews, dayOf(day), settings, () => true).map(({ kind, span }) => `${kind} ${formatDay(span.first)}`);

describe('a review', () => {
  it('is that of its span and first day, seasons aside; of two the one that says something', () => {
    const said = review('week', '2025-03-10', { wentWell: 'Wind' }, 'b');
    const all = [
      review('week', '2025-03-10', {}, 'a'),
      said,
      { ...review('week', '2025-03-10', { wentWell: 'Other' }, '0'), seasonId: 's' },
      review('month', '2025-03-10', { wentWell: 'Other' }),
    ];
    expect(reviewOfSpan(all, 'week', dayOf('2025-03-10'))).toBe(said);
    expect(reviewOfSpan([...all].reverse(), 'week', dayOf('2025-03-10'))).toBe(said);
    expect(reviewOfSpan(all, 'week', dayOf('2025-03-17'))).toBeNull();
  });

  it('says something in any of its fields; what became of a plan is no writing', () => {
    expect(isWritten(review('week', '2025-03-10', { nextTimeWas: 'done', wins: ' ' }))).toBe(false);
    expect(isWritten(review('week', '2025-03-10', { lessons: 'Larch' }))).toBe(true);
    expect(saidAnswers({ wins: ' ', losses: 'Rain' })).toEqual({ losses: 'Rain' });
    // What mattered most goes with its line, what became of a plan with the plan.
    const most = { mostOfWins: 'Launched\nSwam', nextTimeWas: 'done' as const };
    expect(saidAnswers({ wins: 'Swam\nPlayed', ...most })).toEqual({ wins: 'Swam\nPlayed', mostOfWins: 'Swam' });
    expect(saidAnswers(most)).toEqual({});
    expect(linesOf(' a \n\n b')).toEqual(['a', 'b']);
    expect(newReview('r', 'week', dayOf('2025-03-10'))).toEqual(review('week', '2025-03-10', {}, 'r'));
    expect(spanOfReview(review('quarter', '2025-01-01', {}), 'monday')).toEqual({
      first: dayOf('2025-01-01'),
      last: dayOf('2025-03-31'),
    });
  });
});

describe('a review is offered', () => {
  it('on the last day of its span and some days after, the shortest first', () => {
    expect(offered('2025-03-14')).toEqual([]);
    expect(offered('2025-03-16')).toEqual(['week 2025-03-10']);
    expect(offered('2025-03-18')).toEqual(['week 2025-03-10']);
    expect(offered('2025-03-19')).toEqual([]);
    // The last day of a quarter, a Monday.
    expect(offered('2025-03-31')).toEqual(['week 2025-03-24', 'month 2025-03-01', 'quarter 2025-01-01']);
    expect(offered('2026-01-05')).toEqual([
      'week 2025-12-29',
      'month 2025-12-01',
      'quarter 2025-10-01',
      'year 2025-01-01',
    ]);
  });

  it('of a week from the weekday that was chosen, whatever day weeks begin on', () => {
    const friday = { weekStart: 'monday', reviewDay: 'friday' } as const;
    expect(offered('2025-03-13', [], friday)).toEqual([]);
    expect(offered('2025-03-14', [], friday)).toEqual(['week 2025-03-10']);
    const sundays = { weekStart: 'sunday', reviewDay: 'sunday' } as const;
    expect(offered('2025-03-16', [], sundays)).toEqual(['week 2025-03-16']);
  });

  it('until it is written or waved off, and not where there is nothing to look back on', () => {
    expect(offered('2025-03-16', [review('week', '2025-03-10', { wentWell: 'Wind' })])).toEqual([]);
    expect(offered('2025-03-16', [review('week', '2025-03-10', {})])).toEqual([]);
    expect(offeredReviews([], dayOf('2025-03-16'), monday, () => false)).toEqual([]);
  });
});

describe('what was to be done next time', () => {
  const planned = review('week', '2025-03-10', { nextTime: 'Bow before phone' });

  it('stands in the span after it, until it is put aside or told how it went', () => {
    const on = (day: string, all: Review[]) => rememberedOn(all, dayOf(day), 'monday').map((each) => each.review.id);
    expect(on('2025-03-16', [planned])).toEqual([]);
    expect(on('2025-03-17', [planned])).toEqual([planned.id]);
    expect(on('2025-03-23', [planned])).toEqual([planned.id]);
    expect(on('2025-03-24', [planned])).toEqual([]);
    expect(on('2025-03-17', [{ ...planned, answers: { ...planned.answers, nextTimeWas: 'aside' } }])).toEqual([]);
    const monthly = review('month', '2025-02-01', { nextTime: 'Swim at the slack' });
    expect(on('2025-03-17', [monthly, planned])).toEqual([planned.id, monthly.id]);
  });

  it('comes back in the review after it, past spans that were left out', () => {
    expect(plannedBefore([planned], 'week', week('2025-03-24'), 'monday')).toBeNull();
    expect(plannedBefore([planned], 'week', week('2025-03-24'), 'monday', 4)).toBe(planned);
    expect(plannedBefore([planned], 'week', week('2025-03-10'), 'monday', 4)).toBeNull();
  });
});
