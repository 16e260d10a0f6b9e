import {
  type AmountLimit,
  type DaySpan,
  type Habit,
  type PlainDay,
  TREND_NEEDS_DAYS,
  type Track,
  amountBetween,
  daysIn,
  formatDay,
  habitCourse,
  holdsDay,
  isActiveIn,
  logFigures,
  monthTargetOf,
  monthOfDay,
  outcomeOn,
  overlaps,
  partsOfSpan,
  runsOf,
  spanFigures,
  streakUnitOn,
  termsOn,
  tidySum,
  trendOf,
} from '@wimbel/core';
import { useCallback, useMemo } from 'react';
import { AmountsPicture } from '../../charts/AmountsPicture.tsx';
import { BarsPicture } from '../../charts/BarsPicture.tsx';
import { ProgressPicture } from '../../charts/ProgressPicture.tsx';
import { RunsPicture } from '../../charts/RunsPicture.tsx';
import { TrendPicture } from '../../charts/TrendPicture.tsx';
import { useMarks } from '../../charts/useMarks.ts';
import { keptFacts, streakFacts } from '../../records/habitFacts.ts';
import { selectHidesStreaks, selectSettings, selectToday } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { amount, amountOf } from '../../shared/amounts.ts';
import { counted, dateNear, monthAndYear, percent, spanInWords, streakLength } from '../../shared/format.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Facts } from '../../ui/Facts.tsx';
import { Words } from '../../ui/Words.tsx';
import { useByMonth } from './ByMonth.tsx';
import { ChartCard } from './ChartCard.tsx';
import { type DaysProps, useAmountOn } from './DayCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { partWords } from './chartWords.ts';

type Props = DaysProps & { track: Track };

/** The colour of a habit's area. */
function useHabitColor(habit: Habit): string {
  const { colors } = useTheme();
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  return dyeColor(colors, dye);
}

/** Done days added up against the target of the span, beside what the plan asked up to each day. */
export function CourseCard({ track, kind, span }: Props) {
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const { habit } = track;
  const color = useHabitColor(habit);
  const choice = useMarks(`${kind} ${span.first} ${span.last}`);
  const course = useMemo(() => {
    const { target } =
      kind === 'all' || kind === 'days' ? spanFigures(track, span) : logFigures(track, kind, span, passMark);
    return habitCourse(track, span, target);
  }, [track, kind, span, passMark]);
  if (course === null) return null;
  const at = choice.at !== null && holdsDay(span, choice.at) ? choice.at : Math.min(today, span.last);
  const words = `${dateNear(at, today)}: ${counted(course.doneBy(at), 'day')} of ${course.target}, ${Math.round(course.plannedBy(at))} planned by then`;
  const ends = partsOfSpan(kind, span, track.weekStart).map((part) => Math.min(part.last, today));
  return (
    <ChartCard
      title="Added up"
      aside={`target ${counted(course.target, 'day')}`}
      figures={{
        columns: [
          { name: 'Up to', is: 'words' },
          { name: 'Done', is: 'number' },
          { name: 'Planned', is: 'number' },
        ],
        rows: [...new Set(ends)]
          .filter((day) => day >= span.first)
          .map((day) => [formatDay(day), course.doneBy(day), Math.round(course.plannedBy(day))]),
      }}
    >
      <ProgressPicture
        input={course.input}
        color={color}
        label={`Done days of ${habit.name} added up: ${words}. Arrow keys go from day to day.`}
        choice={choice}
      />
      <MarkWords choice={choice} words={words} idle="" days={{ first: at, last: at }} />
    </ChartCard>
  );
}

const limitWords = (limit: AmountLimit, unit: string): string =>
  limit === null
    ? 'no threshold'
    : 'atLeast' in limit
      ? `at least ${amount(limit.atLeast, unit)}`
      : `at most ${amount(limit.atMost, unit)}`;

