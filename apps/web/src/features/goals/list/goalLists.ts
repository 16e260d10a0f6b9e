import { type FiguredGoal, type Area, type Dye, type Season, dayOf, monthSpan, quarterOfGoal } from '@wimbel/core';
import { STATE_WORDS } from '../../../text/goalText.ts';
import { capital, monthName, monthYear } from '../../../text/format.ts';

export const GOALS_BY = ['area', 'season', 'quarter', 'year', 'state'] as const;
export type GoalsBy = (typeof GOALS_BY)[number];
export const GOALS_SORTS = ['due', 'share', 'order'] as const;
export type GoalsSort = (typeof GOALS_SORTS)[number];

export type GoalGroup = { key: string; title: string; dye: string | null; goals: FiguredGoal[] };

const dueOf = ({ records: { goal } }: FiguredGoal): number => (goal.dueOn ? dayOf(goal.dueOn) : Infinity);
const compare = (a: number, b: number): number => (a === b ? 0 : a - b);

/** Goals by due day (none last), by share (the least first, none last), or in the user's order. */
export function sorted(goals: readonly FiguredGoal[], by: GoalsSort): FiguredGoal[] {
  const rank = (each: FiguredGoal): number =>
    by === 'due' ? dueOf(each) : by === 'share' ? (each.figures.progress ?? Infinity) : each.records.goal.order;
  return [...goals].sort((a, b) => compare(rank(a), rank(b)) || a.records.goal.order - b.records.goal.order);
}

/** "October to December 2026" */
export const quarterName = (first: number): string =>
  `${monthName(first)} to ${monthName(first + 2)} ${monthYear(first)}`;

/** The group a goal belongs to: its key, title and place among the groups. */
function groupOf(
  { records: { goal } }: FiguredGoal,
  by: GoalsBy,
  areas: ReadonlyMap<string, Area & { place: number }>,
  seasons: readonly Season[],
) {
  if (by === 'area') {
    const area = areas.get(goal.areaId ?? '');
    return area
      ? { key: area.id, title: area.name, dye: (area.color ?? 'verdigris') as Dye, place: area.place }
      : { key: 'none', title: 'No area', dye: null, place: Infinity };
  }
  if (by === 'season') {
    // One that is carried over stands in the latest.
    const place = seasons.findLastIndex(({ goalIds }) => goalIds.includes(goal.id));
    const season = seasons[place];
    return season
      ? { key: season.id, title: season.title, dye: null, place: -place }
      : { key: 'none', title: 'In no season', dye: null, place: Infinity };
  }
  if (by === 'state') {
    const place = ['open', 'paused', 'reached', 'dropped'].indexOf(goal.state);
    const word = STATE_WORDS[goal.state];
    return { key: goal.state, title: capital(word), dye: null, place };
  }
  const quarter = quarterOfGoal(goal);
  if (quarter === null) return { key: 'none', title: 'No due day', dye: null, place: Infinity };
  if (by === 'quarter') return { key: String(quarter), title: quarterName(quarter), dye: null, place: quarter };
  const year = monthYear(quarter);
  return { key: year, title: year, dye: null, place: monthSpan(quarter).first };
}

/** Goals in groups, in the order the groups are shown; within each as sorted. */
export function groupsOfGoals(
  goals: readonly FiguredGoal[],
  {
    by,
    sort,
    areas,
    seasons = [],
  }: { by: GoalsBy; sort: GoalsSort; areas: readonly Area[]; seasons?: readonly Season[] },
): GoalGroup[] {
  const byId = new Map(areas.map((area, place) => [area.id, { ...area, place }]));
  const groups = new Map<string, GoalGroup & { place: number }>();
  for (const each of sorted(goals, sort)) {
    const group = groupOf(each, by, byId, seasons);
    const known = groups.get(group.key) ?? { ...group, goals: [] };
    // Years are placed by their first quarter that has a goal.
    known.place = Math.min(known.place, group.place);
    known.goals.push(each);
    groups.set(group.key, known);
  }
  return [...groups.values()].sort((a, b) => compare(a.place, b.place)).map(({ place: _, ...group }) => group);
}
