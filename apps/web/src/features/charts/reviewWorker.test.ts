import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { type Track, buildTrack, dayOf, spanReview } from '@wimbel/core';
import { expose } from 'comlink';
import { TODAY, aHabit } from '../../testing/goalSamples.ts';
import { createReviewWorker, reviewInWorker } from './reviewWorker.ts';
import { createReviewer } from './reviewer.ts';

const trackOf = (id: string): Track =>
  buildTrack(aHabit(id), [{ habitId: id, day: '2026-11-20', mark: 'done' }], TODAY, 'monday');
const options = {
  kind: 'days' as const,
  span: { first: dayOf('2026-11-01'), last: TODAY },
  weekStart: 'monday' as const,
  passMark: 0.85,
  today: TODAY,
};

/** What a page has of a worker, at the other end of a channel here: each is kept, with how many tracks it was given. */
class FakeWorker {
  static started: FakeWorker[] = [];
  static isBroken = false;
  held: string[] = [];
  private readonly fail: (() => void)[] = [];
  private readonly port: MessagePort;

  constructor() {
    FakeWorker.started.push(this);
    const { port1, port2 } = new MessageChannel();
    this.port = port1;
    const reviewer = createReviewer();
    const hold = (tracks: readonly Track[]): void => {
      this.held.push(...tracks.map(({ habit }) => habit.id));
      reviewer.hold(tracks);
    };
    if (FakeWorker.isBroken) setTimeout(() => this.fail.forEach((each) => each()));
    else expose({ ...reviewer, hold }, port2 as never);
    port1.start();
  }

  addEventListener(kind: string, listener: never): void {
    if (kind === 'error') this.fail.push(listener);
    else this.port.addEventListener(kind as 'message', listener);
  }
  removeEventListener(kind: string, listener: never): void {
    this.port.removeEventListener(kind as 'message', listener);
  }
  postMessage(message: unknown): void {
    this.port.postMessage(message);
  }
  terminate(): void {
    this.port.close();
  }
}

/** A way to ask that begins without a worker. */
function anew(): ReturnType<typeof createReviewWorker> {
  FakeWorker.started = [];
  FakeWorker.isBroken = false;
  return createReviewWorker(() => new FakeWorker() as unknown as Worker);
}

afterEach(() => FakeWorker.started.forEach((each) => each.terminate()));

describe('the worker of reviews', () => {
  it('answers as core does, and is started once', async () => {
    const review = anew();
    const tracks = [trackOf('a'), trackOf('b')];
    expect(await review(tracks, options)).toEqual(spanReview(tracks, options));
    await review(tracks, { ...options, span: { first: TODAY - 3, last: TODAY } });
    expect(FakeWorker.started).toHaveLength(1);
  });

  it('is given a habit again only when it was laid out anew', async () => {
    const review = anew();
    const [a, b] = [trackOf('a'), trackOf('b')];
    await review([a, b], options);
    await review([b], options);
    await review([trackOf('a'), b], options);
    expect(FakeWorker.started[0]!.held).toEqual(['a', 'b', 'a']);
  });

  it('that breaks tells whoever waits, and another is started for the next', async () => {
    const review = anew();
    FakeWorker.isBroken = true;
    await expect(review([trackOf('a')], options)).rejects.toThrow('the worker broke');
    FakeWorker.isBroken = false;
    const answer = await review([trackOf('a')], options);
    expect(answer.kept.kept).toBe(1);
    expect(FakeWorker.started.map(({ held }) => held)).toEqual([[], ['a']]);
  });

  it('is refused where the device has none', async () => {
    // As here, where there is no such thing as a worker.
    await expect(reviewInWorker([trackOf('a')], options)).rejects.toThrow('Worker');
  });
});
