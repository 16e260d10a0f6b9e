import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';

/** The share of a day, in pixels. */
export type SharePoint = { day: PlainDay; x: number; y: number; ratio: number };

/** Shares by day with the mean of seven days; days without one are gaps. */
export type ShareLine = {
  points: SharePoint[];
  /** The mean over the seven days up to each, of those that have a share; a gap where fewer than four have. */
  meanPath: string;
  xOf: (day: PlainDay) => number;
  yOf: (ratio: number) => number;
};

/** Share per day as a line over a span; `ratioOf` gives null for a day without a share. All lengths in pixels. */
export function shareLine(
  span: DaySpan,
  ratioOf: (day: PlainDay) => number | null,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): ShareLine {
  const xOf = scaleLinear([span.first, span.last], [size.axisPx + size.padPx, size.widthPx - size.padPx]);
  const yOf = scaleLinear([0, 1], [size.heightPx - size.padPx, size.padPx]);
  const days = Array.from({ length: span.last - span.first + 1 }, (_, index) => {
    const day = span.first + index;
    const ratio = ratioOf(day);
    return { day, ratio, mean: meanOfSeven(day, ratioOf), x: xOf(day), y: yOf(ratio ?? 0) };
  });
  const meanPath = line<(typeof days)[number]>()
    .defined((each) => each.mean !== null)
    .x((each) => each.x)
    .y((each) => yOf(each.mean!))
    .curve(curveMonotoneX)(days);
  const points = days.flatMap(({ day, x, y, ratio }) => (ratio === null ? [] : [{ day, x, y, ratio }]));
  return { points, meanPath: meanPath ?? '', xOf, yOf };
}

const MEAN_DAYS = 7;
const LEAST_OF_MEAN = 4;

/** Mean share of the seven days up to a day, of those that have one; null where fewer than four have, or the day has none. */
export function meanOfSeven(day: PlainDay, ratioOf: (day: PlainDay) => number | null): number | null {
  if (ratioOf(day) === null) return null;
  const ratios = Array.from({ length: MEAN_DAYS }, (_, index) => ratioOf(day - index)).filter((each) => each !== null);
  return ratios.length < LEAST_OF_MEAN ? null : ratios.reduce((sum, each) => sum + each, 0) / ratios.length;
}
