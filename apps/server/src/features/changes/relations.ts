import {
  type Collection,
  type Find,
  type Issue,
  LIMITS,
  type NamedBy,
  keyOf,
  referencesOf,
  relationIssues,
} from '@wimbel/contract';
import {
  type Goal,
  type Habit,
  type KeyResult,
  type Milestone,
  type Step,
  checkInsOf,
  needsAmounts,
} from '@wimbel/core';
import { type AnyRecord, type Misfit, collectionOfMisfit } from './queries.ts';
import type { BatchState } from './batchState.ts';

/** Depth limit of the cycle check for steps and milestones. */
const LONGEST_CHAIN = 1000;

/** Referential checks of a record against the account's other records; `before` is the stored version. */
export async function issuesAgainstOthers(
  state: BatchState,
  collection: Collection,
  record: AnyRecord,
  before: AnyRecord | null,
): Promise<Issue[]> {
  const known = new Map<string, AnyRecord>();
  const learn = (of: Collection, each: AnyRecord): void => {
    known.set(`${of} ${keyOf(of, each as never)}`, each);
  };
  for (const { collection: of, key } of referencesOf(collection, record)) {
    const named = await state.record(of, key);
    if (named !== null) learn(of, named);
  }
  if (before !== null) for (const each of await chainAbove(state, collection, record, before)) learn(collection, each);
  learn(collection, record);
  const find: Find = (of, key) => known.get(`${of} ${key}`) as never;
  const issues = relationIssues(collection, record as never, find);
  if (issues.length > 0 || before === null) return issues.slice(0, LIMITS.issues);

  const dependents = await dependentsToCheck(state, collection, record, before);
  return dependents
    .flatMap(([of, each]) => {
      learn(of, each);
      return relationIssues(of, each as never, (target, key) => find(target, key) ?? assumed(target)).map(
        ({ message }) => ({
          path: '',
          message: `does not fit what is already recorded under it (${of}: ${message})`,
        }),
      );
    })
    .slice(0, LIMITS.issues);
}

/** Ancestors of a moved step or milestone, for the cycle check. Only an existing record can close a cycle. */
async function chainAbove(
  state: BatchState,
  collection: Collection,
  record: AnyRecord,
  before: AnyRecord,
): Promise<AnyRecord[]> {
  if (collection !== 'steps' && collection !== 'milestones') return [];
  const namesOf = (each: AnyRecord): string[] =>
    collection === 'steps' ? [(each as Step).parentId ?? ''] : ((each as Milestone).after ?? []);
  if (namesOf(record).join('\n') === namesOf(before).join('\n')) return [];
  const found = new Map<string, AnyRecord>();
  const waiting = namesOf(record);
  await state.readAbove(collection, waiting, LONGEST_CHAIN);
  for (let at = 0; at < waiting.length && at < LONGEST_CHAIN; at++) {
    const id = waiting[at]!;
    if (id === '' || found.has(id)) continue;
    const each = await state.record(collection, id);
    if (each === null) continue;
    found.set(id, each);
    waiting.push(...namesOf(each));
  }
  return [...found.values()];
}

/** Placeholder for a referenced record that the change does not touch. */
const assumed = (of: Collection): never =>
  ({ goalId: undefined, startsOn: '0001-01-01', measure: { kind: 'amount' }, of }) as never;

/** Dependants that no longer fit after the change, a bounded number. */
async function dependentsToCheck(
  state: BatchState,
  collection: Collection,
  record: AnyRecord,
  before: AnyRecord,
): Promise<[Collection, AnyRecord][]> {
  const named = async (by: NamedBy, key: string) =>
    (await state.namedBy(by, key)).map((each): [Collection, AnyRecord] => [by.in, each.record]);
  const misfits = async (misfit: Misfit, key: string, values: readonly string[] = []) =>
    (await state.misfits(misfit, key, values, LIMITS.issues)).map((each): [Collection, AnyRecord] => [
      collectionOfMisfit(misfit),
      each,
    ]);
  if (collection === 'habits') {
    const [was, now] = [before as Habit, record as Habit];
    const left = new Set((now.variants ?? []).map((each) => each.id));
    const gone = (was.variants ?? []).map((each) => each.id).filter((id) => !left.has(id));
    const withGone = gone.length === 0 ? [] : await misfits('goneVariant', now.id, gone);
    if (was.measure.kind === now.measure.kind) return withGone;
    const counted = await named({ in: 'keyResults', field: 'measure', holds: 'habitId' }, now.id);
    const feeding = counted.filter(([, each]) => needsAmounts((each as KeyResult).measure.kind));
    const kind = now.measure.kind === 'check' ? 'amountOfCheck' : 'doneOfAmount';
    return [...withGone, ...(await misfits(kind, now.id)), ...feeding];
  }
  if (collection === 'goals') {
    const [was, now] = [before as Goal, record as Goal];
    if (was.startsOn === now.startsOn && was.dueOn === now.dueOn) return [];
    return named({ in: 'keyResults', field: 'goalId', holds: 'id' }, now.id);
  }
  if (collection !== 'keyResults') return [];
  const [was, now] = [before as KeyResult, record as KeyResult];
  const { kind } = now.measure;
  const taken = checkInsOf(kind);
  if (was.measure.kind === kind || taken === 'any') return [];
  return misfits(taken === 'zeroOrOne' ? 'valueOfYesNo' : 'anyCheckIn', now.id);
}
