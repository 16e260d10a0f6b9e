import { dayOf, eachEntry, habitBegunOn, isRecord } from '@wimbel/core';
import { useStore } from 'react-redux';
import { FirstDaysSheet } from '../../../components/habitForm/FirstDaysSheet.tsx';
import { changeTo } from '../../../store/makeChange.ts';
import { selectEntries, selectToday } from '../../../store/selectors.ts';
import type { RootState } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { countFromWords } from './pasteWords.ts';

/** The first days of habits that a paste has begun, to be changed. */
export function PastedStarts({ ids, onClose }: { ids: readonly string[]; onClose: () => void }) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const state = store.getState();
  const habits = ids.flatMap((id) => state.records.habits[id] ?? []);
  const apply = (chosen: readonly string[], day: string): void => {
    const begun = habits.filter(({ id }) => chosen.includes(id)).map((habit) => habitBegunOn(habit, dayOf(day)));
    const onUndo = change(...begun.map((habit) => changeTo('habits', habit)));
    toast({
      text: countFromWords(
        begun.map(({ name }) => name),
        dayOf(day),
        selectToday(state),
      ),
      onUndo,
    });
    onClose();
  };
  return (
    <FirstDaysSheet
      habits={habits.map(({ id, name, startsOn }) => ({
        id,
        name,
        from: startsOn,
        mark: [...eachEntry(selectEntries(state, id))].find((entry) => isRecord(entry))?.day ?? null,
      }))}
      onClose={onClose}
      onApply={apply}
    />
  );
}
