import { DEFAULT_SETTINGS, type Entry, type Habit, type Records } from '../record/records.ts';

/** Records of a person who has written nothing yet. */
export const emptyRecords = (): Records => ({
  settings: { ...DEFAULT_SETTINGS },
  areas: [],
  habits: [],
  entries: [],
  goals: [],
  keyResults: [],
  checkIns: [],
  steps: [],
  milestones: [],
  seasons: [],
  months: [],
  journal: [],
  prompts: [],
  reviews: [],
  habitNotes: [],
  rewards: [],
  claims: [],
  quotes: [],
  reminders: [],
});

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
