import {
  type DaySpan,
  type DayTotals,
  type PeriodKind,
  type PlainDay,
  type Track,
  WEEKDAYS,
  againstPlan,
  againstTarget,
  aliveRun,
  amountsOfHabit,
  countedDays,
  doneOfHabit,
  eachTerms,
  fullDayRuns,
  isActiveIn,
  keptByHabits,
  keptByHabitsOn,
  keptOfHabit,
  keptOnWeekday,
  longestRun,
  meanOfGoals,
  meanOfSeasonWeeks,
  meanOfDoneDays,
  periodOf,
  quotaOfHabit,
  ribbonsOfMonths,
  runOfFullDays,
  runOfHabit,
  scoreOfDay,
  setDaysOf,
  streakUnitOn,
  termsOn,
  togetherInDays,
  togetherInSpan,
  monthOfDay,
  moodByDay,
  moodMeanBeside,
  totalsOf,
} from '@wimbel/core';
import { selectFiguredGoal } from '../../store/goalSelectors.ts';
import { selectSettings, selectTotals, selectTrack, selectTracks } from '../../store/selectors.ts';
import { selectFiguredSeason } from '../../store/seasonSelectors.ts';
import type { RootState } from '../../store/store.ts';
import { counted, dayInWords, monthName, percent, spanInWords, streakLength } from '../format.ts';
import type { FigureQuery } from '../figureQuery.ts';
import { daysName, monthsOf } from '../dayLists.ts';
import { explainGoalFigure } from './explainGoalFigure.ts';
import { type FigureExplanation, type Names, told, unitOf, elapsedSpanText } from './explanation.ts';

/** The explanation of a figure; null where its record is gone. */
export function explainFigure(state: RootState, asked: FigureQuery): FigureExplanation | null {
  if ('goalId' in asked) return explainGoalFigure(state, asked);
  if ('habitId' in asked) return accountOfHabit(state, asked);
  const { today } = state.clock;
  const { passMark, weekStart } = selectSettings(state);
  const names: Names = { today, habitOf: (id) => state.records.habits[id]?.name ?? '' };
  const all = selectTracks(state);
  const over = 'habitIds' in asked && asked.habitIds ? new Set(asked.habitIds) : null;
  const tracks = over === null ? all : all.filter(({ habit }) => over.has(habit.id));
  const totals = (): DayTotals => (over === null ? selectTotals(state) : totalsOf(tracks, today));
  switch (asked.figure) {
    case 'dayScore':
      return told(
        scoreOfDay(tracks, totals(), asked.day),
        [asked.name, dayInWords(asked.day)].filter(Boolean).join(', '),
        'What was due that day, and what of it was done. Habits of so many days a week or month ask together for what an even spread over the days left would be, rounded down.',
        names,
      );
    case 'kept': {
      const days = elapsedSpanText(asked.span, today);
      return told(
        keptByHabits(tracks, asked.span),
        asked.name ?? daysName(asked.span, today),
        `What was asked in ${days}, and how much of it was kept. Each week counts by itself: what is done beyond it makes up for no other. Today counts once it is decided.`,
        names,
      );
    }
    case 'keptOnWeekday':
      return told(
        keptByHabitsOn(tracks, asked.span, asked.weekday),
        asked.name ?? WEEKDAYS[asked.weekday]!,
        `What habits with named days had due on this weekday in ${elapsedSpanText(asked.span, today)}, and how much of it was done.`,
        names,
      );
    case 'together':
      return told(
        togetherInSpan(
          tracks.filter((track) => isActiveIn(track, asked.span)),
          asked.kind,
          asked.span,
        ),
        asked.name ?? daysName(asked.span, today),
        `Days done of the days aimed at in all of ${daysName(asked.span, today)}. No habit counts for more than its own target.`,
        names,
      );
    case 'week':
      return told(
        togetherInDays(
          tracks.filter((track) => isActiveIn(track, asked.days)),
          asked.days,
        ),
        daysName(asked.days, today),
        'Days done of the days planned. No habit counts for more than its own.',
        names,
      );
    case 'fullDays':
    case 'brightDays':
      return told(
        countedDays(totals(), asked.span, passMark, asked.figure),
        asked.name ?? daysName(asked.span, today),
        asked.figure === 'fullDays'
          ? `Days on which everything due was done, ${elapsedSpanText(asked.span, today)}.`
          : `Days on which at least ${percent(passMark)} of what was due was done, full days among them, ${elapsedSpanText(asked.span, today)}.`,
        names,
      );
    case 'ribbons':
      return told(
        ribbonsOfMonths(tracks, monthsOf(asked.span), passMark),
        asked.name ?? daysName(asked.span, today),
        `A habit earns a ribbon for a month in which it reached at least ${percent(passMark)} of its target and was there for seven days or more.`,
        names,
      );
    case 'seasonScore':
    case 'goals':
      return accountOfMean(state, asked, names);
    case 'fullDayRun': {
      const totals = selectTotals(state);
      const runs = fullDayRuns(totals, asked.until);
      const run = asked.which === 'current' ? aliveRun(runs) : longestRun(runs);
      if (run === null) return null;
      return told(
        runOfFullDays(totals, run, weekStart),
        counted(run.length, 'full day'),
        `Full days in a row, ${spanInWords(run, today)}. Days with nothing due are passed over.`,
        names,
      );
    }
  }
}

