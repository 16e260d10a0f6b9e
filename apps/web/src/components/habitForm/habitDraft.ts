import {
  type Habit,
  type PartOfDay,
  type PlainDay,
  type Schedule,
  type Terms,
  WEEKDAYS,
  type Weekday,
  dayOf,
  formatDay,
  parseDay,
  termsOn,
  heldTerms,
  withFirstTermsFrom,
} from '@wimbel/core';
import * as yup from 'yup';
import { editable, parseTyped } from '../../text/amounts.ts';

/** Form draft: text as typed, choices as chosen. */
export type HabitDraft = {
  name: string;
  icon: string;
  areaId: string;
  newArea: string;
  aim: 'build' | 'quit';
  measure: 'check' | 'amount';
  unit: string;
  step: string;
  limit: 'atLeast' | 'atMost';
  threshold: string;
  schedule: Schedule['kind'];
  weekdays: Weekday[];
  every: string;
  times: string;
  partOfDay: PartOfDay;
  startsOn: string;
  endsOn: string;
  note: string;
  /** What checks it off by itself; empty for nothing. */
  doneBy: 'journal' | 'review' | '';
  /** What a done day earns; empty for nothing. */
  pips: string;
  /** The day that changed terms hold from. */
  termsFrom: string;
};

export const emptyDraft = (today: PlainDay): HabitDraft => ({
  name: '',
  icon: '',
  areaId: '',
  newArea: '',
  aim: 'build',
  measure: 'check',
  unit: 'min',
  step: '5',
  limit: 'atLeast',
  threshold: '20',
  schedule: 'daily',
  weekdays: WEEKDAYS.slice(0, 5),
  every: '2',
  times: '3',
  partOfDay: 'any',
  startsOn: formatDay(today),
  endsOn: '',
  note: '',
  doneBy: '',
  pips: '',
  termsFrom: formatDay(today),
});

/** The form as it is for a habit there is; its terms are those in force today. */
export function draftOf(habit: Habit, today: PlainDay): HabitDraft {
  const terms = termsInForce(habit, today);
  const { schedule } = terms;
  const base = emptyDraft(today);
  return {
    ...base,
    name: habit.name,
    icon: habit.icon ?? '',
    areaId: habit.areaId ?? '',
    aim: habit.aim,
    measure: habit.measure.kind,
    unit: habit.measure.kind === 'amount' ? habit.measure.unit : base.unit,
    step: habit.measure.kind === 'amount' ? editable(habit.measure.step) : base.step,
    limit: terms.atMost === undefined || terms.atMost === null ? 'atLeast' : 'atMost',
    threshold: thresholdText(terms, base.threshold),
    schedule: schedule.kind,
    weekdays: schedule.kind === 'weekdays' ? schedule.days : base.weekdays,
    every: schedule.kind === 'interval' ? String(schedule.every) : base.every,
    times: schedule.kind === 'perWeek' || schedule.kind === 'perMonth' ? String(schedule.times) : base.times,
    partOfDay: habit.partOfDay,
    startsOn: habit.startsOn,
    endsOn: habit.endsOn ?? '',
    note: habit.note ?? '',
    doneBy: habit.doneBy ?? '',
    pips: terms.pips ? editable(terms.pips) : '',
  };
}

function thresholdText({ atLeast, atMost }: Terms, otherwise: string): string {
  const limit = atLeast ?? atMost;
  return limit === undefined || limit === null ? otherwise : editable(limit);
}

/** The record's own terms that are in force on a day. */
function termsInForce(habit: Habit, day: PlainDay): Terms {
  const { from } = termsOn(heldTerms(habit.terms), day);
  return habit.terms.find((each) => dayOf(each.from) === from)!;
}

const number = (words: string) =>
  yup
    .string()
    .trim()
    .required(words)
    .test('number', 'Write a number, such as 12 or 7.5', (value) => parseTyped(value) !== null);

const wholeBetween = (least: number, most: number, words: string) =>
  number(words).test('whole', `Choose a whole number from ${least} to ${most}`, (value) => {
    const typed = parseTyped(value);
    return typed !== null && Number.isInteger(typed) && typed >= least && typed <= most;
  });

const positive = (words: string) =>
  number(words).test('positive', 'This must be more than 0', (value) => (parseTyped(value) ?? 0) > 0);

/** Form validation, with an error text for each field. */
export const habitDraftSchema = yup.object({
  name: yup.string().trim().required('Give the habit a name').max(120, 'Keep the name under 120 characters'),
  unit: yup.string().trim().max(40, 'Keep the unit under 40 characters'),
  step: yup
    .string()
    .when('measure', ([measure], field) => (measure === 'amount' ? positive('Say what one tap adds') : field)),
  threshold: yup.string().when(['measure', 'limit'], ([measure, limit], field) => {
    if (measure !== 'amount') return field;
    return limit === 'atLeast'
      ? positive('Say how much makes a day done')
      : number('Say how much is still fine').test(
          'notNegative',
          'This cannot be below 0',
          (value) => (parseTyped(value) ?? -1) >= 0,
        );
  }),
  weekdays: yup
    .array()
    .when('schedule', ([schedule], field) =>
      schedule === 'weekdays' ? field.min(1, 'Choose at least one weekday') : field,
    ),
  every: yup
    .string()
    .when('schedule', ([schedule], field) =>
      schedule === 'interval' ? wholeBetween(2, 365, 'Say every how many days') : field,
    ),
  times: yup.string().when('schedule', ([schedule], field) => {
    if (schedule === 'perWeek') return wholeBetween(1, 7, 'Say how many days a week');
    return schedule === 'perMonth' ? wholeBetween(1, 31, 'Say how many days a month') : field;
  }),
  startsOn: yup.string().test('day', 'Choose the first day', (value) => parseDay(value ?? '') !== null),
  endsOn: yup
    .string()
    .test('day', 'Choose a day, or leave it empty', (value) => !value || parseDay(value) !== null)
    .test('order', 'The last day is before the first', (value, { parent }) => !value || value >= parent.startsOn),
  pips: yup
    .string()
    .test(
      'number',
      'Write a number of 0 or more, or leave it empty',
      (value) => !value?.trim() || (parseTyped(value) ?? -1) >= 0,
    ),
});

