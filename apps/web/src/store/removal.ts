import type { Change } from '@wimbel/contract';
import type { KeyResult } from '@wimbel/core';
import { nextInstant } from '../platform/clock.ts';
import { effectsOf } from '@wimbel/sync';
import { changeTo, newId, removalOf } from './makeChange.ts';
import type { RecordsState } from '@wimbel/sync';

/** What goes with a habit when it is deleted, by kind. */
type GoesAlong = { entries: number; notes: number; keyResults: number; reminders: number };

/** How many records of each collection go when one is removed. */
function goesWith(records: RecordsState, removal: Change): (collection: Change['collection']) => number {
  const gone = effectsOf(records, removal).filter((each) => each.record === null);
  return (collection) => gone.filter((each) => each.collection === collection).length;
}

/** How much goes with a habit. */
export function goesWithHabit(records: RecordsState, habitId: string): GoesAlong {
  const count = goesWith(records, removalOf('habits', habitId));
  return {
    entries: count('entries'),
    notes: count('habitNotes'),
    keyResults: count('keyResults'),
    reminders: count('reminders'),
  };
}

/** What goes with a goal when it is deleted, by kind. */
type GoesWithGoal = { keyResults: number; checkIns: number; steps: number; milestones: number };

/** How much goes with a goal; its habits stay. */
export function goesWithGoal(records: RecordsState, goalId: string): GoesWithGoal {
  const count = goesWith(records, removalOf('goals', goalId));
  return {
    keyResults: count('keyResults'),
    checkIns: count('checkIns'),
    steps: count('steps'),
    milestones: count('milestones'),
  };
}

/** A key result that counted a habit, as a plain number that stands where it stood: itself and its check-in. */
function asNumber(keyResult: KeyResult, unit: string, value: number, day: string): Change[] {
  const target = 'target' in keyResult.measure ? keyResult.measure.target : 1;
  const checkIn = { id: newId(), keyResultId: keyResult.id, day, value, madeAt: nextInstant() };
  return [
    changeTo('keyResults', { ...keyResult, measure: { kind: 'number', ...(unit ? { unit } : {}), start: 0, target } }),
    ...(value === 0 ? [] : [changeTo('checkIns', checkIn)]),
  ];
}

/**
 * The changes that delete a habit with all that hangs on it. Key results that count it go with it, their steps stay in
 * the goal; or, given what each has come to by a day, they stay as numbers.
 */
export function habitRemoval(
  records: RecordsState,
  habitId: string,
  kept?: { valueOf: (keyResultId: string) => number; day: string },
): Change[] {
  if (kept === undefined) return [removalOf('habits', habitId)];
  const measure = records.habits[habitId]?.measure;
  const unitOf = (keyResult: KeyResult): string =>
    keyResult.measure.kind === 'habitDays' ? 'days' : measure?.kind === 'amount' ? measure.unit : '';
  const counting = Object.values(records.keyResults).filter(
    (each) => 'habitId' in each.measure && each.measure.habitId === habitId,
  );
  const numbers = counting.flatMap((each) => asNumber(each, unitOf(each), kept.valueOf(each.id), kept.day));
  return [...numbers, removalOf('habits', habitId)];
}
