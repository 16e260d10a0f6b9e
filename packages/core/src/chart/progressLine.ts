import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay, daysIn } from '../calendar/span.ts';

/** What a progress line is drawn of; ratios by day. */
export type ProgressLineInput = {
  /** The days drawn: from the start to the due day, or to today where that is later. */
  span: DaySpan;
  today: PlainDay;
  /** Ratio at the end of a day, 0 to the most. */
  progressAt: (day: PlainDay) => number | null;
  expectedAt: (day: PlainDay) => number | null;
  checkpoints: readonly { day: PlainDay; ratio: number; reached: boolean }[];
  forecast: PlainDay | null;
  /** The ratio at the top, 1 or more; 1 where it is left out. */
  most?: number;
};

/** A progress line with what was expected and where its rate leads, in pixels. */
export type ProgressLine = {
  /** Progress up to today, in steps: it holds until something changes it. */
  path: string;
  expectedPath: string;
  /** From today towards the forecast day, cut off at the edge; empty without one. */
  forecastPath: string;
  /** Where the line stands today; null before the start. */
  now: { x: number; y: number } | null;
  todayX: number | null;
  checkpoints: { x: number; y: number; reached: boolean }[];
  /** Months whose first day is written below, far enough apart to be read. */
  ticks: { month: PlainMonth; x: number }[];
  xOf: (day: PlainDay) => number;
  yOf: (ratio: number) => number;
};

/** No picture has room for more points than this. */
const MOST_POINTS = 2000;

/** Every day of a span, or as many evenly apart as can be seen, its last among them. */
function sampledDays(span: DaySpan): PlainDay[] {
  const every = Math.ceil(daysIn(span) / MOST_POINTS);
  if (every <= 1) return eachDay(span);
  const days = Array.from({ length: Math.ceil(daysIn(span) / every) }, (_, index) => span.first + index * every);
  return [...days, span.last];
}

type Point = { day: PlainDay; ratio: number | null };

/** The least room a month's name needs. */
const TICK_PX = 34;

/** The months that begin in a span and can be named below it: every one, second, third, sixth or twelfth, or fewer. */
export function monthTicks(span: DaySpan, xOf: (day: PlainDay) => number): { month: PlainMonth; x: number }[] {
  const [first, last] = [monthOfDay(span.first - 1) + 1, monthOfDay(span.last)];
  const monthPx = (xOf(span.last) - xOf(span.first)) / Math.max(1, daysIn(span) / 30.4);
  const every = [1, 2, 3, 6, 12, 24, 60, 120, 600, 1200].find((each) => each * monthPx >= TICK_PX) ?? 12000;
  const months = Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);
  return months.filter((month) => month % every === 0).map((month) => ({ month, x: xOf(monthSpan(month).first) }));
}

/** Progress over time against what was expected. All lengths in pixels. */
export function progressLine(
  input: ProgressLineInput,
  size: { widthPx: number; heightPx: number; padPx: number; axisPx: number },
): ProgressLine {
  const { span, today } = input;
  const xOf = scaleLinear([span.first, Math.max(span.first + 1, span.last)], [size.axisPx, size.widthPx - size.padPx]);
  const yOf = scaleLinear([0, Math.max(1, input.most ?? 1)], [size.heightPx - size.padPx, size.padPx]);
  const until = Math.min(today, span.last);
  const points = (days: readonly PlainDay[], ratioAt: (day: PlainDay) => number | null): Point[] =>
    days.map((day) => ({ day, ratio: ratioAt(day) }));
  const draw = () =>
    line<Point>()
      .defined(({ ratio }) => ratio !== null)
      .x(({ day }) => xOf(day))
      .y(({ ratio }) => yOf(ratio!));
  const gone = points(sampledDays({ first: span.first, last: until }), input.progressAt);
  const ratioNow = until < span.first ? null : input.progressAt(until);
  const now = ratioNow === null ? null : { x: xOf(until), y: yOf(ratioNow) };
  const forecastPath = (): string => {
    if (now === null || ratioNow === null || input.forecast === null || !(input.forecast > until)) return '';
    const share = Math.min(1, (span.last - until) / (input.forecast - until));
    return share > 0
      ? `M${now.x} ${now.y}L${xOf(until + share * (input.forecast - until))} ${yOf(ratioNow + share * (1 - ratioNow))}`
      : '';
  };
  return {
    path: draw().curve(curveStepAfter)(gone) ?? '',
    expectedPath: draw()(points(sampledDays(span), input.expectedAt)) ?? '',
    forecastPath: forecastPath(),
    now,
    todayX: today >= span.first && today <= span.last ? xOf(today) : null,
    checkpoints: input.checkpoints
      .filter(({ day }) => day >= span.first && day <= span.last)
      .map(({ day, ratio, reached }) => ({ x: xOf(day), y: yOf(Math.min(1, Math.max(0, ratio))), reached })),
    ticks: monthTicks(span, xOf),
    xOf,
    yOf,
  };
}
