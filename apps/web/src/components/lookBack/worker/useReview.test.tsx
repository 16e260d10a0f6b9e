import { type ReviewSpan, type Track, buildTrack, dayOf, spanReview } from '@wimbel/core';
import { act, render, screen } from '@testing-library/react';
import { TODAY, aHabit } from '../../../testing/goalSamples.ts';
import { createReviewer } from './reviewer.ts';
import { useReview } from './useReview.ts';

const trackOf = (id: string, done: string[] = []): Track =>
  buildTrack(
    aHabit(id, { startsOn: '2010-01-01' }),
    done.map((day) => ({ habitId: id, day, mark: 'done' as const })),
    TODAY,
    'monday',
  );
const optionsOf = (kind: ReviewSpan, first: string) => ({
  kind,
  span: { first: dayOf(first), last: TODAY },
  weekStart: 'monday' as const,
  passMark: 0.85,
  today: TODAY,
});

describe('reviews beside the screen', () => {
  it('are the ones of core, of the habits that are named, in that order', () => {
    const [a, b] = [trackOf('a', ['2026-11-20']), trackOf('b')];
    const reviewer = createReviewer();
    reviewer.hold([a, b]);
    const options = optionsOf('days', '2026-11-01');
    expect(reviewer.review(['b', 'a'], options)).toEqual(spanReview([b, a], options));
    expect(reviewer.review(['a', 'gone'], options)).toEqual(spanReview([a], options));
  });

  it('go by the latest laying out of a habit', () => {
    const reviewer = createReviewer();
    reviewer.hold([trackOf('a')]);
    reviewer.hold([trackOf('a', ['2026-11-20', '2026-11-21'])]);
    expect(reviewer.review(['a'], optionsOf('days', '2026-11-01')).kept.kept).toBe(2);
  });
});

describe('a review that is asked for', () => {
  const short = { tracks: [trackOf('a', ['2026-11-20'])], options: optionsOf('days', '2026-11-01') };
  const long = { tracks: [trackOf('a'), trackOf('b'), trackOf('c')], options: optionsOf('all', '2010-01-01') };
  function Shown({ asked }: { asked: typeof short }) {
    const { shown, isWorking } = useReview(asked);
    return (
      <p>
        {shown === null
          ? 'none'
          : `${shown.options.kind}: ${shown.review.kept.kept}, ${isWorking ? 'working' : 'ready'}`}
      </p>
    );
  }
  const says = () => screen.getByText(/none|:/).textContent;

  it('is there at once where it is short', () => {
    render(<Shown asked={short} />);
    expect(says()).toBe('days: 1, ready');
  });

  it('keeps the one before on the screen while a long one is worked out', async () => {
    // Here there is no worker: it is worked out on the page, later all the same.
    const { rerender } = render(<Shown asked={short} />);
    rerender(<Shown asked={long} />);
    expect(says()).toBe('days: 1, ready');
    expect(await screen.findByText('all: 0, ready')).toBeTruthy();
  });

  it('shows none where the first is long, until it is there; what is no longer wanted is left', async () => {
    const { rerender } = render(<Shown asked={long} />);
    expect(says()).toBe('none');
    rerender(<Shown asked={short} />);
    expect(says()).toBe('days: 1, ready');
    await act(async () => await new Promise((resolve) => setTimeout(resolve, 20)));
    expect(says()).toBe('days: 1, ready');
  });
});
