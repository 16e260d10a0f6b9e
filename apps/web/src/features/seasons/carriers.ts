import type { Goal, Habit, Impact, KeyResult, Step } from '@wimbel/core';
import { askedWords } from '../../text/termsText.ts';

/** Something that carries a goal: a habit, or a step that is still to be done. */
export type Carrier = {
  kind: 'habit' | 'step';
  id: string;
  title: string;
  /** How often, or by when. */
  aside: string;
  impact: Impact | undefined;
  /** Whether it counts for a key result, and so cannot be dropped by itself. */
  isCounted: boolean;
};

/** The impacts there are, the highest first. */
export const IMPACTS: readonly { value: Impact; label: string }[] = [
  { value: 'high', label: 'High' },
  { value: 'medium', label: 'Medium' },
  { value: 'low', label: 'Low' },
];

const rank = ({ impact }: Pick<Carrier, 'impact'>): number =>
  impact === undefined ? IMPACTS.length : IMPACTS.findIndex(({ value }) => value === impact);

type Among = { habits: readonly Habit[]; steps: readonly Step[]; keyResults: readonly KeyResult[] };

/** What carries a goal, by impact, what has none last; habits before steps. Archived habits and steps that are done are left out. */
export function carriersOf(goal: Pick<Goal, 'id'>, { habits, steps, keyResults }: Among): Carrier[] {
  const counted = new Set(
    keyResults.flatMap(({ goalId, measure }) => (goalId === goal.id && 'habitId' in measure ? [measure.habitId] : [])),
  );
  const ofHabits = habits
    .filter((habit) => habit.archived !== true && (habit.goalId === goal.id || counted.has(habit.id)))
    .map((habit): Carrier => ({
      kind: 'habit',
      id: habit.id,
      title: habit.name,
      aside: askedWords(habit),
      impact: habit.impact,
      isCounted: counted.has(habit.id),
    }));
  const ofSteps = steps
    .filter((step) => step.goalId === goal.id && !step.parentId && !step.doneOn)
    .map((step): Carrier => ({
      kind: 'step',
      id: step.id,
      title: step.title,
      aside: 'a step',
      impact: step.impact,
      isCounted: false,
    }));
  return [...ofHabits, ...ofSteps].sort((a, b) => rank(a) - rank(b));
}

/** What was named and dropped, as a note of the season: "Left out: Buy a second bow. Later." */
export const droppedNote = (title: string, word: string): { text: string } => ({
  text: `Left out: ${title}${word.trim() === '' ? '' : `. ${word.trim()}`}`,
});

/** A record with an impact, or (null) without one. */
export function withImpact<T extends { impact?: Impact }>(record: T, impact: Impact | null): T {
  const { impact: _, ...rest } = record;
  return (impact === null ? rest : { ...rest, impact }) as T;
}
