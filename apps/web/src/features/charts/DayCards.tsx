import {
  type DaySpan,
  type Habit,
  type PlainDay,
  type PlainMonth,
  type PlateValue,
  type ReviewSpan,
  type Track,
  dayCounts,
  daysIn,
  formatDay,
  habitCourse,
  holdsDay,
  keptOver,
  logFigures,
  monthOfDay,
  monthSpan,
  scoreOn,
  spanFigures,
  totalsOf,
  yearOfDay,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ProgressPicture } from '../../charts/ProgressPicture.tsx';
import { ShareLine } from '../../charts/ShareLine.tsx';
import { PlateLegend, YearPlate } from '../../charts/YearPlate.tsx';
import { selectSettings, selectToday, selectTrack, selectHidesStreaks } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { amount } from '../../shared/amounts.ts';
import { counted, dateNear, monthAndYear, monthYear, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { keptFacts, streakFacts } from '../../records/habitFacts.ts';
import { Facts } from '../../ui/Facts.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { spanTitle } from './chartWords.ts';
import { dayOfAllWords, dayOfHabitWords, plateOfAll, plateOfHabit } from './chartValues.ts';

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

export function AllDays({ span, kind, tracks }: DaysProps & { tracks: readonly Track[] }) {
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

export function HabitDays({ habit, span, kind }: DaysProps & { habit: Habit }) {
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
export function CourseCard({ habit, kind, span }: DaysProps & { habit: Habit }) {
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

export function HabitFacts({ habit }: { habit: Habit }) {
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
export function ShareCard({ kind, span, tracks }: DaysProps & { tracks: readonly Track[] }) {
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
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row' },
  chosen: { flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: SPACE.s, flexWrap: 'wrap' },
  chosenWords: { flex: 1, minWidth: 180 },
}));
