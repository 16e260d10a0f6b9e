import { scaleLinear } from 'd3-scale';
import type { MoodBeside } from '../mood/mood.ts';

/** The two mean moods beside a habit on one axis, in pixels. */
export type MoodRow = {
  /** Of the two means, along the scale. */
  doneX: number;
  otherX: number;
  /** The middle of the row. */
  y: number;
};

/** Moods from 1 at the left edge to 5 at the right, a row for each habit. All lengths in pixels. */
export function moodRows(
  moods: readonly MoodBeside[],
  { widthPx, padPx, rowPx }: { widthPx: number; padPx: number; rowPx: number },
): { rows: MoodRow[]; xOf: (mood: number) => number; heightPx: number } {
  const xOf = scaleLinear([1, 5], [padPx, widthPx - padPx]);
  return {
    rows: moods.map(({ done, other }, row) => ({
      doneX: xOf(done.mean),
      otherX: xOf(other.mean),
      y: (row + 0.5) * rowPx,
    })),
    xOf,
    heightPx: rowPx * moods.length,
  };
}
