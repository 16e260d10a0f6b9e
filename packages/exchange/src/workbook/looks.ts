import type { Fill } from 'exceljs';
import type { PlainDay } from '@wimbel/core';

/** The colours of cells, of the app's own (light), as ARGB. */
export const COLORS = {
  done: 'FFBFDAD5',
  part: 'FFE4EFEC',
  missed: 'FFF0D0C6',
  rest: 'FFE6E0D6',
  head: 'FFEFE8DC',
  sum: 'FFF7F2E9',
} as const;

/** A plain fill of one colour. */
export const fillOf = (argb: string): Fill => ({ type: 'pattern', pattern: 'solid', fgColor: { argb } });

/** How heads look. */
export const HEAD = {
  font: { bold: true },
  fill: fillOf(COLORS.head),
  alignment: { vertical: 'middle', horizontal: 'center', wrapText: true },
} as const;

/** A day as a date of a workbook, which knows no zones. */
export const dateOf = (day: PlainDay): Date => new Date(day * 86_400_000);

/** The name of a column by its number from 1: A, B … Z, AA. */
export function columnName(column: number): string {
  let name = '';
  for (let rest = column; rest > 0; rest = Math.floor((rest - 1) / 26))
    name = String.fromCharCode(65 + ((rest - 1) % 26)) + name;
  return name;
}
