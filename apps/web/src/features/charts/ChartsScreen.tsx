import {
  type DaySpan,
  type Habit,
  type PlainDay,
  type PlainMonth,
  type PlateValue,
  REVIEW_SPANS,
  type ReviewSpan,
  type Track,
  dayCounts,
  dayOfNeighbour,
  daysIn,
  formatDay,
  habitCourse,
  holdsDay,
  keptOver,
  logFigures,
  logSpanOf,
  monthOfDay,
  monthSpan,
  parseDay,
  reviewSpanOf,
  scoreOn,
  spanFigures,
  spanReview,
  totalsOf,
  yearOfDay,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Download from 'lucide-react-native/icons/download';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ProgressPicture } from '../../charts/ProgressPicture.tsx';
import { ShareLine } from '../../charts/ShareLine.tsx';
import { PlateLegend, YearPlate } from '../../charts/YearPlate.tsx';
import { selectSettings, selectToday, selectTrack, selectTracks, selectHidesStreaks } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { amount } from '../../shared/amounts.ts';
import { counted, dateNear, monthAndYear, monthYear, percent } from '../../shared/format.ts';
import { keepFocus, useKeptFocus } from '../../shared/keptFocus.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { keptFacts, streakFacts } from '../../records/habitFacts.ts';
import { Facts } from '../../ui/Facts.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Field } from '../../ui/Field.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { ChartChoice } from './ChartChoice.tsx';
import { GoalsCard } from './GoalsCard.tsx';
import { AreasCard, InWords, PartsCard, RankingCard, WeekdaysCard } from './ReviewCards.tsx';
import { SaveSheet } from './SaveSheet.tsx';
import { SPAN_WORDS, spanTitle } from './chartWords.ts';
import { dayOfAllWords, dayOfHabitWords, plateOfAll, plateOfHabit } from './chartValues.ts';

type Params = { span?: string; day?: string; from?: string; to?: string; habit?: string; area?: string };

