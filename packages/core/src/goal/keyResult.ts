import { type PlainMonth, monthOf, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Track } from '../habit/track.ts';
import { isAtLeast } from '../number/exact.ts';
import type { CheckIn, Goal, KeyResult, Step } from '../record/records.ts';
import { checkpointPoints, expectedOn, type LinePoint } from './expected.ts';
import { type Pace, forecastOf, neededPerWeek, paceOf } from './pace.ts';
import { stepsValue } from './steps.ts';
import { habitValue, valueOn, valuesInOrder } from './valueAt.ts';

/** What a key result is figured from. `checkIns` are its own, `steps` those of its goal, in the order of the file. */
export type KeyResultContext = {
  goal: Goal;
  checkIns: readonly CheckIn[];
  steps: readonly Step[];
  trackOf: (habitId: string) => Track | undefined;
  today: PlainDay;
};

export type CheckpointRow = {
  month: PlainMonth;
  target: number;
  start: number;
  end: number;
  growth: number;
  reached: boolean;
};

export type KeyResultFigures = {
  current: number;
  /** The value that `current` started from and the one it is to reach. */
  from: number;
  target: number;
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
  /** The checkpoints that the expected line bends at. */
  linePoints: LinePoint[];
};

type Scale = { from: number; target: number; valueAt: (day: PlainDay) => number };

function scaleOf(keyResult: KeyResult, context: KeyResultContext, start: PlainDay, due: PlainDay | null): Scale {
  const { measure } = keyResult;
  const { today } = context;
  switch (measure.kind) {
    case 'steps': {
      const { value, count } = stepsValue(keyResult.id, context.steps, today);
      return { from: 0, target: count, valueAt: () => value };
    }
    case 'habitDays':
    case 'habitAmount': {
      const track = context.trackOf(measure.habitId);
      const end = due === null ? today : Math.min(due, today);
      return {
        from: 0,
        target: measure.target,
        valueAt: (day) => habitValue(track, measure.kind, { first: start, last: Math.min(day, end) }),
      };
    }
    default: {
      const values = valuesInOrder(context.checkIns, today);
      const from = measure.kind === 'yesNo' ? 0 : measure.start;
      const target = measure.kind === 'yesNo' ? 1 : measure.target;
      return { from, target, valueAt: (day) => valueOn(values, day, from) };
    }
  }
}

/** Everything computed of one key result as of today. Its dates are its own, else its goal's. */
export function keyResultFigures(keyResult: KeyResult, context: KeyResultContext): KeyResultFigures {
  const { goal, today } = context;
  const start = dayOf(keyResult.startsOn ?? goal.startsOn);
  const dueText = keyResult.dueOn ?? goal.dueOn;
  const due = dueText ? dayOf(dueText) : null;
  const { from, target, valueAt } = scaleOf(keyResult, context, start, due);
  const current = valueAt(today);
  const raw = target === from ? 0 : (current - from) / (target - from);
  const progress = Math.min(1, Math.max(0, raw));
  const months = Object.entries(keyResult.checkpoints ?? {})
    .map(([text, value]) => ({ month: monthOf(text), target: value }))
    .sort((a, b) => a.month - b.month);
  const linePoints = due === null ? [] : checkpointPoints(months, { start, due, from, to: target });
  const expected = due === null ? null : expectedOn(today, start, due, linePoints);
  const isReached = isAtLeast(progress, 1);
  return {
    current,
    from,
    target,
    progress,
    raw,
    expected,
    pace: paceOf(progress, expected, due, today),
    forecast: forecastOf(progress, start, today),
    neededPerWeek: due === null || isReached ? null : neededPerWeek(target - current, due, today),
    checkpoints: months.map((each) => checkpointRow(each, valueAt, target >= from, today)),
    start,
    due,
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
