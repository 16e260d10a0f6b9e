import { type SpanReview, type Track, spanReview } from '@wimbel/core';

export type ReviewOptions = Parameters<typeof spanReview>[1];

/** Works out reviews beside the screen: keeps the tracks it was given, so that a question names only habits. */
export type Reviewer = {
  /** Takes tracks in; one of the same habit as before takes its place. */
  hold: (tracks: readonly Track[]) => void;
  /** The review of some habits, in the order named; habits that are not held are left out. */
  review: (habitIds: readonly string[], options: ReviewOptions) => SpanReview;
};

export function createReviewer(): Reviewer {
  const held = new Map<string, Track>();
  return {
    hold: (tracks) => {
      for (const track of tracks) held.set(track.habit.id, track);
    },
    review: (habitIds, options) =>
      spanReview(
        habitIds.flatMap((id) => held.get(id) ?? []),
        options,
      ),
  };
}
