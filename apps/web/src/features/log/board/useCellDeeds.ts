import { type Entry, type Mark, formatDay } from '@wimbel/core';
import { useStore } from 'react-redux';
import { entryChange } from '../../../store/makeChange.ts';
import { selectEntry, trackOf } from '../../../store/selectors.ts';
import type { RootState } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { afterTap, withMark } from '../../../text/dayStatusText.ts';
import type { Place } from '../placeLeft.ts';

type Open = (habitId: string, day: number, isNoteFirst?: boolean) => void;

/** Edits of one day of a habit on the pegboard; future days cannot be edited. */
export function useCellDeeds(onOpen: Open) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const entryAt = ({ habitId, day }: Place): Entry =>
    selectEntry(store.getState(), habitId, formatDay(day)) ?? { habitId, day: formatDay(day) };
  const isToCome = ({ day }: Place): boolean => day > store.getState().clock.today;
  return {
    /** Checks off, or opens what wants more than a tap. */
    press: (cell: Place): void => {
      const state = store.getState();
      const habit = state.records.habits[cell.habitId];
      if (habit === undefined || isToCome(cell)) return;
      if (habit.measure.kind === 'amount' || (habit.variants ?? []).length > 0) onOpen(cell.habitId, cell.day);
      else {
        const entry = selectEntry(state, cell.habitId, formatDay(cell.day));
        change(entryChange(afterTap(trackOf(state, habit), cell.day, entry)));
      }
    },
    open: (cell: Place): void => {
      if (!isToCome(cell)) onOpen(cell.habitId, cell.day);
    },
    note: ({ habitId, day }: Place): void => onOpen(habitId, day, true),
    empty: ({ habitId, day }: Place): void => void change(entryChange({ habitId, day: formatDay(day) })),
    /** Marks a day, or takes the mark away where it stands already; a miss asks for its reason. */
    mark: (cell: Place, mark: Mark): void => {
      const before = entryAt(cell);
      change(entryChange(withMark(before, before.mark === mark ? null : mark)));
      if (mark === 'missed' && before.mark !== 'missed') onOpen(cell.habitId, cell.day, true);
    },
    /** Records an amount; what the day was marked as goes. */
    keepAmount: (cell: Place, amount: number): void => {
      const { mark: _, ...rest } = entryAt(cell);
      change(entryChange({ ...rest, amount }));
    },
  };
}

export type CellDeeds = ReturnType<typeof useCellDeeds>;
