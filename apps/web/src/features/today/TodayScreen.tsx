import { type PlainDay, type Track, flexibleToGoOn, formatDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { flushSync } from 'react-dom';
import { lazySheet } from '../../components/page/lazySheet.tsx';
import {
  HabitFilterChips,
  HabitFilterLine,
  useFilteredTracks,
} from '../../components/habitFilter/HabitFilterChips.tsx';
import { QuoteLine } from '../../components/journal/QuoteLine.tsx';
import { useLocalNameSet } from '../../platform/localSettings.ts';
import { useDebouncedValue } from '../../ui/useDebouncedValue.ts';
import { useIncrementalCount } from '../../ui/useIncrementalCount.ts';
import { useSwipe } from '../../ui/useSwipe.ts';
import { useDayParam } from '../../platform/useDayParam.ts';
import { changeTo } from '../../store/makeChange.ts';
import {
  selectAreas,
  selectHabits,
  selectSettings,
  selectToday,
  selectTotals,
  selectTracks,
} from '../../store/selectors.ts';
import { useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Page } from '../../ui/Frame.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import type { HabitFilter } from '../../text/habitFilter.ts';
import { isDecided } from '../../text/dayStatusText.ts';
import { GoalsToday } from './GoalsToday.tsx';
import { LeftLine } from './LeftLine.tsx';
import { LookingBack } from './LookingBack.tsx';
import { OpenLines } from './OpenLines.tsx';
import { MoodToday } from './MoodToday.tsx';
import { SeasonToday } from './SeasonToday.tsx';
import { MonthCard } from './MonthCard.tsx';
import { JumpRow, OtherGroups, Section } from './TodayGroups.tsx';
import { FirstHabits, TodayHead } from './TodayHead.tsx';
import { WeekStrip } from './WeekStrip.tsx';
import { type TodaySection, planOfDay, sectionWith } from './todaySections.ts';
import { PATHS } from '../../platform/paths.ts';

const EntrySheet = lazySheet('EntrySheet');

/** How long a habit that was just done stays where it is, so that nothing moves under the thumb. */
const SETTLES_AFTER_MS = 900;
const ONLY_LEFT = 'left';
/** How many rows are drawn at once: those that are seen first. */
const FIRST_ROWS = { phone: 10, wide: 12 };

/** What a day asks, in groups; what was done settles below after a moment. */
function usePlan(day: PlainDay) {
  const tracks = useDeferredSelector(selectTracks);
  const areas = useAppSelector(selectAreas);
  const by = useAppSelector(selectSettings).todayBy ?? 'part';
  const wanted = flexibleToGoOn(useDeferredSelector(selectTotals), day);
  const settledNow = useMemo(
    () => tracks.filter((track) => isDecided(track, day)).map(({ habit }) => habit.id),
    [tracks, day],
  );
  const settled = useDebouncedValue(settledNow, settledNow.join(' '), String(day), SETTLES_AFTER_MS);
  return useMemo(() => {
    const settledIds = new Set(settled);
    return { tracks, plan: planOfDay(tracks, day, { wanted, by, areas, settled: settledIds }), settledIds };
  }, [tracks, day, wanted, by, areas, settled]);
}

export function TodayScreen() {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const [day, goTo] = useDayParam(PATHS.today, today);
  const [opened, setOpened] = useState<string | null>(null);
  const open = useCallback((habitId: string) => setOpened(habitId), []);
  const isToday = day === today;
  const swipe = useSwipe((direction) => {
    if (direction === 'back') goTo(day - 1);
    else if (day < today) goTo(day + 1);
  });
  const addHabit = (): void => router.push(day < today ? `${PATHS.newHabit}?day=${formatDay(day)}` : PATHS.newHabit);
  return (
    <View style={styles.fill} {...(hasHabits ? swipe : {})}>
      <Page>
        <TodayHead day={day} today={today} onDay={goTo} onAdd={addHabit} />
        {isToday ? <QuoteLine /> : null}
        {isToday ? <LookingBack /> : null}
        {isToday ? <SeasonToday /> : null}
        {hasHabits ? (
          <DayOfHabits day={day} isToday={isToday} onDay={goTo} onOpen={open} />
        ) : (
          <>
            <FirstHabits onAdd={addHabit} />
            {isToday ? <GoalsToday /> : null}
          </>
        )}
      </Page>
      {opened !== null ? (
        <EntrySheet habitId={opened} day={day} onClose={() => setOpened(null)} onGo={(path) => router.push(path)} />
      ) : null}
    </View>
  );
}

/** What a day asks and how it stands: in columns on a wide screen, one below the other on a phone. */
function DayOfHabits({
  day,
  isToday,
  onDay,
  onOpen,
}: {
  day: PlainDay;
  isToday: boolean;
  onDay: (day: PlainDay) => void;
  onOpen: (habitId: string) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { tracks, plan, settledIds } = usePlan(day);
  const [folded, fold] = useLocalNameSet('todayFolded');
  const [choices, choose] = useLocalNameSet('todayShown');
  const [only, setOnly] = useState<HabitFilter | null>(null);
  const among = useFilteredTracks(only, tracks);
  const amongIds = useMemo(() => new Set(among.map(({ habit }) => habit.id)), [among]);
  const isAmong = (track: Track): boolean => amongIds.has(track.habit.id);
  const isSettled = ({ habit }: Track): boolean => settledIds.has(habit.id);
  const isAllSettled = ({ rows }: TodaySection): boolean => rows.every(({ track }) => isSettled(track));
  const hidesDone = choices.has(ONLY_LEFT);
  const shown = plan.sections
    .map((section) => sectionWith(section, isAmong))
    .filter((section) => section.rows.length > 0 && !(hidesDone && isAllSettled(section)));
  const rowsBefore = new Map<string, number>();
  let rows = 0;
  for (const { key, rows: own } of shown) {
    rowsBefore.set(key, rows);
    rows += own.length;
  }
  // Where there is much, what stands beside it comes a frame later.
  const { drawn, isBegun, drawAll } = useIncrementalCount(rows, isWide ? FIRST_ROWS.wide : FIRST_ROWS.phone);
  const sectionOf = (section: TodaySection) => (
    <Section
      key={section.key}
      most={Math.max(0, drawn - (rowsBefore.get(section.key) ?? 0))}
      section={hidesDone ? sectionWith(section, (track) => !isSettled(track)) : section}
      day={day}
      isFolded={folded.has(section.key)}
      onFold={() => fold(section.key)}
      onOpen={onOpen}
    />
  );
  const others = (
    <OtherGroups plan={plan} day={day} isToday={isToday} isShown={isAmong} isSome={only !== null} onOpen={onOpen} />
  );
  const grouping = <Grouping choices={choices} onChoose={choose} only={only} onOnly={setOnly} />;
  // What is due and to be fed belongs to the day it is.
  const goals = isToday ? <GoalsToday /> : null;
  const lines = (
    <>
      <OpenLines day={day} />
      <MoodToday day={day} />
    </>
  );
  return (
    <>
      <WeekStrip day={day} onChoose={onDay} />
      <LeftLine day={day} isToday={isToday} plan={plan} aside={isWide ? grouping : null} />
      <HabitFilterLine only={only} onAll={() => setOnly(null)} />
      <JumpRow sections={shown} onJump={() => flushSync(drawAll)} />
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>{shown.filter((_, index) => index % 2 === 0).map(sectionOf)}</View>
          <View style={styles.column}>
            {shown.filter((_, index) => index % 2 === 1).map(sectionOf)}
            {isBegun ? others : null}
            {isBegun ? lines : null}
          </View>
          <View style={styles.side}>
            {isBegun ? <MonthCard day={day} /> : null}
            {isBegun ? goals : null}
          </View>
        </View>
      ) : (
        <>
          {shown.filter((section) => !isAllSettled(section)).map(sectionOf)}
          {isBegun ? lines : null}
          {isBegun ? goals : null}
          {shown.filter(isAllSettled).map(sectionOf)}
          {isBegun ? others : null}
          {isBegun ? <MonthCard day={day} /> : null}
          {grouping}
        </>
      )}
    </>
  );
}

