import { fillPath } from './peg.ts';

/** A week of a season as a hole, in pixels: filled from below to its score, with the rim line of the pass mark across it. */
export type SeasonHole = {
  /** Counted from 0. */
  week: number;
  x: number;
  y: number;
  r: number;
  /** Empty where nothing is filled. */
  fill: string;
  /** The line of the pass mark across the hole; null for a week to come. */
  mark: { left: number; right: number; y: number } | null;
};

/** The run of a season's weeks as holes in rows. All lengths in pixels. */
export type SeasonPlate = { holes: SeasonHole[]; rowPx: number; heightPx: number; perRow: number };

/** A hole is never smaller than can be tapped in a dense grid, nor larger than reads as a hole; its words stand below it. */
const [LEAST_PX, MOST_PX] = [26, 46];
/** How far the line of the pass mark stands out on either side. */
const MARK_OUT_PX = 2;

/**
 * The weeks of a season side by side, as many to a row as fit, rows of the same length where there are several. `scores` holds
 * one for each week, null for a week to come or one that asked nothing.
 */
export function seasonPlate(
  scores: readonly (number | null)[],
  {
    widthPx,
    passMark,
    wordsPx,
    isGone,
  }: { widthPx: number; passMark: number; wordsPx: number; isGone: (week: number) => boolean },
): SeasonPlate {
  const mostPerRow = Math.max(1, Math.floor(widthPx / LEAST_PX));
  const rows = Math.max(1, Math.ceil(scores.length / mostPerRow));
  const perRow = Math.max(1, Math.ceil(scores.length / rows));
  const columnPx = Math.min(MOST_PX, widthPx / perRow);
  const r = (columnPx * 0.84) / 2;
  const rowPx = columnPx + wordsPx;
  const holes = scores.map((score, week): SeasonHole => {
    const [column, row] = [week % perRow, Math.floor(week / perRow)];
    const x = (column + 0.5) * columnPx;
    const y = row * rowPx + columnPx / 2;
    const markY = y + r - 2 * r * passMark;
    const half = Math.sqrt(Math.max(0, r * r - (markY - y) ** 2)) + MARK_OUT_PX;
    return {
      week,
      x,
      y,
      r,
      fill: score === null ? '' : fillPath(x, y, r, Math.min(1, score)),
      mark: isGone(week) ? { left: x - half, right: x + half, y: markY } : null,
    };
  });
  return { holes, rowPx, heightPx: rows * rowPx, perRow };
}
