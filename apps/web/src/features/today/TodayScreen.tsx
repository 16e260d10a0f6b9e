import {
  type PlainDay,
  dayMarkOf,
  dayOf,
  formatDay,
  scoreOn,
  flexibleToGoOn,
  type Track,
  doneHabitsOn,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import Plus from 'lucide-react-native/icons/plus';
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { EntrySheet } from '../../parts/EntrySheet.tsx';
import { QuoteLine } from '../../parts/QuoteLine.tsx';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import { changeTo } from '../../store/makeChange.ts';
import {
  selectAreas,
  selectDayMarks,
  selectHabits,
  selectSettings,
  selectToday,
  selectTotals,
  selectTracks,
} from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { dateNear, percent, weekdayName } from '../../shared/format.ts';
import { keepOnDevice, keptOnDevice, useKeptNames } from '../../shared/kept.ts';
import { useLater } from '../../shared/settle.ts';
import { useSwipe } from '../../shared/swipe.ts';
import { useDayParam } from '../../shared/useDayParam.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Card } from '../../ui/Card.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { OnlyChips, OnlyLine, useTracksOnly } from '../../parts/OnlyChips.tsx';
import type { Only } from '../../words/only.ts';
import { Segments } from '../../ui/Segments.tsx';
import { Shavings } from '../../ui/Shavings.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { GoalsToday } from './GoalsToday.tsx';
import { HabitRow } from './HabitRow.tsx';
import { MonthCard } from './MonthCard.tsx';
import { WeekStrip } from './WeekStrip.tsx';
import { type TodayPlan, type TodaySection, planOfDay, sectionWith } from './todaySections.ts';
import { isDecided } from '../../words/standing.ts';
import { SMALL_STARTS } from '../../parts/smallStarts.ts';
import { Figure } from '../../parts/Figure.tsx';

/** How long a habit that was just done stays where it is, so that nothing moves under the thumb. */
const SETTLES_AFTER_MS = 900;
const ONLY_LEFT = 'left';

export function TodayScreen() {
  const styles = useStyles();
  const router = useRouter();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const [day, goTo] = useDayParam('/today', today);
  const [opened, setOpened] = useState<string | null>(null);
  const areas = useAppSelector(selectAreas);
  const settings = useAppSelector(selectSettings);
  const by = settings.todayBy ?? 'part';
  const [folded, fold] = useKeptNames('todayFolded');
  const [choices, choose] = useKeptNames('todayShown');
  const [only, setOnly] = useState<Only | null>(null);
  const [isChoosing, setIsChoosing] = useState(false);
  const among = useTracksOnly(only);
  const amongIds = useMemo(() => new Set(among.map(({ habit }) => habit.id)), [among]);
  const isAmong = (track: Track): boolean => amongIds.has(track.habit.id);
  const { change } = useRecording();
  const open = useCallback((habitId: string) => setOpened(habitId), []);
  const wanted = flexibleToGoOn(useAppSelector(selectTotals), day);
  const settledNow = useMemo(
    () => tracks.filter((track) => isDecided(track, day)).map(({ habit }) => habit.id),
    [tracks, day],
  );
  const settled = useLater(settledNow, settledNow.join(' '), String(day), SETTLES_AFTER_MS);
  const plan = useMemo(
    () => planOfDay(tracks, day, { wanted, by, areas, settled: new Set(settled) }),
    [tracks, day, wanted, by, areas, settled],
  );
  const swipe = useSwipe((direction) => {
    if (direction === 'back') goTo(day - 1);
    else if (day < today) goTo(day + 1);
  });
  const addHabit = (): void =>
    router.push((day < today ? `/habits/new?day=${formatDay(day)}` : '/habits/new') as never);

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
        <IconButton icon={Plus} label="Add a habit" onPress={addHabit} />
      )}
    </View>
  );

  // What is due and to be fed belongs to the day it is.
  const goals = day === today ? <GoalsToday /> : null;

  if (!hasHabits) {
    return (
      <Page>
        {header}
        {day === today ? <QuoteLine /> : null}
        <EmptyState
          title="What do you want to get better at?"
          text="A habit is something small you want to do often. Take a small start and change it as you like, or write your own."
        >
          <View style={styles.starts}>
            {SMALL_STARTS.map(({ id, label }) => (
              <Button key={id} onPress={() => router.push(`/habits/list?start=${id}` as never)}>
                {label}
              </Button>
            ))}
          </View>
          <Button kind="main" onPress={addHabit}>
            Add your first habit
          </Button>
          <Button kind="bare" onPress={() => router.push('/habits/list' as never)}>
            Write or paste a list
          </Button>
        </EmptyState>
        {goals}
      </Page>
    );
  }
  const settledIds = new Set(settled);
  const isAllSettled = ({ rows }: TodaySection): boolean => rows.every(({ track }) => settledIds.has(track.habit.id));
  const hidesDone = choices.has(ONLY_LEFT);
  const shown = plan.sections
    .map((section) => sectionWith(section, isAmong))
    .filter((section) => section.rows.length > 0 && !(hidesDone && isAllSettled(section)));
  const sectionOf = (section: TodaySection) => (
    <Section
      key={section.key}
      section={hidesDone ? sectionWith(section, (track) => !settledIds.has(track.habit.id)) : section}
      day={day}
      isFolded={folded.has(section.key)}
      onFold={() => fold(section.key)}
      onOpen={open}
    />
  );
  const sections = shown.map(sectionOf);
  const group = (title: string, aside: string, every: readonly Track[]): ReactNode => {
    const list = every.filter(isAmong);
    return list.length === 0 ? null : (
      <View style={styles.section}>
        <SectionHead title={title} aside={aside} />
        <Card isFlush>
          {list.map((track, index) => (
            <HabitRow key={track.habit.id} track={track} day={day} onOpen={open} place={index} />
          ))}
        </Card>
      </View>
    );
  };
  const others = (
    <>
      {group(
        day === today ? 'Can wait' : 'Could wait',
        only === null ? canWaitWords(plan, day === today) : '',
        plan.canWait.tracks,
      )}
      {group(day === today ? 'Not due today' : 'Not due that day', 'can still be done', plan.notAsked)}
      {group('Begins later', 'a check-off starts it on this day', plan.notBegun)}
    </>
  );
  const grouping = (
    <View style={styles.grouping}>
      <Chips
        label="What is shown"
        isMultiple
        chips={[{ value: ONLY_LEFT, label: 'Only what is left' }]}
        chosen={[...choices]}
        onPress={choose}
      />
      <Button onPress={() => setIsChoosing(true)}>Only some habits</Button>
      <Segments
        label="Group habits by"
        value={by}
        choices={[
          { value: 'part', label: 'By part of the day' },
          { value: 'area', label: 'By area' },
        ]}
        onChange={(todayBy) => change(changeTo('settings', { ...settings, todayBy }))}
        isWrapping
      />
    </View>
  );
  return (
    <View style={styles.fill} {...swipe}>
      <Page>
        {header}
        {day === today ? <QuoteLine /> : null}
        <WeekStrip day={day} onChoose={goTo} />
        <LeftLine day={day} isToday={day === today} plan={plan} aside={isWide ? grouping : null} />
        <OnlyLine only={only} onAll={() => setOnly(null)} />
        <JumpRow sections={shown} />
        {isWide ? (
          <View style={styles.columns}>
            <View style={styles.column}>{sections.filter((_, index) => index % 2 === 0)}</View>
            <View style={styles.column}>
              {sections.filter((_, index) => index % 2 === 1)}
              {others}
            </View>
            <View style={styles.side}>
              <MonthCard day={day} />
              {goals}
            </View>
          </View>
        ) : (
          <>
            {shown.filter((section) => !isAllSettled(section)).map(sectionOf)}
            {goals}
            {shown.filter(isAllSettled).map(sectionOf)}
            {others}
            <MonthCard day={day} />
            {grouping}
          </>
        )}
      </Page>
      {isChoosing ? (
        <Sheet title="Only some habits" onClose={() => setIsChoosing(false)}>
          <OnlyChips only={only} onChoose={setOnly} />
        </Sheet>
      ) : null}
      {opened !== null ? (
        <EntrySheet
          habitId={opened}
          day={day}
          onClose={() => setOpened(null)}
          onGo={(path) => router.push(path as never)}
        />
      ) : null}
    </View>
  );
}

