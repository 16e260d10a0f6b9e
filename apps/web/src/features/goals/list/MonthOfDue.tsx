import { type DueThing, type PlainDay, monthSpan, startOfWeek } from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Pressable, View } from 'react-native';
import { isDone } from '../../../components/goals/DueRows.tsx';
import { selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, dateNumber, dayInWords, monthAndYear, weekdayLetter } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { Card } from '../../../ui/Card.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';

/** A month by its name, with the ways to those beside it. */
export function MonthLine({ month, onMonth }: { month: number; onMonth: (month: number) => void }) {
  const styles = useStyles();
  return (
    <View style={styles.monthLine}>
      <IconButton
        id="month-before"
        icon={ChevronLeft}
        label={monthAndYear(month - 1)}
        onPress={() => onMonth(month - 1)}
      />
      <Words type="card" style={styles.monthName}>
        {monthAndYear(month)}
      </Words>
      <IconButton
        id="month-after"
        icon={ChevronRight}
        label={monthAndYear(month + 1)}
        onPress={() => onMonth(month + 1)}
      />
    </View>
  );
}

export function MonthOfDue({
  month,
  things,
  running,
  chosen,
  onChoose,
}: {
  month: number;
  things: readonly DueThing[];
  /** Open steps between their first and due day. */
  running: readonly DueThing[];
  chosen: PlainDay | null;
  onChoose: (day: PlainDay | null) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const { first, last } = monthSpan(month);
  const from = startOfWeek(first, weekStart);
  const weeks = Array.from({ length: Math.ceil((last - from + 1) / 7) }, (_, week) =>
    Array.from({ length: 7 }, (_each, index) => from + week * 7 + index),
  );
  return (
    <Card style={styles.month} label={`Days of ${monthAndYear(month)}`}>
      <View style={styles.week} aria-hidden>
        {weeks[0]!.map((day) => (
          <Words key={day} type="small" tone="quiet" style={styles.letter}>
            {weekdayLetter(day)}
          </Words>
        ))}
      </View>
      {weeks.map((week) => (
        <View key={week[0]} style={styles.week}>
          {week.map((day) => {
            if (day < first || day > last) return <View key={day} style={styles.day} />;
            const due = things.filter((thing) => thing.due === day);
            const open = due.filter((thing) => !isDone(thing));
            const through = running.filter((thing) => thing.first <= day && thing.due >= day);
            const words = [
              due.length === 0 ? 'nothing due' : `${counted(due.length, 'thing')} due`,
              through.length === 0 ? '' : `${counted(through.length, 'thing')} under way`,
            ].filter(Boolean);
            const color =
              due.length === 0
                ? 'transparent'
                : open.some((thing) => thing.state === 'overdue')
                  ? colors.madder
                  : open.length > 0
                    ? colors.brass
                    : colors.working;
            return (
              <Pressable
                key={day}
                role="button"
                aria-label={`${dayInWords(day)}: ${words.join(', ')}`}
                aria-pressed={day === chosen}
                onPress={() => onChoose(day === chosen ? null : day)}
                style={[styles.day, day === chosen && { backgroundColor: colors.wash }]}
              >
                <View style={[styles.ring, day === today && { borderColor: colors.brass }]}>
                  <Words type={due.length > 0 ? 'label' : 'quiet'} tone={due.length > 0 ? 'ink' : 'quiet'}>
                    {dateNumber(day)}
                  </Words>
                </View>
                <View style={styles.marks}>
                  {through.length === 0 ? null : (
                    <View
                      style={[
                        styles.through,
                        {
                          backgroundColor: colors.brass,
                          // From the middle of its first day to the middle of the one it is due.
                          left: through.every((thing) => thing.first === day) ? '50%' : 0,
                          right: through.every((thing) => thing.due === day) ? '50%' : 0,
                        },
                      ]}
                    />
                  )}
                  <View style={[styles.mark, { backgroundColor: color }]} />
                </View>
              </Pressable>
            );
          })}
        </View>
      ))}
    </Card>
  );
}

const useStyles = themed(() => ({
  monthLine: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' },
  monthName: { textAlign: 'center' },
  month: { gap: 2 },
  week: { flexDirection: 'row' },
  letter: { flex: 1, textAlign: 'center' },
  day: { flex: 1, minHeight: 46, alignItems: 'center', justifyContent: 'center', gap: 2, borderRadius: 23 },
  ring: {
    width: 30,
    height: 30,
    borderRadius: 15,
    borderWidth: 1.5,
    borderColor: 'transparent',
    alignItems: 'center',
    justifyContent: 'center',
  },
  marks: { alignSelf: 'stretch', alignItems: 'center', justifyContent: 'center', height: 8 },
  through: { position: 'absolute', height: 2, opacity: 0.7 },
  mark: { width: 7, height: 7, borderRadius: 4 },
}));
