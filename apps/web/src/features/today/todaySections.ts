import { PARTS_OF_DAY, type PartOfDay, type PlainDay, type Track, isActiveIn, outcomeOn } from '@wimbel/core';
import { askOn, isToGo } from '../../records/standing.ts';

export type TodayRow = { track: Track; isToGo: boolean };
export type TodaySection = { part: PartOfDay; rows: TodayRow[]; toGo: number };
export type TodayPlan = { sections: TodaySection[]; notAsked: Track[]; toGo: number };

/**
 * The habits of a day by part of the day, those still to do first, in the user's order; habits of which nothing is asked
 * apart. Archived habits and those outside their span are left out, unless the day has a record.
 */
export function planOfDay(tracks: readonly Track[], day: PlainDay): TodayPlan {
  const rows: (TodayRow & { part: PartOfDay })[] = [];
  const notAsked: Track[] = [];
  for (const track of tracks) {
    if (!isActiveIn(track, { first: day, last: day })) continue;
    const outcome = outcomeOn(track, day);
    const hasRecord = outcome !== 'blank' && outcome !== 'paused';
    if (track.habit.archived && !hasRecord) continue;
    if (askOn(track, day) === 'none' && !hasRecord) notAsked.push(track);
    else rows.push({ track, isToGo: isToGo(track, day), part: track.habit.partOfDay });
  }
  const sections = PARTS_OF_DAY.map((part) => {
    const own = rows.filter((row) => row.part === part);
    const toGo = own.filter((row) => row.isToGo);
    return { part, rows: [...toGo, ...own.filter((row) => !row.isToGo)], toGo: toGo.length };
  }).filter((section) => section.rows.length > 0);
  return { sections, notAsked, toGo: sections.reduce((sum, section) => sum + section.toGo, 0) };
}
