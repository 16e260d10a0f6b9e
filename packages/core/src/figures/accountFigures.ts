import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, type Weekday, dayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type DayTotals, fullDayRuns, fullnessOn, totalsAfter, totalsOf } from '../day/dayScore.ts';
import { carryingTracks } from '../goal/carrying.ts';
import type { GoalRecords } from '../goal/goalCourse.ts';
import { type GoalFigures, goalFigures } from '../goal/goalFigures.ts';
import { buildTrackFromYears, trackAfter } from '../habit/buildTrack.ts';
import { aliveRun, longestRun } from '../habit/streak.ts';
import { type Track, hasSameActiveDays } from '../habit/track.ts';
import {
  type FeelingFigures,
  type MoodBeside,
  type MoodMean,
  feelingFigures,
  moodBeside,
  moodByDay,
  moodByMonth,
} from '../mood/mood.ts';
import { type PipsBalance, type PipsColumn, type PipsSources, habitPipsByMonth, pipsBalance } from '../pips/pips.ts';
import { type EntryYears, NO_ENTRIES, changedDays, entryOn, entryYearsOf } from '../record/entryYears.ts';
import type { Entry, Habit, JournalPage, Records, Season } from '../record/records.ts';
import { lazy } from '../lazy.ts';
import { type SeasonFigures, seasonFigures, tiedTracks } from '../season/season.ts';
import { type SeasonStanding, seasonStanding } from '../season/seasonSpan.ts';
import { type HabitFigures, habitFiguresFrom } from './habitFigures.ts';
import { type MonthSummary, dayCounts, monthTogether } from './monthSummary.ts';

const GOAL_LISTS = ['goals', 'keyResults', 'checkIns', 'steps', 'milestones'] as const;
type GoalLists = Pick<Records, (typeof GOAL_LISTS)[number]>;

/**
 * What figures are computed from: an account's records, each list in order, with the entries by habit and year. A list, a record
 * and a habit's entries stay the same object while nothing in them changes.
 */
export type AccountRecords = Readonly<
  Pick<Records, (typeof GOAL_LISTS)[number] | 'habits' | 'seasons' | 'journal' | 'claims' | 'settings'>
> & { entriesOf: (habitId: string) => EntryYears };

/** What the record says of moods, over the whole of it. */
export type MoodFigures = {
  months: ReadonlyMap<PlainMonth, MoodMean>;
  feelings: ReadonlyMap<string, FeelingFigures>;
  habits: ReadonlyMap<string, MoodBeside | null>;
};

/** A goal with its records and figures, and the tracks of the habits that are tied to it or counted by its key results. */
export type FiguredGoal = {
  records: GoalRecords;
  carrying: Track[];
  figures: GoalFigures;
  trackOf: (habitId: string) => Track | undefined;
};

/** A season with the tracks its score is over, its figures and how it stands. */
export type FiguredSeason = {
  season: Season;
  tied: readonly Track[];
  passMark: number;
  figures: SeasonFigures;
  standing: SeasonStanding;
  today: PlainDay;
};

/**
 * Every figure of an account as of a day. Each part is computed when it is first read. A part, and each habit, goal and season in
 * it, is the same object as in the figures that these were made from while nothing that it is computed from changed.
 */
export type AccountFigures = {
  readonly records: AccountRecords;
  readonly today: PlainDay;
  /** A habit laid out by day; null for one that is not there. */
  trackOf: (habitId: string) => Track | null;
  readonly tracks: readonly Track[];
  readonly totals: DayTotals;
  readonly habits: readonly HabitFigures[];
  readonly months: { first: PlainMonth; list: readonly MonthSummary[] };
  readonly fullDayStreak: { current: number; longest: number };
  /** What pips are summed from; computed without the other figures of the habits, for the balance on every screen. */
  readonly pipsSources: PipsSources;
  readonly pips: PipsBalance;
  readonly mood: MoodFigures;
  readonly goals: ReadonlyMap<string, FiguredGoal>;
  /** A season; null for one that is not there. */
  seasonOf: (seasonId: string) => FiguredSeason | null;
  /** The figures of the records after a change, or of another day: only what changed is computed anew. */
  next: (records: AccountRecords, today: PlainDay) => AccountFigures;
};

/** Records with their entries sorted by habit and year. */
export function accountRecords(records: Records): AccountRecords {
  const byHabit = new Map<string, Entry[]>();
  for (const entry of records.entries) {
    const list = byHabit.get(entry.habitId);
    if (list) list.push(entry);
    else byHabit.set(entry.habitId, [entry]);
  }
  const years = new Map([...byHabit].map(([habitId, entries]) => [habitId, entryYearsOf(entries)]));
  return { ...records, entriesOf: (habitId) => years.get(habitId) ?? NO_ENTRIES };
}