/** From so many groups on a row of them leads to each. */
const JUMPS_FROM = 6;

/** A row of the groups of a long day, to go to one at once. */
function JumpRow({ sections }: { sections: readonly TodaySection[] }) {
  const styles = useStyles();
  const { colors } = useTheme();
  if (sections.length < JUMPS_FROM) return null;
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={styles.jumps}>
      <View role="group" aria-label="Go to a group" style={styles.jumpRow}>
        {sections.map(({ key, title, dye }) => (
          <Button
            key={key}
            kind="bare"
            style={styles.jump}
            label={`Go to ${title}`}
            icon={dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
            onPress={() => document.getElementById(sectionId(key))?.scrollIntoView({ block: 'start' })}
          >
            {title}
          </Button>
        ))}
      </View>
    </ScrollView>
  );
}

const sectionId = (key: string): string => `group-${key}`;

/** Of how many of those that can wait the day asks: "any 2 of these". */
function canWaitWords({ canWait: { wanted } }: TodayPlan, isToday: boolean): string {
  if (wanted === 0) return isToday ? 'none needed today' : 'none was needed';
  return isToday ? `any ${wanted} of these` : `any ${wanted} of these were left`;
}

function PlusIcon() {
  const { colors } = useTheme();
  return <Plus size={18} color={colors.ink} />;
}

