import { render } from '@testing-library/react';
import type { PegState } from '@wimbel/core';
import { ThemeProvider } from '../theme/Theme.tsx';
import { PegRow, type RowPeg } from './PegRow.tsx';

const STATES: PegState[] = ['outside', 'notAsked', 'toCome', 'blank', 'done', 'part', 'rest', 'missed'];

/** The paths of a row of pegs, by the middles of what each draws. */
function drawn(pegs: readonly RowPeg[], r: number): { d: string; fill: string | null; curl: boolean }[] {
  const { container } = render(
    <ThemeProvider>
      <svg>
        <PegRow pegs={pegs} y={10} r={r} color="#123456" />
      </svg>
    </ThemeProvider>,
  );
  return [...container.querySelectorAll('path')].map((path) => ({
    d: path.getAttribute('d')!,
    fill: path.getAttribute('fill'),
    curl: path.hasAttribute('transform'),
  }));
}

const peg = (state: PegState, x: number): RowPeg => ({ state, x, ratio: 0.5 });
/** How many circles a path is of. */
const circles = (d: string): number => d.split('Z').length - 1;

it('a row of pegs is one shape for all that look alike', () => {
  const pegs = Array.from({ length: 40 }, (_, index) => peg(STATES[index % STATES.length]!, index * 20));
  const paths = drawn(pegs, 5);
  expect(paths.length).toBeLessThanOrEqual(8);
  const done = paths.filter((each) => each.fill === '#123456').map((each) => circles(each.d));
  // Five are done, of five a part is filled.
  expect(done).toEqual([5, 5]);
  // Blank, part and rest are holes: three of eight states.
  expect(circles(paths[0]!.d)).toBe(15);
});

it('each state draws something of its own, at its place, and what lies outside nothing', () => {
  for (const state of STATES) {
    const paths = drawn([peg(state, 70)], 5);
    expect(paths.length > 0).toBe(state !== 'outside');
    for (const { d } of paths) {
      const [, x] = /^M([\d.]+) /.exec(d)!;
      expect(Math.abs(Number(x) - 70)).toBeLessThanOrEqual(5);
    }
  }
});

it('only a peg that is done and large enough has a curl in its head', () => {
  const curls = (r: number): number =>
    drawn([peg('done', 20), peg('done', 40), peg('rest', 60)], r).filter((each) => each.curl).length;
  expect([curls(5), curls(9)]).toEqual([0, 2]);
});
