import { isLeapYear } from '../calendar/plainDay.ts';
import type { DayText, Goal, KeyResult, Milestone, MonthText, Step } from '../record/records.ts';
import type { GoalRecords } from './goalCourse.ts';

/** A goal with all that belongs to it, as new records. */
export type GoalCopy = { goal: Goal; keyResults: KeyResult[]; steps: Step[]; milestones: Milestone[] };

/**
 * A goal once more, `years` later: open, with its key results, steps and milestones, their days and checkpoints in those
 * years, and nothing done yet. 29 February becomes the 28th in a year without it. What is tied stays tied: key results to
 * their habits, steps to key results and to the steps above them, milestones to those before them.
 *
 * @param makeId Gives every record an id of its own.
 */
export function goalInAnotherYear(records: GoalRecords, years: number, order: number, makeId: () => string): GoalCopy {
  const ids = new Map<string, string>();
  const idOf = (old: string): string => {
    const own = ids.get(old) ?? makeId();
    ids.set(old, own);
    return own;
  };
  const { goal, keyResults, steps, milestones } = records;
  const { closedOn: _, enjoyedOn: __, turns: ___, ...plan } = goal;
  const goalId = idOf(goal.id);
  return {
    goal: { ...plan, ...moved(plan, years), id: goalId, state: 'open', order },
    keyResults: keyResults.map((each) => ({
      ...each,
      ...moved(each, years),
      ...(each.checkpoints ? { checkpoints: monthsLater(each.checkpoints, years) } : {}),
      id: idOf(each.id),
      goalId,
    })),
    steps: steps.map(({ doneOn: _, ...each }) => ({
      ...each,
      ...moved(each, years),
      id: idOf(each.id),
      goalId,
      ...(each.keyResultId ? { keyResultId: idOf(each.keyResultId) } : {}),
      ...(each.parentId ? { parentId: idOf(each.parentId) } : {}),
    })),
    milestones: milestones.map(({ reachedOn: _, enjoyedOn: __, ...each }) => ({
      ...each,
      ...moved(each, years),
      id: idOf(each.id),
      goalId,
      ...(each.after ? { after: each.after.map(idOf) } : {}),
    })),
  };
}

function moved({ startsOn, dueOn }: { startsOn?: DayText; dueOn?: DayText }, years: number) {
  return {
    ...(startsOn ? { startsOn: dayLater(startsOn, years) } : {}),
    ...(dueOn ? { dueOn: dayLater(dueOn, years) } : {}),
  };
}

const yearLater = (text: string, years: number): string =>
  `${String(Number(text.slice(0, 4)) + years).padStart(4, '0')}${text.slice(4)}`;

function dayLater(day: DayText, years: number): DayText {
  const later = yearLater(day, years);
  return later.endsWith('-02-29') && !isLeapYear(Number(later.slice(0, 4))) ? `${later.slice(0, 8)}28` : later;
}

const monthsLater = (checkpoints: Record<MonthText, number>, years: number): Record<MonthText, number> =>
  Object.fromEntries(Object.entries(checkpoints).map(([month, value]) => [yearLater(month, years), value]));
