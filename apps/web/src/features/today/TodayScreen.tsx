import { type PlainDay, dayOf, formatDay, scoreOn } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Plus from 'lucide-react-native/icons/plus';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { AccountButton } from '../../records/AccountButton.tsx';
import { EntrySheet } from '../../records/EntrySheet.tsx';
import { selectHabits, selectSettings, selectToday, selectTotals, selectTracks } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { dateNear, percent, weekdayName } from '../../shared/format.ts';
import { useSwipe } from '../../shared/swipe.ts';
import { useDayParam } from '../../shared/useDayParam.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { HabitRow } from './HabitRow.tsx';
import { MonthCard } from './MonthCard.tsx';
import { WeekStrip } from './WeekStrip.tsx';
import { type TodaySection, planOfDay } from './todaySections.ts';

const PART_NAMES = { morning: 'Morning', midday: 'Midday', evening: 'Evening', any: 'Any time' } as const;

export function TodayScreen() {
  const styles = useStyles();
  const router = useRouter();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const [day, goTo] = useDayParam('/today', today);
  const [opened, setOpened] = useState<string | null>(null);
  const plan = useMemo(() => planOfDay(tracks, day), [tracks, day]);
  const swipe = useSwipe((direction) => {
    if (direction === 'back') goTo(day - 1);
    else if (day < today) goTo(day + 1);
  });
  const addHabit = (): void => router.push('/habits/new');

  const header = (
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
            onChange={(text) => goTo(Math.min(today, dayOf(text)))}
          />
        </View>
      </View>
      {day < today ? (
        <Button onPress={() => goTo(today)} style={styles.todayButton}>
          Today
        </Button>
      ) : null}
      <IconButton icon={ChevronLeft} label="The day before" onPress={() => goTo(day - 1)} />
      <IconButton icon={ChevronRight} label="The day after" onPress={() => goTo(day + 1)} isDisabled={day >= today} />
      {isWide ? (
        <Button onPress={addHabit} icon={<PlusIcon />}>
          Add a habit
        </Button>
      ) : (
        <>
          <IconButton icon={Plus} label="Add a habit" onPress={addHabit} />
          <AccountButton />
        </>
      )}
    </View>
  );

  if (!hasHabits) {
    return (
      <Page>
        {header}
        <EmptyState
          title="Nothing to check off yet"
          text="A habit is something small you want to do often. Add one, and today starts here."
        >
          <Button kind="main" onPress={addHabit}>
            Add your first habit
          </Button>
        </EmptyState>
      </Page>
    );
  }
  const sections = plan.sections.map((section) => (
    <Section key={section.part} section={section} day={day} onOpen={setOpened} />
  ));
  const others =
    plan.notAsked.length > 0 ? (
      <View style={styles.section}>
        <SectionHead title="Not asked" aside="can still be done" />
        <Card isFlush>
          {plan.notAsked.map((track, index) => (
            <HabitRow key={track.habit.id} track={track} day={day} onOpen={setOpened} isFirst={index === 0} />
          ))}
        </Card>
      </View>
    ) : null;
  return (
    <View style={styles.fill} {...swipe}>
      <Page>
        {header}
        <WeekStrip day={day} onChoose={goTo} />
        <LeftLine day={day} isToday={day === today} toGo={plan.toGo} />
        {isWide ? (
          <View style={styles.columns}>
            <View style={styles.column}>{sections.filter((_, index) => index % 2 === 0)}</View>
            <View style={styles.column}>
              {sections.filter((_, index) => index % 2 === 1)}
              {others}
            </View>
            <View style={styles.side}>
              <MonthCard day={day} />
            </View>
          </View>
        ) : (
          <>
            {sections}
            {others}
          </>
        )}
      </Page>
      {opened !== null ? (
        <EntrySheet
          habitId={opened}
          day={day}
          onClose={() => setOpened(null)}
          onEditHabit={() => router.push(`/habits/${opened}` as never)}
        />
      ) : null}
    </View>
  );
}

function PlusIcon() {
  const { colors } = useTheme();
  return <Plus size={18} color={colors.ink} />;
}

/** "4 to go today", and the day's score with the two numbers behind it. */
function LeftLine({ day, isToday, toGo }: { day: PlainDay; isToday: boolean; toGo: number }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { passMark } = useAppSelector(selectSettings);
  const totals = useAppSelector((state) => selectTotals(state, { first: day, last: day }));
  const { done, due, score, full } = scoreOn(totals, day, passMark);
  const words =
    toGo > 0
      ? `${toGo} to go${isToday ? ' today' : ''}`
      : full
        ? 'A full day'
        : isToday
          ? 'Nothing left today'
          : 'Nothing left';
  return (
    <View style={[styles.left, isWide && styles.leftWide]} role="status">
      <Words type="section" heading={2}>
        {words}
      </Words>
      {score === null ? null : (
        <Words tone="quiet">
          {done} of {due}, <Words type="strong">{percent(score)}</Words>
        </Words>
      )}
    </View>
  );
}

function SectionHead({ title, aside }: { title: string; aside: string }) {
  const styles = useStyles();
  return (
    <View style={styles.sectionHead}>
      <Words type="label" tone="quiet" heading={3}>
        {title}
      </Words>
      <Words type="label" tone="quiet">
        {aside}
      </Words>
    </View>
  );
}

function Section({
  section,
  day,
  onOpen,
}: {
  section: TodaySection;
  day: PlainDay;
  onOpen: (habitId: string) => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.section}>
      <SectionHead title={PART_NAMES[section.part]} aside={section.toGo > 0 ? `${section.toGo} to go` : 'all done'} />
      <Card isFlush>
        {section.rows.map(({ track }, index) => (
          <HabitRow key={track.habit.id} track={track} day={day} onOpen={onOpen} isFirst={index === 0} />
        ))}
      </Card>
    </View>
  );
}

const useStyles = themed(() => ({
  fill: { flex: 1 },
  head: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' },
  date: { flex: 1, minWidth: 130 },
  dateLine: { flexDirection: 'row', marginTop: -8, marginBottom: -6 },
  todayButton: { marginRight: SPACE.xs },
  left: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between' },
  leftWide: { justifyContent: 'flex-start', gap: SPACE.l },
  section: { gap: SPACE.s },
  sectionHead: { flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: SPACE.xs },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 5, gap: SPACE.l, minWidth: 0 },
  side: { flex: 3, gap: SPACE.l, minWidth: 200 },
}));
