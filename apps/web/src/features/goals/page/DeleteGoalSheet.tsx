import { type Goal } from '@wimbel/core';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { goesWithGoal } from '../../../store/removal.ts';
import { type RootState } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { counted } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

export function DeleteGoalSheet({ goal, onClose, onGone }: { goal: Goal; onClose: () => void; onGone: () => void }) {
  const actions = useGoalActions();
  const goes = goesWithGoal(useStore<RootState>().getState().records, goal.id);
  const parts = [
    goes.keyResults > 0 ? counted(goes.keyResults, 'key result') : '',
    goes.checkIns > 0 ? counted(goes.checkIns, 'check-in') : '',
    goes.steps > 0 ? counted(goes.steps, 'step') : '',
    goes.milestones > 0 ? counted(goes.milestones, 'milestone') : '',
  ].filter(Boolean);
  return (
    <Sheet title={`Delete ${goal.title}?`} onClose={onClose}>
      <Words>
        {parts.length === 0 ? 'Nothing else goes with it.' : `With it go ${parts.join(', ')}.`} Its habits stay, with
        their record.
      </Words>
      <Words tone="quiet">A goal that is dropped instead keeps its story and asks for nothing.</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button
          onPress={() => {
            onClose();
            onGone();
            actions.remove(goal);
          }}
        >
          Delete the goal
        </Button>
        <Button kind="main" onPress={onClose}>
          Keep it
        </Button>
      </View>
    </Sheet>
  );
}
