import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';

/** A point that the expected line runs through: the ratio (0–1 between start and target) due by a day. */
export type LinePoint = { day: PlainDay; ratio: number };

/** The checkpoints that stand strictly between start and due day, in order, as points of the line. */
export function checkpointPoints(
  checkpoints: readonly { month: PlainMonth; target: number }[],
  range: { start: PlainDay; due: PlainDay; from: number; to: number },
): LinePoint[] {
  return checkpoints
    .map(({ month, target }) => ({
      day: monthSpan(month).last,
      ratio: (target - range.from) / (range.to - range.from),
    }))
    .filter((point) => point.day > range.start && point.day < range.due)
    .sort((a, b) => a.day - b.day);
}

/**
 * The progress (0–1) expected on a day: linear from 0 on the start day, through the points, to 1 on the due day.
 * Where start and due are the same day: 0 before it, 1 from it on.
 */
export function expectedOn(day: PlainDay, start: PlainDay, due: PlainDay, points: readonly LinePoint[] = []): number {
  if (day >= due) return 1;
  if (day <= start) return 0;
  let before: LinePoint = { day: start, ratio: 0 };
  for (const point of [...points, { day: due, ratio: 1 }]) {
    if (day <= point.day) {
      const ratio = before.ratio + ((point.ratio - before.ratio) * (day - before.day)) / (point.day - before.day);
      return Math.min(1, Math.max(0, ratio));
    }
    before = point;
  }
  return 1;
}
