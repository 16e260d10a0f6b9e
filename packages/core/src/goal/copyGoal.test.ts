import type { GoalRecords } from './goalCourse.ts';
import { goalInAnotherYear } from './copyGoal.ts';

const records: GoalRecords = {
  goal: {
    id: 'g',
    title: 'Swim across the bay',
    why: 'To see the other shore',
    startsOn: '2024-02-29',
    dueOn: '2024-08-31',
    state: 'reached',
    closedOn: '2024-08-20',
    enjoyedOn: '2024-08-21',
    reward: 'A warm robe',
    order: 1,
    turns: [{ on: '2024-05-01', kind: 'postponed' }],
  },
  keyResults: [
    {
      id: 'k',
      goalId: 'g',
      title: 'Metres',
      order: 0,
      dueOn: '2024-07-31',
      measure: { kind: 'number', start: 200, target: 2000 },
      checkpoints: { '2024-05': 900 },
    },
    { id: 'd', goalId: 'g', title: 'Days', order: 1, measure: { kind: 'habitDays', habitId: 'swim', target: 60 } },
  ],
  checkIns: [{ id: 'c', keyResultId: 'k', day: '2024-06-01', value: 1500, madeAt: '2024-06-01T08:00:00Z' }],
  steps: [
    {
      id: 's',
      goalId: 'g',
      title: 'Borrow a float',
      order: 0,
      doneOn: '2024-03-04',
      keyResultId: 'k',
      dueOn: '2024-03-10',
    },
    { id: 't', goalId: 'g', title: 'Ask Ina', order: 1, parentId: 's' },
  ],
  milestones: [
    { id: 'm', goalId: 'g', title: 'Half way', order: 0, reachedOn: '2024-06-02' },
    { id: 'n', goalId: 'g', title: 'There', order: 1, after: ['m'], dueOn: '2024-08-31' },
  ],
};

let made = 0;
const copy = () => goalInAnotherYear(records, 2, 7, () => `new${++made}`);

describe('a goal once more in another year', () => {
  it('moves its days and checkpoints by whole years, 29 February to the 28th', () => {
    const { goal, keyResults, steps, milestones } = copy();
    expect([goal.startsOn, goal.dueOn]).toEqual(['2026-02-28', '2026-08-31']);
    expect(keyResults[0]).toMatchObject({ dueOn: '2026-07-31', checkpoints: { '2026-05': 900 } });
    expect([steps[0]!.dueOn, steps[1]!.dueOn]).toEqual(['2026-03-10', undefined]);
    expect(milestones[1]!.dueOn).toBe('2026-08-31');
  });

  it('begins anew: open, without what was done, reached, enjoyed or told', () => {
    const { goal, steps, milestones } = copy();
    expect(goal).toMatchObject({
      title: 'Swim across the bay',
      why: 'To see the other shore',
      reward: 'A warm robe',
      state: 'open',
      order: 7,
    });
    for (const key of ['closedOn', 'enjoyedOn', 'turns']) expect(goal).not.toHaveProperty(key);
    for (const each of [...steps, ...milestones]) {
      expect(each).not.toHaveProperty('doneOn');
      expect(each).not.toHaveProperty('reachedOn');
    }
  });

  it('has ids of its own, and ties its parts to each other as they were', () => {
    const { goal, keyResults, steps, milestones } = copy();
    const ids = [goal, ...keyResults, ...steps, ...milestones].map(({ id }) => id);
    expect(new Set(ids).size).toBe(7);
    expect(ids.filter((id) => !id.startsWith('new'))).toEqual([]);
    expect([...keyResults, ...steps, ...milestones].every(({ goalId }) => goalId === goal.id)).toBe(true);
    expect(steps[0]!.keyResultId).toBe(keyResults[0]!.id);
    expect(steps[1]!.parentId).toBe(steps[0]!.id);
    expect(milestones[1]!.after).toEqual([milestones[0]!.id]);
    expect(keyResults[1]!.measure).toEqual({ kind: 'habitDays', habitId: 'swim', target: 60 });
  });
});
