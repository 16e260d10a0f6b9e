import { type Area, type AskKind, type Goal, type KeyResult, type Track, carryingTracks } from '@wimbel/core';
import { OFTEN, OFTEN_WORDS, oftenOf } from './often.ts';

/** Which habits are shown: those of an area, of a goal, or due so often. `area.` alone stands for those without one. */
export type HabitFilter = { by: 'area' | 'goal'; id: string } | { by: 'often'; id: AskKind };

/** Reads "area.ID", "goal.ID", "often.days"; null where it is none of them. */
export function parseHabitFilter(text: string): HabitFilter | null {
  const at = text.indexOf('.');
  const [by, id] = [text.slice(0, at), text.slice(at + 1)];
  if (by === 'area' || (by === 'goal' && id !== '')) return { by, id };
  const often = OFTEN.find((each) => each === id);
  return by === 'often' && often ? { by, id: often } : null;
}

export const formatHabitFilter = ({ by, id }: HabitFilter): string => `${by}.${id}`;

/** The habits that are shown: of a goal those that carry it. */
export function filterTracks(
  { by, id }: HabitFilter,
  tracks: readonly Track[],
  keyResults: readonly KeyResult[],
): readonly Track[] {
  if (by === 'goal') return carryingTracks([id], tracks, keyResults);
  return tracks.filter((track) => (by === 'often' ? oftenOf(track) : (track.habit.areaId ?? '')) === id);
}

/** What those that are shown have in common: "Music", "Across the bay", "Weekly"; null where it is gone. */
export function habitFilterName(
  only: HabitFilter,
  { areas, goals }: { areas: Record<string, Area>; goals: Record<string, Goal> },
): string | null {
  if (only.by === 'often') return OFTEN_WORDS[only.id];
  if (only.by === 'goal') return goals[only.id]?.title ?? null;
  return only.id === '' ? 'No area' : (areas[only.id]?.name ?? null);
}

/** A choice of habits to show, with how many it shows. */
export type HabitFilterChoice = { only: HabitFilter; name: string; color?: string; count: number };

/** The choices that show some of the habits but not all of them, by area, by goal, and by how often they are due. */
export function habitFilterChoices(
  tracks: readonly Track[],
  areas: readonly Area[],
  goals: readonly Goal[],
  keyResults: readonly KeyResult[],
): { area: HabitFilterChoice[]; goal: HabitFilterChoice[]; often: HabitFilterChoice[] } {
  const withCount = (only: HabitFilter, name: string, color?: string): HabitFilterChoice[] => {
    const count = filterTracks(only, tracks, keyResults).length;
    return count === 0 || count === tracks.length ? [] : [{ only, name, count, ...(color ? { color } : {}) }];
  };
  return {
    area: [
      ...areas.flatMap(({ id, name, color }) => withCount({ by: 'area', id }, name, color ?? 'verdigris')),
      ...withCount({ by: 'area', id: '' }, 'No area'),
    ],
    goal: goals.flatMap(({ id, title }) => withCount({ by: 'goal', id }, title)),
    often: OFTEN.flatMap((id) => withCount({ by: 'often', id }, OFTEN_WORDS[id])),
  };
}
