import type { FiguredGoal, Goal } from '@wimbel/core';
import { selectFigures, selectGoals } from './selectors.ts';
import { type RootState, useAppSelector } from './store.ts';

/** Every goal figured, by id; one stays the same object while neither it nor a habit that carries it changes. */
export const selectFiguredGoals = (state: RootState): ReadonlyMap<string, FiguredGoal> => selectFigures(state).goals;

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
