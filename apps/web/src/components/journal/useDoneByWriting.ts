import { type Entry, type Habit, type PlainDay, checkedByWriting, formatDay } from '@wimbel/core';
import { useStore } from 'react-redux';
import { writeLocalSetting, readLocalSetting } from '../../platform/localSettings.ts';
import { entryChange } from '../../store/makeChange.ts';
import { selectEntry, selectHabits } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { useToast } from '../../ui/Toast.tsx';

/** What this device remembers of a habit that writing checked off, so that only such a mark goes with the words. */
const writtenName = (habitId: string, day: PlainDay): string => `written.${habitId}.${formatDay(day)}`;

const isOnlyDone = (entry: Entry | undefined): boolean =>
  entry !== undefined && entry.mark === 'done' && !entry.note && !entry.parts?.length;

const namesOf = (habits: readonly Habit[]): string => habits.map(({ name }) => name).join(', ');

/**
 * Checks off the habits that are done by some writing with its first word, and says so with undo; takes back only what it
 * checked off with the last one.
 */
export function useDoneByWriting(
  by: NonNullable<Habit['doneBy']>,
): (day: PlainDay, wasWritten: boolean, isWritten: boolean) => void {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  return (day, wasWritten, isWritten) => {
    if (wasWritten === isWritten) return;
    const state = store.getState();
    const habits = selectHabits(state);
    const entryOf = (habitId: string) => selectEntry(state, habitId, formatDay(day));
    if (isWritten) {
      const checked = checkedByWriting(habits, day, by, entryOf);
      if (checked.length === 0) return;
      const marks = checked.map(({ id }) => entryChange({ habitId: id, day: formatDay(day), mark: 'done' }));
      for (const { id } of checked) writeLocalSetting(writtenName(id, day), 'yes');
      toast({ text: `${namesOf(checked)}: done by writing`, onUndo: change(...marks) });
      return;
    }
    const undone = habits.filter(
      ({ id, doneBy }) => doneBy === by && readLocalSetting(writtenName(id, day)) === 'yes' && isOnlyDone(entryOf(id)),
    );
    for (const { id } of undone) writeLocalSetting(writtenName(id, day), '');
    if (undone.length > 0) change(...undone.map(({ id }) => entryChange({ habitId: id, day: formatDay(day) })));
  };
}
