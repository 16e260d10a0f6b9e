import {
  type Collection,
  type Find,
  type Issue,
  type RecordOf,
  keyOf,
  referencesOf,
  relationIssues,
} from '@wimbel/contract';
import type { Goal, Habit, KeyResult } from '@wimbel/core';
import type { Transaction } from '../../db/connection.ts';
import { findKeyResultsOfHabit, findRecords, findRecordsBy } from './queries.ts';

type AnyRecord = RecordOf<Collection>;

/** The most issues that one change is refused with. */
const MOST_ISSUES = 5;

/** Faults of a record against the person's other records, in the state that the transaction sees. */
export async function issuesAgainstOthers(
  tx: Transaction,
  userId: string,
  collection: Collection,
  record: AnyRecord,
): Promise<Issue[]> {
  const known = new Map<string, AnyRecord>();
  const learn = (of: Collection, records: readonly AnyRecord[]): void => {
    for (const each of records) known.set(`${of} ${keyOf(of, each as never)}`, each);
  };
  const wanted = new Map<Collection, Set<string>>();
  for (const { collection: of, key } of referencesOf(collection, record)) {
    wanted.set(of, (wanted.get(of) ?? new Set()).add(key));
  }
  for (const [of, keys] of wanted) learn(of, await findRecords(tx, of, userId, [...keys]));
  if (collection === 'steps' || collection === 'milestones') {
    learn(collection, await findRecordsBy(tx, collection, userId, 'goalId', (record as { goalId: string }).goalId));
  }
  learn(collection, [record]);
  const find: Find = (of, key) => known.get(`${of} ${key}`) as never;
  const issues = relationIssues(collection, record as never, find);
  if (issues.length > 0) return issues.slice(0, MOST_ISSUES);

  const dependents = await dependentsToCheck(tx, userId, collection, record);
  return dependents
    .flatMap(([of, each]) => {
      learn(of, [each]);
      return relationIssues(of, each as never, (target, key) => find(target, key) ?? assumed(target)).map(
        ({ message }) => ({
          path: '',
          message: `does not fit what is already recorded under it (${of}: ${message})`,
        }),
      );
    })
    .slice(0, MOST_ISSUES);
}

/** Stands for a record that a dependent names and that this change does not touch. */
const assumed = (of: Collection): never =>
  ({ goalId: undefined, startsOn: '0001-01-01', measure: { kind: 'amount' }, of }) as never;

/** Records that hang on this one and could stop to fit, where what they depend on changed. */
async function dependentsToCheck(
  tx: Transaction,
  userId: string,
  collection: Collection,
  record: AnyRecord,
): Promise<[Collection, AnyRecord][]> {
  if (collection !== 'habits' && collection !== 'goals' && collection !== 'keyResults') return [];
  const [before] = await findRecords(tx, collection, userId, [keyOf(collection, record as never)]);
  if (before === undefined) return [];
  const by = async (of: Collection, column: string, value: string) =>
    (await findRecordsBy(tx, of, userId, column, value)).map((each): [Collection, AnyRecord] => [of, each]);
  if (collection === 'habits') {
    const [was, now] = [before as Habit, record as Habit];
    const ids = (habit: Habit) => JSON.stringify((habit.variants ?? []).map((each) => each.id));
    if (was.measure.kind === now.measure.kind && ids(was) === ids(now)) return [];
    const counted = await findKeyResultsOfHabit(tx, userId, now.id);
    const feeding =
      was.measure.kind === now.measure.kind
        ? []
        : counted.filter((each) => (each as KeyResult).measure.kind === 'habitAmount');
    return [
      ...(await by('entries', 'habitId', now.id)),
      ...feeding.map((each): [Collection, AnyRecord] => ['keyResults', each]),
    ];
  }
  if (collection === 'goals') {
    const [was, now] = [before as Goal, record as Goal];
    return was.startsOn === now.startsOn && was.dueOn === now.dueOn ? [] : by('keyResults', 'goalId', now.id);
  }
  const [was, now] = [before as KeyResult, record as KeyResult];
  if (was.measure.kind === now.measure.kind && was.goalId === now.goalId) return [];
  return by('checkIns', 'keyResultId', now.id);
}
