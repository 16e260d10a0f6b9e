import { type Goal } from '@wimbel/core';
import MoveRight from 'lucide-react-native/icons/move-right';
import { useState } from 'react';
import { View } from 'react-native';
import { moveWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { capital } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { ActionList } from '../../../ui/ActionList.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Button } from '../../../ui/Button.tsx';
import type { Shelf } from './ShelfCard.tsx';

/** Moves a goal to another quarter in two steps: the quarter, then a preview of the changes and whether the start moves too. */
export function MoveGoalSheet({
  goal,
  shelves,
  onClose,
}: {
  goal: Goal;
  shelves: readonly Shelf[];
  onClose: () => void;
}) {
  const { moveTo, moveOf } = useGoalActions();
  const today = useAppSelector(selectToday);
  const [to, setTo] = useState<Shelf | null>(null);
  const [start, setStart] = useState<'stays' | 'moves'>('stays');
  if (to === null) {
    return (
      <Sheet title={`Move ${goal.title}`} onClose={onClose}>
        <Words tone="quiet">
          It will be due on the last day of the quarter. The days it had before stay in its story.
        </Words>
        <ActionList
          actions={shelves.map((shelf) => ({ label: shelf.title, icon: MoveRight, onPress: () => setTo(shelf) }))}
        />
      </Sheet>
    );
  }
  const changes = moveWords(goal, moveOf(goal, to.quarter, start === 'moves'), today);
  return (
    <Sheet title={`Move to ${to.title}`} onClose={onClose}>
      <Words type="label">{goal.title}</Words>
      <View role="list" aria-label="What changes">
        {changes.map((words) => (
          <View key={words} role="listitem">
            <Words>{capital(words)}</Words>
          </View>
        ))}
      </View>
      {to.quarter === null ? null : (
        <Segments
          label="Its start"
          value={start}
          choices={[
            { value: 'stays', label: 'Keep its start' },
            { value: 'moves', label: 'Start with the quarter' },
          ]}
          onChange={setStart}
          isWrapping
        />
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button
          kind="main"
          onPress={() => {
            onClose();
            moveTo(goal, to.quarter, start === 'moves');
          }}
        >
          Move
        </Button>
        <Button kind="bare" onPress={() => setTo(null)}>
          Another quarter
        </Button>
      </View>
    </Sheet>
  );
}
