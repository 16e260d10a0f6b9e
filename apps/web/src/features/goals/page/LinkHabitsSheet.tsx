import type { Goal } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectHabits } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { effectOnGoals } from '../../../text/effectOnGoals.ts';
import { Words } from '../../../ui/Words.tsx';
import { linked } from './goalParts.ts';
import { PATHS } from '../../../platform/paths.ts';

/** Which habits carry a goal; one can be made for it. */
export function LinkHabitsSheet({ goal, onClose }: { goal: Goal; onClose: () => void }) {
  const { colors } = useTheme();
  const store = useStore<RootState>();
  const toast = useToast();
  const { change } = useRecording();
  const router = useRouter();
  const all = useAppSelector(selectHabits);
  const goals = useAppSelector((state) => state.records.goals);
  const habits = all.filter((habit) => !habit.archived || habit.goalId === goal.id);
  const elsewhere = habits.filter((habit) => habit.goalId && habit.goalId !== goal.id && goals[habit.goalId]);
  return (
    <Sheet title="Habits that carry it" onClose={onClose}>
      <Words tone="quiet">A habit carries one goal. One that a key result here counts carries it anyway.</Words>
      {habits.length === 0 ? null : (
        <Chips
          label="Habits that carry it"
          chips={habits.map((habit) => ({ value: habit.id, label: habit.name }))}
          chosen={habits.filter((habit) => habit.goalId === goal.id).map((habit) => habit.id)}
          isMultiple
          onPress={(id) => {
            const habit = habits.find((each) => each.id === id);
            if (!habit) return;
            const next = linked(habit, goal.id);
            const onUndo = change(changeTo('habits', next));
            const effect = effectOnGoals(store.getState().records, habit, next);
            if (effect !== '') toast({ text: `${habit.name}: ${effect}`, onUndo });
          }}
        />
      )}
      {elsewhere.length > 0 ? (
        <Words type="quiet" tone="quiet">
          {elsewhere.map((habit) => `${habit.name} carries “${goals[habit.goalId!]!.title}” so far`).join('. ')}.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={onClose}>
          Done
        </Button>
        <Button
          icon={<Plus size={18} color={colors.ink} />}
          onPress={() => {
            onClose();
            router.push(`${PATHS.newHabit}?goal=${encodeURIComponent(goal.id)}`);
          }}
        >
          Make a habit for it
        </Button>
      </View>
    </Sheet>
  );
}