export function ChartsScreen() {
  useKeptFocus();
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<Params>();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectTracks);
  const { weekStart, passMark } = useAppSelector(selectSettings);
  const habit = useAppSelector((state) => state.records.habits[params.habit ?? ''] ?? null);
  const area = useAppSelector((state) => state.records.areas[params.area ?? ''] ?? null);
  const [from, to] = [parseDay(params.from ?? ''), parseDay(params.to ?? '')];
  const between = useMemo(
    () => (from === null || to === null || from > to ? null : { first: from, last: to }),
    [from, to],
  );
  const named = REVIEW_SPANS.find((each) => each === params.span) ?? 'year';
  const kind: ReviewSpan = between !== null ? 'days' : named === 'days' ? 'year' : named;
  const day = parseDay(params.day ?? '') ?? today;
  const [isChoosing, setIsChoosing] = useState(false);
  const [isSaving, setIsSaving] = useState(false);
  const tracks = useMemo(
    () => all.filter((track) => (habit ? track.habit.id === habit.id : area ? track.habit.areaId === area.id : true)),
    [all, habit, area],
  );
  const span = useMemo(() => {
    const first = tracks.reduce((least, track) => Math.min(least, track.first), today);
    return reviewSpanOf(kind, day, weekStart, between ?? { first, last: today });
  }, [kind, day, weekStart, tracks, today, between]);
  // A change of span keeps the pictures that are there until the new ones are ready.
  const shown = useDeferredValue(useMemo(() => ({ kind, span, tracks }), [kind, span, tracks]));
  const review = useMemo(
    () => spanReview(shown.tracks, { kind: shown.kind, span: shown.span, weekStart, passMark, today }),
    [shown, weekStart, passMark, today],
  );
  const go = (to: {
    kind?: ReviewSpan;
    day?: PlainDay;
    between?: DaySpan | null;
    habitId?: string;
    areaId?: string;
  }): void => {
    const next = { kind, day, between, habitId: habit?.id, areaId: area?.id, ...to };
    const words = [
      next.between !== null
        ? `from=${formatDay(next.between.first)}&to=${formatDay(next.between.last)}`
        : next.kind === 'year'
          ? ''
          : `span=${next.kind}`,
      next.day === today || next.between !== null ? '' : `day=${formatDay(next.day)}`,
      next.habitId ? `habit=${encodeURIComponent(next.habitId)}` : '',
      next.areaId ? `area=${encodeURIComponent(next.areaId)}` : '',
    ].filter(Boolean);
    keepFocus();
    router.push(`/charts${words.length > 0 ? `?${words.join('&')}` : ''}` as never);
  };
  const beside = (by: -1 | 1): void => {
    if (kind === 'all') return;
    if (kind === 'days') {
      const days = by * daysIn(span);
      go({ between: { first: span.first + days, last: span.last + days } });
      return;
    }
    const to = dayOfNeighbour(kind, span, by);
    const next = logSpanOf(kind, to, weekStart);
    go({ day: next.first <= today && today <= next.last ? today : to });
  };
  if (all.length === 0) {
    return (
      <Page>
        <EmptyState
          title="Nothing to draw yet"
          text="Charts grow from what you check off. Add a habit on Today, and come back in a week."
        >
          <Button kind="main" onPress={() => router.push('/habits/new')}>
            Add a habit
          </Button>
        </EmptyState>
      </Page>
    );
  }
  const isNow = holdsDay(span, today);
  const words = kind === 'days' ? 'stretch' : SPAN_WORDS[kind].toLowerCase();
  const pictures = (
    <>
      {shown.kind === 'week' ? null : habit === null ? (
        <AllDays span={shown.span} kind={shown.kind} tracks={shown.tracks} />
      ) : (
        <HabitDays habit={habit} span={shown.span} kind={shown.kind} />
      )}
      {habit === null ? (
        <ShareCard
          key={`${shown.kind} ${shown.span.first}`}
          kind={shown.kind}
          span={shown.span}
          tracks={shown.tracks}
        />
      ) : null}
    </>
  );
  return (
    <Page>
      <View style={styles.head}>
        {kind === 'all' ? null : (
          <IconButton icon={ChevronLeft} label={`The ${words} before`} onPress={() => beside(-1)} />
        )}
        <Words type="title" heading={1} style={styles.title}>
          {spanTitle(kind, span, today)}
        </Words>
        {kind === 'all' ? null : (
          <IconButton
            icon={ChevronRight}
            label={`The ${words} after`}
            onPress={() => beside(1)}
            isDisabled={span.last >= today}
          />
        )}
        {isNow || kind === 'days' ? null : <Button onPress={() => go({ day: today })}>{`This ${words}`}</Button>}
        <View style={styles.choice}>
          <IconButton icon={CalendarRange} label="Between two days" onPress={() => setIsChoosing(true)} />
          <IconButton icon={Download} label="Save figures or pictures" onPress={() => setIsSaving(true)} />
          <ChartChoice of={{ area, habit }} onChange={({ areaId, habitId }) => go({ areaId, habitId })} />
        </View>
      </View>
      <Segments<ReviewSpan>
        label="Span"
        value={kind}
        choices={REVIEW_SPANS.filter((value) => value !== 'days').map((value) => ({
          value,
          label: SPAN_WORDS[value],
        }))}
        onChange={(next) => go({ kind: next, between: null })}
      />
      {isChoosing ? (
        <TwoDaysSheet
          span={span}
          today={today}
          onClose={() => setIsChoosing(false)}
          onChoose={(two) => {
            setIsChoosing(false);
            go({ between: two });
          }}
        />
      ) : null}
      {isSaving ? (
        <SaveSheet
          review={review}
          title={[spanTitle(shown.kind, shown.span, today), habit?.name ?? area?.name ?? ''].filter(Boolean).join(', ')}
          onClose={() => setIsSaving(false)}
        />
      ) : null}
      <InWords kind={shown.kind} review={review} />
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={[styles.stack, isWide && styles.broad]}>
          {pictures}
          {habit === null ? (
            <AreasCard review={review} />
          ) : (
            <CourseCard habit={habit} kind={shown.kind} span={shown.span} />
          )}
          {habit === null ? <GoalsCard areaId={area?.id ?? null} /> : null}
        </View>
        <View style={[styles.stack, isWide && styles.narrow]}>
          {habit === null ? null : <HabitFacts habit={habit} />}
          <PartsCard kind={shown.kind} review={review} />
          <WeekdaysCard review={review} />
          {habit === null ? <RankingCard kind={shown.kind} review={review} /> : null}
        </View>
      </View>
    </Page>
  );
}

/** Any two days to look at what lies between. */
function TwoDaysSheet({
  span,
  today,
  onClose,
  onChoose,
}: {
  span: DaySpan;
  today: PlainDay;
  onClose: () => void;
  onChoose: (span: DaySpan) => void;
}) {
  const [from, setFrom] = useState(formatDay(span.first));
  const [to, setTo] = useState(formatDay(Math.min(span.last, today)));
  const [fault, setFault] = useState<string | undefined>();
  const choose = (): void => {
    const [first, last] = [parseDay(from), parseDay(to)];
    if (first === null || last === null) setFault('Choose both days');
    else if (last < first) setFault('The last day is before the first');
    else onChoose({ first, last });
  };
  return (
    <Sheet title="Between two days" onClose={onClose}>
      <Field label="First day" value={from} onChangeText={setFrom} isDate />
      <Field label="Last day" value={to} onChangeText={setTo} isDate error={fault} />
      <Button kind="main" onPress={choose}>
        Show
      </Button>
    </Sheet>
  );
}

