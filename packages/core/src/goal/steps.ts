import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { type Fraction, ONE, ZERO, meanOf, plus } from '../number/fraction.ts';
import type { Step } from '../record/records.ts';

/** How a step stands on a day. */
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

/** What some steps come to: their number at the top, and how many of those are done, sub-steps counting for their part. */
export type StepsValue = { value: Fraction; count: number };

/** The steps at the top of a key result's list, or (null) of those that belong to none, with the steps below each step. */
function stepForest(
  keyResultId: string | null,
  steps: readonly Step[],
): { top: Step[]; children: Map<string, Step[]> } {
  const children = new Map<string, Step[]>();
  const top: Step[] = [];
  for (const step of steps) {
    if (step.parentId) {
      const siblings = children.get(step.parentId);
      if (siblings) siblings.push(step);
      else children.set(step.parentId, [step]);
    } else if ((step.keyResultId ?? null) === keyResultId) top.push(step);
  }
  return { top, children };
}

/**
 * The top-level steps of a key result, or (null) those that belong to none. A step with sub-steps is worth their mean,
 * whatever its own `doneOn`; else 1 when `isDone`, else 0. Exact, so that nothing is lost where it is divided by.
 */
export function stepsValueWhere(
  keyResultId: string | null,
  steps: readonly Step[],
  isDone: (step: Step) => boolean,
): StepsValue {
  const { top, children } = stepForest(keyResultId, steps);
  const worth = (step: Step): Fraction => {
    const below = children.get(step.id);
    return below ? meanOf(below.map(worth)) : isDone(step) ? ONE : ZERO;
  };
  return { value: top.map(worth).reduce(plus, ZERO), count: top.length };
}

/** {@link stepsValueWhere} by the end of a day. */
export const stepsValue = (keyResultId: string | null, steps: readonly Step[], day: PlainDay): StepsValue =>
  stepsValueWhere(keyResultId, steps, (step) => !!step.doneOn && dayOf(step.doneOn) <= day);

/** What is expected of each top-level step by a day, 0–1. */
type StepExpected = { step: Step; ratio: number };

/**
 * What is expected by a day of the top-level steps of a key result, or (null) of those that belong to none: 1 from a step's
 * own due day on and 0 before it, `line` where it has none; of a step with sub-steps the mean of theirs. Source:
 * "Goals and key results", Expected.
 */
export function stepsExpected(
  keyResultId: string | null,
  steps: readonly Step[],
  day: PlainDay,
  line: number,
): StepExpected[] {
  const { top, children } = stepForest(keyResultId, steps);
  const expected = (step: Step): number => {
    const below = children.get(step.id);
    if (below) return below.reduce((sum, each) => sum + expected(each), 0) / below.length;
    return !step.dueOn ? line : day >= dayOf(step.dueOn) ? 1 : 0;
  };
  return top.map((step) => ({ step, ratio: expected(step) }));
}

/** The mean of what is expected of some steps; `line` without any. */
export const meanExpected = (steps: readonly StepExpected[], line: number): number =>
  steps.length === 0 ? line : steps.reduce((sum, { ratio }) => sum + ratio, 0) / steps.length;

/** What all steps at the top come to, whichever key result they belong to. */
export function allStepsValue(steps: readonly Step[], day: PlainDay): StepsValue {
  const loose = steps.map(({ keyResultId: _, ...step }) => step);
  return stepsValue(null, loose, day);
}

/** A step with its sub-steps. `isDone` by its sub-steps where it has some, else by its own day. */
export type StepNode = { step: Step; state: StepState; isDone: boolean; below: StepNode[] };

/** How steps can be listed: by hand, by what presses most, by priority, by due day. */
export const STEP_SORTS = ['order', 'need', 'priority', 'due'] as const;
/** An order in which steps can be listed. */
export type StepSort = (typeof STEP_SORTS)[number];

