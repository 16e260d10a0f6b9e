import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { quarterOfMonth } from '../calendar/year.ts';
import type { Goal } from '../record/records.ts';
import { goalPostponed } from './turns.ts';

/** The first month of the calendar quarter that a goal is due in; null without a due day. */
export const quarterOfGoal = (goal: Goal): PlainMonth | null =>
  goal.dueOn ? quarterOfMonth(monthOfDay(dayOf(goal.dueOn))).first : null;

/**
 * A goal due in another calendar quarter, told by its first month: on the quarter's last day; or (null) with no due day.
 * The day moved from stays in its story. A start after the new due day becomes the quarter's first day.
 */
export function goalMovedTo(goal: Goal, quarter: PlainMonth | null, today: PlainDay): Goal {
  if (quarter === null) return goalPostponed(goal, null, today);
  const due = monthSpan(quarter + 2).last;
  const startsOn = dayOf(goal.startsOn) > due ? formatDay(monthSpan(quarter).first) : goal.startsOn;
  return { ...goalPostponed(goal, formatDay(due), today), startsOn };
}
