import { type Milestone, type Step, formatDay, stepsMarked, waitsFor } from '@wimbel/core';
import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { useToast } from '../../ui/Toast.tsx';
import { useRecording } from '../../sync/recording.ts';
import { changeTo, removalOf } from '../../store/makeChange.ts';
import { selectToday } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';

/** Actions on a goal's steps and milestones; each shows a toast with undo. */
export function useGoalParts() {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  return useMemo(() => {
    const today = (): number => selectToday(store.getState());
    return {
      /** Ticks a step off today, with what is open below it, or opens it again. */
      markStep: (step: Step, isDone: boolean): void => {
        const siblings = Object.values(store.getState().records.steps).filter((each) => each.goalId === step.goalId);
        const changed = stepsMarked(siblings, step.id, isDone ? today() : null);
        const along = changed.length > 1 ? `, and ${changed.length - 1} with it` : '';
        toast({
          text: `${step.title} is ${isDone ? 'done' : 'open again'}${along}`,
          onUndo: change(...changed.map((each) => changeTo('steps', each))),
        });
      },
      /** Marks a milestone reached today, or open again; where others were to come first, the words say so. */
      markMilestone: (milestone: Milestone, isReached: boolean): void => {
        const all = Object.values(store.getState().records.milestones);
        const before = waitsFor(milestone, all, today()).map((each) => each.title);
        const { reachedOn: _, ...rest } = milestone;
        const next = isReached ? { ...rest, reachedOn: formatDay(today()) } : rest;
        const early = isReached && before.length > 0 ? `, before ${before.join(' and ')}` : '';
        toast({
          text: isReached ? `${milestone.title} is reached${early}` : `${milestone.title} is open again`,
          onUndo: change(changeTo('milestones', next)),
        });
      },
      removeStep: (step: Step): void =>
        toast({
          text: `${step.title} is deleted`,
          onUndo: change(removalOf('steps', step.id)),
        }),
      removeMilestone: (milestone: Milestone): void =>
        toast({
          text: `${milestone.title} is deleted`,
          onUndo: change(removalOf('milestones', milestone.id)),
        }),
    };
  }, [store, change, toast]);
}
