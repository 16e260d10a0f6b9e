import { type Habit, archivedHabit, endedHabit, formatDay, resumedHabit } from '@wimbel/core';
import { useStore } from 'react-redux';
import { useToast } from '../../ui/Toast.tsx';
import { useRecording } from '../../sync/recording.ts';
import { selectFiguredGoals } from '../../store/goalSelectors.ts';
import { changeTo } from '../../store/makeChange.ts';
import { habitRemoval } from '../../store/removal.ts';
import { selectEntry, selectToday } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { effectOnGoals } from '../../text/effectOnGoals.ts';

/** Actions on a habit; each shows a toast with undo. */
export function useHabitActions() {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const today = (): number => selectToday(store.getState());
  const hasRecordToday = (habit: Habit): boolean =>
    selectEntry(store.getState(), habit.id, formatDay(today())) !== undefined;
  const put = (before: Habit, habit: Habit, text: string): void => {
    const effect = effectOnGoals(store.getState().records, before, habit);
    toast({ text: [text, effect].filter(Boolean).join(' '), onUndo: change(changeTo('habits', habit)) });
  };
  return {
    archive: (habit: Habit): void =>
      put(habit, archivedHabit(habit, today(), hasRecordToday(habit)), `${habit.name} is archived. Its record stays.`),
    end: (habit: Habit): void =>
      put(habit, endedHabit(habit, today(), hasRecordToday(habit)), `${habit.name} has ended. Its record stays.`),
    resume: (habit: Habit): void =>
      put(habit, resumedHabit(habit, today(), 'Archived'), `${habit.name} is on your days again`),
    /** Deletes a habit with its record; key results that count it go too, or stay as numbers where they stand. */
    remove: (habit: Habit, keepsKeyResults = false): void => {
      const state = store.getState();
      const figured = [...selectFiguredGoals(state).values()];
      const valueOf = (id: string): number =>
        figured.find(({ figures }) => id in figures.keyResults)?.figures.keyResults[id]?.current ?? 0;
      const kept = keepsKeyResults ? { valueOf, day: formatDay(today()) } : undefined;
      toast({ text: `${habit.name} is deleted`, onUndo: change(...habitRemoval(state.records, habit.id, kept)) });
    },
  };
}
