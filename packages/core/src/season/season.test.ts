import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { daysIn, holdsDay, overlaps } from '../calendar/span.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import type { Habit, KeyResult, Review, Season } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { addsUp } from '../breakdown/breakdown.ts';
import { meanOfSeasonWeeks } from '../breakdown/seasonBreakdown.ts';
import { seasonPlate } from '../chart/seasonPlate.ts';
import { seasonFigures, tiedTracks } from './season.ts';
import {
  bestAndWorst,
  seasonAfter,
  seasonLaidOver,
  seasonOn,
  seasonSpan,
  seasonStanding,
  seasonWeekOn,
  seasonWeekSpan,
  seasonsInOrder,
} from './seasonSpan.ts';
import {
  newSeasonReview,
  offeredSeasonReviews,
  plannedInSeason,
  reviewOfSeason,
  reviewOfSeasonWeek,
  reviewsBesideSeason,
} from './seasonReviews.ts';

/** 2026-11-24, a Tuesday. */
const TODAY = dayOf('2026-11-24');
const season = (more: Partial<Season> = {}): Season => ({
  id: 's',
  title: 'Winter',
  startsOn: '2026-10-26',
  weeks: 12,
  goalIds: [],
  ...more,
});
const habit = (id: string, more: Partial<Habit> = {}): Habit =>
  aHabit({
    id,
    terms: [{ from: '2026-10-01', schedule: { kind: 'perWeek', times: 3 } }],
    startsOn: '2026-10-01',
    ...more,
  });
const trackOf = (one: Habit, days: string[], today = TODAY) =>
  buildTrack(one, doneOn(one.id, ...days), today, 'monday');
const figuresOf = (one: Season, days: string[], today = TODAY) =>
  seasonFigures(one, [trackOf(habit('swim'), days, today)], today, 0.85);

describe('the weeks of a season', () => {
  it('begin on its own first day, whatever weekday that is, and are scored each by itself', () => {
    // Tuesday to Monday: the Monday after is of its first week.
    const own = season({ startsOn: '2026-10-27', weeks: 3 });
    const { weeks, score, onTrackWeeks } = figuresOf(own, [
      '2026-10-27',
      '2026-10-29',
      '2026-11-02',
      '2026-11-03',
      '2026-11-10',
    ]);
    expect(weeks.map(({ from, actual, target }) => [formatDay(from), actual, target])).toEqual([
      ['2026-10-27', 3, 3],
      ['2026-11-03', 1, 3],
      ['2026-11-10', 1, 3],
    ]);
    expect(score).toBeCloseTo((1 + 1 / 3 + 1 / 3) / 3, 12);
    expect(onTrackWeeks).toBe(1);
  });

  it('count no habit for more than its own target', () => {
    const days = ['2026-10-26', '2026-10-27', '2026-10-28', '2026-10-29', '2026-10-30'];
    expect(figuresOf(season(), days).weeks[0]).toMatchObject({ actual: 3, target: 3, score: 1 });
  });

  it('are scored over the habits tied to its goals by themselves or by a key result, over all where none is', () => {
    const counts: KeyResult = {
      id: 'k',
      goalId: 'bay',
      title: 'k',
      order: 0,
      measure: { kind: 'habitDays', habitId: 'row', target: 9 },
    };
    const tracks = [habit('swim', { goalId: 'bay' }), habit('row'), habit('read')].map((one) => trackOf(one, []));
    const tied = (goalIds: string[]) => tiedTracks(season({ goalIds }), tracks, [counts]).map((each) => each.habit.id);
    expect(tied(['bay'])).toEqual(['swim', 'row']);
    expect(tied(['boat'])).toEqual(['swim', 'row', 'read']);
  });

  it('hold each of its days once, in seven days each', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10000, max: 30000 }), fc.integer({ min: 1, max: 60 }), (first, weeks) => {
        const own = season({ startsOn: formatDay(first), weeks });
        const span = seasonSpan(own);
        expect(daysIn(span)).toBe(weeks * 7);
        for (const day of [span.first, span.first + 6, span.last - 6, span.last]) {
          const week = seasonWeekOn(own, day)!;
          expect(holdsDay(seasonWeekSpan(own, week), day)).toBe(true);
        }
        expect([seasonWeekOn(own, span.first - 1), seasonWeekOn(own, span.last + 1)]).toEqual([null, null]);
      }),
    );
  });
});

