import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { GoalRecords } from './goalCourse.ts';
import type { GoalFigures } from './goalFigures.ts';
import { type StepState, stepState } from './steps.ts';
import { milestoneState } from './milestones.ts';

/** Something of a goal with a due day, and how it stands. */
export type DueThing = {
  kind: 'goal' | 'keyResult' | 'milestone' | 'step';
  id: string;
  goalId: string;
  title: string;
  due: PlainDay;
  /** The first of its days, where it has one of its own: it shows through all of them. */
  first: PlainDay;
  state: StepState;
};

const KINDS: readonly DueThing['kind'][] = ['goal', 'keyResult', 'milestone', 'step'];

/** How a goal or key result stands against its due day: reached counts as done in time. */
function reachState(progress: number | null, due: PlainDay, today: PlainDay): StepState {
  if (progress !== null && progress >= 1) return 'doneInTime';
  if (due < today) return 'overdue';
  return due - today <= 7 ? 'dueSoon' : 'open';
}

/** Everything of a goal that has a due day of its own, in the order of the days; of the same day the larger first. */
export function dueThings({ records, figures }: { records: GoalRecords; figures: GoalFigures }, today: PlainDay) {
  const { goal } = records;
  const things: DueThing[] = [];
  const add = (
    kind: DueThing['kind'],
    { id, title, startsOn, dueOn }: { id: string; title: string; startsOn?: string; dueOn?: string },
    state: StepState,
  ): void => {
    if (!dueOn) return;
    const due = dayOf(dueOn);
    things.push({
      kind,
      id,
      goalId: goal.id,
      title,
      due,
      first: startsOn ? Math.min(dayOf(startsOn), due) : due,
      state,
    });
  };
  const stateBy = (progress: number | null, due: string | undefined): StepState =>
    due ? reachState(progress, dayOf(due), today) : 'open';
  const { startsOn: _, ...bare } = goal;
  add('goal', bare, stateBy(goal.state === 'reached' ? 1 : figures.progress, goal.dueOn));
  for (const keyResult of records.keyResults)
    add('keyResult', keyResult, stateBy(figures.keyResults[keyResult.id]?.progress ?? null, keyResult.dueOn));
  for (const milestone of records.milestones) add('milestone', milestone, milestoneState(milestone, today));
  for (const step of records.steps) add('step', step, stepState(step, today));
  return inDueOrder(things);
}

/** By due day; of the same day goals, key results, milestones, steps. */
export const inDueOrder = (things: readonly DueThing[]): DueThing[] =>
  [...things].sort((a, b) => a.due - b.due || KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind));