type KeptTrack = { entries: EntryYears; track: Track };

/** A habit's track, made from the one before by what changed in its entries where that is possible. */
function trackFrom(habit: Habit, entries: EntryYears, today: PlainDay, weekStart: Weekday, before?: KeptTrack): Track {
  if (before && before.track.today === today && before.track.weekStart === weekStart) {
    if (before.entries === entries) return before.track;
    const changes = changedDays(before.entries, entries).map((day) => ({ day, entry: entryOn(entries, day) }));
    const after = trackAfter(before.track, changes);
    if (after !== null) return after;
  }
  return buildTrackFromYears(habit, entries, today, weekStart);
}

/** The parts that are computed once per change, each with what it was computed from. */
type Parts = {
  tracks: readonly Track[];
  totals: { tracks: readonly Track[]; totals: DayTotals; base: DayTotals | null; movedDays: ReadonlySet<PlainDay> };
  habits: readonly HabitFigures[];
  months: { habits: readonly HabitFigures[]; totals: DayTotals; passMark: number; months: AccountFigures['months'] };
  fullDayStreak: { totals: DayTotals; streak: AccountFigures['fullDayStreak'] };
  mood: { tracks: readonly Track[]; journal: readonly JournalPage[]; today: PlainDay; mood: MoodFigures };
  goals: { lists: GoalLists; tracks: readonly Track[]; today: PlainDay; goals: ReadonlyMap<string, FiguredGoal> };
};

/** What figures hand on to those after them: the parts computed last, and what is computed record by record. */
type Computed = {
  parts: Partial<Parts>;
  tracks: WeakMap<Habit, KeptTrack>;
  pips: WeakMap<Track, PipsColumn>;
  seasons: WeakMap<Season, FiguredSeason>;
};

const isSameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, index) => each === b[index]);

/** The figures of an account as of `today`. */
export const accountFigures = (records: AccountRecords, today: PlainDay): AccountFigures =>
  figuresAfter(records, today, { parts: {}, tracks: new WeakMap(), pips: new WeakMap(), seasons: new WeakMap() });

function figuresAfter(records: AccountRecords, today: PlainDay, computed: Computed): AccountFigures {
  const parts = { ...computed.parts };
  /** A part, computed when it is first read from the one computed last. */
  const part = <K extends keyof Parts>(name: K, compute: (before: Parts[K] | undefined) => Parts[K]) =>
    lazy(() => (parts[name] = compute(parts[name] as Parts[K] | undefined)));
  const { passMark, weekStart } = records.settings;

  const trackOfHabit = (habit: Habit): Track => {
    const entries = records.entriesOf(habit.id);
    const known = computed.tracks.get(habit);
    const track = trackFrom(habit, entries, today, weekStart, known);
    if (track !== known?.track || entries !== known.entries) computed.tracks.set(habit, { entries, track });
    return track;
  };
  const habitById = lazy(() => new Map(records.habits.map((habit) => [habit.id, habit])));
  const tracks = part('tracks', (before) => {
    const list = records.habits.map(trackOfHabit);
    return before !== undefined && isSameList(list, before) ? before : list;
  });
  const totals = part('totals', (before) => totalsFrom(tracks(), today, before));
  const habits = part('habits', (before) => {
    const known = new Map(before?.map((each) => [each.track.habit.id, each]));
    const list = tracks().map((track) => habitFiguresFrom(track, known.get(track.habit.id)));
    return before !== undefined && isSameList(list, before) ? before : list;
  });
  const months = part('months', (before) => monthsFrom(habits(), totals(), passMark, before));
  const fullDayStreak = part('fullDayStreak', (before) => streakFrom(totals(), before));
  const pipsOf = (track: Track): PipsColumn => {
    const column = computed.pips.get(track) ?? habitPipsByMonth(track);
    computed.pips.set(track, column);
    return column;
  };
  const pipsSources = lazy((): PipsSources => {
    const { milestones, claims } = records;
    return { habits: tracks().map(pipsOf), milestones, claims, today };
  });
  const pips = lazy(() => pipsBalance(pipsSources()));
  const mood = part('mood', (before) => moodFrom(records.journal, tracks(), today, before));
  const goals = part('goals', (before) => goalsFrom(records, tracks(), today, before));

  const figures: AccountFigures = {
    records,
    today,
    trackOf: (habitId) => {
      const habit = habitById().get(habitId);
      return habit === undefined ? null : trackOfHabit(habit);
    },
    get tracks() {
      return tracks();
    },
    get totals() {
      return totals().totals;
    },
    get habits() {
      return habits();
    },
    get months() {
      return months().months;
    },
    get fullDayStreak() {
      return fullDayStreak().streak;
    },
    get pipsSources() {
      return pipsSources();
    },
    get pips() {
      return pips();
    },
    get mood() {
      return mood().mood;
    },
    get goals() {
      return goals().goals;
    },
    seasonOf: (seasonId) => {
      const season = records.seasons.find(({ id }) => id === seasonId);
      if (season === undefined) return null;
      const known = computed.seasons.get(season);
      const figured = seasonFrom(season, tiedTracks(season, tracks(), records.keyResults), today, passMark, known);
      computed.seasons.set(season, figured);
      return figured;
    },
    next: (after, day) => figuresAfter(after, day, { ...computed, parts }),
  };
  return figures;
}

