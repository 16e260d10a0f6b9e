import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import type { Habit } from '../record/records.ts';

/**
 * The habit ended for good: its last day is the day before today, or today where today has a record. A habit that ended
 * earlier keeps its last day; none ends before it starts.
 */
export function endedHabit(habit: Habit, today: PlainDay, hasRecordToday: boolean): Habit {
  const last = hasRecordToday ? today : today - 1;
  const kept = habit.endsOn === undefined ? last : Math.min(last, dayOf(habit.endsOn));
  return { ...habit, endsOn: formatDay(Math.max(kept, dayOf(habit.startsOn))) };
}

/** The habit put away: ended, and hidden where days are planned. No figure of the past changes. */
export const archivedHabit = (habit: Habit, today: PlainDay, hasRecordToday: boolean): Habit => ({
  ...endedHabit(habit, today, hasRecordToday),
  archived: true,
});

/**
 * The habit taken up again from today on. The days since its last one become a pause, so that nothing was asked on them
 * and no figure of the past changes.
 */
export function resumedHabit(habit: Habit, today: PlainDay, why: string): Habit {
  const { endsOn, archived: _, ...rest } = habit;
  if (endsOn === undefined || dayOf(endsOn) >= today - 1) return rest;
  const gap = { from: formatDay(dayOf(endsOn) + 1), to: formatDay(today - 1), why };
  return { ...rest, pauses: [...(habit.pauses ?? []), gap] };
}
