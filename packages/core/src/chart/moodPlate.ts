import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { startOfWeek } from '../calendar/week.ts';

/** A day's sun over its row's sea line. */
export type MoodSun = {
  day: PlainDay;
  x: number;
  /** Middle of the sun: below the sea line for 1, on it for 2, above it for the others; the sea line without a mood. */
  y: number;
  /** 1–5, the mean of the day's pages; null without one. */
  mood: number | null;
  isToCome: boolean;
};

/** Moods as suns over sea lines, a row for each month or week; in pixels. */
export type MoodPlate = {
  /** Named by the month, or by the first day of the week. */
  rows: { label: number; seaY: number; fromX: number; toX: number }[];
  suns: MoodSun[];
  /** Radius of a sun. */
  r: number;
  pitchPx: number;
  widthPx: number;
  heightPx: number;
};

type PlateSize = { widthPx: number; labelPx: number; rowPx: number };
/** `topPx` is left free above the first week. */
type WeeksSize = PlateSize & { topPx?: number };

/** How far above the sea line the middle of the sun stands, in parts of the row's height; lines between whole moods. */
export const sunHeight = (mood: number): number => (mood - 2) * 0.17;

/** Where in its row the sea lies. */
const SEA = 0.7;

function sunOf(day: PlainDay, x: number, seaY: number, rowPx: number, mood: number | null, today: PlainDay): MoodSun {
  return { day, x, y: mood === null ? seaY : seaY - sunHeight(mood) * rowPx, mood, isToCome: day > today };
}

/** Moods of months, a row of up to 31 days for each; `moodOf` gives null for a day without. */
export function monthsOfMoods(
  months: readonly PlainMonth[],
  today: PlainDay,
  moodOf: (day: PlainDay) => number | null,
  { widthPx, labelPx, rowPx }: PlateSize,
): MoodPlate {
  const pitchPx = (widthPx - labelPx) / 31;
  const plate: MoodPlate = {
    rows: [],
    suns: [],
    r: Math.min(pitchPx * 0.42, rowPx * 0.15),
    pitchPx,
    widthPx,
    heightPx: rowPx * months.length,
  };
  months.forEach((month, row) => {
    const span = monthSpan(month);
    const seaY = (row + SEA) * rowPx;
    const xOf = (day: PlainDay): number => labelPx + (day - span.first + 0.5) * pitchPx;
    plate.rows.push({
      label: month,
      seaY,
      fromX: xOf(span.first) - pitchPx / 2,
      toX: xOf(span.last) + pitchPx / 2,
    });
    for (const day of eachDay(span)) {
      plate.suns.push(sunOf(day, xOf(day), seaY, rowPx, day > today ? null : moodOf(day), today));
    }
  });
  return plate;
}

/** The moods of a span as a calendar: a row for each week, its days in seven columns. */
export function weeksOfMoods(
  span: DaySpan,
  weekStart: Weekday,
  today: PlainDay,
  moodOf: (day: PlainDay) => number | null,
  { widthPx, labelPx, rowPx, topPx = 0 }: WeeksSize,
): MoodPlate {
  const pitchPx = (widthPx - labelPx) / 7;
  const from = startOfWeek(span.first, weekStart);
  const weeks = Math.ceil((span.last - from + 1) / 7);
  const column = (day: PlainDay): number => (((day - from) % 7) + 7) % 7;
  const xOf = (day: PlainDay): number => labelPx + (column(day) + 0.5) * pitchPx;
  const rows = Array.from({ length: weeks }, (_, row) => {
    const week = { first: Math.max(span.first, from + row * 7), last: Math.min(span.last, from + row * 7 + 6) };
    return {
      label: from + row * 7,
      seaY: topPx + (row + SEA) * rowPx,
      fromX: xOf(week.first) - pitchPx / 2,
      toX: xOf(week.last) + pitchPx / 2,
    };
  });
  const suns = eachDay(span).map((day) =>
    sunOf(day, xOf(day), rows[Math.floor((day - from) / 7)]!.seaY, rowPx, day > today ? null : moodOf(day), today),
  );
  return { rows, suns, r: Math.min(pitchPx * 0.3, rowPx * 0.14), pitchPx, widthPx, heightPx: topPx + rowPx * weeks };
}
