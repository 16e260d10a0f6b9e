import {
  type Area,
  DEFAULT_DAY_MARKS,
  type DayMarkScale,
  type DayTotals,
  type Entry,
  type EntryYears,
  type Goal,
  type Habit,
  type Hideable,
  type JournalPage,
  type KeyResult,
  NO_ENTRIES,
  type PlainDay,
  type Prompt,
  type Review,
  type Track,
  dayOf,
  entryOn,
  totalsAfter,
  totalsOf,
  trackFrom,
  compareByOrder,
} from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';
import type { RootState } from './store.ts';

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

const habitsInOrder = memoByObject((habits: RecordsState['habits']): Habit[] =>
  Object.values(habits).sort(compareByOrder),
);
const areasInOrder = memoByObject((areas: RecordsState['areas']): Area[] => Object.values(areas).sort(compareByOrder));
const goalsInOrder = memoByObject((goals: RecordsState['goals']): Goal[] => Object.values(goals).sort(compareByOrder));

const allPages = memoByObject((each: RecordsState['journal']): JournalPage[] => Object.values(each));
const promptsInOrder = memoByObject((each: RecordsState['prompts']): Prompt[] =>
  Object.values(each).sort(compareByOrder),
);
const allReviews = memoByObject((each: RecordsState['reviews']): Review[] => Object.values(each));
const allKeyResults = memoByObject((each: RecordsState['keyResults']): KeyResult[] => Object.values(each));

/** Every habit, archived ones too, in the user's order. */
export const selectHabits = (state: RootState): Habit[] => habitsInOrder(state.records.habits);
export const selectAreas = (state: RootState): Area[] => areasInOrder(state.records.areas);
export const selectGoals = (state: RootState): Goal[] => goalsInOrder(state.records.goals);
export const selectKeyResults = (state: RootState): KeyResult[] => allKeyResults(state.records.keyResults);
/** Every page of the journal. */
export const selectJournal = (state: RootState): JournalPage[] => allPages(state.records.journal);
/** Every look back, those of seasons too. */
export const selectReviews = (state: RootState): Review[] => allReviews(state.records.reviews);
/** Every prompt, retired ones too, in the person’s order. */
export const selectPrompts = (state: RootState): Prompt[] => promptsInOrder(state.records.prompts);
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
  entryOn(state.records.entries[habitId] ?? NO_ENTRIES, dayOf(day)) ?? undefined;

/** The entries of a habit, by year. */
export const selectEntries = (state: RootState, habitId: string): EntryYears =>
  state.records.entries[habitId] ?? NO_ENTRIES;

type KeptTrack = { entries: EntryYears; track: Track };

const kept = new WeakMap<Habit, KeptTrack>();

/** A habit laid out by day; made again only where its record, its entries, the day or the week start changed. */
export function trackOf(state: RootState, habit: Habit): Track {
  const entries = selectEntries(state, habit.id);
  const known = kept.get(habit);
  const track = trackFrom(habit, entries, state.clock.today, state.records.settings.weekStart, known);
  if (track !== known?.track || entries !== known.entries) kept.set(habit, { entries, track });
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

let lastTotals: { tracks: Track[]; totals: DayTotals } | null = null;

/** The day scores of every day there is a record of, over all habits. */
export function selectTotals(state: RootState): DayTotals {
  const tracks = selectTracks(state);
  const { today } = state.clock;
  if (lastTotals?.tracks === tracks && lastTotals.totals.today === today) return lastTotals.totals;
  const after = lastTotals?.totals.today === today ? totalsAfter(lastTotals.totals, lastTotals.tracks, tracks) : null;
  lastTotals = { tracks, totals: after ?? totalsOf(tracks, today) };
  return lastTotals.totals;
}

/** Whether a person left something off. */
export const selectIsHidden = (state: RootState, what: Hideable): boolean =>
  state.records.settings.hidden?.includes(what) ?? false;
