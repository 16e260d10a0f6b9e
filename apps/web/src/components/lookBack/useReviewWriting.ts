import { type Review, type ReviewAnswers, isWritten, saidAnswers } from '@wimbel/core';
import { useStore } from 'react-redux';
import { changeTo, removalOf } from '../../store/makeChange.ts';
import { selectReviews, selectToday } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { useDoneByWriting } from '../journal/useDoneByWriting.ts';

/** Which review is written, how it begins, and what was meant to be done this time. */
type Of = {
  find: (reviews: readonly Review[]) => Review | null;
  make: () => Review;
  planned: Review | null;
};

/** The ways to write a look back. */
export function useReviewWriting({ find, make, planned }: Of) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const follow = useDoneByWriting('review');
  return {
    /** Changes some answers; a look back that says nothing more is taken away. */
    write: (more: Partial<ReviewAnswers>): void => {
      const state = store.getState();
      const before = find(selectReviews(state));
      const answers = saidAnswers({ ...before?.answers, ...more });
      const next: Review = { ...(before ?? make()), answers };
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

export type ReviewWriting = ReturnType<typeof useReviewWriting>;
