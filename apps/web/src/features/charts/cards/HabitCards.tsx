import {
  type DaySpan,
  type Habit,
  TREND_NEEDS_DAYS,
  type Track,
  habitCourse,
  holdsDay,
  logFigures,
  monthOfDay,
  overlaps,
  partsOfSpan,
  runsOf,
  setTargetOf,
  spanFigures,
  streakUnitOn,
  trendOf,
  type PlainDay,
} from '@wimbel/core';
import { useMemo } from 'react';
import { outOf } from '../../../text/amounts.ts';
import { ProgressPicture } from '../../../charts/ProgressPicture.tsx';
import { RunsPicture } from '../../../charts/RunsPicture.tsx';
import { TrendPicture } from '../../../charts/TrendPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { keptFacts, streakFacts } from '../../../text/habitFacts.ts';
import { selectHidesStreaks, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { capital, counted, dateNear, percent, spanInWords, streakLength, yearOf } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { Facts } from '../../../components/figure/Facts.tsx';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import type { DaysProps } from './DayCards.tsx';
import { MarkWords } from './MarkWords.tsx';
import { targetAsked } from '../chartedOf.ts';

type Props = DaysProps & { track: Track };

/** The colour of a habit's area. */
export function useHabitColor(habit: Habit): string {
  const { colors } = useTheme();
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  return dyeColor(colors, dye);
}

/** Whether somebody set the target of a span, or of a month in it. */
function isTargetSet({ habit }: Track, kind: DaysProps['kind'], span: DaysProps['span']): boolean {
  if (kind === 'year' && habit.yearTargets?.[yearOf(span.first)]?.days !== undefined) return true;
  if (kind !== 'month' && kind !== 'quarter' && kind !== 'year') return false;
  for (let month = monthOfDay(span.first); month <= monthOfDay(span.last); month++)
    if ((setTargetOf(habit, month)?.days ?? null) !== null) return true;
  return false;
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
  const asked = targetAsked(habit.id, kind, span);
  const isSet = isTargetSet(track, kind, span);
  const at = choice.at !== null && holdsDay(span, choice.at) ? choice.at : Math.min(today, span.last);
  const words = `${dateNear(at, today)}: ${counted(course.doneBy(at), 'day')} of ${course.target}, ${Math.round(course.plannedBy(at))} planned by then`;
  const ends = partsOfSpan(kind, span, track.weekStart).map((part) => Math.min(part.last, today));
  return (
    <ChartCard
      title="Added up"
      aside={isSet ? `target ${counted(course.target, 'day')}` : `${counted(course.target, 'day')} planned`}
      asideAsked={asked}
      legend={[`${words}. Dotted is what was planned.`]}
      figures={() => ({
        columns: [
          { name: 'Up to', is: 'day' },
          { name: 'Done', is: 'number' },
          { name: 'Planned', is: 'number' },
        ],
        rows: [...new Set(ends)]
          .filter((day) => day >= span.first)
          .map((day) => [day, course.doneBy(day), Math.round(course.plannedBy(day))]),
      })}
    >
      <ProgressPicture
        input={course.input}
        color={color}
        label={`Done days of ${habit.name} added up: ${words}. Arrow keys go from day to day.`}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={words}
        idle=""
        days={{ first: at, last: at }}
        asked={{ figure: 'habitDone', habitId: habit.id, span: { first: span.first, last: at } }}
      />
    </ChartCard>
  );
}

const UNIT_WORDS = { days: 'day', weeks: 'week', months: 'month' } as const;

const RUNS_LEGEND = 'As wide as it took, as high as it is long; filled while it is alive.';

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
      legend={[RUNS_LEGEND]}
      aside={runs.length === 0 ? undefined : `${counted(runs.length, 'run')}, longest ${streakLength(longest, unit)}`}
      figures={() => ({
        columns: [
          { name: 'From', is: 'day' },
          { name: 'To', is: 'day' },
          { name: capital(unit), is: 'number' },
        ],
        rows: runs.map((run) => [run.first, run.last, run.length]),
      })}
    >
      {runs.length === 0 ? (
        <Words type="quiet" tone="quiet">
          {`No run in this span yet. The first ${UNIT_WORDS[unit]} that is kept begins one.`}
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
            idle={RUNS_LEGEND}
            days={at === undefined ? null : { first: at.first, last: at.first }}
            asked={at === undefined ? null : { figure: 'habitRun', habitId: habit.id, run: at, unit }}
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
    `Four weeks to ${dateNear(day, today)}: ${outOf(kept.kept, kept.asked)}, ${percent(kept.rate)}`;
  const at = trend.find(({ day }) => day === choice.at);
  const isShort = kind !== 'all' && drawn.first < span.first;
  return (
    <ChartCard
      title="Trend"
      legend={[`What was kept of four weeks, week after week. Dotted is the pass mark, ${percent(passMark)}.`]}
      aside={isShort ? 'twelve weeks, each with the three before' : 'kept in four weeks'}
      figures={() => ({
        columns: [
          { name: 'Four weeks to', is: 'day' },
          { name: 'Kept', is: 'number' },
          { name: 'Due', is: 'number' },
          { name: 'Rate', is: 'share' },
        ],
        rows: trend.map(({ day, kept }) => [day, kept.kept, kept.asked, kept.rate]),
      })}
    >
      {first === undefined || last === undefined || told.length < 2 ? (
        <Words type="quiet" tone="quiet">
          {drawn.last - track.first + 1 < TREND_NEEDS_DAYS + 7
            ? 'A trend needs two weeks of record, and a week to compare with.'
            : 'Too little was due in this span for a trend.'}
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
            days={at === undefined ? null : fourWeeksTo(at.day)}
            asked={{ figure: 'habitKept', habitId: habit.id, span: fourWeeksTo((at ?? last).day) }}
          />
        </>
      )}
    </ChartCard>
  );
}

const LEAST_TREND_DAYS = 84;

const fourWeeksTo = (day: PlainDay): DaySpan => ({ first: day - 27, last: day });

/** How it stands today, or how it stood at the end of a span that is over. */
export function HabitFacts({ track, span }: { track: Track; span: DaySpan }) {
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const until = Math.min(span.last, track.today);
  const title = until === track.today ? 'How it stands' : `How it stood on ${dateNear(until, track.today)}`;
  if (until < track.first) return null;
  return (
    <Card style={{ gap: SPACE.m }} label={title}>
      <Words type="card" heading={2}>
        {title}
      </Words>
      <Facts facts={[...(hidesStreaks ? [] : streakFacts(track, until)), ...keptFacts(track, until)]} />
    </Card>
  );
}
