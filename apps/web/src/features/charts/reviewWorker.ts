import type { SpanReview, Track } from '@wimbel/core';
import { type Remote, wrap } from 'comlink';
import type { ReviewOptions, Reviewer } from './reviewer.ts';

let remote: Remote<Reviewer> | null = null;
/** The tracks that the worker has: one is sent again only when its habit was laid out anew. */
const sent = new Map<string, Track>();

function start(): Remote<Reviewer> {
  const worker = new Worker(new URL('./review.worker', import.meta.url));
  remote = wrap<Reviewer>(worker);
  return remote;
}

/** Works out a review in the worker; rejects where this device cannot run one. */
export async function reviewInWorker(tracks: readonly Track[], options: ReviewOptions): Promise<SpanReview> {
  const reviewer = remote ?? start();
  const fresh = tracks.filter((track) => sent.get(track.habit.id) !== track);
  if (fresh.length > 0) {
    for (const track of fresh) sent.set(track.habit.id, track);
    await reviewer.hold(fresh);
  }
  const startedMs = performance.now();
  const review = await reviewer.review(
    tracks.map((track) => track.habit.id),
    options,
  );
  performance.measure('review', { start: startedMs, detail: { kind: options.kind } });
  return review;
}
