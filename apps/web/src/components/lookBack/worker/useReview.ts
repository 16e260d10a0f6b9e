import { type SpanReview, type Track, daysIn, spanReview } from '@wimbel/core';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { reviewInWorker } from './reviewWorker.ts';
import type { ReviewOptions } from './reviewer.ts';

type ReviewAsked = { tracks: readonly Track[]; options: ReviewOptions };
export type Shown<A extends ReviewAsked> = A & { review: SpanReview };

/** Below so many habit days the page computes faster than a worker could be asked. */
const MOST_AT_ONCE = 12_000;
/** A progress text is shown after this long. */
const PATIENCE_MS = 250;

const work = ({ tracks, options }: ReviewAsked): SpanReview => spanReview(tracks, options);
const isShort = ({ tracks, options }: ReviewAsked): boolean => tracks.length * daysIn(options.span) <= MOST_AT_ONCE;

/**
 * The review that was asked for, with what it is of. A short one is there at once; a long one is worked out in a worker,
 * and until it is there the one before stays (null: none yet). `isWorking` once that takes longer than a moment.
 */
export function useReview<A extends ReviewAsked>(asked: A): { shown: Shown<A> | null; isWorking: boolean } {
  const atOnce = useMemo(() => (isShort(asked) ? { ...asked, review: work(asked) } : null), [asked]);
  const [answer, setAnswer] = useState<{ asked: A; shown: Shown<A> } | null>(null);
  const [slow, setSlow] = useState<A | null>(null);
  // What was there at once is what stays while the next is worked out.
  if (atOnce !== null && answer?.asked !== asked) setAnswer({ asked, shown: atOnce });
  useEffect(() => {
    if (atOnce !== null) return;
    let isWanted = true;
    const timer = setTimeout(() => setSlow(asked), PATIENCE_MS);
    reviewInWorker(asked.tracks, asked.options)
      // Without a worker it takes a moment of the screen instead.
      .catch(() => work(asked))
      .then((review) => {
        if (!isWanted) return;
        clearTimeout(timer);
        // Much renders from it: as a transition.
        startTransition(() => setAnswer({ asked, shown: { ...asked, review } }));
      });
    return () => {
      isWanted = false;
      clearTimeout(timer);
    };
  }, [asked, atOnce]);
  const isReady = atOnce !== null || answer?.asked === asked;
  return { shown: atOnce ?? answer?.shown ?? null, isWorking: !isReady && slow === asked };
}
