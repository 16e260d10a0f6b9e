import type { Change } from '@wimbel/contract';
import {
  type Goal,
  type Habit,
  type KeyResult,
  type PlainDay,
  formatDay,
  monthOfDay,
  monthSpan,
  quarterOfMonth,
  yearOfDay,
  yearSpan,
} from '@wimbel/core';
import { changeTo, newId } from '../../../store/makeChange.ts';
import { newStep } from '../../../components/goals/stepDraft.ts';

export const GUIDED_PAGES = ['what', 'done', 'when', 'keyResults', 'habits', 'steps', 'look'] as const;
export type GuidedPage = (typeof GUIDED_PAGES)[number];

/** A goal that is being thought out, page by page; nothing of it is recorded yet. */
export type GuidedDraft = {
  id: string;
  title: string;
  why: string;
  doneWhen: string;
  areaId: string;
  startsOn: string;
  dueOn: string;
  keyResults: KeyResult[];
  /** Habits made for it, not recorded yet. */
  habits: Habit[];
  /** Habits there already that are to carry it. */
  linked: string[];
  steps: string[];
};

export const emptyGuidedDraft = (today: PlainDay): GuidedDraft => ({
  id: newId(),
  title: '',
  why: '',
  doneWhen: '',
  areaId: '',
  startsOn: formatDay(today),
  dueOn: '',
  keyResults: [],
  habits: [],
  linked: [],
  steps: [],
});

/** A draft kept as text on the device; null where there is none or it cannot be read. */
export function readGuidedDraft(text: string | null, today: PlainDay): GuidedDraft | null {
  if (text === null || text === '') return null;
  try {
    return { ...emptyGuidedDraft(today), ...(JSON.parse(text) as Partial<GuidedDraft>) };
  } catch {
    return null;
  }
}

/** The due days of the spans that a goal is often set for: by what they are called. */
export function spanChoices(startsOn: PlainDay): { label: string; value: string }[] {
  return [
    { label: 'This quarter', value: formatDay(monthSpan(quarterOfMonth(monthOfDay(startsOn)).last).last) },
    { label: 'This year', value: formatDay(yearSpan(yearOfDay(startsOn)).last) },
    { label: 'Twelve weeks', value: formatDay(startsOn + 12 * 7 - 1) },
    { label: 'No due day', value: '' },
  ];
}

/** The goal that a draft thinks out, to be put last in the order. */
export const goalOfDraft = (draft: GuidedDraft, order: number): Goal => ({
  id: draft.id,
  title: draft.title.trim(),
  startsOn: draft.startsOn,
  ...(draft.dueOn === '' ? {} : { dueOn: draft.dueOn }),
  ...(draft.why.trim() === '' ? {} : { why: draft.why.trim() }),
  ...(draft.doneWhen.trim() === '' ? {} : { doneWhen: draft.doneWhen.trim() }),
  ...(draft.areaId === '' ? {} : { areaId: draft.areaId }),
  state: 'open',
  order,
});

/** Everything that a draft records at once, in an order in which each only names what came before it. */
export function changesOfDraft(
  draft: GuidedDraft,
  { order, habits, habitOrder }: { order: number; habits: readonly Habit[]; habitOrder: number },
): Change[] {
  const goal = goalOfDraft(draft, order);
  const linked = habits.filter((habit) => draft.linked.includes(habit.id));
  const steps = draft.steps.map((title, place) =>
    newStep({ goal, steps: [], keyResults: draft.keyResults }, title, { order: place }),
  );
  return [
    changeTo('goals', goal),
    ...draft.habits.map((habit, index) =>
      changeTo('habits', {
        ...habit,
        goalId: goal.id,
        order: habitOrder + index,
        ...(goal.areaId ? { areaId: goal.areaId } : {}),
      }),
    ),
    ...linked.map((habit) => changeTo('habits', { ...habit, goalId: goal.id })),
    ...draft.keyResults.map((keyResult, place) =>
      changeTo('keyResults', { ...keyResult, goalId: goal.id, order: place }),
    ),
    ...steps.map((step) => changeTo('steps', step)),
  ];
}

/** Props of each page of the guide. */
export type PageProps = {
  draft: GuidedDraft;
  set: (change: Partial<GuidedDraft>) => void;
  fault: string | null;
  today: PlainDay;
};
