import {
  type FiguredGoal,
  type Habit,
  type Milestone,
  comesBefore,
  dayOf,
  milestoneState,
  stepState,
} from '@wimbel/core';
import type { TimeLineThing } from '../../../charts/TimeLinePicture.tsx';
import { stateTone, stateWords } from '../../../text/goalText.ts';

/** A habit that carries a goal, or no longer does. */
export function linked({ goalId: before, ...habit }: Habit, goalId: string): Habit {
  return before === goalId ? habit : { ...habit, goalId };
}

/** Why a milestone cannot come after another, in words; null where it can. */
export function circleFault(milestone: Milestone, all: readonly Milestone[]): string | null {
  const others = all.filter((each) => each.id !== milestone.id);
  const first = (milestone.after ?? []).find((id) => comesBefore(id, [...others, milestone]).has(milestone.id));
  const title = others.find((each) => each.id === first)?.title;
  return title === undefined ? null : `"${title}" already waits for this one: they would wait for each other for ever`;
}

/** What of a goal stands on days, in their order. */
export function timeLineThings({ records, figures }: FiguredGoal, today: number): TimeLineThing[] {
  const { milestones, steps } = records;
  const stones = milestones.flatMap((milestone): TimeLineThing[] => {
    const on = milestone.reachedOn ?? milestone.dueOn;
    const state = milestoneState(milestone, today);
    return on === undefined
      ? []
      : [
          {
            id: milestone.id,
            from: null,
            on: dayOf(on),
            after: milestone.after ?? [],
            title: milestone.title,
            words: stateWords({ state, dueOn: milestone.dueOn, doneOn: milestone.reachedOn }, today, 'reached'),
            tone: stateTone(state),
            isMilestone: true,
            peg: state === 'doneInTime' || state === 'doneLate' ? 'done' : 'blank',
          },
        ];
  });
  const dated = steps.flatMap((step): TimeLineThing[] => {
    const on = step.doneOn ?? step.dueOn ?? step.startsOn;
    if (step.parentId || on === undefined || (step.dueOn === undefined && step.startsOn === undefined)) return [];
    const state = figures.steps[step.id] ?? stepState(step, today);
    return [
      {
        id: step.id,
        from: step.startsOn ? dayOf(step.startsOn) : null,
        on: dayOf(on),
        after: [],
        title: step.title,
        words: stateWords({ state, dueOn: step.dueOn, doneOn: step.doneOn }, today),
        tone: stateTone(state),
        isMilestone: false,
        peg: state === 'doneInTime' || state === 'doneLate' ? 'done' : 'blank',
      },
    ];
  });
  return [...stones, ...dated].sort((a, b) => a.on - b.on);
}