function totalsFrom(tracks: readonly Track[], today: PlainDay, before: Parts['totals'] | undefined): Parts['totals'] {
  const base = before?.totals.today === today ? before : null;
  if (base?.tracks === tracks) return base;
  const movedDays = new Set<PlainDay>();
  const after = base === null ? null : totalsAfter(base.totals, base.tracks, tracks, movedDays);
  return {
    tracks,
    totals: after ?? totalsOf(tracks, today),
    base: after === null ? null : base!.totals,
    movedDays,
  };
}

/** The longest and the running streak of full days; taken over while no day became full or ceased to be. */
function streakFrom(
  { totals, base, movedDays }: Parts['totals'],
  before: Parts['fullDayStreak'] | undefined,
): Parts['fullDayStreak'] {
  if (before?.totals === totals) return before;
  const isSame =
    before !== undefined &&
    before.totals === base &&
    [...movedDays].every((day) => fullnessOn(totals, day) === fullnessOn(base, day));
  if (isSame) return { totals, streak: before.streak };
  const runs = fullDayRuns(totals);
  return { totals, streak: { current: aliveRun(runs)?.length ?? 0, longest: longestRun(runs)?.length ?? 0 } };
}

function moodFrom(
  journal: readonly JournalPage[],
  tracks: readonly Track[],
  today: PlainDay,
  before: Parts['mood'] | undefined,
): Parts['mood'] {
  const base = before?.journal === journal && before.today === today ? before : null;
  if (base?.tracks === tracks) return base;
  const moods = moodByDay(journal);
  const known = new Map(base?.tracks.map((track) => [track.habit.id, track]));
  const habits = tracks.map((track): [string, MoodBeside | null] => {
    const { id } = track.habit;
    if (known.get(id) === track) return [id, base!.mood.habits.get(id) ?? null];
    return [id, moods.size === 0 ? null : moodBeside(track, { first: track.first, last: today }, moods)];
  });
  return {
    journal,
    tracks,
    today,
    mood: {
      months: base?.mood.months ?? moodByMonth(moods, today),
      feelings: base?.mood.feelings ?? feelingFigures(journal, moods, today),
      habits: new Map(habits),
    },
  };
}

const isSameGoal = (a: GoalRecords, b: GoalRecords): boolean =>
  a.goal === b.goal &&
  isSameList(a.keyResults, b.keyResults) &&
  isSameList(a.checkIns, b.checkIns) &&
  isSameList(a.steps, b.steps) &&
  isSameList(a.milestones, b.milestones);

function goalsFrom(
  lists: GoalLists,
  tracks: readonly Track[],
  today: PlainDay,
  before: Parts['goals'] | undefined,
): Parts['goals'] {
  const base = before?.today === today ? before : null;
  if (base?.tracks === tracks && GOAL_LISTS.every((name) => base.lists[name] === lists[name])) return base;
  const byId = new Map(tracks.map((track) => [track.habit.id, track]));
  const trackOf = (habitId: string): Track | undefined => byId.get(habitId);
  const goals = goalRecords(lists).map((records): [string, FiguredGoal] => {
    const { id } = records.goal;
    const carrying = carryingTracks([id], tracks, records.keyResults);
    const known = base?.goals.get(id);
    const isSame = known && isSameGoal(known.records, records) && isSameList(known.carrying, carrying);
    return [id, isSame ? known : { records, carrying, figures: goalFigures(records, trackOf, today), trackOf }];
  });
  return { lists, tracks, today, goals: new Map(goals) };
}

