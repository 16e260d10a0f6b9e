import { type PlainDay, formatDay } from '../calendar/plainDay.ts';
import type { Goal, GoalTurn } from '../record/records.ts';

const withTurn = (goal: Goal, turn: GoalTurn, note: string): Goal => ({
  ...goal,
  turns: [...(goal.turns ?? []), note === '' ? turn : { ...turn, note }],
});

/** A goal with another due day, or (null) none; the day it was due before stays in its story. */
export function goalPostponed(goal: Goal, dueOn: string | null, today: PlainDay, note = ''): Goal {
  const { dueOn: dueWas, ...rest } = goal;
  const turn: GoalTurn = { on: formatDay(today), kind: 'postponed', ...(dueWas ? { dueWas } : {}) };
  return withTurn(dueOn === null ? rest : { ...rest, dueOn }, turn, note);
}

/** A goal that is reached, dropped or paused from a day on; a paused one has no closing day. */
export function goalClosed(goal: Goal, state: 'reached' | 'dropped' | 'paused', day: PlainDay, note = ''): Goal {
  const { closedOn: _, ...rest } = goal;
  const on = formatDay(day);
  return withTurn({ ...rest, state, ...(state === 'paused' ? {} : { closedOn: on }) }, { on, kind: state }, note);
}

/** A goal that is open again from today. */
export function goalReopened(goal: Goal, today: PlainDay, note = ''): Goal {
  const { closedOn: _, ...rest } = goal;
  return withTurn({ ...rest, state: 'open' }, { on: formatDay(today), kind: 'reopened' }, note);
}

/** A goal with a word on how something of it went, kept in its story on the day it is about. */
export const goalWithWord = (goal: Goal, about: string, note: string, day: PlainDay): Goal =>
  withTurn(goal, { on: formatDay(day), kind: 'word', about }, note);

/** A goal on other days; those it had before stay in its story. */
export function goalMoved(goal: Goal, days: { startsOn: string; dueOn: string | null }, today: PlainDay): Goal {
  const { dueOn: dueWas, startsOn: startWas, ...rest } = goal;
  const turn: GoalTurn = {
    on: formatDay(today),
    kind: 'moved',
    ...(dueWas ? { dueWas } : {}),
    ...(startWas === days.startsOn ? {} : { startWas }),
  };
  const moved = { ...rest, startsOn: days.startsOn, ...(days.dueOn === null ? {} : { dueOn: days.dueOn }) };
  return withTurn(moved, turn, '');
}