const NEEDS: Record<StepState, number> = { overdue: 0, dueSoon: 1, open: 2, doneLate: 3, doneInTime: 3 };
const IMPACTS = { high: 0, medium: 1, low: 2 } as const;

/** Sort keys of a list, the first that differs decides; missing values come last. */
function ranksBy(sort: StepSort, { step, state }: StepNode): number[] {
  const due = step.dueOn ? dayOf(step.dueOn) : Infinity;
  const priority = step.priority ?? Infinity;
  switch (sort) {
    case 'order':
      return [];
    case 'need':
      return [NEEDS[state], due, priority, step.impact ? IMPACTS[step.impact] : Infinity];
    case 'priority':
      return [priority, step.impact ? IMPACTS[step.impact] : Infinity, due];
    case 'due':
      return [due, priority];
  }
}

/** A tree of steps in another order at every level, the open ones still before the done ones; equals stay as they were. */
export function stepsSorted(nodes: readonly StepNode[], sort: StepSort): StepNode[] {
  const byRank = (a: StepNode, b: StepNode): number => {
    const [one, other] = [ranksBy(sort, a), ranksBy(sort, b)];
    const at = one.findIndex((rank, index) => rank !== other[index]);
    return at < 0 ? 0 : one[at]! - other[at]!;
  };
  const level = nodes.map((node) => ({ ...node, below: stepsSorted(node.below, sort) }));
  return [...level.filter((node) => !node.isDone).sort(byRank), ...level.filter((node) => node.isDone).sort(byRank)];
}

/** Steps as a tree, as of `today`: at each level the open ones first, in the order given, then the done ones. */
export function stepTree(steps: readonly Step[], today: PlainDay): StepNode[] {
  const known = new Set(steps.map((step) => step.id));
  const byParent = new Map<string | null, Step[]>();
  for (const step of steps) {
    const parent = step.parentId && known.has(step.parentId) ? step.parentId : null;
    const siblings = byParent.get(parent);
    if (siblings) siblings.push(step);
    else byParent.set(parent, [step]);
  }
  const level = (parent: string | null): StepNode[] => {
    const nodes = (byParent.get(parent) ?? []).map((step): StepNode => {
      const below = level(step.id);
      const isDone =
        below.length > 0 ? below.every((each) => each.isDone) : !!step.doneOn && dayOf(step.doneOn) <= today;
      return { step, state: stepState(step, today), isDone, below };
    });
    return [...nodes.filter((node) => !node.isDone), ...nodes.filter((node) => node.isDone)];
  };
  return level(null);
}

/** A step and everything below it. */
export function stepsBelow(steps: readonly Step[], id: string): Step[] {
  const children = steps.filter((step) => step.parentId === id);
  return children.flatMap((child) => [child, ...stepsBelow(steps, child.id)]);
}

/**
 * The steps that change when one is ticked off on a day, or (null) opened again. Ticking off takes along what is still
 * open below it, and the steps above of which it was the last; opening again opens the steps above.
 */
export function stepsMarked(steps: readonly Step[], id: string, day: PlainDay | null): Step[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const step = byId.get(id);
  if (step === undefined) return [];
  const changed = new Map<string, Step>();
  const put = (each: Step): void => {
    const { doneOn: _, ...rest } = each;
    changed.set(each.id, day === null ? rest : { ...rest, doneOn: formatDay(day) });
  };
  put(step);
  if (day !== null) stepsBelow(steps, id).forEach((each) => !each.doneOn && put(each));
  const isDone = (each: Step): boolean => !!(changed.get(each.id) ?? each).doneOn;
  for (let above = byId.get(step.parentId ?? ''); above; above = byId.get(above.parentId ?? '')) {
    const parent = above;
    if (day === null) {
      if (isDone(parent)) put(parent);
    } else {
      if (isDone(parent) || !steps.every((each) => each.parentId !== parent.id || isDone(each))) break;
      put(parent);
    }
  }
  return [...changed.values()];
}
