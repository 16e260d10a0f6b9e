import { type Goal, type Habit, type Track, dayOf } from '@wimbel/core';
import Fuse from 'fuse.js';
import type { RootState } from '../../store/store.ts';
import { selectAreas, selectGoals, selectHabits, selectToday, trackOf } from '../../store/selectors.ts';
import { selectSeasons } from '../../store/seasonSelectors.ts';
import { PATHS, goalPath, habitPath, seasonPath } from '../../platform/paths.ts';

/** Something that can be found by its name, and where it leads. */
export type SearchTarget = {
  id: string;
  kind: 'habit' | 'goal' | 'season' | 'step' | 'area' | 'place' | 'action';
  name: string;
  /** What it belongs to, in a word or two. */
  aside: string;
  path: string;
  /** A habit that can be checked off right there. */
  track?: Track;
};

const place = (name: string, path: string): SearchTarget => ({
  id: `place ${path}`,
  kind: 'place',
  name,
  aside: 'Place',
  path,
});
const action = (name: string, path: string): SearchTarget => ({
  id: `do ${path}`,
  kind: 'action',
  name,
  aside: 'Action',
  path,
});

/** Results shown before a search. */
export const PLACES_AND_ACTIONS: readonly SearchTarget[] = [
  action('Add a habit', PATHS.newHabit),
  action('Add habits from a list', PATHS.habitList),
  action('Set a goal', PATHS.newGoal),
  action('Begin a season', PATHS.newSeason),
  place('Today', PATHS.today),
  place('Log', PATHS.log),
  place('Log as a list by day', `${PATHS.log}?as=list`),
  place('Goals', PATHS.goals),
  place('What is due', PATHS.dueGoals),
  place('Goals of a year', PATHS.yearOfGoals),
  place('Charts', PATHS.charts),
  place('Print charts', PATHS.printCharts),
  place('Journal', PATHS.journal),
  place('All pages of the journal', PATHS.journalPages),
  place('Moods', PATHS.moods),
  place('Look back', PATHS.lookBack),
  place('Pages to take along', PATHS.takeAlong),
  place('Prompts of the journal', PATHS.prompts),
  place('Seasons', PATHS.seasons),
  place('Rewards', PATHS.rewards),
  place('Pips earned and spent', PATHS.ledger),
  place('What earns pips', PATHS.pipsTable),
  place('Settings', PATHS.settings),
  place('All habits in order', PATHS.habitsInOrder),
  place('Targets of all habits', PATHS.habitTargets),
  place('Areas', PATHS.areas),
  place('Quotes', PATHS.quotes),
  place('Account, password, data in and out', PATHS.account),
  place('Bring in a table', PATHS.bringIn),
];

const isOver = (habit: Habit, today: number): boolean =>
  habit.archived === true || (habit.endsOn !== undefined && dayOf(habit.endsOn) < today);

/** Everything of a person that has a name. */
export function searchTargetsOf(state: RootState): SearchTarget[] {
  const { records } = state;
  const today = selectToday(state);
  const areaName = (id: string | undefined): string => records.areas[id ?? '']?.name ?? '';
  const habits = selectHabits(state).map((habit): SearchTarget => {
    const over = isOver(habit, today);
    return {
      id: habit.id,
      kind: 'habit',
      name: habit.name,
      aside: [areaName(habit.areaId), over ? 'archived' : ''].filter(Boolean).join(', ') || 'Habit',
      path: habitPath(habit.id),
      ...(over ? {} : { track: trackOf(state, habit) }),
    };
  });
  const goals = selectGoals(state).map((goal: Goal): SearchTarget => ({
    id: goal.id,
    kind: 'goal',
    name: goal.title,
    aside: ['Goal', areaName(goal.areaId)].filter(Boolean).join(', '),
    path: goalPath(goal.id),
  }));
  const seasons = selectSeasons(state).map(({ id, title }): SearchTarget => ({
    id,
    kind: 'season',
    name: title,
    aside: 'Season',
    path: seasonPath(id),
  }));
  const steps = Object.values(records.steps).map((step): SearchTarget => ({
    id: step.id,
    kind: 'step',
    name: step.title,
    aside: `Step of ${records.goals[step.goalId]?.title ?? 'a goal'}`,
    path: goalPath(step.goalId),
  }));
  const areas = selectAreas(state).map((area): SearchTarget => ({
    id: area.id,
    kind: 'area',
    name: area.name,
    aside: 'Area, its habits in the log',
    path: `${PATHS.log}?only=${encodeURIComponent(`area.${area.id}`)}`,
  }));
  // Those that are on somebody's days come first.
  habits.sort((a, b) => Number(a.track === undefined) - Number(b.track === undefined));
  return [...habits, ...goals, ...seasons, ...areas, ...PLACES_AND_ACTIONS, ...steps];
}

/** Looks through names: any part of one, without regard to accents and capitals, small slips let pass. */
export const finderOf = (all: readonly SearchTarget[]): ((text: string, most: number) => SearchTarget[]) => {
  const fuse = new Fuse(all, {
    keys: ['name'],
    ignoreLocation: true,
    ignoreDiacritics: true,
    ignoreFieldNorm: true,
    threshold: 0.2,
  });
  return (text, most) => fuse.search(text.trim(), { limit: most }).map(({ item }) => item);
};
