import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { moodOver } from '../mood/moodOver.ts';

/** The mean mood of a stretch of a span, in pixels. */
export type MoodPoint = { span: DaySpan; x: number; y: number; mean: number; days: number };

/** Mood over time: a point for each stretch that has one, and a line through those that follow on each other. */
export type MoodLine = {
  points: MoodPoint[];
  /** Broken where a stretch has no mood. */
  path: string;
  xOf: (day: PlainDay) => number;
  yOf: (mood: number) => number;
};

/** Mood over the stretches of a span (its days, weeks or months), as lines with gaps. All lengths in pixels. */
export function moodLine(
  span: DaySpan,
  stretches: readonly DaySpan[],
  moods: ReadonlyMap<PlainDay, number>,
  today: PlainDay,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): MoodLine {
  const xOf = scaleLinear([span.first, span.last + 1], [size.axisPx + size.padPx, size.widthPx - size.padPx]);
  const yOf = scaleLinear([1, 5], [size.heightPx - size.padPx, size.padPx]);
  const all = stretches.map((each) => {
    const mean = moodOver(moods, each, today);
    const x = xOf((each.first + each.last + 1) / 2);
    return { span: each, x, mean: mean?.mean ?? null, days: mean?.days ?? 0 };
  });
  const path = line<(typeof all)[number]>()
    .defined((each) => each.mean !== null)
    .x((each) => each.x)
    .y((each) => yOf(each.mean!))
    .curve(curveMonotoneX)(all);
  const points = all.flatMap(({ mean, ...rest }) => (mean === null ? [] : [{ ...rest, mean, y: yOf(mean) }]));
  return { points, path: path ?? '', xOf, yOf };
}
