import { PART_WORDS } from '../../shared/format.ts';
import { type Area, PARTS_OF_DAY, type PlainDay, type TodayBy, type Track, isActiveIn, outcomeOn } from '@wimbel/core';
import { askOn, isPressing, isToGo } from '../../words/standing.ts';

export type TodayRow = { track: Track; isToGo: boolean };
export type TodaySection = { key: string; title: string; dye: string | null; rows: TodayRow[]; toGo: number };
export type TodayPlan = {
  sections: TodaySection[];
  /** Habits of which nothing is asked; they can be done all the same. */
  notAsked: Track[];
  toGo: number;
  /** What comes next: what cannot be put off, else the first that is left. */
  next: Track | null;
};

/** Habits of a day in groups, in the order the groups are shown. */
export function groupsOf(by: TodayBy, areas: readonly Area[]) {
  if (by === 'part') {
    return PARTS_OF_DAY.map((part) => ({
      key: part,
      title: PART_WORDS[part],
      dye: null,
      holds: ({ habit }: Track) => habit.partOfDay === part,
    }));
  }
  const known = new Set(areas.map((area) => area.id));
  return [
    ...areas.map((area) => ({
      key: area.id,
      title: area.name,
      dye: area.color ?? 'verdigris',
      holds: ({ habit }: Track) => habit.areaId === area.id,
    })),
    { key: 'none', title: 'No area', dye: null, holds: ({ habit }: Track) => !known.has(habit.areaId ?? '') },
  ];
}

/**
 * The habits of a day by part of the day or by area, in the user's order but those in `settled` below the others;
 * habits of which nothing is asked apart. Archived habits and those outside their span are left out, unless the day has
 * a record.
 */
export function planOfDay(
  tracks: readonly Track[],
  day: PlainDay,
  options: { by?: TodayBy; areas?: readonly Area[]; settled?: ReadonlySet<string> } = {},
): TodayPlan {
  const { by = 'part', areas = [], settled } = options;
  const rows: TodayRow[] = [];
  const notAsked: Track[] = [];
  for (const track of tracks) {
    if (!isActiveIn(track, { first: day, last: day })) continue;
    const outcome = outcomeOn(track, day);
    const hasRecord = outcome !== 'blank' && outcome !== 'paused';
    if (track.habit.archived && !hasRecord) continue;
    if (askOn(track, day) === 'none' && !hasRecord) notAsked.push(track);
    else rows.push({ track, isToGo: isToGo(track, day) });
  }
  const isSettled = ({ track, isToGo: left }: TodayRow): boolean => (settled ? settled.has(track.habit.id) : !left);
  const sections = groupsOf(by, areas)
    .map(({ key, title, dye, holds }) => {
      const own = rows.filter((row) => holds(row.track));
      return {
        key,
        title,
        dye,
        rows: [...own.filter((row) => !isSettled(row)), ...own.filter(isSettled)],
        toGo: own.filter((row) => row.isToGo).length,
      };
    })
    .filter((section) => section.rows.length > 0);
  const left = sections.flatMap((section) => section.rows.filter((row) => row.isToGo));
  const next = left.find((row) => isPressing(row.track, day)) ?? left[0];
  return { sections, notAsked, toGo: left.length, next: next?.track ?? null };
}
