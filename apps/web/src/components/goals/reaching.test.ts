import { dayOf, monthOf } from '@wimbel/core';
import { selectFiguredGoal } from '../../store/goalSelectors.ts';
import { TODAY, aCheckIn, aGoal, aKeyResult, aStep, storeWith } from '../../testing/goalSamples.ts';
import { laterThan } from './CheckInSheet.tsx';
import { lastCheckInOf } from './CheckpointsCard.tsx';
import { becameWords } from './GoalsSum.tsx';
import { reachedOn } from './ReachedSheet.tsx';

const checkIns = [
  aCheckIn('a', 'k', 2, '2026-10-30'),
  aCheckIn('b', 'k', 4, '2026-11-05'),
  { ...aCheckIn('c', 'k', 5, '2026-11-20'), madeAt: '2026-11-20T09:00:00Z' },
  { ...aCheckIn('d', 'k', 6, '2026-11-20'), madeAt: '2026-11-20T18:00:00Z' },
  aCheckIn('e', 'other', 9, '2026-11-22'),
];

it('a month ends with its last check-in, of the same day the last made; a month without one with none', () => {
  expect(lastCheckInOf(checkIns, 'k', monthOf('2026-11'))?.id).toBe('d');
  expect(lastCheckInOf(checkIns, 'k', monthOf('2026-10'))?.id).toBe('a');
  expect(lastCheckInOf(checkIns, 'k', monthOf('2026-12'))).toBeNull();
});

it('later check-ins are those of later days, and of the same day those made later', () => {
  const own = checkIns.slice(0, 4);
  expect(laterThan(own, checkIns[1]!).map(({ id }) => id)).toEqual(['c', 'd']);
  expect(laterThan(own, checkIns[2]!).map(({ id }) => id)).toEqual(['d']);
  expect(laterThan(own, checkIns[3]!)).toEqual([]);
});

it('a key result is reached on the day of its last check-in, or of its last step at any depth', () => {
  const store = storeWith({
    goals: [aGoal('g')],
    keyResults: [
      aKeyResult('k', 'g'),
      aKeyResult('made', 'g', { measure: { kind: 'steps' } }),
      aKeyResult('other', 'g', { measure: { kind: 'steps' } }),
    ],
    checkIns: checkIns.slice(0, 4),
    steps: [
      aStep('top', 'g', { keyResultId: 'made' }),
      aStep('below', 'g', { parentId: 'top' }),
      aStep('deep', 'g', { parentId: 'below', doneOn: '2026-11-19' }),
      aStep('elsewhere', 'g', { keyResultId: 'other' }),
      aStep('under it', 'g', { parentId: 'elsewhere', doneOn: '2026-11-23' }),
    ],
  });
  const figured = selectFiguredGoal(store.getState(), 'g')!;
  const on = (id: string) =>
    reachedOn(
      figured,
      figured.records.keyResults.find((each) => each.id === id)!,
      TODAY,
    );
  expect([on('k'), on('made'), on('other')]).toEqual(['2026-11-20', '2026-11-19', '2026-11-23'].map(dayOf));
});

it('what became of goals names what there is, and nothing that is not', () => {
  expect(becameWords({ set: 5, reached: 2, dropped: 1, paused: 0, progress: 0.5 })).toBe('5 set, 2 reached, 1 dropped');
  expect(becameWords({ set: 1, reached: 0, dropped: 0, paused: 1, progress: null })).toBe('1 set, 1 paused');
});