/** Which habits are shown, and in which groups. */
function Grouping({
  choices,
  onChoose,
  only,
  onOnly,
}: {
  choices: ReadonlySet<string>;
  onChoose: (choice: string) => void;
  only: HabitFilter | null;
  onOnly: (only: HabitFilter | null) => void;
}) {
  const styles = useStyles();
  const settings = useAppSelector(selectSettings);
  const { change } = useRecording();
  const [isChoosing, setIsChoosing] = useState(false);
  return (
    <View style={styles.grouping}>
      <Chips
        label="What is shown"
        isMultiple
        chips={[{ value: ONLY_LEFT, label: 'Only what is left' }]}
        chosen={[...choices]}
        onPress={onChoose}
      />
      <Button onPress={() => setIsChoosing(true)}>Only some habits</Button>
      <Segments
        label="Group habits by"
        value={settings.todayBy ?? 'part'}
        choices={[
          { value: 'part', label: 'By part of the day' },
          { value: 'area', label: 'By area' },
        ]}
        onChange={(todayBy) => change(changeTo('settings', { ...settings, todayBy }))}
        isWrapping
      />
      {isChoosing ? (
        <Sheet title="Only some habits" onClose={() => setIsChoosing(false)}>
          <HabitFilterChips only={only} onChoose={onOnly} />
        </Sheet>
      ) : null}
    </View>
  );
}

const useStyles = themed(() => ({
  fill: { flex: 1 },
  grouping: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 5, gap: SPACE.l, minWidth: 0 },
  side: { flex: 3, gap: SPACE.l, minWidth: 200 },
}));
