import {
  type JournalPage,
  type JournalPart,
  type PlainDay,
  formatDay,
  hasWriting,
  isEmptyPage,
  pagesOfDay,
  putTogether,
} from '@wimbel/core';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { useDoneByWriting } from './useDoneByWriting.ts';
import { changeTo, newId, removalOf } from '../../store/makeChange.ts';
import { selectJournal } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { useToast } from '../../ui/Toast.tsx';

/** The pages of a day, and the ways to write them: what is emptied goes, and writing checks off the habits done by it. */
export function useJournalDay(day: PlainDay) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const follow = useDoneByWriting('journal');
  const journal = useAppSelector(selectJournal);
  const pages = useMemo(() => pagesOfDay(journal, day), [journal, day]);

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
      follow(day, now.some(hasWriting), [...rest, next].some(hasWriting));
    },
    /** Keeps writing that another device left in a part's page, as a page of its own beside it. */
    keepBeside: (part: JournalPart, said: Pick<JournalPage, 'text' | 'answers'>): void => {
      change(changeTo('journal', { id: newId(), day: formatDay(day), part, ...said }));
    },
    /** Puts another page's words below those of the day's own page of that part; the other goes. */
    putTogether: (other: JournalPage): void => {
      const own = pages.find((page) => page.part === other.part && page.id !== other.id);
      const page = own ?? { id: newId(), day: other.day, part: other.part };
      const joined = putTogether(page, other);
      toast({
        text: 'Put together',
        onUndo: change(changeTo('journal', joined), removalOf('journal', other.id)),
      });
    },
    /** Leaves another page's words out. */
    leaveOut: (other: JournalPage): void => {
      toast({ text: 'Left out', onUndo: change(removalOf('journal', other.id)) });
    },
  };
}

export type JournalDay = ReturnType<typeof useJournalDay>;
