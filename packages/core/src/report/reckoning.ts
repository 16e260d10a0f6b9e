import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, type Weekday, dayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type DayTotals, fullDayRuns, fullnessOn, totalsAfter, totalsOf } from '../day/dayScore.ts';
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
import { type PipsBalance, type PipsSources, pipsBalance } from '../pips/pips.ts';
import { type EntryYears, NO_ENTRIES, changedDays, entryOn, entryYearsOf } from '../record/entryYears.ts';
import type { Entry, Goal, Habit, KeyResult, Records } from '../record/records.ts';
import { type SeasonFigures, seasonFigures, tiedTracks } from '../season/season.ts';
import { type HabitReckoning, reckonHabit } from './habitReckoning.ts';
import { type MonthSummary, dayCounts, monthTogether } from './monthSummary.ts';

/** A person's records with the entries sorted by habit. A habit's entries stay the same object while none of them changes. */
export type Book = Omit<Records, 'entries'> & { entriesOf: (habitId: string) => EntryYears };

/** What the record says of moods, over the whole of it. */
type MoodFigures = {
  months: ReadonlyMap<PlainMonth, MoodMean>;
  feelings: ReadonlyMap<string, FeelingFigures>;
  habits: ReadonlyMap<string, MoodBeside | null>;
};

/** Every figure of a book as of a day, in numbers. */
export type Reckoning = {
  book: Book;
  today: PlainDay;
  habits: HabitReckoning[];
  entries: EntryYears[];
  totals: DayTotals;
  months: { first: PlainMonth; list: MonthSummary[] };
  fullDayStreak: { current: number; longest: number };
  pips: PipsBalance;
  mood: MoodFigures;
  goals: Map<string, GoalFigures>;
  seasons: Map<string, SeasonFigures>;
};

/** Sorts entries into a book. */
export function bookOf(records: Records): Book {
  const byHabit = new Map<string, Entry[]>();
  for (const entry of records.entries) {
    const list = byHabit.get(entry.habitId);
    if (list) list.push(entry);
    else byHabit.set(entry.habitId, [entry]);
  }
  const years = new Map([...byHabit].map(([habitId, entries]) => [habitId, entryYearsOf(entries)]));
  return { ...records, entriesOf: (habitId) => years.get(habitId) ?? NO_ENTRIES };
}

/** A habit's track, made from the one before by what changed in its entries where that is possible. */
export function trackFrom(
  habit: Habit,
  entries: EntryYears,
  today: PlainDay,
  weekStart: Weekday,
  before?: { track: Track; entries: EntryYears },
): Track {
  const { track } = before ?? {};
  if (before && track && track.habit === habit && track.today === today && track.weekStart === weekStart) {
    if (before.entries === entries) return track;
    const changes = changedDays(before.entries, entries).map((day) => ({ day, entry: entryOn(entries, day) }));
    const after = trackAfter(track, changes);
    if (after !== null) return after;
  }
  return buildTrackFromYears(habit, entries, today, weekStart);
}

/** Habits as they are now, each taken over from before where neither it nor its entries changed. */
function reckonHabits(book: Book, entries: readonly EntryYears[], today: PlainDay, base: Reckoning | null) {
  const places = new Map(base?.habits.map((each, index) => [each.track.habit, index]));
  return book.habits.map((habit, index) => {
    const place = places.get(habit);
    const before = place === undefined ? null : { was: base!.habits[place]!, entries: base!.entries[place]! };
    if (before !== null && before.entries === entries[index]) return before.was;
    const track = trackFrom(
      habit,
      entries[index]!,
      today,
      book.settings.weekStart,
      before === null ? undefined : { track: before.was.track, entries: before.entries },
    );
    return reckonHabit(track, before?.was);
  });
}

const tracksIn = (habits: readonly HabitReckoning[]): Track[] => habits.map((each) => each.track);

/**
 * Computes every figure as of `today`. With a `previous` reckoning of the same day and settings only what changed is
 * made anew: the track and periods of the habits whose entries changed, the days and months these moved, and the goals,
 * seasons and moods that go by them.
 */
