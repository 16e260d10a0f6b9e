import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { holdsDay } from '../calendar/span.ts';
import { isWritten } from '../journal/lookBack.ts';
import type { Review, Season } from '../record/records.ts';
import { seasonSpan, seasonWeekOn, seasonWeekSpan, seasonsInOrder } from './seasonSpan.ts';

/** Of two reviews of the same days (two devices can each have begun one) the one that says something, else the one begun first. */
function better(found: Review | null, other: Review): Review {
  if (found === null) return other;
  if (isWritten(found) !== isWritten(other)) return isWritten(found) ? found : other;
  return found.id < other.id ? found : other;
}

const chosen = (reviews: Iterable<Review>, isIt: (review: Review) => boolean): Review | null => {
  let found: Review | null = null;
  for (const review of reviews) if (isIt(review)) found = better(found, review);
  return found;
};

/**
 * The look back on a season's week (counted from 0): the one whose first day lies in it, so that it stays with its days where
 * the season is shifted.
 */
export function reviewOfSeasonWeek(reviews: Iterable<Review>, season: Season, week: number): Review | null {
  const span = seasonWeekSpan(season, week);
  return chosen(
    reviews,
    (each) => each.seasonId === season.id && each.span === 'week' && holdsDay(span, dayOf(each.from)),
  );
}

/** The look back on a whole season: kept as the review of a quarter that names it. */
export const reviewOfSeason = (reviews: Iterable<Review>, season: Season): Review | null =>
  chosen(reviews, (each) => each.seasonId === season.id && each.span !== 'week');

/** Looks back on weeks that no longer belong to the season, since it was shifted or ended early; by day. */
export const reviewsBesideSeason = (reviews: Iterable<Review>, season: Season): Review[] =>
  [...reviews]
    .filter(
      (each) =>
        each.seasonId === season.id &&
        each.span === 'week' &&
        isWritten(each) &&
        seasonWeekOn(season, dayOf(each.from)) === null,
    )
    .sort((a, b) => dayOf(a.from) - dayOf(b.from));

/** A look back of a season that says nothing yet: on one of its weeks, or (null) on the whole of it. */
export const newSeasonReview = (id: string, season: Season, week: number | null): Review => {
  const span = week === null ? seasonSpan(season) : seasonWeekSpan(season, week);
  return {
    id,
    span: week === null ? 'quarter' : 'week',
    from: week === null ? season.startsOn : formatDay(span.first),
    seasonId: season.id,
    answers: {},
  };
};

/** How many days after a week its look back is still offered, and after a season that on the whole. */
const [WEEK_OFFERED_FOR, SEASON_OFFERED_FOR] = [3, 21];

/** A look back of a season that can be written now: on a week, or (null) on the whole. */
export type OfferedSeasonReview = { season: Season; week: number | null };

/**
 * The looks back of seasons that are offered on a day, until each is written or waved off: on a week from its last day on and
 * three days after, on a whole season from the day after it on and three weeks after. The last week gives way to the whole.
 */
export function offeredSeasonReviews(
  reviews: readonly Review[],
  seasons: Iterable<Season>,
  today: PlainDay,
): OfferedSeasonReview[] {
  return seasonsInOrder(seasons).flatMap((season): OfferedSeasonReview[] => {
    const { last } = seasonSpan(season);
    if (today > last) {
      const isOpen = today <= last + SEASON_OFFERED_FOR && reviewOfSeason(reviews, season) === null;
      return isOpen ? [{ season, week: null }] : [];
    }
    const week = seasonWeekOn(season, today);
    if (week === null) return [];
    const isLastDay = today === seasonWeekSpan(season, week).last;
    const offered = isLastDay ? week : week - 1;
    if (offered < 0 || today > seasonWeekSpan(season, offered).last + WEEK_OFFERED_FOR) return [];
    return reviewOfSeasonWeek(reviews, season, offered) === null ? [{ season, week: offered }] : [];
  });
}

/** What the look back on the week before a season's week meant to do, until it is told how it went or put aside. */
export function plannedInSeason(reviews: Iterable<Review>, season: Season, week: number): Review | null {
  if (week === 0) return null;
  const review = reviewOfSeasonWeek(reviews, season, week - 1);
  return review !== null && (review.answers.nextTime ?? '').trim() !== '' ? review : null;
}