function seasonFrom(
  season: Season,
  tied: readonly Track[],
  today: PlainDay,
  passMark: number,
  before: FiguredSeason | undefined,
): FiguredSeason {
  const mark = season.passMark ?? passMark;
  const first = dayOf(season.startsOn);
  const span = { first, last: first + season.weeks * 7 - 1 };
  const base =
    before?.today === today && before.passMark === mark && before.tied.length === tied.length ? before : null;
  if (base !== null && isSameList(base.tied, tied)) return base;
  // A habit that did the same in the season's days as before moves nothing in it.
  const isStill = base !== null && tied.every((track, index) => isSameIn(base.tied[index]!, track, span));
  if (isStill) return { ...base, tied };
  const figures = seasonFigures(season, tied, today, mark);
  return { season, tied, passMark: mark, figures, standing: seasonStanding(season, figures, today), today };
}

/** Whether two tracks of the same habit have the same done days in a span. */
function isSameIn(a: Track, b: Track, { first, last }: DaySpan): boolean {
  if (a === b) return true;
  if (a.habit !== b.habit || !hasSameActiveDays(a, b)) return false;
  for (let day = Math.max(first, a.first); day <= Math.min(last, a.today); day++)
    if (a.outcomes[day - a.first] !== b.outcomes[day - b.first]) return false;
  return true;
}

/** Months in which a habit may stand differently than before; null where the habits themselves are not the same. */
function movedMonths(habits: readonly HabitFigures[], before: readonly HabitFigures[]): Set<PlainMonth> | null {
  if (habits.length !== before.length) return null;
  const moved = new Set<PlainMonth>();
  for (const [index, now] of habits.entries()) {
    const was = before[index]!;
    if (now === was) continue;
    if (now.months !== was.months) return null;
    for (let i = 0; i < now.monthsDone.length; i++)
      if (
        now.monthsDone[i] !== was.monthsDone[i] ||
        now.monthsKept[i] !== was.monthsKept[i] ||
        now.monthsAsked[i] !== was.monthsAsked[i]
      )
        moved.add(now.months.first + i);
  }
  return moved;
}

function monthsFrom(
  habits: readonly HabitFigures[],
  { totals, base, movedDays }: Parts['totals'],
  passMark: number,
  before: Parts['months'] | undefined,
): Parts['months'] {
  if (before?.habits === habits && before.totals === totals && before.passMark === passMark) return before;
  const { first: firstDay, today } = totals;
  const first = monthOfDay(firstDay);
  if (firstDay > today) return { habits, totals, passMark, months: { first, list: [] } };
  const make = (month: PlainMonth): MonthSummary => ({
    ...monthTogether(habits, month, passMark),
    ...dayCounts(totals, monthSpan(month), passMark),
  });
  const isAfter = before !== undefined && before.totals === base && before.passMark === passMark;
  const moved = isAfter ? movedMonths(habits, before.habits) : null;
  if (!isAfter || moved === null) {
    const months = Array.from({ length: monthOfDay(today) - first + 1 }, (_, index) => first + index);
    return { habits, totals, passMark, months: { first, list: months.map(make) } };
  }
  const list = [...before.months.list];
  const counted = new Set([...movedDays].map(monthOfDay));
  for (const month of new Set([...moved, ...counted]))
    list[month - first] = moved.has(month)
      ? make(month)
      : { ...list[month - first]!, ...dayCounts(totals, monthSpan(month), passMark) };
  return { habits, totals, passMark, months: { first, list } };
}

/** Key results, check-ins, steps and milestones grouped by goal, in the order of the goals; those of a deleted goal are left out. */
function goalRecords(lists: GoalLists): GoalRecords[] {
  const byGoal = new Map(
    lists.goals.map((goal): [string, Writable<GoalRecords>] => [
      goal.id,
      { goal, keyResults: [], checkIns: [], steps: [], milestones: [] },
    ]),
  );
  const goalOfKeyResult = new Map(lists.keyResults.map(({ id, goalId }) => [id, goalId]));
  for (const each of lists.keyResults) byGoal.get(each.goalId)?.keyResults.push(each);
  for (const each of lists.checkIns) byGoal.get(goalOfKeyResult.get(each.keyResultId) ?? '')?.checkIns.push(each);
  for (const each of lists.steps) byGoal.get(each.goalId)?.steps.push(each);
  for (const each of lists.milestones) byGoal.get(each.goalId)?.milestones.push(each);
  return [...byGoal.values()];
}

type Writable<T> = { [K in keyof T]: T[K] extends readonly (infer Item)[] ? Item[] : T[K] };