/** Amounts day by day against what a day has to come to; of a long span a month at a time. */
export function AmountsCard({ track, span }: Props) {
  const { habit, today } = track;
  const color = useHabitColor(habit);
  const { drawn, month, arrows } = useByMonth(span, today);
  const choice = useMarks(`${drawn.first} ${drawn.last}`);
  const amountOn = useAmountOn(habit);
  const known = useCallback((day: PlainDay) => (day > today ? null : amountOn(day)), [amountOn, today]);
  const limitOn = useCallback(
    (day: PlainDay): AmountLimit => {
      const { atLeast, atMost } = termsOn(track.terms, day);
      return typeof atLeast === 'number' ? { atLeast } : typeof atMost === 'number' ? { atMost } : null;
    },
    [track],
  );
  const isMetOn = useCallback((day: PlainDay) => outcomeOn(track, day) === 'done', [track]);
  const { measure } = habit;
  if (measure.kind !== 'amount') return null;
  const { unit } = measure;
  const sum = tidySum(amountBetween(track, drawn));
  const inAll = `${amount(sum, unit)} in ${month === null ? 'this span' : monthAndYear(month)}`;
  const days = Array.from({ length: daysIn(drawn) }, (_, index) => drawn.first + index).filter(
    (day) => known(day) !== null,
  );
  const at = choice.at;
  const words =
    at === null || known(at) === null
      ? null
      : `${dateNear(at, today)}: ${amount(known(at)!, unit)}, ${limitWords(limitOn(at), unit)}${isMetOn(at) ? ', done' : ''}`;
  return (
    <ChartCard
      title="Amounts"
      aside={arrows}
      figures={{
        columns: [
          { name: 'Day', is: 'words' },
          { name: 'Amount', is: 'number' },
          { name: 'Threshold', is: 'words' },
          { name: 'Done', is: 'words' },
        ],
        rows: days.map((day) => [
          formatDay(day),
          known(day),
          limitWords(limitOn(day), unit),
          isMetOn(day) ? 'done' : 'not done',
        ]),
      }}
    >
      {days.length === 0 ? (
        <Words type="quiet" tone="quiet">
          No amounts in {month === null ? 'this span' : monthAndYear(month)}.
        </Words>
      ) : (
        <>
          <AmountsPicture
            span={drawn}
            amountOn={known}
            limitOn={limitOn}
            isMetOn={isMetOn}
            color={color}
            label={`Amounts of ${habit.name}: ${inAll}, on ${counted(days.length, 'day')}. Arrow keys go from day to day.`}
            choice={choice}
          />
          <Words type="quiet" tone="quiet">
            {inAll}. The dotted line is the threshold; a full head is a done day.
          </Words>
          <MarkWords
            choice={choice}
            words={words}
            idle="Choose a day to see its amount."
            days={at === null ? null : { first: at, last: at }}
          />
        </>
      )}
    </ChartCard>
  );
}

/** What each part of the span came to in amount, months with their amount target. */
export function AmountPartsCard({ track, span, kind }: Props) {
  const { habit, today } = track;
  const color = useHabitColor(habit);
  const choice = useMarks(`${kind} ${span.first} ${span.last}`);
  const { measure } = habit;
  const parts = useMemo(() => partsOfSpan(kind, span, track.weekStart), [kind, span, track]);
  if (measure.kind !== 'amount' || kind === 'week' || parts.length < 2) return null;
  const { unit } = measure;
  const rows = parts.map((part) => {
    const isThere = part.first <= today && isActiveIn(track, part);
    const sum = isThere ? tidySum(amountBetween(track, part)) : null;
    const target = kind === 'year' ? monthTargetOf(track, monthOfDay(part.first)).amount : null;
    const { label, words } = partWords(kind, { span: part }, today);
    return { part, sum, target, label, words, isRunning: part.first <= today && today < part.last };
  });
  const most = Math.max(...rows.map(({ sum, target }) => Math.max(sum ?? 0, target ?? 0)));
  const all = tidySum(amountBetween(track, span));
  if (!(most > 0)) return null;
  const tell = ({ words, sum, target, isRunning }: (typeof rows)[number]): string =>
    `${words}: ${sum === null ? 'nothing' : target === null ? amount(sum, unit) : amountOf(sum, target, unit)}${isRunning ? ', still running' : ''}`;
  const at = choice.at === null ? undefined : rows[choice.at];
  return (
    <ChartCard
      title="Amounts compared"
      aside={`${amount(all, unit)} in all`}
      figures={{
        columns: [
          { name: 'Part', is: 'words' },
          { name: 'Amount', is: 'number' },
          { name: 'Target', is: 'number' },
        ],
        rows: rows.map(({ words, sum, target }) => [words, sum, target]),
      }}
    >
      <BarsPicture
        label={`Amounts of ${habit.name}: ${amount(all, unit)} in all. Arrow keys go from bar to bar.`}
        bars={rows.map(({ sum, target, label, isRunning }) => ({
          label,
          text: sum === null ? '' : amount(sum, unit),
          value: sum,
          look: isRunning ? 'unfinished' : target !== null && sum !== null && sum >= target ? 'reached' : 'plain',
          color,
          mark: target,
        }))}
        most={most}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={at === undefined ? null : tell(at)}
        idle={
          rows.some(({ target }) => target !== null)
            ? 'The lines are the targets of the months.'
            : 'Choose a bar to see its numbers.'
        }
        days={at?.part ?? null}
      />
    </ChartCard>
  );
}

