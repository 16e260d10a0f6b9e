import { type Entry, type Habit, PARTS_OF_DAY, type Terms, isApproximately, parseMonth, lazy } from '@wimbel/core';
import * as yup from 'yup';
import {
  day,
  dayCount,
  dictionary,
  faults,
  flag,
  id,
  list,
  name,
  notNegative,
  number,
  oneOf,
  order,
  recordShape,
  shape,
  text,
  unit,
  weekdays,
  whole,
  link,
} from '../fields.ts';
import { LIMITS } from '../limits.ts';

const times = (most: number) =>
  whole().required('is missing').min(1, `is not between 1 and ${most}`).max(most, `is not between 1 and ${most}`);

type Fields = Record<string, yup.ISchema<unknown>>;

const schedules = (): Record<Terms['schedule']['kind'], Fields> => ({
  daily: {},
  weekdays: { days: weekdays().required('is missing').min(1, 'names no weekday') },
  interval: { every: whole().required('is missing').min(2, 'is below 2') },
  perWeek: { times: times(7) },
  perMonth: { times: times(31) },
});

/** Picks the shape of an object by its `kind`. */
export function byKind<K extends string>(fieldsOf: Record<K, Fields>) {
  const kinds = Object.keys(fieldsOf) as K[];
  const kind = oneOf(kinds).required('is missing');
  const shapes = new Map<string, ReturnType<typeof shape>>(
    kinds.map((each) => [each, shape({ kind, ...fieldsOf[each] }).required('is missing')]),
  );
  const unknown = yup.object({ kind }).default(undefined).typeError('is not an object').required('is missing');
  return yup.lazy((value: unknown) => shapes.get((value as { kind?: string } | null)?.kind ?? '') ?? unknown);
}

const measureSchema = lazy(() =>
  byKind({
    check: {},
    amount: {
      unit: unit(),
      step: number().required('is missing').moreThan(0, 'is not above 0'),
    },
  }),
);

const termsSchema = lazy(() =>
  shape({
    from: day().required('is missing'),
    schedule: byKind(schedules()) as never,
    atLeast: number().moreThan(0, 'is not above 0'),
    atMost: notNegative(),
    pips: notNegative(),
  }),
);

const pauseSchema = lazy(() =>
  shape({ from: day().required('is missing'), to: day().required('is missing'), why: text() })
    .required('is missing')
    .test(
      'pause',
      '',
      faults<{ from: string; to: string }>((pause) => [
        pause.to < pause.from && { path: 'to', message: 'is before the first day of the pause' },
      ]),
    ),
);

function termsFaults(habit: Habit) {
  const terms: Terms[] = Array.isArray(habit.terms) ? habit.terms : [];
  const isAmount = habit.measure?.kind === 'amount';
  return terms.flatMap((each, index) => {
    const limits = [each?.atLeast, each?.atMost].filter((limit) => limit !== undefined).length;
    const before = terms[index - 1]?.from;
    const path = `terms[${index}]`;
    return [
      isAmount && limits !== 1 && { path, message: 'needs either atLeast or atMost' },
      !isAmount && limits > 0 && { path, message: 'has a threshold, but the habit is only checked off' },
      before !== undefined &&
        each?.from === before && { path: `${path}.from`, message: 'is the same as in the terms before' },
      before !== undefined && each?.from < before && { path: `${path}.from`, message: 'comes before the terms above' },
    ];
  });
}

const hasIdsOnce = (value: unknown): boolean =>
  !Array.isArray(value) || new Set(value.map((each: { id: string }) => each?.id)).size === value.length;

/** Schema of a habit: its terms in order and fitting its measure. */
export const habitSchema = lazy(() =>
  recordShape<'habits'>({
    id: id(),
    name: name(),
    areaId: id().optional(),
    goalId: id().optional(),
    icon: text(),
    order: order(),
    note: text(),
    aim: oneOf(['build', 'quit']).required('is missing'),
    partOfDay: oneOf(PARTS_OF_DAY).required('is missing'),
    measure: measureSchema() as never,
    terms: list(termsSchema().required('is missing'), LIMITS.lists.terms).required('is missing').min(1, 'is empty'),
    startsOn: day().required('is missing'),
    endsOn: day(),
    archived: flag(),
    pauses: list(pauseSchema(), LIMITS.lists.pauses),
    finishLine: shape({ days: dayCount().required('is missing'), reward: text(), enjoyedOn: day() }),
    monthTargets: dictionary(
      (key) => parseMonth(key) !== null,
      'is not a month that exists, written YYYY-MM',
      shape({ days: dayCount(), amount: notNegative(), reward: text(), enjoyedOn: day(), onward: flag() }),
    ) as never,
    yearTargets: dictionary(
      (key) => /^\d{4}$/.test(key),
      'is not a year, written YYYY',
      shape({ days: dayCount(), amount: notNegative() }),
    ) as never,
    variants: list(shape({ id: id(), name: name(), group: text() }).required('is missing'), LIMITS.lists.variants).test(
      'once',
      'has an id twice',
      hasIdsOnce,
    ),
    doneBy: oneOf(['journal', 'review']),
    impact: oneOf(['high', 'medium', 'low']),
  }).test(
    'habit',
    '',
    faults<Habit>((habit) => [
      ...termsFaults(habit),
      !!habit.endsOn &&
        habit.endsOn < habit.startsOn && { path: 'endsOn', message: 'is before the first day of the habit' },
      !!habit.doneBy &&
        habit.measure?.kind === 'amount' && { path: 'doneBy', message: 'is only for habits that are checked off' },
    ]),
  ),
);

/** Schema of a day of a habit. */
export const entrySchema = lazy(() =>
  recordShape<'entries'>({
    habitId: id(),
    day: day().required('is missing'),
    mark: oneOf(['done', 'missed', 'rest']),
    amount: notNegative(),
    note: text(),
    parts: list(
      shape({ variantId: id(), amount: notNegative(), note: text() }).required('is missing'),
      LIMITS.lists.parts,
    ),
  }).test(
    'entry',
    '',
    faults<Entry>((entry) => {
      const parts = Array.isArray(entry.parts) ? entry.parts : [];
      const amounts = parts.flatMap((part) => (part?.amount === undefined ? [] : [part.amount]));
      const sum = amounts.reduce((total, amount) => total + amount, 0);
      const isSum = entry.amount === undefined || isApproximately(entry.amount, sum);
      return [amounts.length > 0 && !isSum && { path: 'amount', message: 'is not the sum of its parts' }];
    }),
  ),
);

/** Schema of a note on a habit. */
export const habitNoteSchema = lazy(() =>
  recordShape<'habitNotes'>({
    id: id(),
    habitId: id(),
    day: day(),
    text: text().defined('is missing'),
    link: link(),
  }),
);
