import {
  type DueThing,
  type PlainDay,
  dueThings,
  formatMonth,
  inDueOrder,
  monthOfDay,
  monthSpan,
  parseMonth,
  overlaps,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { DueRows, isDone } from '../../../components/goals/DueRows.tsx';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { selectToday, selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { dayInWords } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { saveFocus, useRestoredFocus } from '../../../ui/useRestoredFocus.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { PATHS } from '../../../platform/paths.ts';
import { MonthLine, MonthOfDue } from './MonthOfDue.tsx';

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

const useStyles = themed(() => ({
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  side: { width: 380 },
  list: { flex: 1, gap: SPACE.l, minWidth: 0 },
  group: { gap: SPACE.xs },
}));
