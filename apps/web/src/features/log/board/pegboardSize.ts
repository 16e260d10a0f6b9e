import type { LogSpan } from '@wimbel/core';

/** Lengths of the pegboard in pixels. */
export type PegboardSize = {
  namesPx: number;
  cellPx: number;
  weekGapPx: number;
  rowPx: number;
  /** A row with a line more, for how its running week or month stands. */
  tallRowPx: number;
  areaPx: number;
  pegR: number;
  headPx: number;
  footPx: number;
  figuresPx: number;
  /** One column of the figures. */
  figurePx: number;
};

/** The dense grid's smallest touch target. */
const LEAST_CELL_PX = 24;
/** Beyond this a day only spreads its pegs apart. */
const MOST_CELL_PX = { week: 120, sevenDays: 120, month: 34, sixWeeks: 28, quarter: 24, year: 24 } as const;

/** The pegboard's lengths: on a phone days scroll beside the names; on a wide screen what fits is spread over the room. */
export function pegboardSize(
  widthPx: number,
  isWide: boolean,
  days: number,
  span: LogSpan,
  isCompact = false,
): PegboardSize {
  const isWeek = span === 'week' || span === 'sevenDays';
  const hasMonths = span !== 'month' && span !== 'week';
  // A year of several habits counts in thousands.
  const figurePx = span === 'year' || span === 'quarter' ? 44 : 35;
  const figuresPx = 3 * figurePx + (isWide ? 79 : 103);
  const shared = {
    figurePx,
    figuresPx,
    weekGapPx: isWide ? 4 : 6,
    areaPx: 34,
    headPx: hasMonths ? 62 : 46,
    footPx: 128,
  };
  if (!isWide) {
    const namesPx = 126;
    const spread = Math.floor((widthPx - namesPx - 8) / 7);
    const cellPx = isWeek ? Math.max(28, Math.min(40, spread)) : 28;
    return {
      ...shared,
      namesPx,
      cellPx,
      rowPx: isCompact ? 38 : 52,
      tallRowPx: isCompact ? 44 : 58,
      pegR: isWeek ? 11 : 9.2,
    };
  }
  const namesPx = isWeek ? 220 : 134;
  const weeks = Math.ceil(days / 7);
  const room = (widthPx - namesPx - figuresPx - weeks * shared.weekGapPx - 2) / days;
  const cellPx = Math.max(LEAST_CELL_PX, Math.min(MOST_CELL_PX[span], Math.floor(room)));
  const over = widthPx - namesPx - figuresPx - weeks * shared.weekGapPx - 2 - days * cellPx;
  return {
    ...shared,
    namesPx: namesPx + Math.max(0, Math.min(40, Math.floor(over))),
    cellPx,
    rowPx: isCompact ? 28 : 40,
    tallRowPx: isCompact ? 40 : 52,
    pegR: Math.min(isWeek ? 13 : 11, cellPx * 0.36),
  };
}
