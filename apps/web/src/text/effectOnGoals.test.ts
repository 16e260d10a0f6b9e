import type { Goal, Habit, KeyResult } from '@wimbel/core';
import { effectOnGoals } from './effectOnGoals.ts';

const goal = (id: string, title: string): Goal => ({
  ...{ id, title, startsOn: '2026-01-01', state: 'open', order: 0 },
  dueOn: '2026-12-31',
});
const records = {
  goals: { suite: goal('suite', 'Learn the suite'), boat: goal('boat', 'Sail') },
  keyResults: {
    days: {
      ...{ id: 'days', goalId: 'suite', title: '40 days of scales', order: 0 },
      measure: { kind: 'habitDays', habitId: 'scales', target: 40 },
    } as KeyResult,
  },
};
const scales: Habit = {
  ...{ id: 'scales', name: 'Scales', order: 0, aim: 'build', partOfDay: 'any', measure: { kind: 'check' } },
  ...{ terms: [{ from: '2026-01-01', schedule: { kind: 'daily' } }], startsOn: '2026-01-01', goalId: 'suite' },
} as Habit;

describe('what a change of a habit does to goals', () => {
  it('is said where it moves to another goal or to none, with the key results that still count it', () => {
    expect(effectOnGoals(records, scales, { ...scales, goalId: 'boat' })).toBe(
      'It moves from “Learn the suite” to “Sail”. “40 days of scales” still counts it.',
    );
    const { goalId: _, ...loose } = scales;
    expect(effectOnGoals(records, scales, loose)).toBe(
      'It no longer carries “Learn the suite”. “40 days of scales” still counts it.',
    );
  });

  it('is said where it ends before a key result that counts it is due', () => {
    expect(effectOnGoals(records, scales, { ...scales, endsOn: '2026-11-24' })).toBe(
      '“40 days of scales” counts it, and will grow no further.',
    );
    expect(effectOnGoals(records, scales, { ...scales, endsOn: '2026-12-31' })).toBe('');
  });

  it('is nothing where goals are not touched', () => {
    expect(effectOnGoals(records, scales, { ...scales, name: 'Slow scales' })).toBe('');
    expect(effectOnGoals(records, { ...scales, goalId: undefined }, { ...scales, goalId: 'boat' })).toBe('');
  });
});
