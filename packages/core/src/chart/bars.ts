import { scaleBand, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** The room for bars, in pixels. */
export type BarsSize = { widthPx: number; heightPx: number; padPx: number; axisPx: number };

/** One bar, in pixels. */
export type BarMark = {
  /** Left edge, top, and what lies between top and floor; a bar without a value has no height. */
  x: number;
  y: number;
  widthPx: number;
  heightPx: number;
  /** Middle of its room, drawn or not. */
  middle: number;
  hasValue: boolean;
};

/** Bars side by side, with the way from a value to its height. */
export type Bars = {
  bars: BarMark[];
  yOf: (value: number) => number;
  /** How far apart the middles stand: what a label below has for itself. */
  stepPx: number;
  /** A line from bar to bar through values of their scale, one for each bar; it breaks where one is null. */
  pathThrough: (values: readonly (number | null)[]) => string;
};

/** The widest a bar is drawn. */
const WIDEST_PX = 34;
/** The least that a value above 0 can still be seen by. */
const LEAST_PX = 2;

/**
 * Upright bars in even rooms, from 0 at the floor to `most` at the top. A value of null is a gap, never a bar of 0; one
 * over `most` ends at the top. All lengths in pixels. Throws a RangeError unless `most` is above 0.
 */
export function bars(values: readonly (number | null)[], most: number, size: BarsSize): Bars {
  if (!(most > 0)) throw new RangeError(`the most that bars show is above 0, not ${most}`);
  const rooms = scaleBand<number>()
    .domain(values.map((_, index) => index))
    .range([size.axisPx, size.widthPx - size.padPx])
    .paddingInner(0.34)
    .paddingOuter(0.17);
  const yOf = scaleLinear([0, most], [size.heightPx - size.padPx, size.padPx]).clamp(true);
  const widthPx = Math.min(WIDEST_PX, rooms.bandwidth());
  const floor = size.heightPx - size.padPx;
  const middleOf = (index: number): number => rooms(index)! + rooms.bandwidth() / 2;
  const through = line<number | null>()
    .defined((value) => value !== null)
    .x((_, index) => middleOf(index))
    .y((value) => yOf(value!));
  return {
    yOf,
    pathThrough: (course) => through(course) ?? '',
    stepPx: rooms.step(),
    bars: values.map((value, index) => {
      const middle = middleOf(index);
      const y = value === null ? floor : Math.min(yOf(value), value > 0 ? floor - LEAST_PX : floor);
      return { x: middle - widthPx / 2, y, widthPx, heightPx: floor - y, middle, hasValue: value !== null };
    }),
  };
}
