import type { Weekday } from '../calendar/plainDay.ts';

/** `YYYY-MM-DD`. */
export type DayText = string;
/** `YYYY-MM`. */
export type MonthText = string;
/** ISO 8601 in UTC. */
export type InstantText = string;

export type Schedule =
  | { kind: 'daily' }
  | { kind: 'weekdays'; days: Weekday[] }
  | { kind: 'interval'; every: number }
  | { kind: 'perWeek'; times: number }
  | { kind: 'perMonth'; times: number };

export type Terms = { from: DayText; schedule: Schedule; atLeast?: number; atMost?: number; pips?: number };

export type Measure = { kind: 'check' } | { kind: 'amount'; unit: string; step: number };

export type Dye = 'verdigris' | 'woad' | 'clay' | 'plum' | 'moss' | 'slate' | 'weld' | 'madder';
export const DYES: readonly Dye[] = ['verdigris', 'woad', 'clay', 'plum', 'moss', 'slate', 'weld', 'madder'];

export type PartOfDay = 'morning' | 'midday' | 'evening' | 'any';
export const PARTS_OF_DAY: readonly PartOfDay[] = ['morning', 'midday', 'evening', 'any'];

/** What can be left out of every screen. */
export const HIDEABLE = ['streaks', 'quotes', 'pips', 'mood', 'journal', 'seasons'] as const;
export type Hideable = (typeof HIDEABLE)[number];

export const TODAY_BY = ['part', 'area'] as const;
export type TodayBy = (typeof TODAY_BY)[number];

export type Mood = 1 | 2 | 3 | 4 | 5;
export type MoodMark = { mood: Mood; symbol?: string; word?: string };

export type Settings = {
  weekStart: Weekday;
  /** 0–1. */
  passMark: number;
  /** Whole hours after midnight, 0–6. */
  dayEndsAt: number;
  dayMarks?: { atLeast: number; symbol: string }[];
  currency?: string;
  pipsName?: { one: string; many: string };
  /** Full days aimed at, in a month and in a year. */
  fullDayTarget?: { month?: number; year?: number };
  /** One's own signs and words for the five moods. */
  moodMarks?: MoodMark[];
  /** The weekday on which the week's look back is offered; the week's last unless chosen. */
  reviewDay?: Weekday;
  /** What screens leave out; no figure depends on it. */
  hidden?: Hideable[];
  /** How Today groups habits; by part of the day unless chosen. */
  todayBy?: TodayBy;
};
export const DEFAULT_SETTINGS: Settings = { weekStart: 'monday', passMark: 0.85, dayEndsAt: 0 };

export type Area = { id: string; name: string; color?: string; icon?: string; order: number };

export type MonthTarget = {
  days?: number;
  amount?: number;
  reward?: string;
  /** The day its reward was enjoyed. */
  enjoyedOn?: DayText;
  onward?: boolean;
};
export type YearTarget = { days?: number; amount?: number };
export type Pause = { from: DayText; to: DayText; why?: string };

export type Habit = {
  id: string;
  name: string;
  areaId?: string;
  goalId?: string;
  icon?: string;
  order: number;
  note?: string;
  aim: 'build' | 'quit';
  partOfDay: PartOfDay;
  measure: Measure;
  terms: Terms[];
  startsOn: DayText;
  endsOn?: DayText;
  archived?: boolean;
  pauses?: Pause[];
  finishLine?: { days: number; reward?: string; enjoyedOn?: DayText };
  monthTargets?: Record<MonthText, MonthTarget>;
  yearTargets?: Record<string, YearTarget>;
  variants?: { id: string; name: string; group?: string }[];
  doneBy?: 'journal' | 'review';
};

export type Mark = 'done' | 'missed' | 'rest';
export type EntryPart = { variantId: string; amount?: number; note?: string };
export type Entry = { habitId: string; day: DayText; mark?: Mark; amount?: number; note?: string; parts?: EntryPart[] };

export type GoalState = 'open' | 'reached' | 'dropped' | 'paused';

export const GOAL_TURNS = ['postponed', 'paused', 'reopened', 'dropped', 'reached', 'word', 'moved'] as const;
/** Something that happened to a goal and that no other record tells; it changes no figure. */
export type GoalTurn = {
  on: DayText;
  kind: (typeof GOAL_TURNS)[number];
  /** The due day before a postponement; absent where there was none. */
  dueWas?: DayText;
  /** The start before a move that changed it. */
  startWas?: DayText;
  /** What a word is about, for example the title of a key result. */
  about?: string;
  note?: string;
};

