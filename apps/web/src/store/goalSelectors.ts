import {
  type Goal,
  type GoalFigures,
  type GoalRecords,
  type PlainDay,
  type Track,
  carryingTracks,
  goalFigures,
  compareByOrder,
} from '@wimbel/core';
import { selectGoals, selectTracks } from './selectors.ts';
import type { RecordsState } from '@wimbel/sync';
import { type RootState, useAppSelector } from './store.ts';

/** A goal with what hangs on it, the habits that carry it, and everything computed of it as of today. */
export type FiguredGoal = { records: GoalRecords; carrying: Track[]; figures: GoalFigures; trackOf: TrackOf };
type TrackOf = (habitId: string) => Track | undefined;

type Lists = Pick<RecordsState, 'goals' | 'keyResults' | 'checkIns' | 'steps' | 'milestones'>;
const LISTS = ['goals', 'keyResults', 'checkIns', 'steps', 'milestones'] as const;

const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

let grouped: { lists: Lists; tracks: Track[]; today: PlainDay; goals: Map<string, FiguredGoal> } | null = null;

/** Sorts what hangs on goals by goal. A list whose goal is gone is left out. */
function group(lists: Lists): Map<string, GoalRecords> {
  type Parts = { keyResults: unknown[]; checkIns: unknown[]; steps: unknown[]; milestones: unknown[] };
  const parts = new Map<string, Parts>();
  for (const id of Object.keys(lists.goals)) parts.set(id, { keyResults: [], checkIns: [], steps: [], milestones: [] });
  for (const name of ['keyResults', 'steps', 'milestones'] as const) {
    for (const each of Object.values(lists[name]).sort(compareByOrder)) parts.get(each.goalId)?.[name].push(each);
  }
  for (const each of Object.values(lists.checkIns))
    parts.get(lists.keyResults[each.keyResultId]?.goalId ?? '')?.checkIns.push(each);
  return new Map([...parts].map(([id, each]) => [id, { goal: lists.goals[id]!, ...each } as unknown as GoalRecords]));
}

const isSameGoal = (a: GoalRecords, b: GoalRecords): boolean =>
  a.goal === b.goal &&
  isSameList(a.keyResults, b.keyResults) &&
  isSameList(a.checkIns, b.checkIns) &&
  isSameList(a.steps, b.steps) &&
  isSameList(a.milestones, b.milestones);

/** Every goal figured, by id; one stays the same object while neither it nor a habit that carries it changes. */
export function selectFiguredGoals(state: RootState): ReadonlyMap<string, FiguredGoal> {
  const lists = state.records;
  const tracks = selectTracks(state);
  const { today } = state.clock;
  const before = grouped;
  if (
    before &&
    before.tracks === tracks &&
    before.today === today &&
    LISTS.every((each) => before.lists[each] === lists[each])
  )
    return before.goals;
  const byId = new Map(tracks.map((track) => [track.habit.id, track]));
  const trackOf: TrackOf = (habitId) => byId.get(habitId);
  const goals = new Map<string, FiguredGoal>();
  for (const [id, records] of group(lists)) {
    const known = before?.goals.get(id);
    const carrying = carryingTracks([id], tracks, records.keyResults);
    const isKnown =
      known !== undefined &&
      before?.today === today &&
      isSameGoal(known.records, records) &&
      isSameList(known.carrying, carrying);
    goals.set(id, isKnown ? known : { records, carrying, figures: goalFigures(records, trackOf, today), trackOf });
  }
  grouped = { lists, tracks, today, goals };
  return goals;
}

/** A goal figured; null where it is not there. */
export const selectFiguredGoal = (state: RootState, goalId: string): FiguredGoal | null =>
  selectFiguredGoals(state).get(goalId) ?? null;

let lastList: { goals: readonly Goal[]; map: ReadonlyMap<string, FiguredGoal>; list: FiguredGoal[] } | null = null;

/** Every goal figured, in the user's order. */
export function selectFiguredList(state: RootState): FiguredGoal[] {
  const [goals, map] = [selectGoals(state), selectFiguredGoals(state)];
  if (lastList?.goals === goals && lastList.map === map) return lastList.list;
  lastList = { goals, map, list: goals.flatMap((goal) => map.get(goal.id) ?? []) };
  return lastList.list;
}

/** A goal figured, for a component. */
export const useFiguredGoal = (goalId: string): FiguredGoal | null =>
  useAppSelector((state) => selectFiguredGoal(state, goalId));