export function reckon(book: Book, today: PlainDay, previous?: Reckoning): Reckoning {
  const { settings } = book;
  const base = previous?.today === today && previous.book.settings === settings ? previous : null;
  const entries = book.habits.map((habit) => book.entriesOf(habit.id));
  const habits = reckonHabits(book, entries, today, base);
  const tracks = tracksIn(habits);
  const moved = new Set<PlainDay>();
  const known = base === null ? null : totalsAfter(base.totals, tracksIn(base.habits), tracks, moved);
  const totals = known ?? totalsOf(tracks, today);
  const isFullAsBefore =
    known !== null && [...moved].every((day) => fullnessOn(totals, day) === fullnessOn(base!.totals, day));
  const runs = isFullAsBefore ? null : fullDayRuns(totals);
  const rest = { book, today, habits, tracks };
  return {
    book,
    today,
    habits,
    entries,
    totals,
    months: reckonMonths(habits, totals, settings.passMark, known === null ? null : base, moved),
    fullDayStreak:
      runs === null
        ? base!.fullDayStreak
        : { current: aliveRun(runs)?.length ?? 0, longest: longestRun(runs)?.length ?? 0 },
    pips: pipsBalance(pipsSourcesOf(rest)),
    mood: reckonMoods(rest, base),
    goals: reckonGoals(rest, base),
    seasons: reckonSeasons(rest, base),
  };
}

/** What a reckoning's pips are made of. */
export const pipsSourcesOf = ({ book, today, habits }: Pick<Reckoning, 'book' | 'today' | 'habits'>): PipsSources => ({
  habits: habits.map((each) => each.pips),
  milestones: book.milestones,
  claims: book.claims,
  today,
});

type Rest = { book: Book; today: PlainDay; habits: HabitReckoning[]; tracks: Track[] };

function reckonMoods({ book, today, tracks }: Rest, base: Reckoning | null): MoodFigures {
  const isSame = base !== null && base.book.journal === book.journal;
  if (isSame && base.mood.months.size === 0 && base.book.habits === book.habits) return base.mood;
  const moods = moodByDay(book.journal);
  const before = new Map(isSame ? base.habits.map(({ track }) => [track.habit.id, track]) : []);
  return {
    months: isSame ? base.mood.months : moodByMonth(moods, today),
    feelings: isSame ? base.mood.feelings : feelingFigures(book.journal, moods, today),
    habits: new Map(
      tracks.map((track) => {
        const { id } = track.habit;
        if (before.get(id) === track) return [id, base!.mood.habits.get(id) ?? null];
        return [id, moods.size === 0 ? null : moodBeside(track, { first: track.first, last: today }, moods)];
      }),
    ),
  };
}

const GOAL_LISTS = ['goals', 'keyResults', 'checkIns', 'steps', 'milestones'] as const;

function reckonGoals({ book, today, tracks }: Rest, base: Reckoning | null): Map<string, GoalFigures> {
  const isSame = base !== null && GOAL_LISTS.every((name) => base.book[name] === book[name]);
  const byId = new Map(tracks.map((track) => [track.habit.id, track]));
  const before = new Map(isSame ? base.habits.map(({ track }) => [track.habit.id, track]) : []);
  const isMoved = ({ measure }: KeyResult): boolean =>
    'habitId' in measure && before.get(measure.habitId) !== byId.get(measure.habitId);
  return new Map(
    goalRecords(book).map((records) => {
      const { id } = records.goal;
      const figures = isSame && !records.keyResults.some(isMoved) ? base.goals.get(id) : undefined;
      return [id, figures ?? goalFigures(records, (habitId) => byId.get(habitId), today)];
    }),
  );
}

