import { checkRecord } from '@wimbel/contract';
import type { Habit } from '@wimbel/core';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { issueWords } from '../../../text/issueText.ts';
import { useToast } from '../../../ui/Toast.tsx';

/** Keeps a changed habit and says so with a way back; gives back what is wrong with it instead, where something is. */
export function useHabitEdit(): (next: Habit, text: string) => string | null {
  const { change } = useRecording();
  const toast = useToast();
  return (next, text) => {
    const { issues } = checkRecord('habits', next);
    if (issues.length > 0) return issues.map(issueWords).join('; ');
    toast({ text, onUndo: change(changeTo('habits', next)) });
    return null;
  };
}
