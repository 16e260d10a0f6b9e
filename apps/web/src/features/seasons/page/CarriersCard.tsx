import { type FiguredSeason, type Habit, dayOf, seasonSpan } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { newStep } from '../../../components/goals/stepDraft.ts';
import { selectFiguredGoals } from '../../../store/goalSelectors.ts';
import { changeTo, removalOf } from '../../../store/makeChange.ts';
import { selectHabits, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { effectOnGoals } from '../../../text/effectOnGoals.ts';
import { Words } from '../../../ui/Words.tsx';
import { type CarrierDeeds, CarriersTable } from '../CarriersTable.tsx';
import { carriersOf, droppedNote, withImpact } from '../carriers.ts';

/** What carries the goals of a season, with its impact; folded, as it is looked at when something is to change. */
export function CarriersCard({ figured }: { figured: FiguredSeason }) {
  const [isOpen, setIsOpen] = useState(false);
  const goals = useSeasonGoals(figured);
  const table = useCarrierTable(figured);
  if (goals.length === 0 || figured.standing.phase === 'over') return null;
  const count = goals.reduce((sum, { id }) => sum + table.carriersOf(id).length, 0);
  if (!isOpen) {
    return (
      <SectionCard title="What carries its goals">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
          <Words style={{ flex: 1 }} tone="quiet">
            {count === 0 ? 'Nothing carries them yet.' : table.words}
          </Words>
          <Button label="What carries its goals: change" onPress={() => setIsOpen(true)}>
            Change
          </Button>
        </View>
      </SectionCard>
    );
  }
  return (
    <View style={{ gap: SPACE.l }}>
      <CarriersTable goals={goals} {...table} />
      <Button onPress={() => setIsOpen(false)} style={{ alignSelf: 'flex-start' }}>
        Done
      </Button>
    </View>
  );
}

function useSeasonGoals({ season }: FiguredSeason) {
  const all = useAppSelector((state) => state.records.goals);
  return season.goalIds.flatMap((id) => all[id] ?? []);
}

function useCarrierTable({ season }: FiguredSeason) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const habits = useAppSelector(selectHabits);
  const figuredGoals = useAppSelector(selectFiguredGoals);
  const records = useAppSelector((state) => state.records);
  const steps = Object.values(records.steps);
  const keyResults = Object.values(records.keyResults);
  const of = (goalId: string) => carriersOf({ id: goalId }, { habits, steps, keyResults });
  const all = season.goalIds.flatMap(of);
  const high = all.filter(({ impact }) => impact === 'high').map(({ title }) => title);
  const deeds: CarrierDeeds = {
    setImpact: ({ kind, id, title }, impact) => {
      const next =
        kind === 'habit'
          ? changeTo('habits', withImpact(records.habits[id]!, impact))
          : changeTo('steps', withImpact(records.steps[id]!, impact));
      toast({
        text: impact === null ? `${title}: no impact said` : `${title}: ${impact} impact`,
        onUndo: change(next),
      });
    },
    drop: ({ kind, id, title }, word) => {
      const note = droppedNote(title, word);
      const { goalId: _, ...habit } = records.habits[id] ?? ({} as Habit);
      toast({
        text: `${title} is left out`,
        onUndo: change(
          kind === 'habit' ? changeTo('habits', habit) : removalOf('steps', id),
          changeTo('seasons', { ...season, notes: [...(season.notes ?? []), note] }),
        ),
      });
    },
    link: (habit, goalId) => {
      const { goalId: before, ...rest } = habit;
      const next: Habit = before === goalId ? rest : { ...rest, goalId };
      const onUndo = change(changeTo('habits', next));
      const effect = effectOnGoals(records, habit, next);
      if (effect !== '') toast({ text: `${habit.name}: ${effect}`, onUndo });
    },
    addHabit: (habit, goalId) => {
      const order = Math.max(-1, ...habits.map((each) => each.order)) + 1;
      toast({ text: `${habit.name} is made`, onUndo: change(changeTo('habits', { ...habit, goalId, order })) });
    },
    addSteps: (titles, goalId) => {
      const goal = figuredGoals.get(goalId)?.records;
      if (goal === undefined) return;
      const first = newStep(goal, '').order;
      const made = titles.map((title, index) => newStep(goal, title, { order: first + index }));
      toast({
        text: made.length === 1 ? `${made[0]!.title} is a step` : `${made.length} steps are added`,
        onUndo: change(...made.map((step) => changeTo('steps', step))),
      });
    },
  };
  const span = seasonSpan(season);
  const inUse = habits.filter(
    (habit) => habit.archived !== true && (habit.endsOn === undefined || dayOf(habit.endsOn) >= span.first),
  );
  return {
    carriersOf: of,
    habits: inUse,
    carriedBy: (habit: Habit) => records.goals[habit.goalId ?? '']?.title ?? '',
    today,
    deeds,
    words: high.length > 0 ? `These do the most: ${high.join(', ')}.` : all.map(({ title }) => title).join(', '),
  };
}
