import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { isAtLeast } from '../number/exact.ts';
import type { KeyResult } from '../record/records.ts';
import { type Course, type KeyResultContext, courseOf } from './course.ts';
import type { LinePoint } from './expected.ts';
import { type Pace, forecastOf, neededPerWeek, paceOf } from './pace.ts';

/** A checkpoint beside what the month came to. */
export type CheckpointRow = {
  month: PlainMonth;
  target: number;
  start: number;
  end: number;
  growth: number;
  reached: boolean;
};

/** The figures of a key result; null where there is nothing to say. */
export type KeyResultFigures = {
  current: number;
  /** The value that `current` started from and the one it is to reach. */
  from: number;
  target: number;
  unit: string;
  /** Its values are whole things. */
  isWhole: boolean;
  /** 0–1. */
  progress: number;
  /** Progress before clamping; below 0 when worse than at the start, above 1 when the target is passed. */
  raw: number;
  expected: number | null;
  pace: Pace | null;
  forecast: PlainDay | null;
  neededPerWeek: number | null;
  checkpoints: CheckpointRow[];
  start: PlainDay;
  due: PlainDay | null;
  /** The last day of the habit that it counts, once that is over; else null. */
  stoppedOn: PlainDay | null;
  /** The checkpoints that the expected line bends at. */
  linePoints: LinePoint[];
};

/** Everything computed of one key result as of today. Its dates are its own, else its goal's. */
export const keyResultFigures = (keyResult: KeyResult, context: KeyResultContext): KeyResultFigures =>
  figuresOfCourse(courseOf(keyResult, context), context.today);

/** The figures of a key result's course as of today. */
export function figuresOfCourse(course: Course, today: PlainDay): KeyResultFigures {
  const {
    start,
    due,
    from,
    target,
    unit,
    isWhole,
    months,
    linePoints,
    stoppedOn,
    valueAt,
    rawAt,
    progressAt,
    expectedAt,
  } = course;
  const current = valueAt(today);
  const progress = progressAt(today);
  const expected = expectedAt(today);
  const isReached = isAtLeast(progress, 1);
  return {
    current,
    from,
    target,
    unit,
    isWhole,
    progress,
    raw: rawAt(today),
    expected,
    pace: paceOf(progress, expected, due, today),
    forecast: forecastOf(course.exactRatioAt(today), start, today),
    neededPerWeek: due === null || isReached ? null : neededPerWeek(target - current, due, today),
    checkpoints: months.map((each) => checkpointRow(each, valueAt, target >= from, today)),
    start,
    due,
    stoppedOn,
    linePoints,
  };
}

function checkpointRow(
  { month, target }: { month: PlainMonth; target: number },
  valueAt: (day: PlainDay) => number,
  isUpwards: boolean,
  today: PlainDay,
): CheckpointRow {
  const span = monthSpan(month);
  const start = valueAt(span.first - 1);
  const end = valueAt(span.last);
  const isMet = isUpwards ? isAtLeast(end, target) : isAtLeast(target, end);
  return { month, target, start, end, growth: end - start, reached: span.first <= today && isMet };
}