describe('how a season stands', () => {
  it('tells the running week, the days left after today, and the weeks on track of those over', () => {
    const own = season({ weeks: 6 });
    // Three in the first week, one in the second, three in the running one.
    const days = ['2026-10-26', '2026-10-27', '2026-10-28', '2026-11-04', '2026-11-23', '2026-11-24'];
    expect(seasonStanding(own, figuresOf(own, days), TODAY)).toEqual({
      phase: 'running',
      week: 4,
      daysLeft: 12,
      gone: 4,
      onTrack: 1,
    });
  });

  it('runs on its last day and is over on the next', () => {
    const own = season({ startsOn: '2026-11-18', weeks: 1 });
    expect(seasonStanding(own, figuresOf(own, []), TODAY)).toMatchObject({ phase: 'running', week: 0, daysLeft: 0 });
    expect(seasonStanding(own, figuresOf(own, [], TODAY + 1), TODAY + 1)).toMatchObject({ phase: 'over', week: null });
  });

  it('counts a week as over from the day after its last', () => {
    const own = season({ startsOn: '2026-11-18' });
    // The first week ends on 24 November.
    expect(seasonStanding(own, figuresOf(own, []), TODAY).gone).toBe(0);
    expect(seasonStanding(own, figuresOf(own, [], TODAY + 1), TODAY + 1).gone).toBe(1);
  });

  it('leaves weeks aside that asked nothing, and knows what is to come and what is over', () => {
    const early = season({ startsOn: '2026-09-14', weeks: 3 });
    const standing = seasonStanding(early, figuresOf(early, []), TODAY);
    // The habit began on 1 October: the first two weeks asked nothing.
    expect(standing).toEqual({ phase: 'over', week: null, daysLeft: 0, gone: 1, onTrack: 0 });
    const late = season({ startsOn: '2026-12-01' });
    expect(seasonStanding(late, figuresOf(late, []), TODAY)).toMatchObject({ phase: 'toCome', daysLeft: 7, gone: 0 });
  });

  it('has a best and a worst week once two that are over differ', () => {
    const days = ['2026-10-26', '2026-11-02', '2026-11-03', '2026-11-23'];
    const both = bestAndWorst(figuresOf(season(), days), TODAY)!;
    expect([both.best.week, both.worst.week]).toEqual([1, 2]);
    expect(bestAndWorst(figuresOf(season(), []), TODAY)).toBeNull();
    expect(bestAndWorst(figuresOf(season({ startsOn: '2026-11-23' }), ['2026-11-23']), TODAY)).toBeNull();
  });

  it('is the mean of its finished weeks, week by week', () => {
    const figures = figuresOf(season(), ['2026-10-26', '2026-11-02', '2026-11-03', '2026-11-23', '2026-11-24']);
    const told = meanOfSeasonWeeks(figures, TODAY)!;
    expect(told.parts.map((part) => (part.of.kind === 'seasonWeek' ? part.of.week : -1))).toEqual([0, 1, 2, 3]);
    expect(told.total).toEqual([figures.score, figures.score]);
    expect(addsUp(told)).toBe(true);
    expect(meanOfSeasonWeeks(figuresOf(season({ startsOn: '2026-11-23' }), []), TODAY)).toBeNull();
  });
});

