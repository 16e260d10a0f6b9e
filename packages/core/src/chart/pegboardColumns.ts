import { type PlainDay, type Weekday, WEEKDAYS, weekdayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';

/** A day of the pegboard and where it begins, in pixels. */
export type PegboardColumn = { day: PlainDay; x: number; isWeekend: boolean };

/** Columns of days side by side, weeks parted by a gap. `x` is a column's left edge; all in pixels. */
export function pegboardColumns(
  span: DaySpan,
  weekStart: Weekday,
  cellPx: number,
  weekGapPx: number,
): { columns: PegboardColumn[]; widthPx: number } {
  const columns: PegboardColumn[] = [];
  const weekBegins = WEEKDAYS.indexOf(weekStart);
  let x = 0;
  for (let day = span.first; day <= span.last; day++) {
    if (day > span.first && weekdayOf(day) === weekBegins) x += weekGapPx;
    columns.push({ day, x, isWeekend: weekdayOf(day) >= 5 });
    x += cellPx;
  }
  return { columns, widthPx: x };
}
