import { type PlainMonth, monthOf } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { type Fraction, ZERO, fraction, fractionOf, minus, numberOf, over } from '../number/fraction.ts';
import type { CheckIn, Goal, KeyResult, Step } from '../record/records.ts';
import { type LinePoint, checkpointPoints, expectedOn } from './expected.ts';
import { meanExpected, stepsExpected, stepsValue, stepsValuesInOrder } from './steps.ts';
import { type DatedValue, exactHabitValue, habitValue, valueOn, valuesInOrder } from './valueAt.ts';
import { isStepsMeasure, unitOfMeasure } from '../keyResults/kinds.ts';

/** What a key result is figured from. `checkIns` are its own, `steps` those of its goal, in the order of the file. */
export type KeyResultContext = {
  goal: Goal;
  checkIns: readonly CheckIn[];
  steps: readonly Step[];
  trackOf: (habitId: string) => Track | undefined;
  today: PlainDay;
};

/** The way of a key result from its start to its target, on any day up to today. */
export type Course = {
  start: PlainDay;
  due: PlainDay | null;
  from: number;
  target: number;
  /** Unit of its values; "" for bare numbers. */
  unit: string;
  /** Its values are whole things: counts, and numbers of which none has decimals. */
  isWhole: boolean;
  /** Its checkpoints by month, and those among them that the expected line bends at. */
  months: { month: PlainMonth; target: number }[];
  linePoints: LinePoint[];
  /** No value differs from `from` before this day: that of the first check-in, which may lie before the start. */
  movesFrom: PlainDay;
  /** The last day of the habit that it counts, once that is over, so that it grows no further; else null. */
  stoppedOn: PlainDay | null;
  /** The value at the end of a day; a day after today is as today. */
  valueAt: (day: PlainDay) => number;
  /** The part of the way gone by then, not clamped; 0 where start and target are the same. */
  rawAt: (day: PlainDay) => number;
  /** The same, 0–1. */
  progressAt: (day: PlainDay) => number;
  /** The part of the way gone by today, exact and not clamped; 0 where start and target are the same. */
  exactProgress: () => Fraction;
  /** The part (0–1) expected by a day; null without a due day. */
  expectedAt: (day: PlainDay) => number | null;
};

type Scale = Pick<Course, 'from' | 'target' | 'unit' | 'isWhole' | 'valueAt' | 'exactProgress' | 'movesFrom'> & {
  stoppedOn?: PlainDay | null;
};

/** (value − from) / (target − from) on the decimals as written. */
function exactWay(value: Fraction, from: number, target: number): Fraction {
  const start = fractionOf(from);
  const way = minus(fractionOf(target), start);
  return way.n === 0n ? ZERO : over(minus(value, start), way);
}

function scaleOf(keyResult: KeyResult, context: KeyResultContext, start: PlainDay, due: PlainDay | null): Scale {
  const { measure } = keyResult;
  const { today } = context;
  switch (measure.kind) {
    case 'steps': {
      const { value, count } = stepsValue(keyResult.id, context.steps, today);
      // Most ask for today only; the days before are laid out when the first is asked for.
      let values: DatedValue[] | null = null;
      const before = (day: PlainDay): number =>
        valueOn((values ??= stepsValuesInOrder(keyResult.id, context.steps, today)), day, 0);
      const now = numberOf(value);
      return {
        from: 0,
        target: count,
        unit: '',
        isWhole: true,
        movesFrom: context.steps.reduce((first, { doneOn }) => Math.min(first, doneOn ? dayOf(doneOn) : first), start),
        valueAt: (day) => (day >= today ? now : before(day)),
        exactProgress: () => (count === 0 ? ZERO : over(value, fraction(BigInt(count)))),
      };
    }
    case 'habitDays':
    case 'habitAmount': {
      const track = context.trackOf(measure.habitId);
      const own = track?.habit.measure;
      const end = due === null ? today : Math.min(due, today);
      const spanTo = (day: PlainDay) => ({ first: start, last: Math.min(day, end) });
      return {
        from: 0,
        target: measure.target,
        unit: measure.kind === 'habitAmount' && own?.kind === 'amount' ? own.unit : '',
        isWhole: measure.kind === 'habitDays',
        movesFrom: start,
        stoppedOn: track !== undefined && track.last !== null && track.last < today ? track.last : null,
        valueAt: (day) => habitValue(track, measure.kind, spanTo(day)),
        exactProgress: () => exactWay(exactHabitValue(track, measure.kind, spanTo(today)), 0, measure.target),
      };
    }
    case 'number':
    case 'money':
    case 'yesNo': {
      const values = valuesInOrder(context.checkIns, today);
      const from = measure.kind === 'yesNo' ? 0 : measure.start;
      const target = measure.kind === 'yesNo' ? 1 : measure.target;
      const valueAt = (day: PlainDay): number => valueOn(values, day, from);
      return {
        from,
        target,
        unit: unitOfMeasure(measure) ?? '',
        isWhole:
          measure.kind === 'number' &&
          [from, target, ...values.map(({ value }) => value)].every((value) => Number.isInteger(value)),
        movesFrom: values[0]?.day ?? start,
        valueAt,
        exactProgress: () => exactWay(fractionOf(valueAt(today)), from, target),
      };
    }
  }
}

/** The course of a key result as of today. Its dates are its own, else its goal's. */
export function courseOf(keyResult: KeyResult, context: KeyResultContext): Course {
  const { goal } = context;
  const start = dayOf(keyResult.startsOn ?? goal.startsOn);
  const dueText = keyResult.dueOn ?? goal.dueOn;
  const due = dueText ? dayOf(dueText) : null;
  const { valueAt, ...scale } = scaleOf(keyResult, context, start, due);
  const { from, target } = scale;
  const months = Object.entries(keyResult.checkpoints ?? {})
    .map(([text, value]) => ({ month: monthOf(text), target: value }))
    .sort((a, b) => a.month - b.month);
  const linePoints = due === null ? [] : checkpointPoints(months, { start, due, from, to: target });
  const expectedAt = (day: PlainDay, of: PlainDay): number => {
    const line = expectedOn(day, start, of, linePoints);
    return isStepsMeasure(keyResult.measure)
      ? meanExpected(stepsExpected(keyResult.id, context.steps, day, line), line)
      : line;
  };
  const rawAt = (day: PlainDay): number => (target === from ? 0 : (valueAt(day) - from) / (target - from));
  return {
    stoppedOn: null,
    ...scale,
    start,
    due,
    months,
    linePoints,
    valueAt,
    rawAt,
    progressAt: (day) => Math.min(1, Math.max(0, rawAt(day))),
    expectedAt: (day) => (due === null ? null : expectedAt(day, due)),
  };
}