describe('seasons beside one another', () => {
  const spring = season({ id: 'a', startsOn: '2026-03-02', weeks: 10 });
  const winter = season({ id: 'b' });
  const next = season({ id: 'c', startsOn: '2027-02-01' });
  const all = [next, winter, spring];

  it('stand by their first days; one runs, one came before, one comes after', () => {
    expect(seasonsInOrder(all).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(seasonOn(all, TODAY)).toBe(winter);
    expect(seasonOn(all, dayOf('2026-07-01'))).toBeNull();
    expect(seasonAfter(all, TODAY)).toBe(next);
  });

  it('never share a day: what is laid over another finds it', () => {
    // Winter runs until 17 January.
    expect(seasonLaidOver(all, season({ id: 'd', startsOn: '2027-01-17', weeks: 2 }))).toBe(winter);
    expect(seasonLaidOver(all, season({ id: 'd', startsOn: '2027-01-18', weeks: 2 }))).toBeNull();
    expect(seasonLaidOver(all, season({ id: 'd', startsOn: '2027-01-18', weeks: 3 }))).toBe(next);
    expect(seasonLaidOver(all, { ...winter, weeks: 14 })).toBeNull();
    expect(seasonLaidOver(all, { ...winter, weeks: 15 })).toBe(next);
  });

  it('finds one exactly where days are shared', () => {
    const any = fc.record({ first: fc.integer({ min: 20000, max: 20400 }), weeks: fc.integer({ min: 1, max: 20 }) });
    fc.assert(
      fc.property(any, any, (one, other) => {
        const [a, b] = [one, other].map(({ first, weeks }, index) =>
          season({ id: String(index), startsOn: formatDay(first), weeks }),
        ) as [Season, Season];
        expect(seasonLaidOver([b], a) !== null).toBe(overlaps(seasonSpan(a), seasonSpan(b)));
      }),
    );
  });
});

describe('looks back of a season', () => {
  const review = (id: string, from: string, more: Partial<Review> = {}): Review => ({
    id,
    span: 'week',
    from,
    seasonId: 's',
    answers: { wentWell: id },
    ...more,
  });

  it('are found by week and for the whole, and those of others and of the calendar are not taken for them', () => {
    const all = [
      review('1', '2026-10-26'),
      review('calendar', '2026-11-02', { seasonId: undefined }),
      review('other', '2026-11-02', { seasonId: 'x' }),
      review('whole', '2026-10-26', { span: 'quarter' }),
    ];
    expect(reviewOfSeasonWeek(all, season(), 0)?.id).toBe('1');
    expect(reviewOfSeasonWeek(all, season(), 1)).toBeNull();
    expect(reviewOfSeason(all, season())?.id).toBe('whole');
  });

  it('of two of the same week is the one that says something, else the one begun first', () => {
    const two = [review('a', '2026-10-26', { answers: {} }), review('b', '2026-10-26')];
    expect(reviewOfSeasonWeek(two, season(), 0)?.id).toBe('b');
    const both = [review('b', '2026-10-26'), review('a', '2026-10-26')];
    expect(reviewOfSeasonWeek(both, season(), 0)?.id).toBe('a');
  });

  it('stay with their days where the season is shifted, and are kept beside it where those are no longer its own', () => {
    const all = [review('1', '2026-10-26'), review('2', '2026-11-02')];
    const later = season({ startsOn: '2026-10-29' });
    // 2 November lies in the week from 29 October on; 26 October before it.
    expect(reviewOfSeasonWeek(all, later, 0)?.id).toBe('2');
    expect(reviewsBesideSeason(all, later).map(({ id }) => id)).toEqual(['1']);
    expect(reviewsBesideSeason(all, season())).toEqual([]);
  });

  it.each([
    ['2026-11-21', null],
    ['2026-11-22', 3],
    ['2026-11-23', 3],
    ['2026-11-25', 3],
    ['2026-11-26', null],
  ])('of a week is offered from its last day on and three days after: on %s week %s', (day, week) => {
    const offered = offeredSeasonReviews([], [season()], dayOf(day));
    expect(offered.map((each) => each.week)).toEqual(week === null ? [] : [week]);
  });

  it('is not offered once it is written or waved off, and that of the whole takes the place of the last week', () => {
    const waved = newSeasonReview('w', season(), 3);
    expect(waved).toEqual({ id: 'w', span: 'week', from: '2026-11-16', seasonId: 's', answers: {} });
    expect(offeredSeasonReviews([waved], [season()], dayOf('2026-11-23'))).toEqual([]);
    expect(offeredSeasonReviews([], [season()], dayOf('2027-01-18'))).toEqual([{ season: season(), week: null }]);
    expect(offeredSeasonReviews([], [season()], dayOf('2027-02-08'))).toEqual([]);
    const whole = newSeasonReview('q', season(), null);
    expect(offeredSeasonReviews([whole], [season()], dayOf('2027-01-18'))).toEqual([]);
  });

  it('say what to do next week, which is asked about in the week after and only there', () => {
    const all = [review('1', '2026-10-26', { answers: { nextTime: 'Swim at the slack' } })];
    expect(plannedInSeason(all, season(), 1)?.id).toBe('1');
    expect(plannedInSeason(all, season(), 0)).toBeNull();
    expect(plannedInSeason(all, season(), 2)).toBeNull();
    expect(plannedInSeason([review('1', '2026-10-26')], season(), 1)).toBeNull();
  });
});

describe('the picture of a season', () => {
  const size = { passMark: 0.85, wordsPx: 30, isGone: (week: number) => week < 2 };

  it('has its weeks in one row where they fit, in rows of one length where they do not', () => {
    const twelve = seasonPlate(Array<null>(12).fill(null), { widthPx: 330, ...size });
    expect([twelve.perRow, new Set(twelve.holes.map(({ y }) => y)).size]).toEqual([12, 1]);
    const many = seasonPlate(Array<null>(26).fill(null), { widthPx: 330, ...size });
    expect([many.perRow, new Set(many.holes.map(({ y }) => y)).size]).toEqual([9, 3]);
  });

  it('fills a hole from below to its score, the pass mark lying where such a score would reach', () => {
    const plate = seasonPlate([0.85, null, null], { widthPx: 300, ...size });
    const [first, second, third] = plate.holes;
    const level = Number(/^M[\d.]+ ([\d.]+)A/.exec(first!.fill)![1]);
    expect(level).toBeCloseTo(first!.mark!.y, 1);
    expect([second!.fill, second!.mark !== null, third!.mark]).toEqual(['', true, null]);
  });

  it('keeps every hole within its width, none over another, whatever there is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 120 }), fc.integer({ min: 60, max: 1200 }), (weeks, widthPx) => {
        const { holes, perRow } = seasonPlate(Array<number>(weeks).fill(0.5), { widthPx, ...size });
        for (const { x, r } of holes) expect(x - r >= 0 && x + r <= widthPx).toBe(true);
        holes.forEach((hole, at) => {
          const right = holes[at + 1];
          if (right !== undefined && (at + 1) % perRow !== 0)
            expect(right.x - right.r).toBeGreaterThan(hole.x + hole.r);
        });
      }),
    );
  });
});
