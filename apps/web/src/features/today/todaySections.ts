import { PART_WORDS } from '../../text/format.ts';
import { type Area, PARTS_OF_DAY, type PlainDay, type TodayBy, type Track, isActiveIn, outcomeOn } from '@wimbel/core';
import { askOn, isDecided, isPressing } from '../../text/dayStatusText.ts';

type TodayRow = { track: Track; isToGo: boolean };
export type TodaySection = { key: string; title: string; dye: string | null; rows: TodayRow[]; toGo: number };
export type TodayPlan = {
  sections: TodaySection[];
  /** Flexible habits that another day may do for; `wanted` says of how many of them today asks all the same. */
  canWait: { tracks: Track[]; wanted: number };
  /** Habits of which nothing is asked; they can be done all the same. */
  notAsked: Track[];
  /** Habits that begin on a later day; a record starts them on this one. */
  notBegun: Track[];
  /** What the day still asks: its score's whole, less what is done and what was missed. */
  toGo: number;
  missed: number;
  /** The next habit: one that cannot wait, else the first open one. */
  next: Track | null;
};

/** Habits of a day in groups, in the order the groups are shown. */
function groupsOf(by: TodayBy, areas: readonly Area[]) {
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

/** A group with only some of its habits, and what is left of those. */
export function sectionWith(section: TodaySection, isShown: (track: Track) => boolean): TodaySection {
  const rows = section.rows.filter(({ track }) => isShown(track));
  return { ...section, rows, toGo: rows.filter((row) => row.isToGo).length };
}

/** Decided habits below the open ones, each in the person's order. */
const settleBelow = <T>(rows: readonly T[], isSettled: (row: T) => boolean): T[] => [
  ...rows.filter((row) => !isSettled(row)),
  ...rows.filter(isSettled),
];

/**
 * The habits of a day by part of the day or by area, in the user's order but those in `settled` below the others; those
 * that can wait and those of which nothing is asked apart. `wanted` is what flexible habits still ask of the day together.
 * Habits outside their span are left out, archived ones where nothing was due of them or recorded.
 */
export function planOfDay(
  tracks: readonly Track[],
  day: PlainDay,
  options: { wanted?: number; by?: TodayBy; areas?: readonly Area[]; settled?: ReadonlySet<string> } = {},
): TodayPlan {
  const { wanted = 0, by = 'part', areas = [], settled } = options;
  const isSettled = (track: Track): boolean => (settled ? settled.has(track.habit.id) : isDecided(track, day));
  const rows: TodayRow[] = [];
  const canWait: Track[] = [];
  const notAsked: Track[] = [];
  const notBegun = tracks.filter(({ habit, first, today }) => first > day && day <= today && !habit.archived);
  let [pressing, missed] = [0, 0];
  for (const track of tracks) {
    if (!isActiveIn(track, { first: day, last: day })) continue;
    const ask = askOn(track, day);
    const outcome = outcomeOn(track, day);
    const hasRecord = outcome !== 'blank' && outcome !== 'paused';
    const isLeft = !isDecided(track, day);
    if (ask === 'fixed') {
      if (outcome === 'missed') missed++;
      rows.push({ track, isToGo: isLeft });
    } else if (ask === 'waiting') {
      // Late is not due once more: it stands with the others, but the day does not ask it.
      rows.push({ track, isToGo: false });
    } else if (ask === 'pressing') {
      // What others did ahead may leave the day asking for fewer than cannot wait.
      const isToGo = isLeft && pressing < wanted;
      if (isToGo) pressing++;
      rows.push({ track, isToGo });
    } else if (ask === 'canWait' || hasRecord) canWait.push(track);
    else if (!track.habit.archived) notAsked.push(track);
  }
  const sections = groupsOf(by, areas)
    .map(({ key, title, dye, holds }) => {
      const own = rows.filter((row) => holds(row.track));
      return {
        key,
        title,
        dye,
        rows: settleBelow(own, (row) => isSettled(row.track)),
        toGo: own.filter((row) => row.isToGo).length,
      };
    })
    .filter((section) => section.rows.length > 0);
  const left = sections.flatMap((section) => section.rows.filter((row) => row.isToGo));
  const next = left.find((row) => isPressing(row.track, day)) ?? left[0];
  return {
    sections,
    canWait: { tracks: settleBelow(canWait, isSettled), wanted: wanted - pressing },
    notAsked,
    notBegun,
    toGo: left.length + wanted - pressing,
    missed,
    next: next?.track ?? null,
  };
}