/** The mean of a season's weeks, or of several goals. */
function accountOfMean(
  state: RootState,
  asked: Extract<FigureQuery, { figure: 'seasonScore' | 'goals' }>,
  names: Names,
): FigureExplanation | null {
  switch (asked.figure) {
    case 'seasonScore': {
      const season = selectFiguredSeason(state, asked.seasonId);
      const mean = season && meanOfSeasonWeeks(season.figures, names.today);
      return (
        mean &&
        told(
          mean,
          season.season.title,
          'The mean of its weeks that are over, each counting the same; weeks that asked nothing are left out.',
          names,
        )
      );
    }
    case 'goals': {
      const goals = asked.goalIds.flatMap((id) => selectFiguredGoal(state, id) ?? []);
      const mean = meanOfGoals(goals.map(({ records: { goal }, figures: { progress } }) => ({ goal, progress })));
      const titles = new Map(goals.map(({ records: { goal } }) => [goal.id, goal.title]));
      return (
        mean &&
        told(
          mean,
          asked.name,
          'How far these goals are on average, each counting the same: reached ones in full, those with nothing to measure as 0 until they are reached. Dropped ones are left out.',
          { ...names, titleOf: (id) => titles.get(id) ?? '' },
        )
      );
    }
  }
}

/** What counts of a habit's done days, in a sentence, by its terms and targets in a span. */
function keptRule(track: Track, span: DaySpan): string {
  const days = { first: Math.max(span.first, track.first), last: Math.min(span.last, track.today) };
  for (let month = monthOfDay(days.first); month <= monthOfDay(days.last); month++) {
    const target = setDaysOf(track, month);
    if (target !== null)
      return `The target of ${monthName(month)}, ${counted(target, 'day')}, is spread over its days; more than that counts no further.`;
  }
  const kinds = new Set<string>();
  eachTerms(track, days, ({ schedule }) => kinds.add(schedule.kind));
  if (kinds.has('perMonth')) return 'Each month counts by itself: more than it asks makes up for no other.';
  if (kinds.has('perWeek')) return 'Each week counts by itself: more than it asks makes up for no other.';
  if (kinds.has('interval'))
    return 'Each week counts by itself, with its part of the days; what is done beyond makes up for no other week.';
  return 'Another day of the same week can stand in for one that was left out.';
}

