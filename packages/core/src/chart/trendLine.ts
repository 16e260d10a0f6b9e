import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import type { PlainMonth } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { TrendPoint } from '../habit/trend.ts';
import { monthTicks } from './progressLine.ts';

/** What was kept of four weeks, in pixels. */
export type TrendMark = TrendPoint & { x: number; y: number };

/** What was kept of four weeks, week after week; weeks in which too little was due are gaps. */
export type TrendLine = {
  /** Points that have a rate. */
  points: TrendMark[];
  path: string;
  ticks: { month: PlainMonth; x: number }[];
  yOf: (ratio: number) => number;
};

/** A trend over a span; the line breaks where a point has no rate. Lengths in pixels. */
export function trendLine(
  trend: readonly TrendPoint[],
  span: DaySpan,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): TrendLine {
  const xOf = scaleLinear([span.first, Math.max(span.first + 1, span.last)], [size.axisPx, size.widthPx - size.padPx]);
  const yOf = scaleLinear([0, 1], [size.heightPx - size.padPx, size.padPx]);
  const at = (day: PlainDay): number => xOf(day);
  const path = line<TrendPoint>()
    .defined(({ kept }) => kept.rate !== null)
    .x(({ day }) => at(day))
    .y(({ kept }) => yOf(kept.rate!))
    .curve(curveMonotoneX)(trend);
  return {
    points: trend.flatMap((point) =>
      point.kept.rate === null ? [] : [{ ...point, x: at(point.day), y: yOf(point.kept.rate) }],
    ),
    path: path ?? '',
    ticks: monthTicks(span, xOf),
    yOf,
  };
}
