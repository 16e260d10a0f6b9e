import type { Goal, Step } from '@wimbel/core';
import { newId } from '../../store/makeChange.ts';

/** A step to be put below the others of its goal. */
export const newStep = (goal: Goal, title: string, steps: readonly Step[], more: Partial<Step> = {}): Step => ({
  id: newId(),
  goalId: goal.id,
  title,
  order: steps.reduce((most, each) => Math.max(most, each.order), -1) + 1,
  ...more,
});

/** A step as it stands in the form: everything as text. */
export type StepDraft = Record<
  'title' | 'note' | 'priority' | 'impact' | 'startsOn' | 'dueOn' | 'doneOn' | 'keyResultId',
  string
>;

export const stepDraftOf = (step: Step): StepDraft => ({
  title: step.title,
  note: step.note ?? '',
  priority: step.priority ? String(step.priority) : '',
  impact: step.impact ?? '',
  startsOn: step.startsOn ?? '',
  dueOn: step.dueOn ?? '',
  doneOn: step.doneOn ?? '',
  keyResultId: step.keyResultId ?? '',
});

/** The step that a draft fills in; what it leaves empty is left out. */
export function stepOfDraft({ id, goalId, parentId, order }: Step, draft: StepDraft): Step {
  const optional = {
    note: draft.note.trim(),
    impact: draft.impact,
    startsOn: draft.startsOn,
    dueOn: draft.dueOn,
    doneOn: draft.doneOn,
    keyResultId: draft.keyResultId,
  };
  const filled = Object.fromEntries(Object.entries(optional).filter(([, value]) => value !== ''));
  return {
    id,
    goalId,
    ...(parentId ? { parentId } : {}),
    title: draft.title.trim(),
    ...(draft.priority === '' ? {} : { priority: Number(draft.priority) as Step['priority'] }),
    ...filled,
    order,
  };
}
