import {
  type DaySpan,
  type LookBackSpan,
  type PlainDay,
  type Review,
  type ReviewAnswers,
  isWritten,
  newReview,
  plannedBefore,
  reviewOfSpan,
  saidAnswers,
} from '@wimbel/core';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { useDoneByWriting } from '../../../parts/useDoneByWriting.ts';
import { changeTo, newId, removalOf } from '../../../store/makeChange.ts';
import { selectReviews, selectSettings, selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/RecordsProvider.tsx';

/** How many spans back a plan is still asked about in the next look back. */
const MOST_BACK = 6;

/** The look back on a span, a way to write it, and what was meant to be done this time. */
export function useLookBack(kind: LookBackSpan, span: DaySpan) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const follow = useDoneByWriting('review');
  const reviews = useAppSelector(selectReviews);
  const { weekStart } = useAppSelector(selectSettings);
  const review = useMemo(() => reviewOfSpan(reviews, kind, span.first), [reviews, kind, span]);
  const planned = useMemo(
    () => plannedBefore(reviews, kind, span, weekStart, MOST_BACK),
    [reviews, kind, span, weekStart],
  );
  return {
    answers: review?.answers ?? {},
    planned,
    /** Changes some answers; a look back that says nothing more is taken away. */
    write: (more: Partial<ReviewAnswers>): void => {
      const state = store.getState();
      const before = reviewOfSpan(selectReviews(state), kind, span.first);
      const answers = saidAnswers({ ...before?.answers, ...more });
      const next: Review = { ...(before ?? newReview(newId(), kind, span.first)), answers };
      if (Object.keys(answers).length > 0) change(changeTo('reviews', next));
      else if (before !== null) change(removalOf('reviews', before.id));
      follow(selectToday(state), before !== null && isWritten(before), isWritten(next));
    },
    /** Tells what became of what was meant to be done; the same again takes it back. */
    tell: (was: NonNullable<ReviewAnswers['nextTimeWas']>): void => {
      if (planned === null) return;
      const { nextTimeWas, ...answers } = planned.answers;
      change(
        changeTo('reviews', { ...planned, answers: nextTimeWas === was ? answers : { ...answers, nextTimeWas: was } }),
      );
    },
  };
}

export type LookBack = ReturnType<typeof useLookBack>;

/** The address of a look back. */
export type LookBackAt = { kind: LookBackSpan; day: PlainDay };