function scheduleOf(draft: HabitDraft): Schedule {
  switch (draft.schedule) {
    case 'weekdays':
      return { kind: 'weekdays', days: WEEKDAYS.filter((each) => draft.weekdays.includes(each)) };
    case 'interval':
      return { kind: 'interval', every: parseTyped(draft.every)! };
    case 'perWeek':
    case 'perMonth':
      return { kind: draft.schedule, times: parseTyped(draft.times)! };
    case 'daily':
      return { kind: 'daily' };
  }
}

const termsOfDraft = (draft: HabitDraft): Omit<Terms, 'from'> => ({
  schedule: scheduleOf(draft),
  ...(draft.measure === 'amount' ? { [draft.limit]: parseTyped(draft.threshold)! } : {}),
  ...((parseTyped(draft.pips) ?? 0) > 0 ? { pips: parseTyped(draft.pips)! } : {}),
});

/** Whether the form asks for other terms than those in force today. */
export function changesTerms(habit: Habit | null, draft: HabitDraft, today: PlainDay): boolean {
  if (habit === null) return false;
  const { from: _, ...asked } = termsInForce(habit, today);
  return JSON.stringify(sorted(asked)) !== JSON.stringify(sorted(termsOfDraft(draft)));
}

/** What is wrong with the day that changed terms are to hold from; null where nothing is. Past days keep their terms. */
export const termsFromFault = (draft: HabitDraft, today: PlainDay): string | null => {
  const from = parseDay(draft.termsFrom);
  if (from === null) return 'Choose the day from which it holds';
  return from < today ? 'Choose today or a later day: past days keep their schedule' : null;
};

/**
 * The habit's terms after the form: new terms hold from the day chosen on and leave the past as it was. Where nothing is
 * recorded yet, and on a day that already began with terms of its own, those are replaced. `first` is the first day of the
 * record; null while there is none.
 */
export function termsAfter(before: Habit | null, draft: HabitDraft, today: PlainDay, first: PlainDay | null): Terms[] {
  const wanted = termsOfDraft(draft);
  if (before === null) return [{ from: draft.startsOn, ...wanted }];
  const habit = first === null ? before : withFirstTermsFrom(before, first);
  const moved = movedStart(habit, draft.startsOn);
  if (!changesTerms(habit, draft, today)) return moved;
  if (first === null && habit.terms.length === 1) return [{ from: draft.startsOn, ...wanted }];
  return [...moved.filter((each) => each.from !== draft.termsFrom), { from: draft.termsFrom, ...wanted }].sort(
    (a, b) => (a.from < b.from ? -1 : 1),
  );
}

/** The first terms follow the start, earlier or (while they began with it) later, so that they are in force from it. */
function movedStart(habit: Habit, startsOn: string): Terms[] {
  const [first, ...rest] = habit.terms;
  if (first === undefined || (first.from !== habit.startsOn && startsOn >= first.from)) return habit.terms;
  if (rest[0] !== undefined && startsOn >= rest[0].from) return habit.terms;
  return [{ ...first, from: startsOn }, ...rest];
}

const sorted = (terms: object) =>
  Object.entries(terms)
    .filter(([key, value]) => value !== undefined && value !== null && !(key === 'pips' && value === 0))
    .sort(([a], [b]) => (a < b ? -1 : 1));

/** The habit that a filled-in form makes; what the form does not show is kept from the habit before. */
export function habitOfDraft(
  draft: HabitDraft,
  before: Habit | null,
  context: { id: string; order: number; today: PlainDay; areaId: string | undefined; first: PlainDay | null },
): Habit {
  const habit: Habit = {
    ...before,
    id: context.id,
    name: draft.name.trim(),
    order: before?.order ?? context.order,
    aim: draft.aim,
    partOfDay: draft.partOfDay,
    measure:
      draft.measure === 'check'
        ? { kind: 'check' }
        : { kind: 'amount', unit: draft.unit.trim(), step: parseTyped(draft.step)! },
    terms: termsAfter(before, draft, context.today, context.first),
    startsOn: draft.startsOn,
  };
  const optional = { icon: draft.icon, areaId: context.areaId ?? '', note: draft.note.trim(), endsOn: draft.endsOn };
  for (const key of ['icon', 'areaId', 'note', 'endsOn'] as const) {
    if (optional[key] === '') delete habit[key];
    else habit[key] = optional[key];
  }
  if (draft.measure === 'check' && draft.doneBy !== '') habit.doneBy = draft.doneBy;
  else delete habit.doneBy;
  return habit;
}
