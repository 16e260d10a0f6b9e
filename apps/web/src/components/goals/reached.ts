import type { FiguredGoal, Goal, KeyResult, Step } from '@wimbel/core';

/** Names the target too: a key result that is given a further one can be reached again. */
export const announcedKey = ({ id, measure }: KeyResult): string =>
  `reached.${id}.${'target' in measure ? measure.target : measure.kind}`;

/** A key result that got where it was to be. */
export type Reached = { goal: Goal; keyResult: KeyResult };

/** The steps that a key result is counted by, those below them too. */
export function stepsUnder({ steps }: FiguredGoal['records'], keyResultId: string): Step[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const topOf = (step: Step): Step => {
    const above = step.parentId ? byId.get(step.parentId) : undefined;
    return above === undefined ? step : topOf(above);
  };
  return steps.filter((step) => topOf(step).keyResultId === keyResultId);
}
