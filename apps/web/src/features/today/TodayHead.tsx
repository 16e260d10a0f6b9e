import { type PlainDay, dayOf, formatDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { SMALL_STARTS } from '../../parts/smallStarts.ts';
import { dateNear, weekdayName } from '../../shared/format.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { PATHS } from '../../shared/paths.ts';

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
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  return (
    <View style={styles.head}>
      <View style={styles.date}>
        <Words type="display" heading={1}>
          {weekdayName(day)}
        </Words>
        <View style={styles.dateLine}>
          <DateButton
            label="Go to a day"
            value={formatDay(day)}
            max={formatDay(today)}
            text={dateNear(day, today)}
            onChange={(text) => onDay(Math.min(today, dayOf(text)))}
          />
        </View>
      </View>
      {day < today ? (
        <Button onPress={() => onDay(today)} style={styles.todayButton}>
          Today
        </Button>
      ) : null}
      <IconButton icon={ChevronLeft} label="The day before" onPress={() => onDay(day - 1)} />
      <IconButton icon={ChevronRight} label="The day after" onPress={() => onDay(day + 1)} isDisabled={day >= today} />
      {isWide ? (
        <Button onPress={onAdd} icon={<Plus size={18} color={colors.ink} />}>
          Add a habit
        </Button>
      ) : (
        <IconButton icon={Plus} label="Add a habit" onPress={onAdd} />
      )}
    </View>
  );
}

/** What stands where there is no habit yet: small starts, a form, a list. */
export function FirstHabits({ onAdd }: { onAdd: () => void }) {
  const styles = useStyles();
  const router = useRouter();
  return (
    <EmptyState
      title="What do you want to get better at?"
      text="A habit is something small you want to do often. Take a small start and change it as you like, or write your own."
    >
      <View style={styles.starts}>
        {SMALL_STARTS.map(({ id, label }) => (
          <Button key={id} onPress={() => router.push(`${PATHS.habitList}?start=${id}` as never)}>
            {label}
          </Button>
        ))}
      </View>
      <Button kind="main" onPress={onAdd}>
        Add your first habit
      </Button>
      <Button kind="bare" onPress={() => router.push(PATHS.habitList as never)}>
        Write or paste a list
      </Button>
    </EmptyState>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  date: { flex: 1, minWidth: 130 },
  dateLine: { flexDirection: 'row', marginTop: -8, marginBottom: -6 },
  todayButton: { marginRight: SPACE.xs },
  starts: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'center', gap: SPACE.s, maxWidth: 560 },
}));
