import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { monthsOfYear } from '../calendar/year.ts';

/** A day's value on the plate: a ratio 0–1; null where nothing was due or done. */
export type PlateValue = { ratio: number | null; isFull: boolean };

export type PlateCell = {
  day: PlainDay;
  /** Middle of the cell. */
  x: number;
  y: number;
  /** Radius of the mark. */
  r: number;
  /** `mark` grows with the ratio; `ring` is a day without anything; `dot` is still to come or before the record. */
  kind: 'mark' | 'ring' | 'dot';
  ratio: number;
  isFull: boolean;
};

export type YearPlate = {
  rows: { label: number; y: number }[];
  cells: PlateCell[];
  widthPx: number;
  heightPx: number;
  pitchPx: number;
};

/**
 * The heat map of a year: twelve rows, one per month, of up to 31 holes. Area and tone grow together with the ratio.
 * Days after `today` are dots; `valueOf` gives null for days before anything was kept. All lengths in pixels.
 */
export const yearPlate = (
  year: number,
  today: PlainDay,
  valueOf: (day: PlainDay) => PlateValue | null,
  size: PlateSize,
): YearPlate => monthsPlate(monthsOfYear(year), today, valueOf, size);

type PlateSize = { widthPx: number; labelPx: number; rowPx: number };

/** The same of some months, a row for each in the order given. */
export function monthsPlate(
  months: readonly PlainMonth[],
  today: PlainDay,
  valueOf: (day: PlainDay) => PlateValue | null,
  size: PlateSize,
): YearPlate {
  const pitchPx = (size.widthPx - size.labelPx) / 31;
  const full = Math.min(pitchPx, size.rowPx) * 0.46;
  const rows: YearPlate['rows'] = [];
  const cells: PlateCell[] = [];
  months.forEach((month, row) => {
    const { first, last } = monthSpan(month);
    const y = (row + 0.5) * size.rowPx;
    rows.push({ label: month, y });
    for (let day = first; day <= last; day++) {
      const x = size.labelPx + (day - first + 0.5) * pitchPx;
      cells.push({ day, x, y, ...markOf(day > today ? null : valueOf(day), full) });
    }
  });
  return { rows, cells, widthPx: size.widthPx, heightPx: size.rowPx * months.length, pitchPx };
}

function markOf(value: PlateValue | null, full: number): Pick<PlateCell, 'r' | 'kind' | 'ratio' | 'isFull'> {
  if (value === null) return { r: full * 0.16, kind: 'dot', ratio: 0, isFull: false };
  if (value.ratio === null) return { r: full * 0.16, kind: 'dot', ratio: 0, isFull: false };
  if (value.ratio <= 0) return { r: full * 0.8, kind: 'ring', ratio: 0, isFull: false };
  const ratio = Math.min(1, value.ratio);
  // Area grows in step with the ratio, from a mark that can still be seen.
  return { r: full * Math.sqrt(0.12 + 0.88 * ratio), kind: 'mark', ratio, isFull: value.isFull };
}
