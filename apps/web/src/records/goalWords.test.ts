import { type CheckIn, type Goal, type KeyResult, type KeyResultMeasure, dayOf, keyResultFigures } from '@wimbel/core';
import { LIGHT } from '../theme/colors.ts';
import { holeColor, paceSentence, paceTone, standingOf } from './goalWords.ts';

const TODAY = dayOf('2026-11-24');
const goal: Goal = { id: 'g', title: 'Sail', startsOn: '2026-11-14', dueOn: '2026-12-04', state: 'open', order: 0 };
const keyResult = (measure: KeyResultMeasure, more: Partial<KeyResult> = {}): KeyResult => ({
  id: 'k',
  goalId: 'g',
  title: 'K',
  order: 0,
  measure,
  ...more,
});

function words(of: KeyResult, value?: number, of_: Goal = goal): [string, string] {
  const checkIns: CheckIn[] =
    value === undefined
      ? []
      : [{ id: 'c', keyResultId: 'k', day: '2026-11-20', value, madeAt: '2026-11-20T10:00:00Z' }];
  const figures = keyResultFigures(of, { goal: of_, checkIns, steps: [], trackOf: () => undefined, today: TODAY });
  return [standingOf(of, figures), paceSentence(of, figures, TODAY)];
}

describe('a key result says where it stands and why', () => {
  const hours = keyResult({ kind: 'number', unit: 'h', start: 0, target: 120 });

  it.each<[string, [string, string], [string, string]]>([
    [
      'behind',
      words(hours, 42),
      ['42 of 120 h', 'Behind: by now 60 h were planned. 55 h a week from here reach it by 4 December.'],
    ],
    ['on pace', words(hours, 60), ['60 of 120 h', 'On pace: 42 h a week from here reach it by 4 December.']],
    ['ahead', words(hours, 80), ['80 of 120 h', 'Ahead. At this rate reached by 29 November.']],
    ['reached', words(hours, 121), ['121 of 120 h', 'Reached.']],
    [
      'overdue',
      words(hours, 100, { ...goal, dueOn: '2026-11-23' }),
      ['100 of 120 h', 'Overdue by 1 day: 20 h missing.'],
    ],
    [
      'downwards',
      words(keyResult({ kind: 'number', unit: 'min', start: 28, target: 22 }), 24.8),
      ['24.8, down to 22 min', 'On pace: 2 min a week from here reach it by 4 December.'],
    ],
    [
      'money',
      words(keyResult({ kind: 'money', currency: 'EUR', start: 0, target: 900 }), 747),
      ['€747 of €900', 'Ahead. At this rate reached by 27 November.'],
    ],
    ['a yes still open', words(keyResult({ kind: 'yesNo' })), ['not yet', 'Still open, due 4 December.']],
    ['a yes', words(keyResult({ kind: 'yesNo' }), 1), ['yes', 'Reached.']],
    [
      'days of a habit',
      words(keyResult({ kind: 'habitDays', habitId: 'h', target: 4 })),
      ['0 of 4 days', 'Behind: by now 2 days were planned. 2.8 days a week from here reach it by 4 December.'],
    ],
    [
      'without a due day',
      words(hours, 60, { ...goal, dueOn: undefined }),
      ['60 of 120 h', 'No due day. At this rate reached by 4 December.'],
    ],
  ])('%s', (_, said, expected) => expect(said).toEqual(expected));

  it('neighbours differ in colour, overdue alone is told in madder', () => {
    expect(new Set([0, 1, 2, 3, 4, 5, 6, 7].map((place) => holeColor(LIGHT, place))).size).toBe(8);
    expect([paceTone('overdue'), paceTone('behind'), paceTone('ahead'), paceTone(null)]).toEqual([
      'madder',
      'ink',
      'working',
      'quiet',
    ]);
  });
});
