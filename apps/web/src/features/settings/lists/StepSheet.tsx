import { type Habit, PARTS_OF_DAY, type PartOfDay, formatDay, withPipsFrom } from '@wimbel/core';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { counted, PART_WORDS } from '../../../text/format.ts';
import { selectSettings, selectToday, trackOf } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { AreaSheet } from './AreaSheet.tsx';
import { PipsSheet } from './PipsSheet.tsx';
import { AwaySheet } from './AwaySheet.tsx';

/** What can be done to several habits at once. */
export type Step = 'area' | 'part' | 'pips' | 'pause' | 'delete';

/** Confirmation before an action on all habits. */
export function StepSheet({
  step,
  habits,
  onClose,
  onPut,
  onArchive,
  onRemove,
}: {
  step: Step;
  habits: readonly Habit[];
  onClose: () => void;
  onPut: (next: readonly Habit[], words: string) => string | null;
  onArchive: () => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  const store = useStore<RootState>();
  const today = useAppSelector(selectToday);
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  switch (step) {
    case 'area':
      return (
        <AreaSheet
          onClose={onClose}
          onArea={(areaId) =>
            onPut(
              habits.map(({ areaId: _, ...habit }) => (areaId === '' ? habit : { ...habit, areaId })),
              'moved',
            )
          }
        />
      );
    case 'part':
      return (
        <Sheet title="Part of the day" onClose={onClose}>
          <Chips
            label="Part of the day"
            chips={PARTS_OF_DAY.map((part) => ({ value: part, label: PART_WORDS[part] }))}
            chosen={[]}
            onPress={(part) =>
              onPut(
                habits.map((habit) => ({ ...habit, partOfDay: part as PartOfDay })),
                'moved',
              )
            }
          />
        </Sheet>
      );
    case 'pips':
      return (
        <PipsSheet
          name={pipsName.many}
          onClose={onClose}
          onPips={(pips) =>
            onPut(
              habits.map((habit) => withPipsFrom(habit, trackOf(store.getState(), habit).first, today, pips)),
              pips === 0 ? 'earn nothing from today' : 'earn that from today',
            )
          }
        />
      );
    case 'pause':
      return (
        <AwaySheet
          today={formatDay(today)}
          onClose={onClose}
          onAway={(pause) =>
            onPut(
              habits.map((habit) => ({
                ...habit,
                pauses: [...(habit.pauses ?? []), pause].sort((a, b) => (a.from < b.from ? -1 : 1)),
              })),
              'paused for these days',
            )
          }
        />
      );
    case 'delete':
      return (
        <Sheet title={`Delete ${counted(habits.length, 'habit')}?`} onClose={onClose}>
          <Words>
            Everything recorded under them goes too, with the key results that count them. Past figures change.
          </Words>
          <Words tone="quiet">Archiving them instead hides them from your days and keeps every figure.</Words>
          <View style={styles.buttons}>
            <Button onPress={onRemove}>Delete habits and history</Button>
            <Button kind="main" onPress={onArchive}>
              Archive instead
            </Button>
            <Button kind="bare" onPress={onClose}>
              Cancel
            </Button>
          </View>
        </Sheet>
      );
  }
}

const useStyles = themed(() => ({
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
