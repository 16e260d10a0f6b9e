import {
  type DaySpan,
  type Habit,
  type PlainDay,
  daysIn,
  formatDay,
  formatMonth,
  keptOver,
  monthOfDay,
  monthSpan,
  parseMonth,
  scoreOn,
  yearOfDay,
  yearSpan,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { ShareLine } from '../../charts/ShareLine.tsx';
import { PlateLegend, YearPlate } from '../../charts/YearPlate.tsx';
import {
  selectHabits,
  selectSettings,
  selectToday,
  selectTotals,
  selectTrack,
  selectTracks,
  selectHidesStreaks,
} from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { amount } from '../../shared/amounts.ts';
import { counted, monthName, monthYear, percent } from '../../shared/format.ts';
import { keepFocus, useKeptFocus } from '../../shared/keptFocus.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { keptFacts, streakFacts } from '../../records/habitFacts.ts';
import { Facts } from '../../ui/Facts.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { HabitChoice } from './HabitChoice.tsx';
import { dayOfAllWords, dayOfHabitWords, plateOfAll, plateOfHabit } from './chartValues.ts';

type Params = { year?: string; month?: string; habit?: string };

export function ChartsScreen() {
  useKeptFocus();
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<Params>();
  const today = useAppSelector(selectToday);
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const habit = useAppSelector((state) => state.records.habits[params.habit ?? ''] ?? null);
  const year = /^\d{4}$/.test(params.year ?? '') ? Number(params.year) : yearOfDay(today);
  const isThisYear = year === yearOfDay(today);
  const month = parseMonth(params.month ?? '') ?? (isThisYear ? monthOfDay(today) : monthOfDay(yearSpan(year).first));
  const go = (to: { year: number; month?: number; habitId: string | null }): void => {
    const words = [
      to.year === yearOfDay(today) ? '' : `year=${to.year}`,
      to.month === undefined ? '' : `month=${formatMonth(to.month)}`,
      to.habitId === null ? '' : `habit=${encodeURIComponent(to.habitId)}`,
    ].filter(Boolean);
    keepFocus();
    router.push(`/charts${words.length > 0 ? `?${words.join('&')}` : ''}` as never);
  };
  const habitId = habit?.id ?? null;
  if (!hasHabits) {
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
  return (
    <Page>
      <View style={styles.head}>
        <IconButton icon={ChevronLeft} label="The year before" onPress={() => go({ year: year - 1, habitId })} />
        <Words type="title" heading={1}>
          {year}
        </Words>
        <IconButton icon={ChevronRight} label="The year after" onPress={() => go({ year: year + 1, habitId })} />
        {isThisYear ? null : <Button onPress={() => go({ year: yearOfDay(today), habitId })}>This year</Button>}
        <View style={styles.choice}>
          <HabitChoice habit={habit} onChange={(chosen) => go({ year, habitId: chosen })} />
        </View>
      </View>
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={isWide ? styles.broad : undefined}>
          {habit === null ? <AllYear year={year} /> : <HabitYear habit={habit} year={year} />}
        </View>
        <View style={isWide ? styles.narrow : undefined}>
          {habit === null ? (
            <MonthLine
              month={month}
              onGo={(to) => go({ year: Number(formatMonth(to).slice(0, 4)), month: to, habitId })}
            />
          ) : (
            <HabitFacts habit={habit} />
          )}
        </View>
      </View>
    </Page>
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

function AllYear({ year }: { year: number }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const tracks = useAppSelector(selectTracks);
  const span = useMemo(() => yearSpan(year), [year]);
  const totals = useAppSelector((state) => selectTotals(state, span));
  const firstDay = tracks.reduce((first, track) => Math.min(first, track.first), today + 1);
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const valueOf = useMemo(() => plateOfAll(totals, firstDay, passMark), [totals, firstDay, passMark]);
  const kept: DaySpan = { first: Math.max(span.first, firstDay), last: Math.min(span.last, today) };
  const full = Array.from({ length: daysIn(kept) }, (_, index) => kept.first + index).filter(
    (day) => scoreOn(totals, day, passMark).full,
  ).length;
  const fullWords = `${counted(full, 'full day')} of ${daysIn(kept)}`;
  return (
    <Card style={styles.card}>
      <CardHead title="Every day" aside={fullWords} />
      <YearPlate
        year={year}
        today={today}
        valueOf={valueOf}
        label={`Heat map of ${year}: ${fullWords}`}
        chosen={chosen}
        onChoose={setChosen}
      />
      <PlateLegend words={{ none: 'nothing', all: 'everything asked' }} />
      <ChosenDay
        words={chosen === null ? null : dayOfAllWords(totals, chosen, today, passMark)}
        day={chosen}
        today={today}
      />
    </Card>
  );
}

function HabitYear({ habit, year }: { habit: Habit; year: number }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const track = useAppSelector((state) => selectTrack(state, habit.id));
  const entries = useAppSelector((state) => state.records.entries[habit.id]);
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const amountOn = useCallback((day: PlainDay): number | null => entries?.[formatDay(day)]?.amount ?? null, [entries]);
  const valueOf = useMemo(() => (track === null ? () => null : plateOfHabit(track, amountOn)), [track, amountOn]);
  if (track === null) return null;
  const { kept, asked, rate } = keptOver(track, yearSpan(year));
  const words = `${kept} of ${asked} asked, ${percent(rate)}`;
  const { measure } = habit;
  const value = chosen === null ? null : amountOn(chosen);
  const amountText = value === null || measure.kind === 'check' ? null : amount(value, measure.unit);
  return (
    <Card style={styles.card}>
      <CardHead title={habit.name} aside={words} />
      <YearPlate
        year={year}
        today={today}
        valueOf={valueOf}
        label={`Heat map of ${year}, ${habit.name}: ${words}`}
        chosen={chosen}
        onChoose={setChosen}
      />
      <PlateLegend words={{ none: 'nothing', all: 'done' }} />
      <ChosenDay
        words={chosen === null ? null : dayOfHabitWords(track, chosen, amountText)}
        day={chosen}
        today={today}
      />
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

function MonthLine({ month, onGo }: { month: number; onGo: (month: number) => void }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const span = useMemo(() => monthSpan(month), [month]);
  const totals = useAppSelector((state) => selectTotals(state, span));
  const [chosen, setChosen] = useState<PlainDay | null>(null);
  const ratioOf = useCallback(
    (day: PlainDay) => (day > today ? null : scoreOn(totals, day, passMark).score),
    [totals, today, passMark],
  );
  const bright = Array.from({ length: daysIn(span) }, (_, index) => span.first + index).filter(
    (day) => day <= today && scoreOn(totals, day, passMark).bright,
  ).length;
  const isNear = month <= monthOfDay(today) && monthOfDay(today) - month < 12;
  const title = `${monthName(month)}${isNear ? '' : ` ${monthYear(month)}`}, share per day`;
  const shown = chosen !== null && chosen >= span.first && chosen <= span.last ? chosen : null;
  return (
    <Card style={styles.card}>
      <CardHead
        title={title}
        aside={
          <View style={styles.arrows}>
            <IconButton icon={ChevronLeft} label="The month before" onPress={() => onGo(month - 1)} />
            <IconButton icon={ChevronRight} label="The month after" onPress={() => onGo(month + 1)} />
          </View>
        }
      />
      <ShareLine
        span={span}
        ratioOf={ratioOf}
        passMark={passMark}
        label={`Share per day in ${monthName(month)}: ${counted(bright, 'day')} at the pass mark of ${percent(passMark)}`}
        chosen={shown}
        onChoose={setChosen}
      />
      <Words type="quiet" tone="quiet">
        {counted(bright, 'day')} at the pass mark of {percent(passMark)} (dotted)
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
  choice: { marginLeft: 'auto' },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 3, minWidth: 0 },
  narrow: { flex: 2, minWidth: 0 },
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row' },
  chosen: { flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: SPACE.s, flexWrap: 'wrap' },
  chosenWords: { flex: 1, minWidth: 180 },
  fact: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.l },
  factValue: { textAlign: 'right', flexShrink: 1 },
}));
