import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Milestone } from '../record/records.ts';
import { type StepState, stepState } from './steps.ts';

/** How a milestone stands, as of `today`: as a step with its days would. */
export const milestoneState = ({ id, goalId, title, order, dueOn, reachedOn }: Milestone, today: PlainDay): StepState =>
  stepState(
    { id, goalId, title, order, ...(dueOn ? { dueOn } : {}), ...(reachedOn ? { doneOn: reachedOn } : {}) },
    today,
  );

const isReached = (milestone: Milestone, today: PlainDay): boolean =>
  !!milestone.reachedOn && dayOf(milestone.reachedOn) <= today;

/** The milestones that must come first and are not reached yet; of a reached milestone none. */
export function waitsFor(milestone: Milestone, all: readonly Milestone[], today: PlainDay): Milestone[] {
  if (isReached(milestone, today)) return [];
  const after = new Set(milestone.after ?? []);
  return all.filter((each) => after.has(each.id) && !isReached(each, today));
}

/** Everything that has to come before a milestone, near or far; its own id only where they lead round in a circle. */
export function comesBefore(id: string, all: readonly Milestone[]): Set<string> {
  const byId = new Map(all.map((each) => [each.id, each]));
  const found = new Set<string>();
  const waiting = [...(byId.get(id)?.after ?? [])];
  while (waiting.length > 0) {
    const next = waiting.pop()!;
    if (found.has(next)) continue;
    found.add(next);
    waiting.push(...(byId.get(next)?.after ?? []));
  }
  return found;
}
