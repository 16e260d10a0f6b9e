import { dayOf } from '@wimbel/core';
import { aHabit } from '../../../testing/goalSamples.ts';
import {
  type GoalWish,
  changesOfYearTurn,
  daysFault,
  emptyYearTurn,
  goalFault,
  newGoalWish,
  readYearTurn,
  yearWishOf,
} from './yearTurnDraft.ts';

const goal = (more: Partial<GoalWish> = {}): GoalWish => ({ ...newGoalWish(2027), title: 'Sail', ...more });

describe('the turn of a year', () => {
  it('makes records of what was filled in, and nothing of what was left as it is', () => {
    const context = {
      firstDayOf: (habit: Habit) => dayOf(habit.startsOn),
      year: 2027,
      today: dayOf('2026-12-30'),
      habits: [aHabit('a'), aHabit('b'), aHabit('c')],
      order: 4,
    };
    const draft = {
      habits: {
        a: { often: '3' as const, days: '150' },
        b: { often: 'asNow' as const, days: '' },
        c: { often: 'over' as const, days: '' },
      },
      goals: [
        goal({
          id: 'g',
          why: ' To see it ',
          milestones: [
            { id: 'm', title: 'Mast', dueOn: '2027-04-01' },
            { id: 'n', title: ' ', dueOn: '' },
          ],
        }),
        goal({ title: ' ' }),
      ],
    };
    const changes = changesOfYearTurn(draft, context);
    expect(changes.map(({ collection, key }) => `${collection} ${key}`)).toEqual([
      'habits a',
      'habits c',
      'goals g',
      'milestones m',
    ]);
    expect(changes[0]!.record).toMatchObject({
      terms: [{}, { from: '2027-01-01', schedule: { kind: 'perWeek', times: 3 } }],
      yearTargets: { 2027: { days: 150 } },
    });
    expect(changes[1]!.record).toMatchObject({ endsOn: '2026-12-31' });
    expect(changes[2]!.record).toEqual({
      id: 'g',
      title: 'Sail',
      why: 'To see it',
      startsOn: '2027-01-01',
      dueOn: '2027-12-31',
      state: 'open',
      order: 4,
    });
    expect(changes[3]!.record).toEqual({ id: 'm', goalId: 'g', title: 'Mast', dueOn: '2027-04-01', order: 0 });
    expect(changesOfYearTurn(emptyYearTurn(), context)).toEqual([]);
  });

  it('says what is wrong before anything is kept', () => {
    expect(['', '0', '366', '1.5', '400', 'many'].map(daysFault)).toEqual([
      null,
      null,
      null,
      expect.any(String),
      expect.any(String),
      expect.any(String),
    ]);
    expect(goalFault(goal(), 2027)).toBeNull();
    expect(goalFault(goal({ title: '' }), 2027)).toBeNull();
    expect(goalFault(goal({ title: '', milestones: [{ id: 'm', title: 'Mast', dueOn: '' }] }), 2027)).toBe(
      'Give the goal a title',
    );
    expect(goalFault(goal({ dueOn: '2026-12-31' }), 2027)).toBe('Choose a day from the first of 2027 on');
    expect(yearWishOf({ often: '2', days: 'many' })).toEqual({
      schedule: { kind: 'perWeek', times: 2 },
      days: null,
      isOver: false,
    });
  });

  it('is read back as it was kept on the device, and begins anew where that cannot be read', () => {
    const draft = { habits: { a: { often: '3' as const, days: '' } }, goals: [goal()] };
    expect(readYearTurn(JSON.stringify(draft))).toEqual(draft);
    expect([readYearTurn(null), readYearTurn('{'), readYearTurn('{"habits":1}')]).toEqual([null, null, null]);
  });
});