/** Why a week or month asks what it does: where only some of its days can be chosen from, it asks its part. */
function quotaRule(track: Track, kind: PeriodKind, day: PlainDay, period: string): string {
  const { schedule } = termsOn(track.terms, day);
  const times = 'times' in schedule ? schedule.times : 0;
  const { first, last } = periodOf(track, kind, day);
  const part =
    track.first > first && track.first <= last
      ? ` It began on ${dayInWords(track.first)}, so this first ${period} asks its part.`
      : ' Rest and pauses lower that in proportion.';
  return `Days done of those that this ${period} asks for: ${counted(times, 'day')} a whole ${period}.${part}`;
}

type OfHabit = Extract<FigureQuery, { habitId: string }>;

function accountOfHabit(state: RootState, asked: OfHabit): FigureExplanation | null {
  const track = selectTrack(state, asked.habitId);
  if (track === null) return null;
  const { today, habit } = track;
  const names: Names = { today, habitOf: () => habit.name, write: unitOf(track) };
  switch (asked.figure) {
    case 'habitKept':
      return told(
        keptOfHabit(track, asked.span),
        habit.name,
        `What was asked in ${elapsedSpanText(asked.span, today)}, and how much of it was kept. ${keptRule(track, asked.span)} Today counts once it is decided.`,
        names,
      );
    case 'habitKeptOnWeekday':
      return told(
        keptOnWeekday(track, asked.span, asked.weekday),
        habit.name,
        `What was due on this weekday in ${elapsedSpanText(asked.span, today)}, and how much of it was done.`,
        names,
      );
    case 'habitQuota': {
      const period = asked.kind === 'weeks' ? 'week' : 'month';
      return told(
        quotaOfHabit(track, asked.kind, asked.day),
        habit.name,
        quotaRule(track, asked.kind, asked.day, period),
        names,
      );
    }
    case 'habitTarget':
      return told(
        againstTarget(track, asked.kind, asked.span),
        habit.name,
        `Days done of the days aimed at in all of ${daysName(asked.span, today)}.`,
        names,
      );
    case 'habitPlan':
      return told(
        againstPlan(track, asked.span),
        habit.name,
        `Days done of the days planned in all of ${daysName(asked.span, today)}.`,
        names,
      );
    case 'habitMood': {
      const mood = moodMeanBeside(track, asked.span, moodByDay(Object.values(state.records.journal)), asked.side);
      return (
        mood &&
        told(
          mood,
          `${habit.name}, ${asked.side === 'done' ? 'done days' : 'other days'}`,
          asked.side === 'done'
            ? `The mood, from 1 to 5, on average over its done days in ${elapsedSpanText(asked.span, today)} that have one. What went together, not what caused it.`
            : `The mood, from 1 to 5, on average over the days in ${elapsedSpanText(asked.span, today)} on which it was due and not done. What went together, not what caused it.`,
          names,
        )
      );
    }
    case 'habitRun': {
      const unit = asked.unit ?? streakUnitOn(track, today);
      return told(
        runOfHabit(track, asked.run, unit),
        `${habit.name}: ${streakLength(asked.run.length, unit)} in a row`,
        unit === 'days'
          ? 'Days that were due and done, one after the other. Rest, pauses and days that were not due are passed over.'
          : `${unit === 'weeks' ? 'Weeks' : 'Months'} that did what was due, one after the other. Those with nothing due are passed over.`,
        names,
      );
    }
    case 'habitAmount':
      return told(
        amountsOfHabit(track, asked.span),
        habit.name,
        `Everything recorded in ${elapsedSpanText(asked.span, today)}, whatever the days came to.`,
        names,
      );
    case 'habitDone':
      return told(
        doneOfHabit(track, asked.span),
        habit.name,
        `Days done in ${elapsedSpanText(asked.span, today)}, those that were not due among them.`,
        names,
      );
    case 'habitMean': {
      const mean = meanOfDoneDays(track);
      return mean && told(mean, habit.name, 'What a done day of the last 30 days brought on average.', names);
    }
  }
}
