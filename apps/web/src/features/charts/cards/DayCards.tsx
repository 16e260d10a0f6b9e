import {
  type DaySpan,
  type DayTotals,
  type Habit,
  type PlainDay,
  type PlainMonth,
  type PlateValue,
  type ReviewSpan,
  type Track,
  dayCounts,
  daysIn,
  keptOver,
  monthOfDay,
  monthSpan,
  daysCompared,
  totalsOf,
  yearOfDay,
  entryOn,
} from '@wimbel/core';
import { useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { DaysPlate } from '../../../charts/DaysPlate.tsx';
import { PlateLegend } from '../../../charts/PlateMarks.tsx';
import { YearRingPicture } from '../../../charts/YearRingPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectSettings, selectToday, selectEntries } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { amount, outOf } from '../../../text/amounts.ts';
import { counted, monthYear, percent, yearOf } from '../../../text/format.ts';
import type { Figures } from '../../../charts/FiguresTable.tsx';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { daysFigures, habitDaysFigures } from './chartFigures.ts';
import { dayOfAllWords, dayOfHabitWords, plateOfAll, plateOfHabit } from './chartValues.ts';
import { weekdayTitle } from '../chartWords.ts';
import { beforeWords, spanTitle } from '../../../text/spanText.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { type ChartedOf, overThese } from '../chartedOf.ts';
import { fullDaysAimedAt } from '../../../text/fullDaysAimed.ts';

/** The months of a span, latest year first where it has several; a row each. */
function platesOf({ first, last }: DaySpan): PlainMonth[][] {
  const years = new Map<number, PlainMonth[]>();
  for (let month = monthOfDay(first); month <= monthOfDay(last); month++) {
    const year = yearOfDay(monthSpan(month).first);
    years.set(year, [...(years.get(year) ?? []), month]);
  }
  return [...years.values()].reverse();
}

export type DaysProps = { span: DaySpan; kind: ReviewSpan };

/** Input of a heat map: a value for each day, and its text. */
type Days = {
  valueOf: (day: PlainDay) => PlateValue | null;
  wordsOf: (day: PlainDay) => string;
  /** What a full mark means. */
  legend: string;
  /** Accessible name: subject and result. */
  summary: string;
  /** The figure of a day, and that of all days. */
  askedOn: (day: PlainDay) => FigureQuery | null;
  asked: FigureQuery;
  figures: () => Figures;
};

const ONE_DAY = 'Choose a day to see its numbers.';

const dayOnly = (day: PlainDay | null): DaySpan | null => (day === null ? null : { first: day, last: day });

/** The heat map of a span: a calendar for a month, else a plate, one under another for several years. */
function DaysCard({ title, aside, span, kind, days }: DaysProps & { title: string; aside: string; days: Days }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const choice = useMarks(`${kind} ${span.first} ${span.last}`);
  const plates = useMemo(() => platesOf(span), [span]);
  const asWeeks = useMemo(() => (kind === 'month' ? { span, weekStart } : undefined), [kind, span, weekStart]);
  return (
    <ChartCard title={title} aside={aside} asideAsked={days.asked} figures={days.figures}>
      {plates.map((months) => (
        <View key={months[0]}>
          {plates.length > 1 ? (
            <Words type="label" tone="quiet" heading={3}>
              {monthYear(months[0]!)}
            </Words>
          ) : null}
          <DaysPlate
            months={months}
            asWeeks={asWeeks}
            today={today}
            valueOf={days.valueOf}
            label={plates.length > 1 ? `${days.summary}, ${monthYear(months[0]!)}` : days.summary}
            choice={choice}
          />
        </View>
      ))}
      <PlateLegend words={{ none: 'nothing', all: days.legend }} />
      <MarkWords
        choice={choice}
        words={choice.at === null ? null : days.wordsOf(choice.at)}
        idle={ONE_DAY}
        days={dayOnly(choice.at)}
        asked={choice.at === null ? null : days.askedOn(choice.at)}
      />
    </ChartCard>
  );
}

/** The year as a ring. */
function RingCard({ span, days, rate }: { span: DaySpan; days: Days; rate: number | null }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const choice = useMarks(`ring ${span.first}`);
  const tracks = `weekdays as tracks, ${weekdayTitle(weekStart)} inside`;
  return (
    <ChartCard
      title="The year as a ring"
      aside={tracks}
      figures={days.figures}
      legend={[`A spoke is a week; ${tracks}. The larger and darker, the more was done; a pale dot is ${days.legend}.`]}
    >
      <YearRingPicture
        year={yearOfDay(span.first)}
        weekStart={weekStart}
        today={today}
        valueOf={days.valueOf}
        label={`The year as a ring. ${days.summary}`}
        middle={{ figure: percent(rate), words: `kept in ${yearOf(span.first)}` }}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={choice.at === null ? null : days.wordsOf(choice.at)}
        idle={ONE_DAY}
        days={dayOnly(choice.at)}
        asked={choice.at === null ? null : days.askedOn(choice.at)}
      />
    </ChartCard>
  );
}

export type OfMany = DaysProps & Omit<ChartedOf, 'habitId'>;

/** The days of several habits, with their totals. */
function useAllDays({ span, kind, tracks, name }: OfMany) {
  const today = useAppSelector(selectToday);
  const { passMark, weekStart, fullDayTarget } = useAppSelector(selectSettings);
  return useMemo(() => {
    const totals: DayTotals = totalsOf(tracks, today);
    const firstDay = tracks.reduce((first, track) => Math.min(first, track.first), today + 1);
    const until = (days: DaySpan): DaySpan => ({
      first: Math.max(days.first, firstDay),
      last: Math.min(days.last, today),
    });
    const kept = until(span);
    const { fullDays } = dayCounts(totals, kept, passMark);
    const { compared, isByNow } = daysCompared(kind, span, weekStart, today);
    const past = compared === null ? null : until(compared);
    const fullBefore = past === null || past.last < past.first ? null : dayCounts(totals, past, passMark).fullDays;
    const asked = Math.max(0, daysIn(kept));
    const aim = name === null ? fullDaysAimedAt(kind, fullDayTarget) : undefined;
    const full = `${counted(fullDays, 'full day')} of ${aim === undefined ? asked : `${aim} aimed at`}`;
    const days: Days = {
      valueOf: plateOfAll(totals, firstDay, passMark),
      wordsOf: (day) => dayOfAllWords(totals, day, today, passMark),
      legend: 'everything due done',
      summary: `Heat map of ${spanTitle(kind, span, today)}: ${full}`,
      askedOn: (day) => (day > today ? null : { figure: 'dayScore', day, ...overThese({ tracks, name }) }),
      asked: { figure: 'fullDays', span, ...overThese({ tracks, name }) },
      figures: () => daysFigures(totals, kept, passMark),
    };
    return { days, aside: fullBefore === null ? full : `${full}, ${beforeWords(kind, isByNow)} ${fullBefore}` };
  }, [span, kind, tracks, name, today, passMark, weekStart, fullDayTarget]);
}

export function AllDays(props: OfMany) {
  const { days, aside } = useAllDays(props);
  return <DaysCard title="Every day" aside={aside} span={props.span} kind={props.kind} days={days} />;
}

export function AllDaysRing({ rate, ...props }: OfMany & { rate: number | null }) {
  const { days } = useAllDays(props);
  return <RingCard span={props.span} days={days} rate={rate} />;
}

/** An amount of a habit by day; null without one. */
export function useAmountOn(habit: Habit): (day: PlainDay) => number | null {
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  return useCallback((day: PlainDay): number | null => entryOn(entries, day)?.amount ?? null, [entries]);
}

function useHabitDays({ track, span, kind }: DaysProps & { track: Track }) {
  const { habit, today } = track;
  const { weekStart } = useAppSelector(selectSettings);
  const amountOn = useAmountOn(habit);
  return useMemo(() => {
    const { measure } = habit;
    const { kept, asked, rate } = keptOver(track, span);
    const words = `${outOf(kept, asked)} due, ${percent(rate)}`;
    const { compared, isByNow } = daysCompared(kind, span, weekStart, today);
    const past = compared === null ? null : keptOver(track, compared).rate;
    const amountText = (day: PlainDay): string | null => {
      const value = amountOn(day);
      return value === null || measure.kind === 'check' ? null : amount(value, measure.unit);
    };
    const days: Days = {
      valueOf: plateOfHabit(track, amountOn),
      wordsOf: (day) => dayOfHabitWords(track, day, amountText(day)),
      legend: 'done',
      summary: `Heat map of ${spanTitle(kind, span, today)}, ${habit.name}: ${words}`,
      askedOn: () => null,
      asked: { figure: 'habitKept', habitId: habit.id, span },
      figures: () => habitDaysFigures(track, span, measure.kind === 'check' ? null : amountOn),
    };
    return { days, rate, aside: past === null ? words : `${words}; ${beforeWords(kind, isByNow)} ${percent(past)}` };
  }, [habit, track, span, kind, amountOn, today, weekStart]);
}

export function HabitDays(props: DaysProps & { track: Track }) {
  const { days, aside } = useHabitDays(props);
  return <DaysCard title={props.track.habit.name} aside={aside} span={props.span} kind={props.kind} days={days} />;
}

export function HabitDaysRing(props: DaysProps & { track: Track }) {
  const { days, rate } = useHabitDays(props);
  return <RingCard span={props.span} days={days} rate={rate} />;
}
