import {
  type Entry,
  type Habit,
  type JournalPage,
  type JournalPart,
  type PlainDay,
  checkedByWriting,
  formatDay,
  hasWriting,
  isEmptyPage,
  pagesOfDay,
} from '@wimbel/core';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { keepOnDevice, keptOnDevice } from '../../shared/kept.ts';
import { changeTo, entryChange, newId, removalOf } from '../../store/makeChange.ts';
import { selectEntry, selectHabits, selectJournal } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import { useToast } from '../../ui/Toast.tsx';

/** What this device remembers of a habit that writing checked off, so that only such a mark goes with the words. */
const writtenName = (habitId: string, day: PlainDay): string => `written.${habitId}.${formatDay(day)}`;

const isOnlyDone = (entry: Entry | undefined): boolean =>
  entry !== undefined && entry.mark === 'done' && !entry.note && !entry.parts?.length;

/** The pages of a day, and a way to write them: what is emptied goes, and writing checks off the habits done by it. */
export function useJournalDay(day: PlainDay) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const journal = useAppSelector(selectJournal);
  const pages = useMemo(() => pagesOfDay(journal, day), [journal, day]);

  /** Checks habits off with the first written word, and takes back only what it checked off with the last one. */
  const follow = (wasWritten: boolean, isWritten: boolean): void => {
    if (wasWritten === isWritten) return;
    const state = store.getState();
    const habits = selectHabits(state);
    const entryOf = (habitId: string) => selectEntry(state, habitId, formatDay(day));
    if (isWritten) {
      const checked = checkedByWriting(habits, day, 'journal', entryOf);
      if (checked.length === 0) return;
      const marks = checked.map(({ id }) => entryChange({ habitId: id, day: formatDay(day), mark: 'done' }));
      for (const { id } of checked) keepOnDevice(writtenName(id, day), 'yes');
      toast({ text: `${namesOf(checked)}: done by writing`, onUndo: change(...marks) });
      return;
    }
    const undone = habits.filter(
      ({ id, doneBy }) =>
        doneBy === 'journal' && keptOnDevice(writtenName(id, day)) === 'yes' && isOnlyDone(entryOf(id)),
    );
    for (const { id } of undone) keepOnDevice(writtenName(id, day), '');
    if (undone.length > 0) change(...undone.map(({ id }) => entryChange({ habitId: id, day: formatDay(day) })));
  };

  return {
    pages,
    /** Changes a part's page, made where there is none yet. */
    write: (part: JournalPart, update: (page: JournalPage) => JournalPage): void => {
      const now = pagesOfDay(selectJournal(store.getState()), day);
      const before = now.find((page) => page.part === part);
      const next = update(before ?? { id: newId(), day: formatDay(day), part });
      const rest = now.filter((page) => page !== before);
      if (!isEmptyPage(next)) change(changeTo('journal', next));
      else if (before !== undefined) change(removalOf('journal', before.id));
      follow(now.some(hasWriting), [...rest, next].some(hasWriting));
    },
  };
}

export type JournalDay = ReturnType<typeof useJournalDay>;

const namesOf = (habits: readonly Habit[]): string => habits.map(({ name }) => name).join(', ');
