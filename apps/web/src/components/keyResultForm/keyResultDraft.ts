import {
  type KeyResult,
  type KeyResultMeasure,
  type MonthText,
  parseDay,
  type KeyResultKind,
  scaleOfKind,
  sourceOfKind,
} from '@wimbel/core';
import * as yup from 'yup';
import { editable, parseTyped } from '../../text/amounts.ts';

/** A key result as it stands in the form: everything as typed. */
export type KeyResultDraft = {
  title: string;
  kind: KeyResultKind;
  unit: string;
  currency: string;
  start: string;
  target: string;
  habitId: string;
  weight: string;
  startsOn: string;
  dueOn: string;
  /** Values by month. */
  checkpoints: Record<MonthText, string>;
};

export const emptyKeyResultDraft = (currency = 'EUR'): KeyResultDraft => ({
  title: '',
  kind: 'number',
  unit: '',
  currency,
  start: '0',
  target: '',
  habitId: '',
  weight: '1',
  startsOn: '',
  dueOn: '',
  checkpoints: {},
});

export function keyResultDraftOf({ title, measure, weight, startsOn, dueOn, checkpoints }: KeyResult): KeyResultDraft {
  const draft: KeyResultDraft = {
    ...emptyKeyResultDraft(),
    title,
    kind: measure.kind,
    weight: editable(weight ?? 1),
    startsOn: startsOn ?? '',
    dueOn: dueOn ?? '',
    checkpoints: Object.fromEntries(
      Object.entries(checkpoints ?? {})
        .sort()
        .map(([month, value]) => [month, editable(value)]),
    ),
  };
  if ('start' in measure) draft.start = editable(measure.start);
  if ('target' in measure) draft.target = editable(measure.target);
  if ('habitId' in measure) draft.habitId = measure.habitId;
  if (measure.kind === 'number') draft.unit = measure.unit ?? '';
  if (measure.kind === 'money') draft.currency = measure.currency;
  return draft;
}

export const isCounted = (kind: KeyResultKind): boolean => scaleOfKind(kind) === 'span';
export const isOfHabit = (kind: KeyResultKind): boolean => sourceOfKind(kind) === 'habit';
export const hasCheckpoints = (kind: KeyResultKind): boolean => isCounted(kind) || isOfHabit(kind);

const typedNumber = (words: string) =>
  yup
    .string()
    .trim()
    .required(words)
    .test('number', 'Write a number, such as 12 or 7.5', (value) => parseTyped(value) !== null);

const someDay = () =>
  yup.string().test('day', 'This day does not exist', (value) => !value || parseDay(value) !== null);

export const keyResultDraftSchema = yup.object({
  title: yup.string().trim().required('Say what is counted').max(200, 'Keep it under 200 characters'),
  start: yup
    .string()
    .when('kind', ([kind], field) => (isCounted(kind) ? typedNumber('Say where it stands at the start') : field)),
  target: yup.string().when(['kind', 'start'], ([kind, start], field) => {
    if (!hasCheckpoints(kind)) return field;
    if (isOfHabit(kind))
      return typedNumber(kind === 'habitDays' ? 'Say how many days' : 'Say how much').test(
        'above',
        'The target must be more than 0',
        (value) => (parseTyped(value) ?? 0) > 0,
      );
    return typedNumber('Say which number is the target').test(
      'differs',
      'The target is the same as the start: then it would be reached before it begins',
      (value) => parseTyped(value) !== parseTyped(String(start)),
    );
  }),
  currency: yup
    .string()
    .when('kind', ([kind], field) =>
      kind === 'money' ? field.matches(/^[A-Za-z]{3}$/, 'A currency is three letters, such as EUR') : field,
    ),
  habitId: yup
    .string()
    .when('kind', ([kind], field) => (isOfHabit(kind) ? field.required('Choose the habit that is counted') : field)),
  weight: typedNumber('Say how much it weighs; 1 is usual').test(
    'above',
    'The weight must be more than 0',
    (value) => (parseTyped(value) ?? 0) > 0,
  ),
  startsOn: someDay(),
  dueOn: someDay().test('after', 'The due day is before the start', (value, { parent }) => {
    const { startsOn } = parent as KeyResultDraft;
    return !value || !startsOn || value >= startsOn;
  }),
  checkpoints: yup
    .mixed<Record<string, string>>()
    .test('numbers', 'Each checkpoint is a number; empty ones are left out', (values) =>
      Object.values(values ?? {}).every((text) => text.trim() === '' || parseTyped(text) !== null),
    ),
});

/** The measure that a valid draft fills in. */
export function measureOfDraft({ kind, ...draft }: KeyResultDraft): KeyResultMeasure {
  const [start, target] = [() => parseTyped(draft.start)!, () => parseTyped(draft.target)!];
  switch (kind) {
    case 'yesNo':
    case 'steps':
      return { kind };
    case 'habitDays':
    case 'habitAmount':
      return { kind, habitId: draft.habitId, target: target() };
    case 'money':
      return { kind, currency: draft.currency.toUpperCase(), start: start(), target: target() };
    case 'number': {
      const unit = draft.unit.trim();
      return { kind, ...(unit === '' ? {} : { unit }), start: start(), target: target() };
    }
  }
}

/** The key result that a draft fills in; what it leaves empty is left out. */
export function keyResultOfDraft(draft: KeyResultDraft, base: Pick<KeyResult, 'id' | 'goalId' | 'order'>): KeyResult {
  const weight = parseTyped(draft.weight)!;
  const checkpoints = hasCheckpoints(draft.kind)
    ? Object.entries(draft.checkpoints).flatMap(([month, text]) => {
        const value = parseTyped(text);
        return value === null ? [] : [[month, value] as const];
      })
    : [];
  return {
    ...base,
    title: draft.title.trim(),
    measure: measureOfDraft(draft),
    ...(weight === 1 ? {} : { weight }),
    ...(draft.startsOn === '' ? {} : { startsOn: draft.startsOn }),
    ...(draft.dueOn === '' ? {} : { dueOn: draft.dueOn }),
    ...(checkpoints.length === 0 ? {} : { checkpoints: Object.fromEntries(checkpoints) }),
  };
}
