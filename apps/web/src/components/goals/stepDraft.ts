import { type Step, type KeyResult, type GoalRecords, isStepsMeasure } from '@wimbel/core';
import type { LineStep } from '@wimbel/exchange';
import { newId } from '../../store/makeChange.ts';

/** The key result that a new step at the top counts for by itself: the goal's only one that goes by steps. */
export function stepsKeyResultOf(keyResults: readonly KeyResult[]): string | null {
  const [only, another] = keyResults.filter(({ measure }) => isStepsMeasure(measure));
  return only !== undefined && another === undefined ? only.id : null;
}

/** A step to be put below the others of its goal; at the top it counts for the goal's only key result by steps. */
export function newStep(
  { goal, steps, keyResults }: Pick<GoalRecords, 'goal' | 'steps' | 'keyResults'>,
  title: string,
  more: Partial<Step> = {},
): Step {
  const keyResultId = more.parentId ? null : stepsKeyResultOf(keyResults);
  return {
    id: newId(),
    goalId: goal.id,
    ...(keyResultId === null ? {} : { keyResultId }),
    title,
    order: steps.reduce((most, each) => Math.max(most, each.order), -1) + 1,
    ...more,
  };
}

/** The steps of a list, after those there are, each under the line that it stands in of; the outermost under `under`. */
export function stepsOfLines(
  records: Pick<GoalRecords, 'goal' | 'steps' | 'keyResults'>,
  lines: readonly LineStep[],
  under: string | null = null,
): Step[] {
  const above: string[] = [];
  const first = newStep(records, '').order;
  return lines.map(({ title, depth }, index) => {
    const parentId = above[depth - 1] ?? under;
    const step = newStep(records, title, { order: first + index, ...(parentId ? { parentId } : {}) });
    above.splice(depth, above.length, step.id);
    return step;
  });
}

/** Steps as they are to be when they count for another key result, or (null) for none; those that do already are left out. */
export const stepsMoved = (steps: readonly Step[], keyResultId: string | null): Step[] =>
  steps
    .filter((step) => (step.keyResultId ?? null) !== keyResultId && !step.parentId)
    .map(({ keyResultId: _, ...step }) => (keyResultId === null ? step : { ...step, keyResultId }));

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
