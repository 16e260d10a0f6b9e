import { type Goal } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { yearOf } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { goalPath } from '../../../platform/paths.ts';

/** Years that a goal can be copied to at a press. */
const YEARS_ON = [0, 1, 2];

export function CopySheet({ goal, onClose }: { goal: Goal; onClose: () => void }) {
  const actions = useGoalActions();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const own = Number(goal.startsOn.slice(0, 4));
  const now = Number(yearOf(today));
  const years = YEARS_ON.map((each) => now + each).filter((year) => year !== own);
  const [year, setYear] = useState(String(years.find((each) => each > own) ?? years[0]));
  return (
    <Sheet title="Copy to another year" onClose={onClose}>
      <Words tone="quiet">
        {goal.title}, with its key results, steps and milestones, moved to the same days of that year. Nothing of it is
        done yet.
      </Words>
      <Chips
        label="Year it starts in"
        chips={years.map((each) => ({ value: String(each), label: String(each) }))}
        chosen={[year]}
        onPress={setYear}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button
          kind="main"
          onPress={() => {
            onClose();
            router.push(goalPath(actions.copy(goal, Number(year) - own)));
          }}
        >
          Copy
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
