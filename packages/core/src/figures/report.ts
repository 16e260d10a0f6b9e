import { formatMonth } from '../calendar/month.ts';
import { type PlainDay, formatDay } from '../calendar/plainDay.ts';
import { type DayScore, scoreOn } from '../day/dayScore.ts';
import type { GoalFigures } from '../goal/goalFigures.ts';
import type { KeyResultFigures } from '../goal/keyResult.ts';
import type { Pace } from '../goal/pace.ts';
import type { StepState } from '../goal/steps.ts';
import type { Kept, KeptSpan } from '../habit/kept.ts';
import type { Outcome } from '../habit/outcome.ts';
import type { Recent } from '../habit/recent.ts';
import type { AskKind } from '../habit/schedule.ts';
import type { Figures, MonthFigures } from '../habit/targets.ts';
import type { FeelingFigures, MoodBeside, MoodMean } from '../mood/mood.ts';
import { type PipsOfMonth, pipsByMonth } from '../pips/pips.ts';
import type { DayText, MonthText, Records } from '../record/records.ts';
import type { SeasonFigures } from '../season/season.ts';
import { type HabitFigures, habitMonthFigures, periodFigures } from './habitFigures.ts';
import type { MonthSummary } from './monthSummary.ts';
import { type AccountFigures, accountFigures, accountRecords } from './accountFigures.ts';

/** The figures of a habit. */
export type HabitReport = {
  outcome: Outcome;
  streak: {
    unit: AskKind;
    current: number;
    from: DayText | null;
    longest: number;
    longestFrom: DayText | null;
    longestTo: DayText | null;
  };
  kept: Record<KeptSpan, Kept>;
  weeks: Record<DayText, Figures>;
  months: Record<MonthText, MonthFigures>;
  years: Record<string, Figures>;
  last30: Recent;
  pips: number;
  finishedOn: DayText | null;
};

/** The figures of a key result. */
export type KeyResultReport = {
  current: number | null;
  progress: number;
  expected: number | null;
  pace: Pace | null;
  forecast: DayText | null;
  neededPerWeek: number | null;
  checkpoints: { month: MonthText; target: number; start: number; end: number; growth: number; reached: boolean }[];
};

/** The figures of a goal. */
export type GoalReport = {
  progress: number | null;
  expected: number | null;
  pace: Pace | null;
  daysLeft: number | null;
  keyResults: Record<string, KeyResultReport>;
  steps: Record<string, StepState>;
};

/** The figures of a season. */
export type SeasonReport = {
  weeks: { from: DayText; actual: number; target: number; score: number | null; onTrack: boolean }[];
  score: number | null;
  onTrackWeeks: number;
};

/** Every figure of a data file as of a day, with days and months written out. */
export type Report = {
  today: DayText;
  habits: Record<string, HabitReport>;
  days: Record<DayText, DayScore>;
  months: Record<MonthText, MonthSummary>;
  fullDayStreak: { current: number; longest: number };
  pips: {
    earned: number;
    spent: number;
    balance: number;
    months: Record<MonthText, PipsOfMonth>;
  };
  mood: {
    months: Record<MonthText, MoodMean>;
    feelings: Record<string, FeelingFigures>;
    habits: Record<string, MoodBeside | null>;
  };
  goals: Record<string, GoalReport>;
  seasons: Record<string, SeasonReport>;
};

/** The report of a person's records as of `today`. Independent of the order of records but for the ties that name it. */
export const reportOf = (records: Records, today: PlainDay): Report =>
  writeReport(accountFigures(accountRecords(records), today));

const dayText = (day: PlainDay | null): DayText | null => (day === null ? null : formatDay(day));

const yearText = (year: number): string => String(year).padStart(4, '0');

const byMonth = <V>(months: ReadonlyMap<number, V>): Record<MonthText, V> =>
  Object.fromEntries([...months].map(([month, value]) => [formatMonth(month), value]));

/** Writes an account's figures out as the report. */
export function writeReport(figures: AccountFigures): Report {
  const { today, totals, records, pips, mood } = figures;
  const pipsMonths = pipsByMonth(figures.pipsSources);
  const { passMark } = records.settings;
  const days: Report['days'] = {};
  for (let day = totals.first; day <= today; day++) days[formatDay(day)] = scoreOn(totals, day, passMark);
  return {
    today: formatDay(today),
    habits: Object.fromEntries(
      figures.habits.map((each, index) => [
        each.track.habit.id,
        writeHabit(each, figures.pipsSources.habits[index]!.sum, passMark),
      ]),
    ),
    days,
    months: Object.fromEntries(
      figures.months.list.map((summary, index) => [formatMonth(figures.months.first + index), summary]),
    ),
    fullDayStreak: figures.fullDayStreak,
    pips: { ...pips, months: byMonth(pipsMonths) },
    mood: {
      months: byMonth(mood.months),
      feelings: Object.fromEntries(mood.feelings),
      habits: Object.fromEntries(mood.habits),
    },
    goals: Object.fromEntries([...figures.goals].map(([id, goal]) => [id, writeGoal(goal.figures)])),
    seasons: Object.fromEntries(records.seasons.map(({ id }) => [id, writeSeason(figures.seasonOf(id)!.figures)])),
  };
}

function writeHabit(habit: HabitFigures, pips: number, passMark: number): HabitReport {
  const { outcome, streak, kept, months } = habit;
  return {
    outcome,
    streak: {
      unit: streak.unit,
      current: streak.current,
      from: dayText(streak.from),
      longest: streak.longest,
      longestFrom: dayText(streak.longestFrom),
      longestTo: dayText(streak.longestTo),
    },
    kept,
    weeks: Object.fromEntries(periodFigures(habit, 'weeks').map(({ at, figures }) => [formatDay(at), figures])),
    months: Object.fromEntries(
      Array.from(months.days, (_, index) => months.first + index).map((month) => [
        formatMonth(month),
        habitMonthFigures(habit, month, passMark),
      ]),
    ),
    years: Object.fromEntries(periodFigures(habit, 'years').map(({ at, figures }) => [yearText(at), figures])),
    last30: habit.last30,
    pips,
    finishedOn: dayText(habit.finishedOn),
  };
}

const writeGoal = ({ keyResults, forecast: _, ...figures }: GoalFigures): GoalReport => ({
  ...figures,
  keyResults: Object.fromEntries(Object.entries(keyResults).map(([id, each]) => [id, writeKeyResult(each)])),
});

const writeKeyResult = (figures: KeyResultFigures): KeyResultReport => ({
  current: figures.current,
  progress: figures.progress,
  expected: figures.expected,
  pace: figures.pace,
  forecast: dayText(figures.forecast),
  neededPerWeek: figures.neededPerWeek,
  checkpoints: figures.checkpoints.map((row) => ({ ...row, month: formatMonth(row.month) })),
});

const writeSeason = (figures: SeasonFigures): SeasonReport => ({
  ...figures,
  weeks: figures.weeks.map((week) => ({ ...week, from: formatDay(week.from) })),
});
