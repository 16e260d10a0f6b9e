import { type PlainMonth, monthOf } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { type Fraction, ZERO, clamped, fractionOf, minus, numberOf, over } from '../number/fraction.ts';
import type { CheckIn, Goal, KeyResult, Step } from '../record/records.ts';
import { type LinePoint, checkpointPoints, expectedOn } from './expected.ts';
import { meanExpected, stepsExpected, stepsValue } from './steps.ts';
import { habitValueBy, valueOn, valuesInOrder } from './valueAt.ts';
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
  /** (value − from) / (target − from) by then, not clamped; 0 where start and target are the same. */
  rawAt: (day: PlainDay) => number;
  /** The same, clamped to 0–1. */
  progressAt: (day: PlainDay) => number;
  /** (value − from) / (target − from) of any value, exact, not clamped; 0 where start and target are the same. */
  exactRatioOf: (value: Fraction) => Fraction;
  /** The same of the value at the end of a day: what `rawAt` and `progressAt` are rounded from. */
  exactRatioAt: (day: PlainDay) => Fraction;
  /** The part (0–1) expected by a day; null without a due day. */
  expectedAt: (day: PlainDay) => number | null;
};

type Scale = Pick<Course, 'from' | 'target' | 'unit' | 'isWhole' | 'movesFrom'> & {
  /** The value at the end of a day, exact. */
  exactValueAt: (day: PlainDay) => Fraction;
  stoppedOn?: PlainDay | null;
};

function scaleOf(keyResult: KeyResult, context: KeyResultContext, start: PlainDay, due: PlainDay | null): Scale {
  const { measure } = keyResult;
  const { today } = context;
  switch (measure.kind) {
    case 'steps': {
      const byDay = new Map<PlainDay, Fraction>();
      const doneDays = context.steps.flatMap(({ doneOn }) => (doneOn ? [dayOf(doneOn)] : [])).sort((a, b) => a - b);
      return {
        from: 0,
        target: stepsValue(keyResult.id, context.steps, today).count,
        unit: '',
        isWhole: true,
        movesFrom: Math.min(doneDays[0] ?? start, start),
        exactValueAt: (day) => {
          // The value changes on days with a done step only.
          const until = Math.min(day, today);
          const changedOn = doneDays.filter((each) => each <= until).at(-1);
          if (changedOn === undefined) return ZERO;
          const value = byDay.get(changedOn) ?? stepsValue(keyResult.id, context.steps, changedOn).value;
          byDay.set(changedOn, value);
          return value;
        },
      };
    }
    case 'habitDays':
    case 'habitAmount': {
      const track = context.trackOf(measure.habitId);
      const own = track?.habit.measure;
      const end = due === null ? today : Math.min(due, today);
      const valueBy = habitValueBy(track, measure.kind, start);
      return {
        from: 0,
        target: measure.target,
        unit: measure.kind === 'habitAmount' && own?.kind === 'amount' ? own.unit : '',
        isWhole: measure.kind === 'habitDays',
        movesFrom: start,
        stoppedOn: track !== undefined && track.last !== null && track.last < today ? track.last : null,
        exactValueAt: (day) => valueBy(Math.min(day, end)),
      };
    }
    case 'number':
    case 'money':
    case 'yesNo': {
      const values = valuesInOrder(context.checkIns, today);
      const from = measure.kind === 'yesNo' ? 0 : measure.start;
      const target = measure.kind === 'yesNo' ? 1 : measure.target;
      return {
        from,
        target,
        unit: unitOfMeasure(measure) ?? '',
        isWhole:
          measure.kind === 'number' &&
          [from, target, ...values.map(({ value }) => value)].every((value) => Number.isInteger(value)),
        movesFrom: values[0]?.day ?? start,
        exactValueAt: (day) => fractionOf(valueOn(values, day, from)),
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
  const { exactValueAt, ...scale } = scaleOf(keyResult, context, start, due);
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
  const exactFrom = fractionOf(from);
  const way = minus(fractionOf(target), exactFrom);
  const exactRatioOf = (value: Fraction): Fraction => (way.n === 0n ? ZERO : over(minus(value, exactFrom), way));
  const exactRatioAt = (day: PlainDay): Fraction => exactRatioOf(exactValueAt(day));
  return {
    stoppedOn: null,
    ...scale,
    start,
    due,
    months,
    linePoints,
    valueAt: (day) => numberOf(exactValueAt(day)),
    exactRatioOf,
    exactRatioAt,
    rawAt: (day) => numberOf(exactRatioAt(day)),
    progressAt: (day) => numberOf(clamped(exactRatioAt(day))),
    expectedAt: (day) => (due === null ? null : expectedAt(day, due)),
  };
}