/** The chosen day in words, with the way to it. */
function ChosenDay({ words, day, today }: { words: string | null; day: PlainDay | null; today: PlainDay }) {
  const styles = useStyles();
  const router = useRouter();
  return (
    <View role="status" aria-live="polite" style={styles.chosen}>
      <Words type="label" tone={words === null ? 'quiet' : 'ink'} style={styles.chosenWords}>
        {words ?? 'Choose a day to see its numbers.'}
      </Words>
      {day !== null && day <= today ? (
        <Button kind="bare" onPress={() => router.push(`/today?day=${formatDay(day)}` as never)}>
          Open the day
        </Button>
      ) : null}
    </View>
  );
}

/** The months of a span, latest year first where it has several; a row each. */
function platesOf({ first, last }: DaySpan): PlainMonth[][] {
  const years = new Map<number, PlainMonth[]>();
  for (let month = monthOfDay(first); month <= monthOfDay(last); month++) {
    const year = yearOfDay(monthSpan(month).first);
    years.set(year, [...(years.get(year) ?? []), month]);
  }
  return [...years.values()].reverse();
}

type DaysProps = { span: DaySpan; kind: ReviewSpan };

/** The plates of a span, a year under another, and the chosen day in words. */
function Plates({
  span,
  kind,
  label,
  legend,
  valueOf,
  wordsOf,
}: {
  span: DaySpan;
  kind: ReviewSpan;
  label: string;
  legend: string;
  valueOf: (day: PlainDay) => PlateValue | null;
  wordsOf: (day: PlainDay) => string;
}) {
  const today = useAppSelector(selectToday);
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const { weekStart } = useAppSelector(selectSettings);
  const plates = useMemo(() => platesOf(span), [span]);
  const asWeeks = useMemo(() => (kind === 'month' ? { span, weekStart } : undefined), [kind, span, weekStart]);
  return (
    <>
      {plates.map((months) => (
        <View key={months[0]}>
          {plates.length > 1 ? (
            <Words type="label" tone="quiet" heading={3}>
              {monthYear(months[0]!)}
            </Words>
          ) : null}
          <YearPlate
            months={months}
            asWeeks={asWeeks}
            today={today}
            valueOf={valueOf}
            label={plates.length > 1 ? `${label}, ${monthYear(months[0]!)}` : label}
            chosen={chosen}
            onChoose={setChosen}
          />
        </View>
      ))}
      <PlateLegend words={{ none: 'nothing', all: legend }} />
      <ChosenDay words={chosen === null ? null : wordsOf(chosen)} day={chosen} today={today} />
    </>
  );
}

function AllDays({ span, kind, tracks }: DaysProps & { tracks: readonly Track[] }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const totals = useMemo(() => totalsOf(tracks, span), [tracks, span]);
  const firstDay = tracks.reduce((first, track) => Math.min(first, track.first), today + 1);
  const valueOf = useMemo(() => plateOfAll(totals, firstDay, passMark), [totals, firstDay, passMark]);
  const kept: DaySpan = { first: Math.max(span.first, firstDay), last: Math.min(span.last, today) };
  const { fullDays } = dayCounts(totals, kept, today, passMark);
  const fullWords = `${counted(fullDays, 'full day')} of ${daysIn(kept)}`;
  return (
    <Card style={styles.card} isPicture label="Every day">
      <CardHead title="Every day" aside={fullWords} />
      <Plates
        span={span}
        kind={kind}
        label={`Heat map of ${spanTitle(kind, span, today)}: ${fullWords}`}
        legend="everything asked"
        valueOf={valueOf}
        wordsOf={(day) => dayOfAllWords(totals, day, today, passMark)}
      />
    </Card>
  );
}

function HabitDays({ habit, span, kind }: DaysProps & { habit: Habit }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const track = useAppSelector((state) => selectTrack(state, habit.id));
  const entries = useAppSelector((state) => state.records.entries[habit.id]);
  const amountOn = useCallback((day: PlainDay): number | null => entries?.[formatDay(day)]?.amount ?? null, [entries]);
  const valueOf = useMemo(() => (track === null ? () => null : plateOfHabit(track, amountOn)), [track, amountOn]);
  if (track === null) return null;
  const { kept, asked, rate } = keptOver(track, span);
  const words = `${kept} of ${asked} asked, ${percent(rate)}`;
  const { measure } = habit;
  const amountText = (day: PlainDay): string | null => {
    const value = amountOn(day);
    return value === null || measure.kind === 'check' ? null : amount(value, measure.unit);
  };
  return (
    <Card style={styles.card} isPicture label={habit.name}>
      <CardHead title={habit.name} aside={words} />
      <Plates
        span={span}
        kind={kind}
        label={`Heat map of ${spanTitle(kind, span, today)}, ${habit.name}: ${words}`}
        legend="done"
        valueOf={valueOf}
        wordsOf={(day) => dayOfHabitWords(track, day, amountText(day))}
      />
    </Card>
  );
}

