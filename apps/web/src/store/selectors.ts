import {
  type AccountFigures,
  type AccountRecords,
  type Area,
  type CheckIn,
  type Claim,
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
  type Milestone,
  NO_ENTRIES,
  type PlainDay,
  type Prompt,
  type Review,
  type Season,
  type Step,
  type Track,
  dayOf,
  entryOn,
  accountFigures,
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

const listOf = memoByObject((records: Record<string, unknown>): unknown[] => Object.values(records));
const orderedListOf = memoByObject((records: Record<string, { id: string; order: number }>): unknown[] =>
  Object.values(records).sort(compareByOrder),
);

/** The records that figures are computed from; each list is made when it is first read, once per change in it. */
const figureRecords = memoByObject((records: RecordsState): AccountRecords => ({
  settings: records.settings,
  entriesOf: (habitId) => records.entries[habitId] ?? NO_ENTRIES,
  get habits() {
    return habitsInOrder(records.habits);
  },
  get goals() {
    return goalsInOrder(records.goals);
  },
  get keyResults() {
    return orderedListOf(records.keyResults) as KeyResult[];
  },
  get steps() {
    return orderedListOf(records.steps) as Step[];
  },
  get milestones() {
    return orderedListOf(records.milestones) as Milestone[];
  },
  get checkIns() {
    return listOf(records.checkIns) as CheckIn[];
  },
  get claims() {
    return listOf(records.claims) as Claim[];
  },
  get seasons() {
    return listOf(records.seasons) as Season[];
  },
  get journal() {
    return allPages(records.journal);
  },
}));

let lastFigures: AccountFigures | null = null;

/** Every figure of the record as of today; after a change only what it touches is computed anew. */
export function selectFigures(state: RootState): AccountFigures {
  const records = figureRecords(state.records);
  const { today } = state.clock;
  if (lastFigures?.records === records && lastFigures.today === today) return lastFigures;
  lastFigures = lastFigures === null ? accountFigures(records, today) : lastFigures.next(records, today);
  return lastFigures;
}

/** A habit laid out by day; null for one that is not there. */
export const selectTrack = (state: RootState, habitId: string): Track | null => selectFigures(state).trackOf(habitId);

/** The track of a habit that is there. */
export const trackOf = (state: RootState, habit: Habit): Track => selectFigures(state).trackOf(habit.id)!;

/** The tracks of all habits in the user's order; the same list while none of them changed. */
export const selectTracks = (state: RootState): readonly Track[] => selectFigures(state).tracks;

/** The day scores of every day there is a record of, over all habits. */
export const selectTotals = (state: RootState): DayTotals => selectFigures(state).totals;

/** Whether a person left something off. */
export const selectIsHidden = (state: RootState, what: Hideable): boolean =>
  state.records.settings.hidden?.includes(what) ?? false;