export type Goal = {
  id: string;
  title: string;
  areaId?: string;
  why?: string;
  doneWhen?: string;
  startsOn: DayText;
  dueOn?: DayText;
  state: GoalState;
  closedOn?: DayText;
  reward?: string;
  enjoyedOn?: DayText;
  order: number;
  /** In the order they were written. */
  turns?: GoalTurn[];
};

export type KeyResultMeasure =
  | { kind: 'number'; unit?: string; start: number; target: number }
  | { kind: 'money'; currency: string; start: number; target: number }
  | { kind: 'yesNo' }
  | { kind: 'steps' }
  | { kind: 'habitDays'; habitId: string; target: number }
  | { kind: 'habitAmount'; habitId: string; target: number };

export type KeyResult = {
  id: string;
  goalId: string;
  title: string;
  weight?: number;
  startsOn?: DayText;
  dueOn?: DayText;
  order: number;
  measure: KeyResultMeasure;
  checkpoints?: Record<MonthText, number>;
};

export type CheckIn = {
  id: string;
  keyResultId: string;
  day: DayText;
  value: number;
  note?: string;
  madeAt: InstantText;
};

export type Step = {
  id: string;
  goalId: string;
  keyResultId?: string;
  parentId?: string;
  title: string;
  priority?: 1 | 2 | 3 | 4;
  impact?: 'high' | 'medium' | 'low';
  startsOn?: DayText;
  dueOn?: DayText;
  doneOn?: DayText;
  note?: string;
  order: number;
};

export type Milestone = {
  id: string;
  goalId: string;
  title: string;
  dueOn?: DayText;
  reachedOn?: DayText;
  reward?: string;
  enjoyedOn?: DayText;
  pips?: number;
  after?: string[];
  order: number;
};

export type Season = {
  id: string;
  title: string;
  startsOn: DayText;
  weeks: number;
  vision?: string;
  why?: string;
  passMark?: number;
  goalIds: string[];
  notes?: { text: string; link?: string }[];
};

export type MonthPage = { month: MonthText; word?: string; aims: string[] };

export type JournalPart = 'day' | 'morning' | 'evening';
export type JournalAnswer = {
  promptId: string;
  /** The prompt as it read when it was answered. */
  promptText?: string;
  text?: string;
  items?: { text: string; done?: boolean }[];
};
export type JournalPage = {
  id: string;
  day: DayText;
  part: JournalPart;
  mood?: Mood;
  feelings?: string[];
  text?: string;
  answers?: JournalAnswer[];
};

export type Prompt = {
  id: string;
  text: string;
  part: JournalPart;
  kind: 'text' | 'list' | 'checklist';
  size?: number;
  active: boolean;
  order: number;
};

export type ReviewAnswers = {
  wentWell?: string;
  gotInTheWay?: string;
  nextTime?: string;
  wins?: string;
  losses?: string;
  lessons?: string;
  mostOfWins?: string;
  mostOfLosses?: string;
};
export type Review = {
  id: string;
  span: 'week' | 'month' | 'quarter' | 'year';
  from: DayText;
  seasonId?: string;
  answers: ReviewAnswers;
};

export type HabitNote = { id: string; habitId: string; day?: DayText; text: string; link?: string };
export type Reward = { id: string; title: string; cost: number; icon?: string; order: number; retired?: boolean };
export type Claim = { id: string; rewardId: string; day: DayText; cost: number };
export type Quote = { id: string; text: string; by?: string };
export type Reminder = {
  id: string;
  habitId?: string;
  about: 'habits' | 'journal' | 'review' | 'habit';
  at: string;
  days: Weekday[];
  on: boolean;
};

/** Every record a person keeps, by collection; the order within a collection is the order of the file. */
export type Records = {
  settings: Settings;
  areas: Area[];
  habits: Habit[];
  entries: Entry[];
  goals: Goal[];
  keyResults: KeyResult[];
  checkIns: CheckIn[];
  steps: Step[];
  milestones: Milestone[];
  seasons: Season[];
  months: MonthPage[];
  journal: JournalPage[];
  prompts: Prompt[];
  reviews: Review[];
  habitNotes: HabitNote[];
  rewards: Reward[];
  claims: Claim[];
  quotes: Quote[];
  reminders: Reminder[];
};

/** The records of a person who has written nothing yet. */
export const emptyRecords = (): Records => ({
  settings: { ...DEFAULT_SETTINGS },
  areas: [],
  habits: [],
  entries: [],
  goals: [],
  keyResults: [],
  checkIns: [],
  steps: [],
  milestones: [],
  seasons: [],
  months: [],
  journal: [],
  prompts: [],
  reviews: [],
  habitNotes: [],
  rewards: [],
  claims: [],
  quotes: [],
  reminders: [],
});
