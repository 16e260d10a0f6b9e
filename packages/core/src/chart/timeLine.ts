import { scaleLinear } from 'd3-scale';
import type { PlainMonth } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { monthTicks } from './progressLine.ts';

/** A step or milestone with its days and what must come first. */
export type TimeLineInput = {
  id: string;
  /** The day it begins; null for what stands on a single day. */
  from: PlainDay | null;
  /** Its due day, or the day it was done. */
  on: PlainDay;
  /** What must come first, by id. */
  after: readonly string[];
};

/** A row of the time line, in pixels. */
export type TimeLineRow = {
  id: string;
  y: number;
  /** Where its bar begins and ends; the mark stands at `x2`. */ x1: number;
  x2: number;
};
/** Steps and milestones on one axis of time, with what links them. */
export type TimeLine = {
  span: DaySpan;
  rows: TimeLineRow[];
  /** From the mark that comes first to the one that waits for it. */
  links: { from: string; to: string; path: string }[];
  ticks: { month: PlainMonth; x: number }[];
  todayX: number;
  heightPx: number;
};

/**
 * Things on a common axis of time, a row for each in the order given; the axis holds them all, the goal's own days and
 * today. All lengths in pixels.
 */
export function timeLine(
  inputs: readonly TimeLineInput[],
  { goal, today }: { goal: DaySpan; today: PlainDay },
  size: { widthPx: number; rowPx: number; padPx: number },
): TimeLine {
  const days = inputs.flatMap(({ from, on }) => [from ?? on, on]);
  const span = {
    first: Math.min(goal.first, today, ...days),
    last: Math.max(goal.last, today, ...days),
  };
  const xOf = scaleLinear([span.first, Math.max(span.first + 1, span.last)], [size.padPx, size.widthPx - size.padPx]);
  const rows = inputs.map(({ id, from, on }, index) => ({
    id,
    y: (index + 0.5) * size.rowPx,
    x1: xOf(Math.min(from ?? on, on)),
    x2: xOf(on),
  }));
  const byId = new Map(rows.map((row) => [row.id, row]));
  const links = inputs.flatMap(({ id, after }) =>
    after.flatMap((before) => {
      const [a, b] = [byId.get(before), byId.get(id)];
      if (a === undefined || b === undefined) return [];
      const bend = (b.y - a.y) / 2;
      return [
        { from: before, to: id, path: `M${a.x2} ${a.y}C${a.x2} ${a.y + bend} ${b.x2} ${b.y - bend} ${b.x2} ${b.y}` },
      ];
    }),
  );
  return { span, rows, links, ticks: monthTicks(span, xOf), todayX: xOf(today), heightPx: inputs.length * size.rowPx };
}
