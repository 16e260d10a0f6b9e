import type { SpanReview, Track } from '@wimbel/core';
import { type CachedWorker, createCachedWorker } from '../../../platform/cachedWorker.ts';
import type { ReviewOptions, Reviewer } from './reviewer.ts';

/** The tracks that a worker has: one is sent again only when its habit was laid out anew. */
type Sent = Map<string, Track>;

async function ask(
  { remote, held: sent }: CachedWorker<Reviewer, Sent>,
  tracks: readonly Track[],
  options: ReviewOptions,
): Promise<SpanReview> {
  const fresh = tracks.filter((track) => sent.get(track.habit.id) !== track);
  if (fresh.length > 0) await remote.hold(fresh);
  // Sent once it is held: of two questions at once both send it, and neither asks about a track that is not there yet.
  for (const track of fresh) sent.set(track.habit.id, track);
  return remote.review(
    tracks.map((track) => track.habit.id),
    options,
  );
}

/** Runs reviews in a worker that is started when the first is asked for; rejects where none can run, or it breaks. */
export function createReviewWorker(startWorker: () => Worker) {
  const running = createCachedWorker<Reviewer, Sent>(startWorker, () => new Map());
  return async (tracks: readonly Track[], options: ReviewOptions): Promise<SpanReview> => {
    const startedMs = performance.now();
    const own = running();
    const review = await Promise.race([ask(own, tracks, options), own.broken]);
    // Read by the benchmark; not every device keeps such marks.
    performance.measure?.('review', { start: startedMs, detail: { kind: options.kind } });
    return review;
  };
}

/** Works out a review in the page's worker. */
export const reviewInWorker = createReviewWorker(() => new Worker(new URL('./review.worker', import.meta.url)));
