import { type Change, entryKey } from '@wimbel/contract';
import { type KeyResult, type Step, stepsBelow, eachEntry, NO_ENTRIES } from '@wimbel/core';
import { changeTo, newId, removalOf } from './makeChange.ts';
import type { RecordsState } from './recordsSlice.ts';

/** What goes with a habit when it is deleted, by kind. */
export type GoesAlong = { entries: number; notes: number; keyResults: number; reminders: number };

const of = <T>(list: Record<string, T>, isOne: (each: T) => boolean): [string, T][] =>
  Object.entries(list).filter(([, each]) => isOne(each));

function dependents(records: RecordsState, habitId: string) {
  const keyResults = of(records.keyResults, ({ measure }) => 'habitId' in measure && measure.habitId === habitId);
  const counted = new Set(keyResults.map(([id]) => id));
  return {
    entries: [...eachEntry(records.entries[habitId] ?? NO_ENTRIES)].map(({ day }) => day),
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

/** A key result that counted a habit, as a plain number that stands where it stood: itself and its check-in. */
function asNumber(keyResult: KeyResult, unit: string, value: number, day: string): Change[] {
  const target = 'target' in keyResult.measure ? keyResult.measure.target : 1;
  const checkIn = { id: newId(), keyResultId: keyResult.id, day, value, madeAt: new Date().toISOString() };
  return [
    changeTo('keyResults', { ...keyResult, measure: { kind: 'number', ...(unit ? { unit } : {}), start: 0, target } }),
    ...(value === 0 ? [] : [changeTo('checkIns', checkIn)]),
  ];
}

/**
 * The changes that delete a habit with all that hangs on it, in an order in which nothing is left hanging. Key results
 * that count it go with it, their steps stay in the goal; or, given what each has come to by a day, they stay as numbers.
 */
export function habitRemoval(
  records: RecordsState,
  habitId: string,
  kept?: { valueOf: (keyResultId: string) => number; day: string },
): Change[] {
  const found = dependents(records, habitId);
  if (kept) {
    const measure = records.habits[habitId]?.measure;
    const unitOf = (keyResult: KeyResult): string =>
      keyResult.measure.kind === 'habitDays' ? 'days' : measure?.kind === 'amount' ? measure.unit : '';
    const numbers = found.keyResults.flatMap(([id, each]) => asNumber(each, unitOf(each), kept.valueOf(id), kept.day));
    return [...numbers, ...removalOfRecord(found, habitId)];
  }
  return [
    ...found.steps.map(([, { keyResultId: _, ...step }]) => changeTo('steps', step)),
    ...found.checkIns.map(([id]) => removalOf('checkIns', id)),
    ...found.keyResults.map(([id]) => removalOf('keyResults', id)),
    ...removalOfRecord(found, habitId),
  ];
}

const removalOfRecord = (found: ReturnType<typeof dependents>, habitId: string): Change[] => [
  ...found.reminders.map(([id]) => removalOf('reminders', id)),
  ...found.notes.map(([id]) => removalOf('habitNotes', id)),
  ...found.entries.map((day) => removalOf('entries', entryKey(habitId, day))),
  removalOf('habits', habitId),
];

/** The changes that delete an area; its habits and goals stay, without an area. */
export function areaRemoval(records: RecordsState, areaId: string): Change[] {
  const without = <T extends { areaId?: string }>({ areaId: _, ...rest }: T) => rest as T;
  return [
    ...of(records.habits, (habit) => habit.areaId === areaId).map(([, habit]) => changeTo('habits', without(habit))),
    ...of(records.goals, (goal) => goal.areaId === areaId).map(([, goal]) => changeTo('goals', without(goal))),
    removalOf('areas', areaId),
  ];
}

/** What goes with a goal when it is deleted, by kind. */
export type GoesWithGoal = { keyResults: number; checkIns: number; steps: number; milestones: number };

function hangingOn(records: RecordsState, goalId: string) {
  const keyResults = of(records.keyResults, (each) => each.goalId === goalId);
  const ids = new Set(keyResults.map(([id]) => id));
  return {
    keyResults,
    checkIns: of(records.checkIns, (each) => ids.has(each.keyResultId)),
    steps: of(records.steps, (each) => each.goalId === goalId),
    milestones: of(records.milestones, (each) => each.goalId === goalId),
  };
}

/** How much goes with a goal; its habits stay. */
export function goesWithGoal(records: RecordsState, goalId: string): GoesWithGoal {
  const found = hangingOn(records, goalId);
  return {
    keyResults: found.keyResults.length,
    checkIns: found.checkIns.length,
    steps: found.steps.length,
    milestones: found.milestones.length,
  };
}

/** The changes that delete a goal with all that hangs on it; its habits and seasons stay, without it. */
export function goalRemoval(records: RecordsState, goalId: string): Change[] {
  const found = hangingOn(records, goalId);
  return [
    ...of(records.habits, (habit) => habit.goalId === goalId).map(([, { goalId: _, ...habit }]) =>
      changeTo('habits', habit),
    ),
    ...of(records.seasons, (season) => season.goalIds.includes(goalId)).map(([, season]) =>
      changeTo('seasons', { ...season, goalIds: season.goalIds.filter((each) => each !== goalId) }),
    ),
    ...found.checkIns.map(([id]) => removalOf('checkIns', id)),
    ...stepsUpwards(found.steps.map(([, step]) => step)).map((step) => removalOf('steps', step.id)),
    ...found.milestones.map(([id]) => removalOf('milestones', id)),
    ...found.keyResults.map(([id]) => removalOf('keyResults', id)),
    removalOf('goals', goalId),
  ];
}

/** Steps so ordered that each comes before the step it belongs to. */
function stepsUpwards(steps: Step[]): Step[] {
  return steps
    .filter((step) => !steps.some((each) => each.id === step.parentId))
    .flatMap((step) => [step, ...stepsBelow(steps, step.id)])
    .reverse();
}

/** The changes that delete a key result with its check-ins; its steps stay in the goal. */
export const keyResultRemoval = (records: RecordsState, keyResultId: string): Change[] => [
  ...of(records.checkIns, (each) => each.keyResultId === keyResultId).map(([id]) => removalOf('checkIns', id)),
  ...of(records.steps, (each) => each.keyResultId === keyResultId).map(([, { keyResultId: _, ...step }]) =>
    changeTo('steps', step),
  ),
  removalOf('keyResults', keyResultId),
];

/** The changes that delete a step with its sub-steps. */
export const stepRemoval = (records: RecordsState, stepId: string): Change[] => [
  ...stepsBelow(Object.values(records.steps), stepId)
    .reverse()
    .map((step) => removalOf('steps', step.id)),
  removalOf('steps', stepId),
];

/** The changes that delete a milestone; others no longer wait for it. */
export const milestoneRemoval = (records: RecordsState, milestoneId: string): Change[] => [
  ...of(records.milestones, (each) => each.after?.includes(milestoneId) ?? false).map(([, each]) =>
    changeTo('milestones', { ...each, after: each.after!.filter((id) => id !== milestoneId) }),
  ),
  removalOf('milestones', milestoneId),
];