/** "4 to go today", what comes next, and the day's score with the two numbers behind it and its mark. */
function LeftLine({
  day,
  isToday,
  plan,
  aside,
}: {
  day: PlainDay;
  isToday: boolean;
  plan: TodayPlan;
  aside: ReactNode;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { passMark } = useAppSelector(selectSettings);
  const marks = useAppSelector(selectDayMarks);
  const totals = useAppSelector(selectTotals);
  const { done, due, score, full } = scoreOn(totals, day, passMark);
  const mark = dayMarkOf(marks, doneHabitsOn(totals, day));
  const { toGo, missed, next } = plan;
  const isComplete = full && toGo === 0;
  const isCelebrated = useOnceFull(day, isToday && isComplete);
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
      <View style={styles.leftWords}>
        <Words type="section" heading={2}>
          {words}
        </Words>
        {isToday && next !== null && toGo > 1 ? (
          <Words type="quiet" tone="quiet" numberOfLines={2}>
            Next: {next.habit.name}
          </Words>
        ) : null}
        {isCelebrated ? <Shavings /> : null}
      </View>
      {score === null ? null : (
        <View style={styles.score}>
          <Figure asked={{ figure: 'dayScore', day }} label={`${done} of ${due}, ${percent(score)}`}>
            <Words tone="quiet">
              {done} of {due}, <Words type="strong">{percent(score)}</Words>
            </Words>
          </Figure>
          {missed > 0 ? <Words tone="quiet">{missed} missed</Words> : null}
          {mark === null ? null : (
            <Words type="strong" tone="brassText" label={`Day mark ${mark}`}>
              {mark}
            </Words>
          )}
        </View>
      )}
      {aside ? <View style={styles.aside}>{aside}</View> : null}
    </View>
  );
}

/** Says once, on the day itself, that everything asked is done; true while it does. */
function useOnceFull(day: PlainDay, isFull: boolean): boolean {
  const toast = useToast();
  const was = useRef({ day, isFull });
  const [celebrated, setCelebrated] = useState<PlainDay | null>(null);
  useEffect(() => {
    const { day: dayBefore, isFull: before } = was.current;
    was.current = { day, isFull };
    if (!isFull || before || dayBefore !== day || keptOnDevice('fullDay') === formatDay(day)) return;
    keepOnDevice('fullDay', formatDay(day));
    toast({ text: 'Everything due today is done. Well done.' });
    const timer = setTimeout(() => setCelebrated(day), 0);
    return () => clearTimeout(timer);
  }, [day, isFull, toast]);
  return isFull && celebrated === day;
}

function SectionHead({
  title,
  aside,
  dye = null,
  isFolded = false,
  onFold,
}: {
  title: string;
  aside: string;
  dye?: string | null;
  isFolded?: boolean;
  onFold?: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const Arrow = isFolded ? ChevronDown : ChevronUp;
  const inside = (
    <>
      {dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
      <Words type="label" tone="quiet" heading={3} style={styles.sectionTitle}>
        {title}
      </Words>
      <Words type="label" tone="quiet">
        {aside}
      </Words>
      {onFold ? <Arrow size={16} color={colors.quiet} /> : null}
    </>
  );
  if (!onFold) return <View style={styles.sectionHead}>{inside}</View>;
  return (
    <Pressable
      role="button"
      aria-expanded={!isFolded}
      aria-label={`${title}, ${aside}`}
      onPress={onFold}
      style={[styles.sectionHead, styles.foldable]}
    >
      {inside}
    </Pressable>
  );
}

function Section({
  section,
  day,
  isFolded,
  onFold,
  onOpen,
}: {
  section: TodaySection;
  day: PlainDay;
  isFolded: boolean;
  onFold: () => void;
  onOpen: (habitId: string) => void;
}) {
  const styles = useStyles();
  return (
    <View style={styles.section} nativeID={sectionId(section.key)}>
      <SectionHead
        title={section.title}
        aside={section.toGo > 0 ? `${section.toGo} to go` : 'all done'}
        dye={section.dye}
        isFolded={isFolded}
        onFold={onFold}
      />
      {isFolded ? null : (
        <Card isFlush>
          {section.rows.map(({ track }, index) => (
            <HabitRow key={track.habit.id} track={track} day={day} onOpen={onOpen} place={index} />
          ))}
        </Card>
      )}
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
  jumps: { flexGrow: 0, marginHorizontal: -SPACE.l, paddingHorizontal: SPACE.l, marginVertical: -SPACE.s },
  jumpRow: { flexDirection: 'row', gap: SPACE.xs },
  jump: { paddingHorizontal: SPACE.m },
  starts: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'center', gap: SPACE.s, maxWidth: 560 },
  aside: { marginLeft: 'auto', alignSelf: 'center' },
  leftWords: { flexShrink: 1, gap: 2 },
  score: { flexDirection: 'row', alignItems: 'baseline', flexWrap: 'wrap', justifyContent: 'flex-end', gap: SPACE.s },
  sectionHead: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingHorizontal: SPACE.xs },
  sectionTitle: { flex: 1 },
  foldable: { minHeight: 32, marginVertical: -6 },
  grouping: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  dot: { width: 10, height: 10, borderRadius: 5 },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 5, gap: SPACE.l, minWidth: 0 },
  side: { flex: 3, gap: SPACE.l, minWidth: 200 },
}));
