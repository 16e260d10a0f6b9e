import type { Goal, Habit, KeyResult } from '@wimbel/core';
import { dateNear } from './format.ts';

type Records = {
  goals: Readonly<Record<string, Goal>>;
  keyResults: Readonly<Record<string, KeyResult>>;
};

const quoted = (titles: readonly string[]): string => titles.map((title) => `“${title}”`).join(' and ');

/** "counts" of one, "count" of several. */
const verb = (titles: readonly string[], one: string, many: string): string => (titles.length === 1 ? one : many);

/**
 * What a change of a habit does to goals, in sentences that follow one another: that it moves from one goal to another,
 * and which key results count it still, or will grow no further once it has ended. Empty where it does nothing to them.
 */
export function effectOnGoals({ goals, keyResults }: Records, before: Habit, after: Habit): string {
  const counting = Object.values(keyResults).filter(
    ({ goalId, measure }) => 'habitId' in measure && measure.habitId === after.id && goals[goalId]?.state === 'open',
  );
  const sentences: string[] = [];
  const was = goals[before.goalId ?? ''];
  if (was !== undefined && before.goalId !== after.goalId) {
    const next = goals[after.goalId ?? ''];
    sentences.push(next ? `It moves from “${was.title}” to “${next.title}”.` : `It no longer carries “${was.title}”.`);
    const still = counting.filter(({ goalId }) => goalId === was.id).map(({ title }) => title);
    if (still.length > 0) sentences.push(`${quoted(still)} still ${verb(still, 'counts', 'count')} it.`);
  }
  if (after.endsOn !== undefined && after.endsOn !== before.endsOn) {
    const until = after.endsOn;
    const stopped = counting
      .filter(({ goalId, dueOn }) => (dueOn ?? goals[goalId]?.dueOn ?? '9999-12-31') > until)
      .map(({ title }) => title);
    if (stopped.length > 0)
      sentences.push(`${quoted(stopped)} ${verb(stopped, 'counts', 'count')} it, and will grow no further.`);
  }
  return sentences.join(' ');
}

/** Why a key result that counts an ended habit stands still. */
export const stoppedWords = (stoppedOn: number, today: number): string =>
  `Its habit ended on ${dateNear(stoppedOn, today)}, so it grows no further.`;
