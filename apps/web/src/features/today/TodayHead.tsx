import type { PlainDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { DayHead } from '../../components/page/DayHead.tsx';
import { HABIT_IDEAS } from '../../components/habitForm/habitIdeas.ts';
import { BalanceKey } from './BalanceKey.tsx';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { PATHS } from '../../platform/paths.ts';

/** The day, the ways to others, and a way to add a habit. */
export function TodayHead({
  day,
  today,
  onDay,
  onAdd,
}: {
  day: PlainDay;
  today: PlainDay;
  onDay: (day: PlainDay) => void;
  onAdd: () => void;
}) {
  const { colors } = useTheme();
  const isWide = useIsWide();
  return (
    <DayHead day={day} today={today} onDay={onDay}>
      <BalanceKey />
      {isWide ? (
        <Button onPress={onAdd} icon={<Plus size={18} color={colors.ink} />}>
          Add a habit
        </Button>
      ) : (
        <IconButton icon={Plus} label="Add a habit" onPress={onAdd} />
      )}
    </DayHead>
  );
}

/** Empty state without habits: suggestions, the form, a list. */
export function FirstHabits({ onAdd }: { onAdd: () => void }) {
  const styles = useStyles();
  const router = useRouter();
  return (
    <EmptyState
      title="What do you want to get better at?"
      text="A habit is something small you want to do often. Take a small start and change it as you like, or write your own."
    >
      <View style={styles.starts}>
        {HABIT_IDEAS.map(({ id, label }) => (
          <Button key={id} onPress={() => router.push(`${PATHS.habitList}?start=${id}`)}>
            {label}
          </Button>
        ))}
      </View>
      <Button kind="main" onPress={onAdd}>
        Add your first habit
      </Button>
      <Button kind="bare" onPress={() => router.push(PATHS.habitList)}>
        Write or paste a list
      </Button>
    </EmptyState>
  );
}

const useStyles = themed(() => ({
  starts: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'center', gap: SPACE.s, maxWidth: 560 },
}));
