import { type Change, entryKey } from '@wimbel/contract';
import { changeTo, removalOf } from './makeChange.ts';
import type { RecordsState } from './recordsSlice.ts';

/** What goes with a habit when it is deleted, by kind. */
export type GoesAlong = { entries: number; notes: number; keyResults: number; reminders: number };

const of = <T>(list: Record<string, T>, isOne: (each: T) => boolean): [string, T][] =>
  Object.entries(list).filter(([, each]) => isOne(each));

function dependents(records: RecordsState, habitId: string) {
  const keyResults = of(records.keyResults, ({ measure }) => 'habitId' in measure && measure.habitId === habitId);
  const counted = new Set(keyResults.map(([id]) => id));
  return {
    entries: Object.keys(records.entries[habitId] ?? {}),
    notes: of(records.habitNotes, (note) => note.habitId === habitId),
    reminders: of(records.reminders, (reminder) => reminder.habitId === habitId),
    keyResults,
    steps: of(records.steps, (step) => counted.has(step.keyResultId ?? '')),
    checkIns: of(records.checkIns, (checkIn) => counted.has(checkIn.keyResultId)),
  };
}

/** How much goes with a habit. */
export function goesWithHabit(records: RecordsState, habitId: string): GoesAlong {
  const found = dependents(records, habitId);
  return {
    entries: found.entries.length,
    notes: found.notes.length,
    keyResults: found.keyResults.length,
    reminders: found.reminders.length,
  };
}

/**
 * The changes that delete a habit with all that hangs on it, in an order in which nothing is left hanging. Steps of a
 * key result that goes with it stay in its goal.
 */
export function habitRemoval(records: RecordsState, habitId: string): Change[] {
  const found = dependents(records, habitId);
  return [
    ...found.steps.map(([, { keyResultId: _, ...step }]) => changeTo('steps', step)),
    ...found.checkIns.map(([id]) => removalOf('checkIns', id)),
    ...found.keyResults.map(([id]) => removalOf('keyResults', id)),
    ...found.reminders.map(([id]) => removalOf('reminders', id)),
    ...found.notes.map(([id]) => removalOf('habitNotes', id)),
    ...found.entries.map((day) => removalOf('entries', entryKey(habitId, day))),
    removalOf('habits', habitId),
  ];
}

/** The changes that delete an area; its habits and goals stay, without an area. */
export function areaRemoval(records: RecordsState, areaId: string): Change[] {
  const without = <T extends { areaId?: string }>({ areaId: _, ...rest }: T) => rest as T;
  return [
    ...of(records.habits, (habit) => habit.areaId === areaId).map(([, habit]) => changeTo('habits', without(habit))),
    ...of(records.goals, (goal) => goal.areaId === areaId).map(([, goal]) => changeTo('goals', without(goal))),
    removalOf('areas', areaId),
  ];
}
