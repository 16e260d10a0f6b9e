import type { Habit } from '@wimbel/core';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { counted } from '../../text/format.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { goesWithHabit } from '../../store/removal.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useHabitActions } from './useHabitActions.ts';

/** Says what goes with a habit before it is deleted, and that putting it away keeps all. */
export function DeleteHabitSheet({
  habit,
  onClose,
  onGone,
}: {
  habit: Habit;
  onClose: () => void;
  onGone: () => void;
}) {
  const actions = useHabitActions();
  const goes = goesWithHabit(useStore<RootState>().getState().records, habit.id);
  const counting = useAppSelector((state) => state.records.keyResults);
  const goals = useAppSelector((state) => state.records.goals);
  const feeding = Object.values(counting).filter(({ measure }) => 'habitId' in measure && measure.habitId === habit.id);
  const parts = [
    goes.entries > 0 ? `${counted(goes.entries, 'recorded day')}` : '',
    goes.notes > 0 ? counted(goes.notes, 'note') : '',
    goes.keyResults > 0 ? `${counted(goes.keyResults, 'key result')} that counts it` : '',
    goes.reminders > 0 ? counted(goes.reminders, 'reminder') : '',
  ].filter(Boolean);
  return (
    <Sheet title={`Delete ${habit.name}?`} onClose={onClose}>
      <Words>
        {parts.length === 0 ? 'Nothing is recorded under it.' : `With it go ${parts.join(', ')}. Past figures change.`}
      </Words>
      {feeding.length > 0 ? (
        <Words>
          {feeding.map(({ title, goalId }) => `“${title}” of “${goals[goalId]?.title ?? ''}”`).join(', ')}{' '}
          {feeding.length === 1 ? 'counts' : 'count'} it. Kept as a number, what it came to so far stays, and you check
          in to it from here.
        </Words>
      ) : null}
      {habit.archived ? null : (
        <Words tone="quiet">Archiving it instead hides it from your days and keeps every figure.</Words>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          onPress={() => {
            onClose();
            onGone();
            actions.remove(habit);
          }}
        >
          Delete habit and history
        </Button>
        {feeding.length > 0 ? (
          <Button
            onPress={() => {
              onClose();
              onGone();
              actions.remove(habit, true);
            }}
          >
            Delete, keep key results as numbers
          </Button>
        ) : null}
        {habit.archived ? null : (
          <Button
            kind="main"
            onPress={() => {
              onClose();
              actions.archive(habit);
            }}
          >
            Archive instead
          </Button>
        )}
        <Button kind="bare" onPress={onClose}>
          Keep it
        </Button>
      </View>
    </Sheet>
  );
}
