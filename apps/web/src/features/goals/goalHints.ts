import {
  type Goal,
  type Habit,
  type KeyResult,
  type PlainDay,
  type Track,
  dayOf,
  keyResultFigures,
} from '@wimbel/core';
import { counted } from '../../text/format.ts';
import { EASY_GOALS } from '../../text/goalText.ts';

type Look = {
  goal: Goal;
  keyResults: readonly KeyResult[];
  /** Goals that are open now, without this one. */
  otherOpen: number;
  today: PlainDay;
  trackOf: (habitId: string) => Track | undefined;
  habits: readonly Pick<Habit, 'id'>[];
};

/** What could make a goal easier to reach; soft, never in the way. */
export function goalHints({ goal, keyResults, otherOpen, today, trackOf, habits }: Look): string[] {
  const isAtTarget = (keyResult: KeyResult): boolean =>
    keyResultFigures(keyResult, { goal, checkIns: [], steps: [], trackOf, today }).progress >= 1;
  const reached = keyResults.filter(isAtTarget).map((each) => `“${each.title}” is at its target before it begins.`);
  return [
    keyResults.length === 0 ? 'Nothing measures it yet. A key result tells how far you are.' : '',
    goal.dueOn ? '' : 'Without a due day nothing can be said about its pace.',
    goal.dueOn && dayOf(goal.dueOn) < today ? 'Its due day is past already.' : '',
    habits.length === 0 && !keyResults.some(({ measure }) => 'habitId' in measure)
      ? 'No habit carries it. What would you do for it every week?'
      : '',
    otherOpen + 1 > EASY_GOALS
      ? `With this one ${counted(otherOpen + 1, 'goal')} are open. Three at a time are easier to keep in mind.`
      : '',
    ...reached,
  ].filter(Boolean);
}
