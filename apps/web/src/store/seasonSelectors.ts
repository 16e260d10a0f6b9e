import {
  type Season,
  type SeasonFigures,
  type SeasonStanding,
  type Track,
  seasonFigures,
  seasonOn,
  seasonStanding,
  seasonsInOrder,
  tiedTracks,
} from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';
import { selectKeyResults, selectSettings, selectToday, selectTracks } from './selectors.ts';
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

/** A season with the tracks its score is over, its figures and how it stands. */
export type FiguredSeason = {
  season: Season;
  tied: readonly Track[];
  passMark: number;
  figures: SeasonFigures;
  standing: SeasonStanding;
  today: number;
};

const figured = new WeakMap<Season, FiguredSeason>();

const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

/** A season figured; the same object while nothing that its figures go by changes. Null where it is not there. */
export function selectFiguredSeason(state: RootState, seasonId: string): FiguredSeason | null {
  const season = state.records.seasons[seasonId];
  if (season === undefined) return null;
  const today = selectToday(state);
  const passMark = season.passMark ?? selectSettings(state).passMark;
  const tied = tiedTracks(season, selectTracks(state), selectKeyResults(state));
  const known = figured.get(season);
  if (known && known.today === today && known.passMark === passMark && isSameList(known.tied, tied)) return known;
  const figures = seasonFigures(season, tied, today, passMark);
  const made = { season, tied, passMark, figures, standing: seasonStanding(season, figures, today), today };
  figured.set(season, made);
  return made;
}

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
