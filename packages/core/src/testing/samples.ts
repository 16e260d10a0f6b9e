import type { Entry, Habit } from '../record/records.ts';

/** A daily check habit from 2025-03-01, with what differs. */
export const aHabit = (differs: Partial<Habit> = {}): Habit => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2025-03-01', schedule: { kind: 'daily' } }],
  startsOn: '2025-03-01',
  ...differs,
});

/** Done marks of a habit on the days given. */
export const doneOn = (habitId: string, ...days: string[]): Entry[] =>
  days.map((day) => ({ habitId, day, mark: 'done' }));
