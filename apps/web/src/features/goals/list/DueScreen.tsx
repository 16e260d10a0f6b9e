import {
  type DueThing,
  type PlainDay,
  dueThings,
  formatMonth,
  inDueOrder,
  monthOfDay,
  monthSpan,
  parseMonth,
  startOfWeek,
  overlaps,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { DueRows, isDone } from '../../../components/goals/DueRows.tsx';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { selectSettings, selectToday, selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, dateNumber, dayInWords, monthAndYear, weekdayLetter } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { saveFocus, useRestoredFocus } from '../../../ui/useRestoredFocus.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { PATHS } from '../../../platform/paths.ts';

type Group = { title: string; things: DueThing[]; isLate?: boolean };

const groupsByDay = (things: readonly DueThing[]): Group[] =>
  [...new Set(things.map(({ due }) => due))].map((due) => ({
    title: dayInWords(due),
    things: things.filter((each) => each.due === due),
  }));

/** The month that runs: what is overdue first, from before too, then day by day what is to come, then what is done. */
function groupsOfNow(all: readonly DueThing[], here: readonly DueThing[]): Group[] {
  const late = all.filter(({ state }) => state === 'overdue');
  const done = here.filter(isDone);
  return [
    ...(late.length > 0 ? [{ title: 'Overdue', things: late, isLate: true }] : []),
    ...groupsByDay(here.filter((thing) => thing.state !== 'overdue' && !isDone(thing))),
    ...(done.length > 0 ? [{ title: 'Done this month', things: done }] : []),
  ];
}

/** A calendar of everything that is due: goals, key results, milestones and steps, month by month. */
/** What is due in a month, by day or as it presses now, and what is under way in it. */
function useDue(month: number, day: PlainDay | null, area: string) {
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectFiguredList);
  const span = monthSpan(month);
  const all = useMemo(() => {
    const living = goals.filter(
      ({ records: { goal } }) =>
        (goal.state === 'open' || goal.state === 'reached') && (area === '' || goal.areaId === area),
    );
    return inDueOrder(living.flatMap((figured) => dueThings(figured, today)));
  }, [goals, today, area]);
  const here = all.filter(({ due }) => due >= span.first && due <= span.last);
  // What has begun shows through its days up to the one it is due.
  const running = all.filter(
    (thing) => !isDone(thing) && thing.first < thing.due && overlaps({ first: thing.first, last: thing.due }, span),
  );
  const isNow = month === monthOfDay(today) && day === null;
  const underWay = day === null ? [] : running.filter(({ first, due }) => first <= day && due > day);
  const groups = [
    ...(isNow ? groupsOfNow(all, here) : groupsByDay(day === null ? here : here.filter(({ due }) => due === day))),
    ...(underWay.length > 0 ? [{ title: 'Under way', things: underWay }] : []),
  ];
  return { here, running, groups };
}

export function DueScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectFiguredList);
  const params = useLocalSearchParams<{ month?: string; area?: string }>();
  const areas = useAppSelector(selectAreas);
  const area = areas.some(({ id }) => id === params.area) ? params.area! : '';
  const month = parseMonth(params.month ?? '') ?? monthOfDay(today);
  const [day, setDay] = useState<PlainDay | null>(null);
  const { here, running, groups } = useDue(month, day, area);
  useRestoredFocus();
  const show = (to: number, of: string): void => {
    const words = [
      to === monthOfDay(today) ? '' : `month=${formatMonth(to)}`,
      of === '' ? '' : `area=${encodeURIComponent(of)}`,
    ].filter(Boolean);
    saveFocus();
    router.replace(`${PATHS.dueGoals}${words.length > 0 ? `?${words.join('&')}` : ''}`);
  };
  const goTo = (to: number): void => {
    setDay(null);
    show(to, area);
  };
  const withGoals = areas.filter(({ id }) => goals.some(({ records }) => records.goal.areaId === id));
  const open = (path: string): void => router.push(path);
  const list = (
    <View style={styles.list}>
      {groups.map(({ title, things, isLate = false }) => (
        <View key={title} style={styles.group}>
          <Words type="label" tone={isLate ? 'madder' : 'quiet'} heading={2}>
            {title}
          </Words>
          <DueRows things={things} label={title} onGo={open} />
        </View>
      ))}
      {groups.length === 0 ? (
        <Words tone="quiet">Nothing is due {day === null ? 'in this month' : 'on this day'}.</Words>
      ) : null}
    </View>
  );
  return (
    <Page>
      <PageHead title="What is due" backTo={PATHS.goals} />
      {withGoals.length > 1 ? (
        <Chips
          label="Area"
          isScrolling
          chips={[
            { value: '', label: 'All areas' },
            ...withGoals.map(({ id, name, color }) => ({ value: id, label: name, dot: dyeColor(colors, color) })),
          ]}
          chosen={[area]}
          onPress={(of) => show(month, of)}
        />
      ) : null}
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={isWide ? styles.side : undefined}>
          <MonthLine month={month} onMonth={goTo} />
          <MonthOfDue month={month} things={here} running={running} chosen={day} onChoose={setDay} />
          {day === null ? null : (
            <Button kind="bare" onPress={() => setDay(null)}>
              The whole month
            </Button>
          )}
        </View>
        {list}
      </View>
    </Page>
  );
}

/** A month by its name, with the ways to those beside it. */
function MonthLine({ month, onMonth }: { month: number; onMonth: (month: number) => void }) {
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

function MonthOfDue({
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
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  side: { width: 380 },
  list: { flex: 1, gap: SPACE.l, minWidth: 0 },
  group: { gap: SPACE.xs },
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
