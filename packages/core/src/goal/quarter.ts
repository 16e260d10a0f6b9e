import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { quarterOfMonth } from '../calendar/year.ts';
import type { Goal, KeyResult } from '../record/records.ts';
import { goalMoved } from './turns.ts';

/** The first month of the calendar quarter that a goal is due in; null without a due day. */
export const quarterOfGoal = (goal: Goal): PlainMonth | null =>
  goal.dueOn ? quarterOfMonth(monthOfDay(dayOf(goal.dueOn))).first : null;

/** A day so many months on; the last of a month that is too short for it. */
function monthsOn(day: PlainDay, months: number): PlainDay {
  const month = monthOfDay(day);
  const date = day - monthSpan(month).first;
  const to = monthSpan(month + months);
  return Math.min(to.last, to.first + date);
}

/** A goal and its key results as a move leaves them. */
export type GoalMove = { goal: Goal; keyResults: KeyResult[] };

/**
 * A goal due in another calendar quarter, told by its first month: on the quarter's last day; or (null) with no due day. Its
 * start stays unless `movesStart` is asked for or it would come after the due day: then it is the quarter's first day. Days
 * that key results have of their own go on by as many months as the goal's due day, a start only with the goal's; only those
 * that change are named. The days before stay in the goal's story.
 */
export function goalMovedTo(
  { goal, keyResults }: { goal: Goal; keyResults: readonly KeyResult[] },
  quarter: PlainMonth | null,
  today: PlainDay,
  movesStart = false,
): GoalMove {
  if (quarter === null)
    return { goal: goalMoved(goal, { startsOn: goal.startsOn, dueOn: null }, today), keyResults: [] };
  const due = monthSpan(quarter + 2).last;
  const startMoves = movesStart || dayOf(goal.startsOn) > due;
  const startsOn = startMoves ? formatDay(monthSpan(quarter).first) : goal.startsOn;
  const moved = goalMoved(goal, { startsOn, dueOn: formatDay(due) }, today);
  const by = goal.dueOn ? quarter - quarterOfMonth(monthOfDay(dayOf(goal.dueOn))).first : 0;
  const on = (day: string): string => formatDay(monthsOn(dayOf(day), by));
  const shifted = keyResults.map((keyResult): KeyResult => {
    const { startsOn: ownStart, dueOn: ownDue, ...rest } = keyResult;
    const next = {
      ...rest,
      ...(ownStart ? { startsOn: startMoves ? on(ownStart) : ownStart } : {}),
      ...(ownDue ? { dueOn: on(ownDue) } : {}),
    };
    return fitting(next, moved);
  });
  const changed = shifted.filter((next, index) => {
    const before = keyResults[index]!;
    return next.startsOn !== before.startsOn || next.dueOn !== before.dueOn;
  });
  return { goal: moved, keyResults: changed };
}

/** A key result whose days are in order: an own start after its due day goes back to the goal's, then an own due day too. */
function fitting(keyResult: KeyResult, goal: Goal): KeyResult {
  const isInOrder = ({ startsOn, dueOn }: KeyResult): boolean => {
    const due = dueOn ?? goal.dueOn;
    return !due || due >= (startsOn ?? goal.startsOn);
  };
  if (isInOrder(keyResult)) return keyResult;
  const { startsOn: _, ...withoutStart } = keyResult;
  if (isInOrder(withoutStart)) return withoutStart;
  const { dueOn: __, ...bare } = withoutStart;
  return bare;
}
