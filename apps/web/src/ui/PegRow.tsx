import { CURL_PATH, type PegState, fillPath, gappedRimPath } from '@wimbel/core';
import { memo } from 'react';
import { useTheme } from '../theme/Theme.tsx';
import { CURL_FROM_R, pegMeasures } from './pegShapes.tsx';

export type RowPeg = { state: PegState; x: number; ratio: number };

type Props = { pegs: readonly RowPeg[]; y: number; r: number; color: string };

/** The states that show as an open hole, with or without something in it. */
const OPEN = new Set<PegState>(['blank', 'part', 'rest']);

/**
 * Many pegs in a row, inside an SVG: the same as one by one, but as one shape for all that look alike, so that a board of a
 * thousand days is some hundred elements.
 */
export const PegRow = memo(function PegRow({ pegs, y, r, color }: Props) {
  const { colors } = useTheme();
  const { stroke, missedStroke, restStroke, partRatio, dotR } = pegMeasures(r);
  const circles = (radius: number, is: (state: PegState) => boolean): string =>
    pegs.map((peg) => (is(peg.state) ? fillPath(peg.x, y, radius, 1) : '')).join('');
  const shapes = (state: PegState, draw: (peg: RowPeg) => string): string =>
    pegs.map((peg) => (peg.state === state ? draw(peg) : '')).join('');
  const layers: (React.SVGProps<SVGPathElement> & { d: string })[] = [
    {
      d: circles(r - stroke / 2, (state) => OPEN.has(state)),
      fill: colors.hole,
      stroke: colors.rim,
      strokeWidth: stroke,
    },
    { d: circles(dotR, (state) => state === 'notAsked'), fill: colors.rim },
    {
      d: circles(r - stroke / 2, (state) => state === 'toCome'),
      fill: 'none',
      stroke: colors.faint,
      strokeWidth: stroke,
    },
    { d: circles(r - stroke, (state) => state === 'missed'), fill: colors.hole },
    {
      d: shapes('missed', ({ x }) => gappedRimPath(x, y, r - missedStroke / 2)),
      fill: 'none',
      stroke: colors.madder,
      strokeWidth: missedStroke,
    },
    { d: circles(r, (state) => state === 'done'), fill: color },
    { d: shapes('part', ({ x, ratio }) => fillPath(x, y, r - stroke, partRatio(ratio))), fill: color },
    {
      d: shapes('rest', ({ x }) => `M${x - r * 0.42} ${y}h${r * 0.84}`),
      stroke: colors.ink,
      strokeWidth: restStroke,
      strokeLinecap: 'round',
    },
  ];
  return (
    <>
      {layers.map((layer, index) => (layer.d === '' ? null : <path key={index} {...layer} />))}
      {r < CURL_FROM_R
        ? null
        : pegs.map(({ state, x }) =>
            state === 'done' ? (
              <path
                key={x}
                d={CURL_PATH}
                transform={`translate(${x} ${y}) scale(${r})`}
                fill="none"
                stroke={colors.raised}
                strokeWidth={0.12}
                strokeLinecap="round"
              />
            ) : null,
          )}
    </>
  );
});
