import type { CheckIn, Goal, Habit, KeyResult, Milestone, Step } from '@wimbel/core';
import { dayTurned } from '../store/clockSlice.ts';
import { changeTo } from '../store/makeChange.ts';
import { recordsChanged } from '../store/recordsSlice.ts';
import { createStore } from '../store/store.ts';

/** 2026-11-24, a Tuesday. */
export const TODAY = 20781;

export const aHabit = (id: string, more: Partial<Habit> = {}): Habit => ({
  id,
  name: id,
  order: 1,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});

/** A goal of twenty days, half over. */
export const aGoal = (id: string, more: Partial<Goal> = {}): Goal => ({
  id,
  title: id,
  startsOn: '2026-11-14',
  dueOn: '2026-12-04',
  state: 'open',
  order: 1,
  ...more,
});

export const aKeyResult = (id: string, goalId: string, more: Partial<KeyResult> = {}): KeyResult => ({
  id,
  goalId,
  title: id,
  order: 1,
  measure: { kind: 'number', start: 0, target: 10 },
  ...more,
});

export const aCheckIn = (id: string, keyResultId: string, value: number, day = '2026-11-20'): CheckIn => ({
  id,
  keyResultId,
  day,
  value,
  madeAt: `${day}T10:00:00Z`,
});

export const aStep = (id: string, goalId: string, more: Partial<Step> = {}): Step => ({
  id,
  goalId,
  title: id,
  order: 1,
  ...more,
});

export const aMilestone = (id: string, goalId: string, more: Partial<Milestone> = {}): Milestone => ({
  id,
  goalId,
  title: id,
  order: 1,
  ...more,
});

type Parts = {
  habits?: Habit[];
  goals?: Goal[];
  keyResults?: KeyResult[];
  checkIns?: CheckIn[];
  steps?: Step[];
  milestones?: Milestone[];
};

/** A store of somebody whose day is {@link TODAY}, with these records. */
export function storeWith({
  habits = [],
  goals = [],
  keyResults = [],
  checkIns = [],
  steps = [],
  milestones = [],
}: Parts) {
  const store = createStore();
  store.dispatch(dayTurned(TODAY));
  store.dispatch(
    recordsChanged({
      changes: [
        ...goals.map((each) => changeTo('goals', each)),
        ...habits.map((each) => changeTo('habits', each)),
        ...keyResults.map((each) => changeTo('keyResults', each)),
        ...checkIns.map((each) => changeTo('checkIns', each)),
        ...steps.map((each) => changeTo('steps', each)),
        ...milestones.map((each) => changeTo('milestones', each)),
      ],
    }),
  );
  return store;
}