/** Done days added up against the target of the span, beside what the plan asked up to each day. */
function CourseCard({ habit, kind, span }: DaysProps & { habit: Habit }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  const track = useAppSelector((state) => selectTrack(state, habit.id));
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const course = useMemo(() => {
    if (track === null) return null;
    const { target } =
      kind === 'all' || kind === 'days' ? spanFigures(track, span) : logFigures(track, kind, span, passMark);
    return habitCourse(track, span, target);
  }, [track, kind, span, passMark]);
  if (course === null) return null;
  const at = chosen !== null && holdsDay(span, chosen) ? chosen : Math.min(today, span.last);
  const words = `${dateNear(at, today)}: ${counted(course.doneBy(at), 'day')} of ${course.target}, ${Math.round(course.plannedBy(at))} planned by then`;
  return (
    <Card style={styles.card} isPicture label="Added up">
      <CardHead title="Added up" aside={`target ${counted(course.target, 'day')}`} />
      <ProgressPicture
        input={course.input}
        color={dyeColor(colors, dye)}
        label={`Done days of ${habit.name} added up: ${words}. Arrow keys go from day to day.`}
        chosen={chosen}
        onChoose={setChosen}
      />
      <View role="status">
        <Words type="label">{words}</Words>
      </View>
    </Card>
  );
}

function HabitFacts({ habit }: { habit: Habit }) {
  const styles = useStyles();
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const track = useAppSelector((state) => selectTrack(state, habit.id));
  if (track === null) return null;
  return (
    <Card style={styles.card}>
      <Words type="card" heading={2}>
        How it stands
      </Words>
      <Facts facts={[...(hidesStreaks ? [] : streakFacts(track)), ...keptFacts(track)]} />
    </Card>
  );
}

/** Spans that are longer than this show their share per day a month at a time. */
const LONGEST_LINE = 100;

/** Share per day, with the pass mark and the mean of seven days. */
function ShareCard({ kind, span, tracks }: DaysProps & { tracks: readonly Track[] }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const isByMonth = daysIn(span) > LONGEST_LINE;
  const [month, setMonth] = useState(monthOfDay(Math.min(today, span.last)));
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const drawn = useMemo(() => (isByMonth ? monthSpan(month) : span), [isByMonth, month, span]);
  const totals = useMemo(() => totalsOf(tracks, { first: drawn.first - 6, last: drawn.last }), [tracks, drawn]);
  const ratioOf = useCallback(
    (day: PlainDay) => (day > today || day < totals.first ? null : scoreOn(totals, day, passMark).score),
    [totals, today, passMark],
  );
  const { brightDays } = dayCounts(totals, drawn, today, passMark);
  const title = isByMonth ? `${monthAndYear(month)}, share per day` : 'Share per day';
  const shown = chosen !== null && holdsDay(drawn, chosen) ? chosen : null;
  return (
    <Card style={styles.card} isPicture label="Share per day">
      <CardHead
        title={title}
        aside={
          isByMonth ? (
            <View style={styles.arrows}>
              <IconButton
                icon={ChevronLeft}
                label="The month before"
                isDisabled={month <= monthOfDay(span.first)}
                onPress={() => setMonth(month - 1)}
              />
              <IconButton
                icon={ChevronRight}
                label="The month after"
                isDisabled={month >= monthOfDay(span.last)}
                onPress={() => setMonth(month + 1)}
              />
            </View>
          ) : null
        }
      />
      <ShareLine
        span={drawn}
        ratioOf={ratioOf}
        passMark={passMark}
        label={`Share per day of ${isByMonth ? monthAndYear(month) : spanTitle(kind, span, today)}: ${counted(brightDays, 'day')} at the pass mark of ${percent(passMark)}`}
        chosen={shown}
        onChoose={setChosen}
      />
      <Words type="quiet" tone="quiet">
        {counted(brightDays, 'day')} at the pass mark of {percent(passMark)} (dotted). The line is the mean of seven
        days.
      </Words>
      <ChosenDay
        words={shown === null ? null : dayOfAllWords(totals, shown, today, passMark)}
        day={shown}
        today={today}
      />
    </Card>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m, flexWrap: 'wrap' },
  title: { flexShrink: 1 },
  choice: { marginLeft: 'auto', flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 3, minWidth: 0 },
  narrow: { flex: 2, minWidth: 0 },
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row' },
  chosen: { flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: SPACE.s, flexWrap: 'wrap' },
  chosenWords: { flex: 1, minWidth: 180 },
}));