/** Its runs as arches, with the longest and the one still alive. */
export function RunsCard({ track, span }: Props) {
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const { habit, today } = track;
  const choice = useMarks(`runs ${span.first} ${span.last}`);
  const unit = streakUnitOn(track, today);
  const runs = useMemo(() => runsOf(track, unit).filter((run) => overlaps(run, span)), [track, unit, span]);
  if (hidesStreaks) return null;
  const longest = runs.reduce((most, run) => Math.max(most, run.length), 0);
  const words = (run: (typeof runs)[number]): string =>
    `${streakLength(run.length, unit)}, ${spanInWords(run, today)}${run.isAlive ? ', still alive' : ''}`;
  const at = choice.at === null ? undefined : runs[choice.at];
  return (
    <ChartCard
      title="Runs"
      aside={runs.length === 0 ? undefined : `${counted(runs.length, 'run')}, longest ${streakLength(longest, unit)}`}
      figures={{
        columns: [
          { name: 'From', is: 'words' },
          { name: 'To', is: 'words' },
          { name: unit.charAt(0).toUpperCase() + unit.slice(1), is: 'number' },
        ],
        rows: runs.map((run) => [formatDay(run.first), formatDay(run.last), run.length]),
      }}
    >
      {runs.length === 0 ? (
        <Words type="quiet" tone="quiet">
          No run in this span yet. Two done days in a row begin one.
        </Words>
      ) : (
        <>
          <RunsPicture
            runs={runs}
            span={{ first: Math.max(span.first, track.first), last: Math.min(span.last, today) }}
            label={`Runs of ${habit.name}: ${counted(runs.length, 'run')}, the longest ${streakLength(longest, unit)}. Arrow keys go from run to run.`}
            choice={choice}
          />
          <MarkWords
            choice={choice}
            words={at === undefined ? null : words(at)}
            idle="As wide as it took, as high as it is long; filled while it is alive."
            days={at === undefined ? null : { first: at.first, last: at.first }}
          />
        </>
      )}
    </ChartCard>
  );
}

/** Whether it gets better: the kept rate of four weeks, week after week. */
export function TrendCard({ track, span, kind }: Props) {
  const { passMark } = useAppSelector(selectSettings);
  const { habit, today } = track;
  const color = useHabitColor(habit);
  const choice = useMarks(`trend ${span.first} ${span.last}`);
  // A short span has its trend with the weeks that lead to it.
  const drawn = useMemo((): DaySpan => {
    const last = Math.min(span.last, today);
    return { first: Math.max(track.first, Math.min(span.first, last - LEAST_TREND_DAYS + 1)), last };
  }, [span, track, today]);
  const trend = useMemo(() => trendOf(track, drawn), [track, drawn]);
  const told = trend.filter(({ kept }) => kept.rate !== null);
  const [first, last] = [told[0], told.at(-1)];
  const words = ({ day, kept }: (typeof trend)[number]): string =>
    `Four weeks to ${dateNear(day, today)}: ${kept.kept} of ${kept.asked}, ${percent(kept.rate)}`;
  const at = trend.find(({ day }) => day === choice.at);
  const isShort = kind !== 'all' && drawn.first < span.first;
  return (
    <ChartCard
      title="Trend"
      aside={isShort ? 'twelve weeks, each with the three before' : 'kept in four weeks'}
      figures={{
        columns: [
          { name: 'Four weeks to', is: 'words' },
          { name: 'Kept', is: 'number' },
          { name: 'Asked', is: 'number' },
          { name: 'Rate', is: 'share' },
        ],
        rows: trend.map(({ day, kept }) => [formatDay(day), kept.kept, kept.asked, kept.rate]),
      }}
    >
      {first === undefined || last === undefined || told.length < 2 ? (
        <Words type="quiet" tone="quiet">
          {drawn.last - track.first + 1 < TREND_NEEDS_DAYS + 7
            ? 'A trend needs two weeks of record, and a week to compare with.'
            : 'Too little was asked in this span for a trend.'}
        </Words>
      ) : (
        <>
          <TrendPicture
            trend={trend}
            span={drawn}
            passMark={passMark}
            color={color}
            label={`Trend of ${habit.name}: from ${percent(first.kept.rate)} to ${percent(last.kept.rate)}. Arrow keys go from week to week.`}
            choice={choice}
          />
          <MarkWords
            choice={choice}
            words={words(at ?? last)}
            idle=""
            days={at === undefined ? null : { first: at.day - 27, last: at.day }}
          />
        </>
      )}
    </ChartCard>
  );
}

const LEAST_TREND_DAYS = 84;

export function HabitFacts({ track }: { track: Track }) {
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  return (
    <Card style={{ gap: SPACE.m }} label="How it stands">
      <Words type="card" heading={2}>
        How it stands
      </Words>
      <Facts facts={[...(hidesStreaks ? [] : streakFacts(track)), ...keptFacts(track)]} />
    </Card>
  );
}
