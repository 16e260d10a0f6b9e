import { type PlainDay, dayOf, formatDay } from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { dateNear, weekdayName } from '../../text/format.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';

/** A day as the head of a page, with the ways to others up to today. */
export function DayHead({
  day,
  today,
  onDay,
  children,
}: {
  day: PlainDay;
  today: PlainDay;
  onDay: (day: PlainDay) => void;
  /** Further actions. */
  children?: ReactNode;
}) {
  const styles = useStyles();
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
      {children}
    </View>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  date: { flex: 1, minWidth: 130 },
  dateLine: { flexDirection: 'row', marginTop: -8, marginBottom: -6 },
  todayButton: { marginRight: SPACE.xs },
}));
