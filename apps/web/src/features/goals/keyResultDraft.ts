import type { KeyResult, KeyResultMeasure } from '@wimbel/core';
import * as yup from 'yup';
import { parseTyped } from '../../shared/amounts.ts';

/** The kinds that can be made here. Others, from elsewhere, are shown and kept. */
export const DRAFT_KINDS = ['number', 'yesNo', 'habitDays'] as const;
export type DraftKind = (typeof DRAFT_KINDS)[number];

export type KeyResultDraft = {
  title: string;
  kind: DraftKind;
  unit: string;
  start: string;
  target: string;
  habitId: string;
  weight: string;
};

export const emptyKeyResultDraft = (): KeyResultDraft => ({
  title: '',
  kind: 'number',
  unit: '',
  start: '0',
  target: '',
  habitId: '',
  weight: '1',
});

export function keyResultDraftOf({ title, measure, weight }: KeyResult): KeyResultDraft {
  const base = { ...emptyKeyResultDraft(), title, weight: String(weight ?? 1) };
  switch (measure.kind) {
    case 'number':
      return {
        ...base,
        kind: 'number',
        unit: measure.unit ?? '',
        start: String(measure.start),
        target: String(measure.target),
      };
    case 'habitDays':
      return { ...base, kind: 'habitDays', habitId: measure.habitId, target: String(measure.target) };
    default:
      return { ...base, kind: 'yesNo' };
  }
}

const typedNumber = (words: string) =>
  yup
    .string()
    .trim()
    .required(words)
    .test('number', 'Write a number, such as 12 or 7.5', (value) => parseTyped(value) !== null);

export const keyResultDraftSchema = yup.object({
  title: yup.string().trim().required('Say what is counted').max(200, 'Keep it under 200 characters'),
  start: yup
    .string()
    .when('kind', ([kind], field) => (kind === 'number' ? typedNumber('Say where it stands now') : field)),
  target: yup.string().when(['kind', 'start'], ([kind, start], field) => {
    if (kind === 'yesNo') return field;
    const target = typedNumber(kind === 'number' ? 'Say which number is the target' : 'Say how many days');
    return kind === 'number'
      ? target.test(
          'differs',
          'The target is the same as the start',
          (value) => parseTyped(value) !== parseTyped(String(start)),
        )
      : target.test('above', 'The target must be more than 0', (value) => (parseTyped(value) ?? 0) > 0);
  }),
  habitId: yup
    .string()
    .when('kind', ([kind], field) =>
      kind === 'habitDays' ? field.required('Choose the habit that is counted') : field,
    ),
  weight: typedNumber('Say how much it weighs; 1 is usual').test(
    'above',
    'The weight must be more than 0',
    (value) => (parseTyped(value) ?? 0) > 0,
  ),
});

export function measureOfDraft(draft: KeyResultDraft): KeyResultMeasure {
  if (draft.kind === 'yesNo') return { kind: 'yesNo' };
  const target = parseTyped(draft.target)!;
  if (draft.kind === 'habitDays') return { kind: 'habitDays', habitId: draft.habitId, target };
  const unit = draft.unit.trim();
  return { kind: 'number', ...(unit === '' ? {} : { unit }), start: parseTyped(draft.start)!, target };
}
