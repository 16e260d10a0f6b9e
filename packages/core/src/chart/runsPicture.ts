import { scaleLinear } from 'd3-scale';
import type { PlainMonth } from '../calendar/month.ts';
import { type DaySpan, overlaps } from '../calendar/span.ts';
import type { Run } from '../habit/streak.ts';
import { monthTicks } from './progressLine.ts';

/** A run as an arch: as wide as it took, as high as it is long; in pixels. */
export type RunArch = {
  run: Run;
  /** From the floor at its first day over its length to the floor at its last. */
  path: string;
  /** The top of the arch. */
  x: number;
  y: number;
};

/** The runs of a span on one axis of time. */
export type RunsPicture = {
  arches: RunArch[];
  /** Index of the longest, the earliest of equals; null without any. */
  longest: number | null;
  floor: number;
  ticks: { month: PlainMonth; x: number }[];
  yOf: (length: number) => number;
  /** The length at the top. */
  most: number;
};

/** The least an arch spans, so that a single day can be seen. */
const LEAST_PX = 3;

/**
 * The runs of a habit over a span as arches: as wide as they took, as high as they are long. Runs that only reach into the
 * span are cut at its edges by the picture, not by the layout, and keep their height. Lengths in pixels.
 */
export function runsPicture(
  runs: readonly Run[],
  span: DaySpan,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): RunsPicture {
  const shown = runs.filter((run) => overlaps(run, span));
  const most = shown.reduce((length, run) => Math.max(length, run.length), 1);
  const xOf = scaleLinear([span.first, Math.max(span.first + 1, span.last)], [size.axisPx, size.widthPx - size.padPx]);
  const floor = size.heightPx - size.padPx;
  const yOf = scaleLinear([0, most], [floor, size.padPx]);
  const longest = shown.findIndex((run) => run.length === most);
  return {
    arches: shown.map((run) => {
      const [from, to] = [xOf(run.first), xOf(run.last)];
      const x = (from + to) / 2;
      const half = Math.max(LEAST_PX, to - from) / 2;
      const height = floor - yOf(run.length);
      return { run, path: `M${x - half} ${floor}A${half} ${height} 0 0 1 ${x + half} ${floor}`, x, y: floor - height };
    }),
    longest: longest < 0 ? null : longest,
    floor,
    ticks: monthTicks(span, xOf),
    yOf,
    most,
  };
}
