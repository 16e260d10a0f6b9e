import { type DaySpan, type LookBackSpan, newReview, plannedBefore, reviewOfSpan } from '@wimbel/core';
import { useMemo } from 'react';
import { useReviewWriting } from '../../../components/lookBack/useReviewWriting.ts';
import { newId } from '../../../store/makeChange.ts';
import { selectReviews, selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';

/** How many spans back a plan is still asked about in the next look back. */
const MOST_BACK = 6;

/** The look back on a span, a way to write it, and what was meant to be done this time. */
export function useLookBack(kind: LookBackSpan, span: DaySpan) {
  const reviews = useAppSelector(selectReviews);
  const { weekStart } = useAppSelector(selectSettings);
  const review = useMemo(() => reviewOfSpan(reviews, kind, span.first), [reviews, kind, span]);
  const planned = useMemo(
    () => plannedBefore(reviews, kind, span, weekStart, MOST_BACK),
    [reviews, kind, span, weekStart],
  );
  const writing = useReviewWriting({
    find: (all) => reviewOfSpan(all, kind, span.first),
    make: () => newReview(newId(), kind, span.first),
    planned,
  });
  return { answers: review?.answers ?? {}, planned, ...writing };
}
