import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { type DayTotals, fullDayRuns, totalsOf } from '../day/dayScore.ts';
import type { GoalRecords } from '../goal/goalCourse.ts';
import { type GoalFigures, goalFigures } from '../goal/goalFigures.ts';
import { aliveRun, longestRun } from '../habit/streak.ts';
import type { Figures } from '../habit/targets.ts';
import { buildTrack } from '../habit/track.ts';
import { type PipsBalance, pipsBalance } from '../pips/pips.ts';
import type { Entry, Goal, Records } from '../record/records.ts';
import { type SeasonFigures, seasonFigures } from '../season/season.ts';
import { type HabitReckoning, reckonHabit } from './habitReckoning.ts';
import { type MonthSummary, dayCounts, monthTogether } from './monthSummary.ts';

/** A person's records with the entries sorted by habit. A habit's list keeps its identity while nothing in it changes. */
export type Book = Omit<Records, 'entries'> & { entriesOf: (habitId: string) => readonly Entry[] };

/** Every figure of a book as of a day, in numbers. */
export type Reckoning = {
  today: PlainDay;
  settings: Records['settings'];
  habits: HabitReckoning[];
  entries: (readonly Entry[])[];
  totals: DayTotals;
  months: { first: PlainMonth; list: MonthSummary[] };
  fullDayStreak: { current: number; longest: number };
  pips: PipsBalance;
  goals: Map<string, GoalFigures>;
  seasons: Map<string, SeasonFigures>;
};

/** Sorts entries into a book; the order within a habit is that of the file. */
export function bookOf(records: Records): Book {
  const byHabit = new Map<string, Entry[]>();
  for (const entry of records.entries) {
    const list = byHabit.get(entry.habitId);
    if (list) list.push(entry);
    else byHabit.set(entry.habitId, [entry]);
  }
  const none: Entry[] = [];
  return { ...records, entriesOf: (habitId) => byHabit.get(habitId) ?? none };
}

/**
 * Computes every figure as of `today`. With a `previous` reckoning of the same day and settings, habits whose record and
 * entries are still the same objects are taken over, and months in which no habit's figures moved with them.
 */
export function reckon(book: Book, today: PlainDay, previous?: Reckoning): Reckoning {
  const { settings } = book;
  const base = previous?.today === today && previous.settings === settings ? previous : undefined;
  const kept = new Map(base?.habits.map((each, index) => [each.track.habit, index]));
  const entries = book.habits.map((habit) => book.entriesOf(habit.id));
  const habits = book.habits.map((habit, index) => {
    const place = kept.get(habit);
    if (base !== undefined && place !== undefined && base.entries[place] === entries[index]) return base.habits[place]!;
    return reckonHabit(buildTrack(habit, entries[index]!, today, settings.weekStart), settings.passMark);
  });
  const tracks = habits.map((each) => each.track);
  const started = tracks.map((track) => track.first).filter((first) => first <= today);
  const first = started.reduce((a, b) => Math.min(a, b), today + 1);
  const totals = totalsOf(tracks, { first, last: today });
  const runs = fullDayRuns(totals, today);
  const byId = new Map(tracks.map((track) => [track.habit.id, track]));
  return {
    today,
    settings,
    habits,
    entries,
    totals,
    months: reckonMonths(habits, totals, today, settings.passMark, base),
    fullDayStreak: { current: aliveRun(runs)?.length ?? 0, longest: longestRun(runs)?.length ?? 0 },
    pips: pipsBalance(
      habits.map((each) => each.pips),
      book.milestones,
      book.claims,
      today,
    ),
    goals: new Map(
      goalRecords(book).map((records) => [records.goal.id, goalFigures(records, (id) => byId.get(id), today)]),
    ),
    seasons: new Map(
      book.seasons.map((season) => [
        season.id,
        seasonFigures(season, tracks, book.keyResults, today, settings.passMark),
      ]),
    ),
  };
}

const sameFigures = (a: Figures | undefined, b: Figures | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && a.actual === b.actual && a.target === b.target);

/** Months in which a habit may stand differently than before; null where the habits themselves are not the same. */
function movedMonths(habits: readonly HabitReckoning[], base: Reckoning): Set<PlainMonth> | null {
  if (habits.length !== base.habits.length) return null;
  const moved = new Set<PlainMonth>();
  for (const [index, now] of habits.entries()) {
    const before = base.habits[index]!;
    if (now === before) continue;
    if (now.track.habit !== before.track.habit || now.track.first !== before.track.first) return null;
    if (now.track.last !== before.track.last) return null;
    now.months.list.forEach((figures, i) => {
      if (!sameFigures(figures, before.months.list[i])) moved.add(now.months.first + i);
    });
  }
  return moved;
}

function reckonMonths(
  habits: readonly HabitReckoning[],
  totals: DayTotals,
  today: PlainDay,
  passMark: number,
  base: Reckoning | undefined,
): Reckoning['months'] {
  const first = monthOfDay(totals.first);
  const list: MonthSummary[] = [];
  if (totals.first > today) return { first, list };
  const moved = base !== undefined && base.totals.first === totals.first ? movedMonths(habits, base) : null;
  for (let month = first; month <= monthOfDay(today); month++) {
    const before = moved === null || moved.has(month) ? undefined : base?.months.list[month - first];
    const counts = dayCounts(totals, monthSpan(month), today, passMark);
    if (before && before.fullDays === counts.fullDays && before.brightDays === counts.brightDays) list.push(before);
    else list.push({ ...(before ?? monthTogether(habits, month, passMark)), ...counts });
  }
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