function reckonSeasons({ book, today, tracks }: Rest, base: Reckoning | null): Map<string, SeasonFigures> {
  const isSame =
    base !== null &&
    base.book.seasons === book.seasons &&
    base.book.keyResults === book.keyResults &&
    base.book.habits === book.habits;
  const before = isSame ? tracksIn(base.habits) : [];
  return new Map(
    book.seasons.map((season) => {
      const tied = tiedTracks(season, tracks, book.keyResults);
      const first = dayOf(season.startsOn);
      const span = { first, last: first + season.weeks * 7 - 1 };
      // A habit that did the same in the season's days as before moves nothing in it.
      const isStill = (track: Track): boolean => {
        const was = before[tracks.indexOf(track)];
        return was !== undefined && (was === track || isSameIn(was, track, span));
      };
      const figures = isSame && tied.every(isStill) ? base.seasons.get(season.id) : undefined;
      return [season.id, figures ?? seasonFigures(season, tied, today, book.settings.passMark)];
    }),
  );
}

/** Whether two tracks of the same habit have the same done days in a span. */
function isSameIn(a: Track, b: Track, { first, last }: DaySpan): boolean {
  if (!hasSameActiveDays(a, b)) return false;
  for (let day = Math.max(first, a.first); day <= Math.min(last, a.today); day++)
    if (a.outcomes[day - a.first] !== b.outcomes[day - b.first]) return false;
  return true;
}

/** Months in which a habit may stand differently than before; null where the habits themselves are not the same. */
function movedMonths(habits: readonly HabitReckoning[], base: Reckoning): Set<PlainMonth> | null {
  const moved = new Set<PlainMonth>();
  for (const [index, now] of habits.entries()) {
    const before = base.habits[index]!;
    if (now === before) continue;
    if (now.months !== before.months) return null;
    for (let i = 0; i < now.monthsDone.length; i++)
      if (
        now.monthsDone[i] !== before.monthsDone[i] ||
        now.monthsKept[i] !== before.monthsKept[i] ||
        now.monthsAsked[i] !== before.monthsAsked[i]
      )
        moved.add(now.months.first + i);
  }
  return moved;
}

function reckonMonths(
  habits: readonly HabitReckoning[],
  totals: DayTotals,
  passMark: number,
  base: Reckoning | null,
  movedDays: ReadonlySet<PlainDay>,
): Reckoning['months'] {
  const { first: firstDay, today } = totals;
  const first = monthOfDay(firstDay);
  if (firstDay > today) return { first, list: [] };
  const moved = base === null ? null : movedMonths(habits, base);
  const make = (month: PlainMonth): MonthSummary => ({
    ...monthTogether(habits, month, passMark),
    ...dayCounts(totals, monthSpan(month), passMark),
  });
  if (base === null || moved === null) {
    const months = Array.from({ length: monthOfDay(today) - first + 1 }, (_, index) => first + index);
    return { first, list: months.map(make) };
  }
  const list = [...base.months.list];
  const counted = new Set([...movedDays].map(monthOfDay));
  for (const month of new Set([...moved, ...counted]))
    list[month - first] = moved.has(month)
      ? make(month)
      : { ...list[month - first]!, ...dayCounts(totals, monthSpan(month), passMark) };
  return { first, list };
}

/** The goals of a book, each with what hangs on it, in the order of the file. */
export function goalRecords(
  book: Pick<Records, 'goals' | 'keyResults' | 'checkIns' | 'steps' | 'milestones'>,
): GoalRecords[] {
  return book.goals.map((goal) => recordsOfGoal(book, goal));
}

/** What hangs on one goal. */
export function recordsOfGoal(
  book: Pick<Records, 'keyResults' | 'checkIns' | 'steps' | 'milestones'>,
  goal: Goal,
): GoalRecords {
  const keyResults = book.keyResults.filter((each) => each.goalId === goal.id);
  const ids = new Set(keyResults.map((each) => each.id));
  return {
    goal,
    keyResults,
    checkIns: book.checkIns.filter((each) => ids.has(each.keyResultId)),
    steps: book.steps.filter((each) => each.goalId === goal.id),
    milestones: book.milestones.filter((each) => each.goalId === goal.id),
  };
}
