import {
  type Area,
  DEFAULT_DAY_MARKS,
  type DayMarkScale,
  type DaySpan,
  type DayTotals,
  type Entry,
  type Goal,
  type Habit,
  type PlainDay,
  type Track,
  buildTrack,
  totalsOf,
} from '@wimbel/core';
import type { RecordsState } from './recordsSlice.ts';
import type { RootState } from './store.ts';

type Ordered = { id: string; order: number };

const byOrder = (a: Ordered, b: Ordered): number => a.order - b.order || (a.id < b.id ? -1 : 1);

/** Remembers the last answer for an input object. */
function memoByObject<I extends object, O>(compute: (input: I) => O): (input: I) => O {
  const answers = new WeakMap<I, { answer: O }>();
  return (input) => {
    const known = answers.get(input);
    if (known) return known.answer;
    const answer = compute(input);
    answers.set(input, { answer });
    return answer;
  };
}

const habitsInOrder = memoByObject((habits: RecordsState['habits']): Habit[] => Object.values(habits).sort(byOrder));
const areasInOrder = memoByObject((areas: RecordsState['areas']): Area[] => Object.values(areas).sort(byOrder));
const goalsInOrder = memoByObject((goals: RecordsState['goals']): Goal[] => Object.values(goals).sort(byOrder));

/** Every habit, archived ones too, in the user's order. */
export const selectHabits = (state: RootState): Habit[] => habitsInOrder(state.records.habits);
export const selectAreas = (state: RootState): Area[] => areasInOrder(state.records.areas);
export const selectGoals = (state: RootState): Goal[] => goalsInOrder(state.records.goals);
export const selectToday = (state: RootState): PlainDay => state.clock.today;
export const selectSettings = (state: RootState) => state.records.settings;

/** Quotes in the order they were written down, unless they are left out. */
export const selectShownQuotes = (state: RootState): RecordsState['quotes'] =>
  state.records.settings.hidden?.includes('quotes') ? NO_QUOTES : state.records.quotes;
const NO_QUOTES: RecordsState['quotes'] = {};

export const selectHidesStreaks = (state: RootState): boolean =>
  state.records.settings.hidden?.includes('streaks') ?? false;

/** The scale of day marks in force: the user's own, else the one that comes with the app. */
export const selectDayMarks = (state: RootState): DayMarkScale => state.records.settings.dayMarks ?? DEFAULT_DAY_MARKS;

export const selectEntry = (state: RootState, habitId: string, day: string): Entry | undefined =>
  state.records.entries[habitId]?.[day];

type KeptTrack = { entries: Record<string, Entry> | undefined; today: PlainDay; weekStart: string; track: Track };

const kept = new WeakMap<Habit, KeptTrack>();

/** A habit laid out by day; rebuilt only when its record, its entries, the day or the week start change. */
export function trackOf(state: RootState, habit: Habit): Track {
  const entries = state.records.entries[habit.id];
  const { today } = state.clock;
  const { weekStart } = state.records.settings;
  const known = kept.get(habit);
  if (known && known.entries === entries && known.today === today && known.weekStart === weekStart) return known.track;
  const track = buildTrack(habit, Object.values(entries ?? {}), today, weekStart);
  kept.set(habit, { entries, today, weekStart, track });
  return track;
}

export const selectTrack = (state: RootState, habitId: string): Track | null => {
  const habit = state.records.habits[habitId];
  return habit ? trackOf(state, habit) : null;
};

let lastTracks: Track[] = [];

/** The tracks of all habits in the user's order; the same list while none of them changed. */
export function selectTracks(state: RootState): Track[] {
  const tracks = selectHabits(state).map((habit) => trackOf(state, habit));
  const isSame = tracks.length === lastTracks.length && tracks.every((track, index) => track === lastTracks[index]);
  if (!isSame) lastTracks = tracks;
  return lastTracks;
}

const totalsByTracks = new WeakMap<Track[], Map<string, DayTotals>>();

/** The day scores' columns over a span, for all habits. */
export function selectTotals(state: RootState, span: DaySpan): DayTotals {
  const tracks = selectTracks(state);
  const known = totalsByTracks.get(tracks) ?? new Map<string, DayTotals>();
  totalsByTracks.set(tracks, known);
  const name = `${span.first} ${span.last}`;
  const totals = known.get(name) ?? totalsOf(tracks, span);
  known.set(name, totals);
  return totals;
}
