import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { startOfWeek } from '../calendar/week.ts';
import { monthsOfYear } from '../calendar/year.ts';

/** A day's value on the plate: a ratio 0–1; null where nothing was due or done. */
export type PlateValue = { ratio: number | null; isFull: boolean };

/** A day of the plate: where it stands and how it looks. */
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

/** A span as rows of months, up to 31 days wide; in pixels. */
export type YearPlate = {
  /** Named by their month, or by the first day of their week. */
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

/**
 * The days of a span as a calendar: a row for each week, its days in seven columns, larger than a year has room for. Rows
 * are named by the first day of their week; days outside of the span have no cell.
 */
export function weeksPlate(
  span: DaySpan,
  weekStart: Weekday,
  today: PlainDay,
  valueOf: (day: PlainDay) => PlateValue | null,
  size: PlateSize,
): YearPlate {
  const pitchPx = (size.widthPx - size.labelPx) / 7;
  const full = Math.min(pitchPx, size.rowPx) * 0.31;
  const from = startOfWeek(span.first, weekStart);
  const weeks = Math.ceil((span.last - from + 1) / 7);
  const rows = Array.from({ length: weeks }, (_, row) => ({ label: from + row * 7, y: (row + 0.5) * size.rowPx }));
  const cells = eachDay(span).map((day): PlateCell => {
    const x = size.labelPx + (((day - from) % 7) + 0.5) * pitchPx;
    return { day, x, y: rows[Math.floor((day - from) / 7)]!.y, ...markOf(day > today ? null : valueOf(day), full) };
  });
  return { rows, cells, widthPx: size.widthPx, heightPx: size.rowPx * weeks, pitchPx: full * 2.2 };
}

/** How a day's value is drawn in a cell whose full mark has the radius `full`. */
export function markOf(value: PlateValue | null, full: number): Pick<PlateCell, 'r' | 'kind' | 'ratio' | 'isFull'> {
  if (value === null) return { r: full * 0.16, kind: 'dot', ratio: 0, isFull: false };
  if (value.ratio === null) return { r: full * 0.16, kind: 'dot', ratio: 0, isFull: false };
  if (value.ratio <= 0) return { r: full * 0.8, kind: 'ring', ratio: 0, isFull: false };
  const ratio = Math.min(1, value.ratio);
  // Area grows in step with the ratio, from a mark that can still be seen.
  return { r: full * Math.sqrt(0.12 + 0.88 * ratio), kind: 'mark', ratio, isFull: value.isFull };
}

/** How many steps of tone a picture has: more than the eye tells apart, few enough to draw all marks of one as one path. */
const TONES = 12;

/** Marks that are drawn alike, as one path; `ratio` is the upper end of their step of tone. */
export type PlateLayers = {
  dots: string;
  rings: string;
  marks: { ratio: number; path: string }[];
  /** The pale eyes of full days. */
  eyes: string;
};

const circle = ({ x, y }: PlateCell, r: number): string =>
  `M${fine(x - r)} ${fine(y)}a${fine(r)} ${fine(r)} 0 1 0 ${fine(2 * r)} 0a${fine(r)} ${fine(r)} 0 1 0 ${fine(-2 * r)} 0`;
const fine = (length: number): number => Math.round(length * 100) / 100;

/**
 * The cells of a plate or ring as a few paths, so that ten years are drawn as quickly as one: area goes by the day's own
 * ratio, tone by its step of twelve.
 */
export function plateLayers(cells: readonly PlateCell[]): PlateLayers {
  const byTone = new Map<number, string[]>();
  const [dots, rings, eyes]: [string[], string[], string[]] = [[], [], []];
  for (const cell of cells) {
    if (cell.kind === 'dot') dots.push(circle(cell, Math.max(0.8, cell.r)));
    else if (cell.kind === 'ring') rings.push(circle(cell, cell.r));
    else {
      const tone = Math.ceil(cell.ratio * TONES - 1e-9) / TONES;
      const same = byTone.get(tone) ?? [];
      same.push(circle(cell, cell.r));
      byTone.set(tone, same);
      if (cell.isFull) eyes.push(circle(cell, Math.max(0.9, cell.r * 0.24)));
    }
  }
  const marks = [...byTone].sort(([a], [b]) => a - b).map(([ratio, paths]) => ({ ratio, path: paths.join('') }));
  return { dots: dots.join(''), rings: rings.join(''), marks, eyes: eyes.join('') };
}
