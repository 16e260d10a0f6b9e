import { type Habit, dayOf, parseDay } from '@wimbel/core';
import { View } from 'react-native';
import { newStep } from '../../../components/goals/stepDraft.ts';
import { selectGoals, selectHabits, selectKeyResults, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { type CarrierDeeds, CarriersTable } from '../CarriersTable.tsx';
import { carriersOf, withImpact } from '../carriers.ts';
import { type SeasonDraft, withDraft } from './seasonDraft.ts';

type Props = { draft: SeasonDraft; set: (part: Partial<SeasonDraft>) => void };

/** What carries each goal of the draft, with its impact; nothing of it is recorded yet. */
export function CarriersPage({ draft, set }: Props) {
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectGoals);
  const habits = useAppSelector(selectHabits);
  const keyResults = useAppSelector(selectKeyResults);
  const steps = useAppSelector((state) => state.records.steps);
  const there = { habits, steps: Object.values(steps), keyResults };
  const after = withDraft(draft, there);
  const all = [...goals, ...draft.goals];
  const chosen = draft.goalIds.flatMap((id) => all.find((goal) => goal.id === id) ?? []);
  const isNew = (id: string): boolean => draft.habits.some((habit) => habit.id === id);
  const begins = Math.max(today, parseDay(draft.startsOn) ?? today);
  const deeds: CarrierDeeds = {
    setImpact: ({ kind, id }, impact) => {
      if (kind === 'habit' && isNew(id))
        set({ habits: draft.habits.map((habit) => (habit.id === id ? withImpact(habit, impact) : habit)) });
      else if (draft.steps.some((step) => step.id === id))
        set({ steps: draft.steps.map((step) => (step.id === id ? withImpact(step, impact) : step)) });
      else set({ impacts: { ...draft.impacts, [id]: impact } });
    },
    drop: ({ kind, id, title }, word) => {
      const dropped = [...draft.dropped, { title, word: word.trim() }];
      if (kind === 'habit')
        set(
          isNew(id)
            ? { dropped, habits: draft.habits.filter((habit) => habit.id !== id) }
            : { dropped, links: { ...draft.links, [id]: '' } },
        );
      else
        set(
          draft.steps.some((step) => step.id === id)
            ? { dropped, steps: draft.steps.filter((step) => step.id !== id) }
            : { dropped, droppedSteps: [...draft.droppedSteps, id] },
        );
    },
    link: (habit, goalId) => {
      const carries = after.habits.find(({ id }) => id === habit.id)?.goalId;
      set({ links: { ...draft.links, [habit.id]: carries === goalId ? '' : goalId } });
    },
    addHabit: (habit, goalId) => set({ habits: [...draft.habits, { ...habit, goalId }] }),
    addSteps: (titles, goalId) => {
      const goal = all.find(({ id }) => id === goalId);
      if (goal === undefined) return;
      const records = {
        goal,
        steps: after.steps.filter((step) => step.goalId === goalId),
        keyResults: after.keyResults.filter((keyResult) => keyResult.goalId === goalId),
      };
      const first = newStep(records, '').order;
      set({
        steps: [...draft.steps, ...titles.map((title, index) => newStep(records, title, { order: first + index }))],
      });
    },
  };
  const inUse = habits.filter(
    (habit) =>
      habit.archived !== true &&
      !draft.ended.includes(habit.id) &&
      (habit.endsOn === undefined || dayOf(habit.endsOn) >= begins),
  );
  return (
    <>
      {chosen.length === 0 ? (
        <Words tone="quiet">Without a goal its weeks are scored over all habits.</Words>
      ) : (
        <CarriersTable
          goals={chosen}
          carriersOf={(goalId) =>
            carriersOf({ id: goalId }, after).filter(({ id }) => isNew(id) || !draft.ended.includes(id))
          }
          habits={inUse}
          carriedBy={(habit: Habit) => all.find(({ id }) => id === habit.goalId)?.title ?? ''}
          today={begins}
          deeds={deeds}
        />
      )}
      {draft.dropped.length === 0 ? null : (
        <View style={{ gap: SPACE.xs }}>
          <Words type="label" tone="quiet">
            Left out
          </Words>
          {draft.dropped.map(({ title, word }, place) => (
            <Words key={place} type="quiet" tone="quiet">
              {word === '' ? title : `${title}: ${word}`}
            </Words>
          ))}
        </View>
      )}
    </>
  );
}
