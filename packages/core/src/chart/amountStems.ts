import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';

/** What a day's amount has to be: at least or at most so much; null where the terms name none. */
export type AmountLimit = { atLeast: number } | { atMost: number } | null;

/** The stems of a habit’s amounts by day, in pixels, with what they are measured against. */
export type AmountStems = {
  stems: { day: PlainDay; x: number; y: number; value: number; isMet: boolean }[];
  /** The limit through the span, with a step where the terms change and a gap where there is none. */
  limitPath: string;
  floor: number;
  /** Round values for the axis, 0 among them. */
  ticks: { value: number; y: number }[];
  xOf: (day: PlainDay) => number;
};

const limitOf = (limit: AmountLimit): number | null =>
  limit === null ? null : 'atLeast' in limit ? limit.atLeast : limit.atMost;

/**
 * Amounts day by day as stems from a floor, beside what was asked for. `amountOn` gives null for a day without an amount: a
 * gap; `isMetOn` tells whether the day was done. Amounts below 0 stand on the floor. Lengths in pixels.
 */
export function amountStems(
  span: DaySpan,
  amountOn: (day: PlainDay) => number | null,
  limitOn: (day: PlainDay) => AmountLimit,
  isMetOn: (day: PlainDay) => boolean,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): AmountStems {
  const days = eachDay(span).map((day) => ({ day, value: amountOn(day), limit: limitOf(limitOn(day)) }));
  const most = days.reduce((top, { value, limit }) => Math.max(top, value ?? 0, limit ?? 0), 0);
  const yOf = scaleLinear([0, most > 0 ? most : 1], [size.heightPx - size.padPx, size.padPx]).nice(3);
  const room = (size.widthPx - size.padPx - size.axisPx) / days.length;
  const xOf = (day: PlainDay): number => size.axisPx + (day - span.first + 0.5) * room;
  // A limit holds for the whole of its day.
  const edges = days.flatMap(({ day, limit }) => [
    { x: xOf(day) - room / 2, limit },
    { x: xOf(day) + room / 2, limit },
  ]);
  const limitPath = line<(typeof edges)[number]>()
    .defined(({ limit }) => limit !== null)
    .x(({ x }) => x)
    .y(({ limit }) => yOf(limit!))(edges);
  return {
    stems: days.flatMap(({ day, value }) =>
      value === null ? [] : [{ day, x: xOf(day), y: yOf(Math.max(0, value)), value, isMet: isMetOn(day) }],
    ),
    limitPath: limitPath ?? '',
    floor: yOf(0),
    ticks: yOf.ticks(3).map((value) => ({ value, y: yOf(value) })),
    xOf,
  };
}
