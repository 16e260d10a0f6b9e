import { keyResultDueIssue } from '@wimbel/contract';
import {
  type Goal,
  type PlainMonth,
  goalClosed,
  goalInAnotherYear,
  goalMovedTo,
  goalPostponed,
  goalReopened,
  goalWithWord,
  type KeyResult,
  type Step,
  type GoalMove,
  type PlainDay,
} from '@wimbel/core';
import { useStore } from 'react-redux';
import { useToast } from '../../ui/Toast.tsx';
import { useRecording } from '../../sync/recording.ts';
import { changeTo, newId, removalOf } from '../../store/makeChange.ts';
import type { RecordsState } from '@wimbel/sync';
import { selectToday } from '../../store/selectors.ts';
import type { RootState } from '../../store/store.ts';
import { moveWords } from '../../text/goalText.ts';

/** Why a goal's days cannot stand, in words; null where they can. Key results go by the goal's days where they have none. */
export function goalDaysFault(goal: Goal, keyResults: RecordsState['keyResults']): string | null {
  if (goal.dueOn && goal.dueOn < goal.startsOn) return 'The due day is before the start.';
  const early = Object.values(keyResults).find((each) => each.goalId === goal.id && keyResultDueIssue(each, goal));
  return early === undefined
    ? null
    : `With these days the key result "${early.title}" would be due before it starts. Nothing was changed.`;
}

/** Steps with each after the one that it stands under: the server takes them in in this order. */
function parentsFirst(steps: readonly Step[]): Step[] {
  const placed = new Set<string>();
  const sorted: Step[] = [];
  for (let left = [...steps]; left.length > 0;) {
    const ready = left.filter(({ parentId }) => parentId === undefined || placed.has(parentId));
    const next = ready.length > 0 ? ready : left;
    for (const step of next) placed.add(step.id);
    sorted.push(...next);
    left = left.filter(({ id }) => !placed.has(id));
  }
  return sorted;
}

const CLOSED_WORDS = { reached: 'is reached', dropped: 'is dropped', paused: 'is paused' } as const;

/** Actions on a goal; each shows a toast with undo. Those that take days return an error text where they are invalid. */
export function useGoalActions() {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const today = (): number => selectToday(store.getState());
  const keyResultsOf = (goal: Goal): KeyResult[] =>
    Object.values(store.getState().records.keyResults).filter((each) => each.goalId === goal.id);
  const put = (goal: Goal, text: string): void => toast({ text, onUndo: change(changeTo('goals', goal)) });
  const putMoved = (goal: Goal, text: string): string | null => {
    const fault = goalDaysFault(goal, store.getState().records.keyResults);
    if (fault === null) put(goal, text);
    return fault;
  };
  return {
    /** Closes on a day; today by default. */
    close: (goal: Goal, state: 'reached' | 'dropped' | 'paused', note: string, day = today()): void =>
      put(goalClosed(goal, state, day, note), `${goal.title} ${CLOSED_WORDS[state]}`),
    reopen: (goal: Goal, note: string): void => put(goalReopened(goal, today(), note), `${goal.title} is open again`),
    postpone: (goal: Goal, dueOn: string, note: string): string | null =>
      putMoved(goalPostponed(goal, dueOn, today(), note), `${goal.title} has another due day`),
    /** What a move to another quarter would leave; nothing is changed yet. */
    moveOf: (goal: Goal, quarter: PlainMonth | null, movesStart: boolean): GoalMove =>
      goalMovedTo({ goal, keyResults: keyResultsOf(goal) }, quarter, today(), movesStart),
    /** Moves a goal with the days that go on with it, and says which. */
    moveTo: (goal: Goal, quarter: PlainMonth | null, movesStart = false): void => {
      const move = goalMovedTo({ goal, keyResults: keyResultsOf(goal) }, quarter, today(), movesStart);
      const undo = change(
        changeTo('goals', move.goal),
        ...move.keyResults.map((keyResult) => changeTo('keyResults', keyResult)),
      );
      toast({ text: `${goal.title}: ${moveWords(goal, move, today()).join('. ')}.`, onUndo: undo });
    },
    word: (goal: Goal, about: string, note: string, day: PlainDay): void =>
      void change(changeTo('goals', goalWithWord(goal, about, note, day))),
    /** Makes the goal once more, so many years later; gives the id of the new one. */
    copy: (goal: Goal, years: number): string => {
      const { records } = store.getState();
      const of = <T extends { goalId: string }>(all: Record<string, T>): T[] =>
        Object.values(all).filter((each) => each.goalId === goal.id);
      const own = {
        goal,
        keyResults: of(records.keyResults),
        steps: of(records.steps),
        milestones: of(records.milestones),
        checkIns: [],
      };
      const order = Math.max(...Object.values(records.goals).map((each) => each.order)) + 1;
      const made = goalInAnotherYear(own, years, order, newId);
      const undo = change(
        changeTo('goals', made.goal),
        ...made.keyResults.map((each) => changeTo('keyResults', each)),
        ...parentsFirst(made.steps).map((each) => changeTo('steps', each)),
        ...made.milestones.map((each) => changeTo('milestones', each)),
      );
      toast({ text: `${goal.title} is copied to ${made.goal.startsOn.slice(0, 4)}`, onUndo: undo });
      return made.goal.id;
    },
    remove: (goal: Goal): void =>
      toast({ text: `${goal.title} is deleted`, onUndo: change(removalOf('goals', goal.id)) }),
  };
}
