import type { SpanReview, Track } from '@wimbel/core';
import { type Remote, wrap } from 'comlink';
import { forgetWithAccount } from '../../shared/accountLeft.ts';
import type { ReviewOptions, Reviewer } from './reviewer.ts';

/** A worker with the tracks it has: one is sent again only when its habit was laid out anew. */
type Running = { reviewer: Remote<Reviewer>; sent: Map<string, Track>; broken: Promise<never> };

async function ask({ reviewer, sent }: Running, tracks: readonly Track[], options: ReviewOptions): Promise<SpanReview> {
  const fresh = tracks.filter((track) => sent.get(track.habit.id) !== track);
  if (fresh.length > 0) await reviewer.hold(fresh);
  // Sent once it is held: of two questions at once both send it, and neither asks about a track that is not there yet.
  for (const track of fresh) sent.set(track.habit.id, track);
  return reviewer.review(
    tracks.map((track) => track.habit.id),
    options,
  );
}

/** Runs reviews in a worker that is started when the first is asked for; rejects where none can run, or it breaks. */
export function createReviewWorker(startWorker: () => Worker) {
  let running: Running | null = null;
  const start = (): Running => {
    const worker = startWorker();
    // A worker that cannot be fetched, or breaks, never answers: whoever waits is told, and the next one starts another.
    const broken = new Promise<never>((_, reject) => {
      worker.addEventListener('error', () => {
        running = null;
        worker.terminate();
        reject(new Error('the worker broke'));
      });
    });
    broken.catch(() => undefined);
    forgetWithAccount(() => {
      if (running?.broken === broken) running = null;
      worker.terminate();
    });
    running = { reviewer: wrap<Reviewer>(worker), sent: new Map(), broken };
    return running;
  };
  return async (tracks: readonly Track[], options: ReviewOptions): Promise<SpanReview> => {
    const startedMs = performance.now();
    const own = running ?? start();
    const review = await Promise.race([ask(own, tracks, options), own.broken]);
    // Read by the benchmark; not every device keeps such marks.
    performance.measure?.('review', { start: startedMs, detail: { kind: options.kind } });
    return review;
  };
}

/** Works out a review in the page's worker. */
export const reviewInWorker = createReviewWorker(() => new Worker(new URL('./review.worker', import.meta.url)));
