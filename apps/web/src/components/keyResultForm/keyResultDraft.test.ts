import { checkRecord } from '@wimbel/contract';
import type { KeyResult, KeyResultMeasure } from '@wimbel/core';
import {
  type KeyResultDraft,
  emptyKeyResultDraft,
  keyResultDraftOf,
  keyResultDraftSchema,
  keyResultOfDraft,
  measureOfDraft,
} from './keyResultDraft.ts';

const MEASURES: KeyResultMeasure[] = [
  { kind: 'number', unit: 'h', start: 0, target: 120 },
  { kind: 'number', start: 28.5, target: 22 },
  { kind: 'money', currency: 'EUR', start: 0, target: 900 },
  { kind: 'yesNo' },
  { kind: 'steps' },
  { kind: 'habitDays', habitId: 'h', target: 30 },
  { kind: 'habitAmount', habitId: 'h', target: 12.5 },
];
const base = { id: 'k', goalId: 'g', order: 3 };

describe('the form of a key result', () => {
  it.each(MEASURES)('fills in what was made, and makes what was filled in: %j', (measure) => {
    const hasMonths = measure.kind !== 'yesNo' && measure.kind !== 'steps';
    const made: KeyResult = {
      ...base,
      title: 'Planks',
      measure,
      weight: 2.5,
      startsOn: '2026-01-02',
      dueOn: '2026-05-06',
      ...(hasMonths ? { checkpoints: { '2026-02': 3.5, '2026-03': 7 } } : {}),
    };
    expect(keyResultOfDraft(keyResultDraftOf(made), base)).toEqual(made);
    expect(measureOfDraft(keyResultDraftOf(made))).toEqual(measure);
    expect(checkRecord('keyResults', made).issues).toEqual([]);
  });

  it('leaves out what is usual or empty', () => {
    const draft = { ...emptyKeyResultDraft(), title: ' Planks ', target: '5', checkpoints: { '2026-02': ' ' } };
    expect(keyResultOfDraft(draft, base)).toEqual({
      ...base,
      title: 'Planks',
      measure: { kind: 'number', start: 0, target: 5 },
    });
    expect(measureOfDraft({ ...draft, kind: 'money', currency: 'gbp' })).toMatchObject({ currency: 'GBP' });
  });

  it.each<[Partial<KeyResultDraft>, string, RegExp]>([
    [{ title: '', target: '5' }, 'title', /Say what is counted/],
    [{ target: '0' }, 'target', /same as the start/],
    [{ target: '28,5', start: '28.5' }, 'target', /same as the start/],
    [{ target: 'ten' }, 'target', /Write a number/],
    [{ target: '5', start: 'low' }, 'start', /Write a number/],
    [{ kind: 'money', target: '5', currency: 'EURO' }, 'currency', /three letters/],
    [{ kind: 'habitDays', target: '5' }, 'habitId', /Choose the habit/],
    [{ kind: 'habitAmount', habitId: 'h', target: '-1' }, 'target', /more than 0/],
    [{ target: '5', weight: '0' }, 'weight', /more than 0/],
    [{ target: '5', startsOn: '2026-02-02', dueOn: '2026-02-01' }, 'dueOn', /before the start/],
    [{ target: '5', checkpoints: { '2026-02': 'some' } }, 'checkpoints', /is a number/],
  ])('%j is not right at %s', async (more, path, message) => {
    const draft = { ...emptyKeyResultDraft(), title: 'K', ...more };
    await expect(keyResultDraftSchema.validate(draft)).rejects.toMatchObject({
      path,
      message: expect.stringMatching(message),
    });
  });
});
