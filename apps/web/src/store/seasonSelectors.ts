import { type FiguredSeason, type Season, seasonOn, seasonsInOrder } from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';
import { selectFigures, selectToday } from './selectors.ts';
import type { RootState } from './store.ts';

const inOrder = new WeakMap<RecordsState['seasons'], Season[]>();

/** Every season by its first day. */
export function selectSeasons(state: RootState): Season[] {
  const { seasons } = state.records;
  const known = inOrder.get(seasons) ?? seasonsInOrder(Object.values(seasons));
  inOrder.set(seasons, known);
  return known;
}

/** The season that runs today; null where none does. */
export const selectRunningSeason = (state: RootState): Season | null =>
  seasonOn(selectSeasons(state), selectToday(state));

/** A season figured; the same object while nothing that its figures go by changes. Null where it is not there. */
export const selectFiguredSeason = (state: RootState, seasonId: string): FiguredSeason | null =>
  selectFigures(state).seasonOf(seasonId);

const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

let lastFigured: FiguredSeason[] = [];

/** Every season figured, by its first day; the same list while none of them changed. */
export function selectFiguredSeasons(state: RootState): FiguredSeason[] {
  const all = selectSeasons(state).flatMap(({ id }) => selectFiguredSeason(state, id) ?? []);
  if (!isSameList(all, lastFigured)) lastFigured = all;
  return lastFigured;
}

/** Whether seasons are spoken of. */
export const selectShowsSeasons = (state: RootState): boolean =>
  !(state.records.settings.hidden?.includes('seasons') ?? false);
