import { type Change, entryOfKey } from '@wimbel/contract';
import { type Entry, type Habit, type PlainDay, dayOf, isRecord, withFirstTermsFrom } from '@wimbel/core';
import { changeTo } from './makeChange.ts';
import type { RecordsState } from '@wimbel/sync';

/**
 * The changes, followed by one of each habit that they give a record from before its first terms: those begin with the
 * record, so that a later change of terms never reaches earlier days.
 */
export function withFirstTerms(records: RecordsState, changes: readonly Change[]): readonly Change[] {
  const earliest = new Map<string, PlainDay>();
  const habits = new Map<string, Habit>();
  for (const { collection, key, record } of changes) {
    if (collection === 'habits' && record !== null) habits.set(key, record as Habit);
    if (collection !== 'entries' || !isRecord(record as Entry | null)) continue;
    const { habitId, day } = entryOfKey(key);
    earliest.set(habitId, Math.min(earliest.get(habitId) ?? Infinity, dayOf(day)));
  }
  const moved = [...earliest].flatMap(([habitId, day]) => {
    const habit = habits.get(habitId) ?? records.habits[habitId];
    if (habit === undefined) return [];
    const next = withFirstTermsFrom(habit, day);
    return next === habit ? [] : [changeTo('habits', next)];
  });
  return moved.length === 0 ? changes : [...changes, ...moved];
}
