import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { eachDay } from '../calendar/span.ts';
import { startOfWeek } from '../calendar/week.ts';
import { monthsOfYear, yearSpan } from '../calendar/year.ts';
import { type PlateCell, type PlateValue, markOf } from './yearPlate.ts';

/** A year as one turn: seven tracks of weekdays, a spoke a week; in pixels. */
export type YearRing = {
  cells: PlateCell[];
  /** Where the name of a month stands, outside of its first week; the line that parts it from the month before. */
  months: { month: PlainMonth; x: number; y: number; line: { x1: number; y1: number; x2: number; y2: number } }[];
  /** The radius of each weekday's track, the first day of the week innermost. */
  tracks: number[];
  middlePx: number;
};

const TRACKS = 7;
/** The hole in the middle, of the room that the tracks have. */
const INNER = 0.44;
const LABEL_PX = 20;

/**
 * A year as one turn, clockwise from the top: a spoke for each week, weekdays as seven tracks. Marks are those of the
 * plate, of one size on every track, so that equal areas mean equal shares. All lengths in pixels.
 */
export function yearRing(
  year: number,
  weekStart: Weekday,
  today: PlainDay,
  valueOf: (day: PlainDay) => PlateValue | null,
  { sidePx }: { sidePx: number },
): YearRing {
  const { first, last } = yearSpan(year);
  const from = startOfWeek(first, weekStart);
  const weeks = Math.floor((last - from) / TRACKS) + 1;
  const middlePx = sidePx / 2;
  const outer = middlePx - LABEL_PX;
  const inner = outer * INNER;
  const gap = (outer - inner) / TRACKS;
  const tracks = Array.from({ length: TRACKS }, (_, track) => inner + (track + 0.5) * gap);
  const full = Math.min((2 * Math.PI * tracks[0]!) / weeks, gap) * 0.46;
  // A spoke's middle; a half spoke before it begins the week.
  const angleOf = (week: number): number => ((week + 0.5) / weeks) * 2 * Math.PI - Math.PI / 2;
  const at = (angle: number, radius: number) => ({
    x: middlePx + radius * Math.cos(angle),
    y: middlePx + radius * Math.sin(angle),
  });
  const weekOf = (day: PlainDay): number => Math.floor((day - from) / TRACKS);
  const cells = eachDay({ first, last }).map((day): PlateCell => ({
    day,
    ...at(angleOf(weekOf(day)), tracks[(day - from) % TRACKS]!),
    ...markOf(day > today ? null : valueOf(day), full),
  }));
  const months = monthsOfYear(year).map((month) => {
    const start = weekOf(monthSpan(month).first);
    const edge = angleOf(start - 0.5);
    const [a, b] = [at(edge, inner - gap * 0.6), at(edge, outer)];
    return { month, ...at(angleOf(start + 1.6), outer + LABEL_PX * 0.5), line: { x1: a.x, y1: a.y, x2: b.x, y2: b.y } };
  });
  return { cells, months, tracks, middlePx };
}
