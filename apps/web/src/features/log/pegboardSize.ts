/** Lengths of the pegboard in pixels. */
export type PegboardSize = {
  namesPx: number;
  cellPx: number;
  weekGapPx: number;
  rowPx: number;
  pegR: number;
  headPx: number;
  figuresPx: number;
};

/** The dense grid's smallest touch target. */
const LEAST_CELL_PX = 24;

/** The pegboard's lengths: on a phone days scroll beside the names; on a wide screen a month fits where it can. */
export function pegboardSize(widthPx: number, isWide: boolean, days: number): PegboardSize {
  if (!isWide) return { namesPx: 126, cellPx: 28, weekGapPx: 6, rowPx: 44, pegR: 9.2, headPx: 46, figuresPx: 208 };
  const namesPx = 134;
  const figuresPx = 184;
  const weekGapPx = 4;
  const room = (widthPx - namesPx - figuresPx - 5 * weekGapPx - 2) / days;
  const cellPx = Math.max(LEAST_CELL_PX, Math.min(34, Math.floor(room)));
  return { namesPx, cellPx, weekGapPx, rowPx: 40, pegR: Math.min(10, cellPx * 0.36), headPx: 46, figuresPx };
}
