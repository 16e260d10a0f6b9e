import {
  GOAL_TURNS,
  type Goal,
  type KeyResult,
  type Step,
  isApproximately,
  parseMonth,
  lazy,
  type KeyResultKind,
  isKeyResultKind,
  isSpanMeasure,
  scaleOfKind,
} from '@wimbel/core';
import {
  day,
  dictionary,
  faults,
  id,
  instant,
  list,
  name,
  notNegative,
  number,
  oneOf,
  order,
  recordShape,
  shape,
  text,
} from '../fields.ts';
import { LIMITS } from '../limits.ts';
import { byKind } from './habits.ts';

const value = () => number().required('is missing');
const habitTarget = () => ({ habitId: id(), target: value().moreThan(0, 'is not above 0') });

const measureSchema = lazy(() =>
  byKind<KeyResultKind>({
    number: { unit: text(), start: value(), target: value() },
    money: {
      currency: text()
        .required('is missing')
        .matches(/^[A-Z]{3}$/, 'is not a currency code of three letters'),
      start: value(),
      target: value(),
    },
    yesNo: {},
    steps: {},
    habitDays: habitTarget(),
    habitAmount: habitTarget(),
  }),
);

/** A due day that lies before the day it starts from. */
const dueFault = (record: { startsOn?: string; dueOn?: string }) =>
  !!record.startsOn &&
  !!record.dueOn &&
  record.dueOn < record.startsOn && { path: 'dueOn', message: 'is before the start' };

/** Schema of a goal. */
export const goalSchema = lazy(() =>
  recordShape<'goals'>({
    id: id(),
    title: name(),
    areaId: id().optional(),
    why: text(),
    doneWhen: text(),
    startsOn: day().required('is missing'),
    dueOn: day(),
    state: oneOf(['open', 'reached', 'dropped', 'paused']).required('is missing'),
    closedOn: day(),
    reward: text(),
    enjoyedOn: day(),
    order: order(),
    turns: list(
      shape({
        on: day().required('is missing'),
        kind: oneOf(GOAL_TURNS).required('is missing'),
        dueWas: day(),
        startWas: day(),
        about: text(),
        note: text(),
      }).required('is missing'),
      LIMITS.lists.turns,
    ),
  }).test(
    'goal',
    '',
    faults<Goal>((goal) => [dueFault(goal)]),
  ),
);

function measureFaults({ measure, checkpoints }: KeyResult) {
  // The schema of the measure reports an unknown kind.
  if (!isKeyResultKind((measure as KeyResult['measure'] | undefined)?.kind)) return [];
  const hasCheckpoints = Object.keys(checkpoints ?? {}).length > 0;
  return [
    isSpanMeasure(measure) &&
      isApproximately(measure.start, measure.target) && { path: 'measure.target', message: 'is the same as the start' },
    scaleOfKind(measure.kind) === 'none' &&
      hasCheckpoints && { path: 'checkpoints', message: 'are not for this kind of key result' },
  ];
}

/** Schema of a key result: its measure, weight, days and checkpoints. */
export const keyResultSchema = lazy(() =>
  recordShape<'keyResults'>({
    id: id(),
    goalId: id(),
    title: name(),
    weight: number().moreThan(0, 'is not above 0'),
    startsOn: day(),
    dueOn: day(),
    order: order(),
    measure: measureSchema() as never,
    checkpoints: dictionary(
      (key) => parseMonth(key) !== null,
      'is not a month that exists, written YYYY-MM',
      value(),
    ) as never,
  }).test(
    'keyResult',
    '',
    faults<KeyResult>((keyResult) => [dueFault(keyResult), ...measureFaults(keyResult)]),
  ),
);

/** Schema of a check-in. */
export const checkInSchema = lazy(() =>
  recordShape<'checkIns'>({
    id: id(),
    keyResultId: id(),
    day: day().required('is missing'),
    value: value(),
    note: text(),
    madeAt: instant().required('is missing'),
  }),
);

/** Schema of a step. */
export const stepSchema = lazy(() =>
  recordShape<'steps'>({
    id: id(),
    goalId: id(),
    keyResultId: id().optional(),
    parentId: id().optional(),
    title: name(),
    priority: oneOf([1, 2, 3, 4]),
    impact: oneOf(['high', 'medium', 'low']),
    startsOn: day(),
    dueOn: day(),
    doneOn: day(),
    note: text(),
    order: order(),
  }).test(
    'step',
    '',
    faults<Step>((step) => [dueFault(step)]),
  ),
);

/** Schema of a milestone. */
export const milestoneSchema = lazy(() =>
  recordShape<'milestones'>({
    id: id(),
    goalId: id(),
    title: name(),
    dueOn: day(),
    reachedOn: day(),
    reward: text(),
    enjoyedOn: day(),
    pips: notNegative(),
    after: list(id(), LIMITS.lists.after),
    order: order(),
  }),
);
