import { MessageChannel } from 'node:worker_threads';
import { type Track, buildTrack, dayOf, spanReview } from '@wimbel/core';
import { expose } from 'comlink';
import { accountLeft } from '../../../platform/accountLeft.ts';
import { TODAY, aHabit } from '../../../testing/goalSamples.ts';
import { createReviewWorker } from './reviewWorker.ts';
import { type Reviewer, createReviewer } from './reviewer.ts';

const track = (id: string, day: string): Track =>
  buildTrack(aHabit(id), [{ habitId: id, day, mark: 'done' as const }], TODAY, 'monday');
const options = {
  kind: 'days' as const,
  span: { first: dayOf('2026-11-01'), last: TODAY },
  weekStart: 'monday' as const,
  passMark: 0.85,
  today: TODAY,
};

/** Workers that run beside the test, each with what it was given to hold. */
function workers() {
  const started: { held: string[][]; isOver: boolean }[] = [];
  const open: { close: () => void }[] = [];
  const start = (): Worker => {
    const { port1, port2 } = new MessageChannel();
    const own = { held: [] as string[][], isOver: false };
    const reviewer = createReviewer();
    const slow: Reviewer = {
      ...reviewer,
      hold: (tracks) => {
        own.held.push(tracks.map((each) => each.habit.id));
        reviewer.hold(tracks);
      },
    };
    expose(slow, port2);
    open.push(port1, port2);
    started.push(own);
    return Object.assign(port1, { terminate: () => (own.isOver = true) }) as never;
  };
  return { start, started, end: () => open.forEach((port) => port.close()) };
}

it('a track is sent once, and by none of two questions at once left to the other', async () => {
  const { start, started, end } = workers();
  const ask = createReviewWorker(start);
  const tracks = [track('a', '2026-11-20'), track('b', '2026-11-21')];
  const expected = spanReview(tracks, options);
  const [first, second] = await Promise.all([ask(tracks, options), ask(tracks, options)]);
  expect([first.kept.kept, second.kept.kept]).toEqual([expected.kept.kept, expected.kept.kept]);
  await ask(tracks, options);
  expect(started).toHaveLength(1);
  expect(started[0]!.held).toEqual([
    ['a', 'b'],
    ['a', 'b'],
  ]);
  end();
});

it('what a worker holds goes with the account that is left', async () => {
  const { start, started, end } = workers();
  const ask = createReviewWorker(start);
  await ask([track('a', '2026-11-20')], options);
  accountLeft();
  expect(started[0]!.isOver).toBe(true);
  const next = await ask([track('b', '2026-11-21')], options);
  expect(started).toHaveLength(2);
  expect(started[1]!.held).toEqual([['b']]);
  expect(next.habits.map((each) => each.id)).toEqual(['b']);
  end();
});
