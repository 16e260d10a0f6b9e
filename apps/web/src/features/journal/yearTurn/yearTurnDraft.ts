import type { Change } from '@wimbel/contract';
import {
  type Goal,
  type Habit,
  type Milestone,
  type PlainDay,
  type YearWish,
  habitNextYear,
  parseDay,
  yearSpan,
  formatDay,
} from '@wimbel/core';
import { parseTyped } from '../../../text/amounts.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';

/** How often a habit is to be in the next year. */
export const OFTENS = ['asNow', 'daily', '6', '5', '4', '3', '2', '1', 'over'] as const;
export type Often = (typeof OFTENS)[number];

/** Draft of a habit's target; `days` is the typed text, empty for as planned. */
export type HabitWish = { often: Often; days: string };
export type GoalWish = { id: string; title: string; why: string; dueOn: string; milestones: MilestoneWish[] };
export type MilestoneWish = { id: string; title: string; dueOn: string };

/** Draft of the turn of a year. */
export type YearTurnDraft = { habits: Record<string, HabitWish>; goals: GoalWish[] };

export const MOST_GOALS = 3;
export const MOST_MILESTONES = 3;

export const emptyYearTurn = (): YearTurnDraft => ({ habits: {}, goals: [] });
export const asNow: HabitWish = { often: 'asNow', days: '' };
export const newGoalWish = (year: number): GoalWish => ({
  id: newId(),
  title: '',
  why: '',
  dueOn: formatDay(yearSpan(year).last),
  milestones: [],
});

/** What was kept of it on this device; null where that is nothing, or cannot be read. */
export function readYearTurn(text: string | null): YearTurnDraft | null {
  try {
    const value = JSON.parse(text ?? '') as Partial<YearTurnDraft> | null;
    return value?.habits && Array.isArray(value.goals) ? { habits: value.habits, goals: value.goals } : null;
  } catch {
    return null;
  }
}

/** What is wrong with the days aimed at, in words; null where nothing is. */
export function daysFault(text: string): string | null {
  if (text.trim() === '') return null;
  const days = parseTyped(text);
  return days !== null && Number.isInteger(days) && days >= 0 && days <= 366 ? null : 'Write a whole number up to 366';
}

/** What is wrong with a goal, in words; null where nothing is. One without a title is left out. */
export function goalFault({ title, dueOn, milestones }: GoalWish, year: number): string | null {
  if (title.trim() === '') return milestones.some((each) => each.title.trim() !== '') ? 'Give the goal a title' : null;
  const { first } = yearSpan(year);
  for (const day of [dueOn, ...milestones.map((each) => each.dueOn)]) {
    if (day === '') continue;
    const parsed = parseDay(day);
    if (parsed === null) return 'This day does not exist';
    if (parsed < first) return `Choose a day from the first of ${year} on`;
  }
  return null;
}

/** The wish as the record takes it. */
export function yearWishOf({ often, days }: HabitWish): YearWish {
  const schedule =
    often === 'daily'
      ? ({ kind: 'daily' } as const)
      : often === 'asNow' || often === 'over'
        ? null
        : ({ kind: 'perWeek', times: Number(often) } as const);
  return { schedule, days: daysFault(days) === null ? parseTyped(days) : null, isOver: often === 'over' };
}

export const isWish = ({ often, days }: HabitWish): boolean => often !== 'asNow' || days.trim() !== '';

/** Everything that was filled in, as records. */
export function changesOfYearTurn(
  draft: YearTurnDraft,
  context: {
    year: number;
    today: PlainDay;
    habits: readonly Habit[];
    /** The first day of a habit's record. */
    firstDayOf: (habit: Habit) => PlainDay;
    order: number;
  },
): Change[] {
  const { year, today, habits, firstDayOf, order } = context;
  const start = formatDay(Math.max(yearSpan(year).first, today));
  const changed = habits.flatMap((habit): Change[] => {
    const wish = draft.habits[habit.id];
    if (wish === undefined || !isWish(wish)) return [];
    return [changeTo('habits', habitNextYear(habit, firstDayOf(habit), year, yearWishOf(wish), today))];
  });
  const goals = draft.goals
    .filter(({ title }) => title.trim() !== '')
    .flatMap(({ id, title, why, dueOn, milestones }, place): Change[] => {
      const goal: Goal = {
        id,
        title: title.trim(),
        startsOn: start,
        state: 'open',
        order: order + place,
        ...(why.trim() === '' ? {} : { why: why.trim() }),
        ...(dueOn === '' ? {} : { dueOn }),
      };
      const marks = milestones
        .filter((each) => each.title.trim() !== '')
        .map((each, at) => {
          const milestone: Milestone = {
            id: each.id,
            goalId: id,
            title: each.title.trim(),
            order: at,
            ...(each.dueOn === '' ? {} : { dueOn: each.dueOn }),
          };
          return changeTo('milestones', milestone);
        });
      return [changeTo('goals', goal), ...marks];
    });
  return [...changed, ...goals];
}
