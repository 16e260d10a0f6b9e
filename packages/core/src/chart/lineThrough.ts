import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** A line through values, in pixels, with round levels beside it; nothing always lies among them. */
export type LineThrough = {
  points: { at: number; x: number; y: number; value: number }[];
  path: string;
  levels: { value: number; y: number }[];
  xOf: (at: number) => number;
  yOf: (value: number) => number;
};

/** A line through values in the order of `x`, from zero up or down. All lengths in pixels; one value is a point in the middle. */
export function lineThrough(
  values: readonly { x: number; y: number }[],
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): LineThrough {
  const ys = values.map(({ y }) => y);
  const [least, most] = [Math.min(0, ...ys), Math.max(0, ...ys)];
  const [first, last] = [values[0]?.x ?? 0, values.at(-1)?.x ?? 0];
  const domain = first === last ? [first - 1, last + 1] : [first, last];
  const xOf = scaleLinear(domain, [size.axisPx + size.padPx, size.widthPx - size.padPx]);
  const yOf = scaleLinear(least === most ? [0, 1] : [least, most], [size.heightPx - size.padPx, size.padPx]).nice(3);
  const points = values.map(({ x, y }) => ({ at: x, x: xOf(x), y: yOf(y), value: y }));
  const path = line<(typeof points)[number]>()
    .x((each) => each.x)
    .y((each) => each.y)(points);
  const levels = yOf.ticks(3).map((value) => ({ value, y: yOf(value) }));
  return { points, path: path ?? '', levels, xOf, yOf };
}
