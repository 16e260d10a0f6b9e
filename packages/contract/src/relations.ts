import {
  type CheckIn,
  type Entry,
  type Goal,
  type Habit,
  type KeyResult,
  type Milestone,
  type Step,
  checkInsOf,
  isKeyResultKind,
  needsAmounts,
} from '@wimbel/core';
import type { Collection, RecordOf } from './keys.ts';
import type { Issue } from './plain.ts';

/** A record named by another: where it is named, and which it is. */
export type Reference = { path: string; collection: Collection; key: string };

/** Looks a record up by collection and key. */
export type Find = <C extends Collection>(collection: C, key: string) => RecordOf<C> | undefined;

type Named = {
  areaId?: string;
  goalId?: string;
  habitId?: string;
  keyResultId?: string;
  parentId?: string;
  rewardId?: string;
  seasonId?: string;
  goalIds?: string[];
  habitIds?: string[];
  after?: string[];
  measure?: { habitId?: string };
  answers?: unknown;
};

/** Every record that a record names by id, of whatever collection it is. */
export function referencesOf(collection: Collection, value: RecordOf<Collection>): Reference[] {
  const record = value as Named;
  const found: Reference[] = [];
  const add = (path: string, target: Collection, key: string | undefined): void => {
    if (key) found.push({ path, collection: target, key });
  };
  add('areaId', 'areas', record.areaId);
  add('goalId', 'goals', record.goalId);
  add('habitId', 'habits', record.habitId);
  add('keyResultId', 'keyResults', record.keyResultId);
  add('parentId', 'steps', record.parentId);
  add('rewardId', 'rewards', record.rewardId);
  add('seasonId', 'seasons', record.seasonId);
  if (collection === 'keyResults') add('measure.habitId', 'habits', record.measure?.habitId);
  record.goalIds?.forEach((key, index) => add(`goalIds[${index}]`, 'goals', key));
  record.habitIds?.forEach((key, index) => add(`habitIds[${index}]`, 'habits', key));
  record.after?.forEach((key, index) => add(`after[${index}]`, 'milestones', key));
  if (collection === 'journal' && Array.isArray(record.answers)) {
    record.answers.forEach((answer: { promptId: string }, index) =>
      add(`answers[${index}].promptId`, 'prompts', answer.promptId),
    );
  }
  return found;
}

/** Faults of a record against the records it names. `find` must know the record's own new state too. */
export function relationIssues<C extends Collection>(collection: C, record: RecordOf<C>, find: Find): Issue[] {
  const missing = referencesOf(collection, record)
    .filter((reference) => find(reference.collection, reference.key) === undefined)
    .map(({ path, key }) => ({ path, message: `names "${key}", which is not there` }));
  if (missing.length > 0) return missing;
  const check = RELATIONS[collection];
  return check
    ? (check as (record: RecordOf<C>, find: Find) => (Issue | false)[])(record, find).filter((each) => each !== false)
    : [];
}

type Relations = { [C in Collection]?: (record: RecordOf<C>, find: Find) => (Issue | false)[] };

const RELATIONS: Relations = {
  entries: entryIssues,
  keyResults: keyResultIssues,
  checkIns: checkInIssues,
  steps: stepIssues,
  milestones: milestoneIssues,
};

function entryIssues(entry: Entry, find: Find): (Issue | false)[] {
  const habit = find('habits', entry.habitId) as Habit;
  const isAmount = habit.measure.kind === 'amount';
  const variants = new Set((habit.variants ?? []).map((each) => each.id));
  return [
    !isAmount &&
      entry.amount !== undefined && { path: 'amount', message: 'is an amount, but the habit is only checked off' },
    isAmount && entry.mark === 'done' && { path: 'mark', message: 'is done, but the habit counts an amount' },
    ...(entry.parts ?? []).flatMap((part, index) => [
      !isAmount &&
        part.amount !== undefined && {
          path: `parts[${index}].amount`,
          message: 'is an amount, but the habit is only checked off',
        },
      !variants.has(part.variantId) && {
        path: `parts[${index}].variantId`,
        message: `names "${part.variantId}", which is not there`,
      },
    ]),
  ];
}

/** A key result's dates, each its own or its goal's, must be in order. */
export function keyResultDueIssue(keyResult: KeyResult, goal: Goal): Issue | false {
  const starts = keyResult.startsOn ?? goal.startsOn;
  const due = keyResult.dueOn ?? goal.dueOn;
  return !!due && due < starts && { path: 'dueOn', message: `is before the start (due ${due}, starts ${starts})` };
}

function keyResultIssues(keyResult: KeyResult, find: Find): (Issue | false)[] {
  const { measure } = keyResult;
  return [
    keyResultDueIssue(keyResult, find('goals', keyResult.goalId) as Goal),
    'habitId' in measure &&
      needsAmounts(measure.kind) &&
      find('habits', measure.habitId)?.measure.kind === 'check' && {
        path: 'measure.habitId',
        message: 'names a habit that is only checked off and has no amounts',
      },
  ];
}

function checkInIssues(checkIn: CheckIn, find: Find): (Issue | false)[] {
  const kind = find('keyResults', checkIn.keyResultId)?.measure.kind;
  const taken = isKeyResultKind(kind) ? checkInsOf(kind) : 'none';
  return [
    taken === 'none' && {
      path: 'keyResultId',
      message: 'names a key result that is not fed by check-ins',
    },
    taken === 'zeroOrOne' &&
      checkIn.value !== 0 &&
      checkIn.value !== 1 && { path: 'value', message: 'is neither 0 nor 1' },
  ];
}

function stepIssues(step: Step, find: Find): (Issue | false)[] {
  const parent = step.parentId ? find('steps', step.parentId) : undefined;
  const keyResult = step.keyResultId ? find('keyResults', step.keyResultId) : undefined;
  return [
    parent !== undefined &&
      parent.goalId !== step.goalId && { path: 'parentId', message: 'names a step of another goal' },
    keyResult !== undefined &&
      keyResult.goalId !== step.goalId && { path: 'keyResultId', message: 'names a key result of another goal' },
    reaches(step.id, [step.parentId], (id) => [find('steps', id)?.parentId]) && {
      path: 'parentId',
      message: 'leads round in a circle',
    },
  ];
}

function milestoneIssues(milestone: Milestone, find: Find): (Issue | false)[] {
  const after = milestone.after ?? [];
  return [
    ...after.map(
      (id, index) =>
        find('milestones', id)?.goalId !== milestone.goalId && {
          path: `after[${index}]`,
          message: 'names a milestone of another goal',
        },
    ),
    reaches(milestone.id, after, (id) => find('milestones', id)?.after ?? []) && {
      path: 'after',
      message: 'leads round in a circle',
    },
  ];
}

/** Whether `target` can be reached from `from` along `next`. */
function reaches(target: string, from: (string | undefined)[], next: (id: string) => (string | undefined)[]): boolean {
  const seen = new Set<string>();
  const waiting = [...from];
  while (waiting.length > 0) {
    const id = waiting.pop();
    if (id === undefined || seen.has(id)) continue;
    if (id === target) return true;
    seen.add(id);
    waiting.push(...next(id));
  }
  return false;
}
