import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { tidySum } from '../number/exact.ts';
import type { Step } from '../record/records.ts';

export type StepState = 'doneInTime' | 'doneLate' | 'overdue' | 'dueSoon' | 'open';

/** How a step stands, by its own dates, as of `today`. Due today is `dueSoon`. */
export function stepState(step: Step, today: PlainDay): StepState {
  const due = step.dueOn ? dayOf(step.dueOn) : null;
  const done = step.doneOn ? dayOf(step.doneOn) : null;
  if (done !== null && done <= today) return due === null || done <= due ? 'doneInTime' : 'doneLate';
  if (due === null) return 'open';
  if (due < today) return 'overdue';
  return due - today <= 7 ? 'dueSoon' : 'open';
}

/** How many days a step takes by its dates, both ends counted; null without both. */
export const stepDays = (step: Step): number | null =>
  step.startsOn && step.dueOn ? dayOf(step.dueOn) - dayOf(step.startsOn) + 1 : null;

/**
 * The steps of a key result: its top-level steps' number, and the sum of their values. A step with sub-steps is worth
 * their mean, whatever its own `doneOn`; else 1 when done by today, else 0.
 */
export function stepsValue(
  keyResultId: string,
  steps: readonly Step[],
  today: PlainDay,
): { value: number; count: number } {
  const children = new Map<string, Step[]>();
  const top: Step[] = [];
  for (const step of steps) {
    if (step.parentId) {
      const siblings = children.get(step.parentId);
      if (siblings) siblings.push(step);
      else children.set(step.parentId, [step]);
    } else if (step.keyResultId === keyResultId) top.push(step);
  }
  const worth = (step: Step): number => {
    const below = children.get(step.id);
    if (below) return below.reduce((sum, each) => sum + worth(each), 0) / below.length;
    return step.doneOn && dayOf(step.doneOn) <= today ? 1 : 0;
  };
  return { value: tidySum(top.reduce((sum, step) => sum + worth(step), 0)), count: top.length };
}
