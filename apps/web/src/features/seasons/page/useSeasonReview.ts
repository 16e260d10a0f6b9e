import {
  type Review,
  type Season,
  newSeasonReview,
  plannedInSeason,
  reviewOfSeason,
  reviewOfSeasonWeek,
} from '@wimbel/core';
import { useReviewWriting } from '../../../components/lookBack/useReviewWriting.ts';
import { newId } from '../../../store/makeChange.ts';
import { selectReviews } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';

/** The look back on a week of a season, or (null) on the whole of it, and the way to write it. */
export function useSeasonReview(season: Season, week: number | null) {
  const reviews = useAppSelector(selectReviews);
  const find = (all: readonly Review[]): Review | null =>
    week === null ? reviewOfSeason(all, season) : reviewOfSeasonWeek(all, season, week);
  const planned = week === null ? null : plannedInSeason(reviews, season, week);
  const writing = useReviewWriting({ find, make: () => newSeasonReview(newId(), season, week), planned });
  return { answers: find(reviews)?.answers ?? {}, planned, ...writing };
}
