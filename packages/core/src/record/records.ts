import type { Weekday } from '../calendar/plainDay.ts';

/** `YYYY-MM-DD`. */
export type DayText = string;
/** `YYYY-MM`. */
export type MonthText = string;
/** ISO 8601 in UTC. */
export type InstantText = string;

/** When a habit is due: on named days, or so many days a week or month. */
export type Schedule =
  | { kind: 'daily' }
  | { kind: 'weekdays'; days: Weekday[] }
  | { kind: 'interval'; every: number }
  | { kind: 'perWeek'; times: number }
  | { kind: 'perMonth'; times: number };

/** What a habit asks from a day on; `atLeast` or `atMost` is the amount of a done day. */
export type Terms = { from: DayText; schedule: Schedule; atLeast?: number; atMost?: number; pips?: number };

/** How a day is recorded: checked off, or an amount in a unit of which a tap adds `step`. */
export type Measure = { kind: 'check' } | { kind: 'amount'; unit: string; step: number };

/** A colour that areas choose from. */
export type Dye = 'verdigris' | 'woad' | 'clay' | 'plum' | 'moss' | 'slate' | 'weld' | 'madder';
/** The colours that areas choose from, in the order they are offered. */
export const DYES: readonly Dye[] = ['verdigris', 'woad', 'clay', 'plum', 'moss', 'slate', 'weld', 'madder'];

/** The part of the day that a habit belongs to. */
export type PartOfDay = 'morning' | 'midday' | 'evening' | 'any';
/** The parts of the day, in the order of the day. */
export const PARTS_OF_DAY: readonly PartOfDay[] = ['morning', 'midday', 'evening', 'any'];

/** What can be left out of every screen. */
export const HIDEABLE = ['streaks', 'quotes', 'pips', 'mood', 'journal', 'seasons'] as const;
/** Something that screens can leave out. */
export type Hideable = (typeof HIDEABLE)[number];

/** What Today can be grouped by. */
export const TODAY_BY = ['part', 'area'] as const;
/** What Today is grouped by. */
export type TodayBy = (typeof TODAY_BY)[number];

/** A mood, from 1 (low) to 5 (great). */
export type Mood = 1 | 2 | 3 | 4 | 5;
/** A person’s own sign and word for a mood. */
type MoodMark = { mood: Mood; symbol?: string; word?: string };

/** What a person chose for the whole app; `dayEndsAt` is an hour after midnight. */
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
/** The settings of somebody who chose nothing yet. */
export const DEFAULT_SETTINGS: Settings = { weekStart: 'monday', passMark: 0.85, dayEndsAt: 0 };

/** Habits and goals that belong together, in one colour: a dye or #RRGGBB. */
export type Area = { id: string; name: string; color?: string; icon?: string; order: number };

/** What was set for a month; `onward` holds for later months too. */
export type MonthTarget = {
  days?: number;
  amount?: number;
  reward?: string;
  /** The day its reward was enjoyed. */
  enjoyedOn?: DayText;
  onward?: boolean;
};
/** What was set for a year. */
export type YearTarget = { days?: number; amount?: number };
/** Days in which nothing is asked; both ends count. */
export type Pause = { from: DayText; to: DayText; why?: string };

/** How much something does for its goal. */
export type Impact = 'high' | 'medium' | 'low';

/** Something to do often, or to leave; its terms stand in order of their first day. */
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
  /** How much it does for the goal it carries. */
  impact?: Impact;
};

/** What a day was marked as. */
export type Mark = 'done' | 'missed' | 'rest';
/** One of the ways in which a day’s habit was done. */
export type EntryPart = { variantId: string; amount?: number; note?: string };
/** What was recorded of a habit on a day. */
export type Entry = { habitId: string; day: DayText; mark?: Mark; amount?: number; note?: string; parts?: EntryPart[] };

/** Whether a goal is worked on. */
export type GoalState = 'open' | 'reached' | 'dropped' | 'paused';

/** What can happen to a goal as a whole. */
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

/** Something to have reached by a day. */
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

/** What a key result counts, from where to where. */
export type KeyResultMeasure =
  | { kind: 'number'; unit?: string; start: number; target: number }
  | { kind: 'money'; currency: string; start: number; target: number }
  | { kind: 'yesNo' }
  | { kind: 'steps' }
  | { kind: 'habitDays'; habitId: string; target: number }
  | { kind: 'habitAmount'; habitId: string; target: number };

/** A figure that tells how far a goal is. */
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

/** Where a key result stood on a day. */
export type CheckIn = {
  id: string;
  keyResultId: string;
  day: DayText;
  value: number;
  note?: string;
  madeAt: InstantText;
};

/** Something to do once for a goal; under another one or for a key result. */
export type Step = {
  id: string;
  goalId: string;
  keyResultId?: string;
  parentId?: string;
  title: string;
  priority?: 1 | 2 | 3 | 4;
  impact?: Impact;
  startsOn?: DayText;
  dueOn?: DayText;
  doneOn?: DayText;
  note?: string;
  order: number;
};

/** A point on the way of a goal; `after` names what must come first. */
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

/** A run of weeks with one to three goals. */
export type Season = {
  id: string;
  title: string;
  startsOn: DayText;
  weeks: number;
  vision?: string;
  why?: string;
  passMark?: number;
  goalIds: string[];
  /** Habits chosen for the season itself, beside those of its goals. */
  habitIds?: string[];
  notes?: { text: string; link?: string }[];
};

/** The word of a month, and what to keep in mind in it. */
export type MonthPage = { month: MonthText; word?: string; aims: string[] };

/** The part of a day that a page is of. */
export type JournalPart = 'day' | 'morning' | 'evening';
/** What was answered to a prompt, in its words of then. */
export type JournalAnswer = {
  promptId: string;
  /** The prompt as it read when it was answered. */
  promptText?: string;
  text?: string;
  items?: { text: string; done?: boolean }[];
};
/** What was written on a day, or a part of it. */
export type JournalPage = {
  id: string;
  day: DayText;
  part: JournalPart;
  mood?: Mood;
  feelings?: string[];
  text?: string;
  answers?: JournalAnswer[];
};

/** Something that a page asks; a list or checklist has `size` lines. */
export type Prompt = {
  id: string;
  text: string;
  part: JournalPart;
  kind: 'text' | 'list' | 'checklist';
  size?: number;
  active: boolean;
  order: number;
};

/** What was written in a look back. */
export type ReviewAnswers = {
  wentWell?: string;
  gotInTheWay?: string;
  nextTime?: string;
  wins?: string;
  losses?: string;
  lessons?: string;
  mostOfWins?: string;
  mostOfLosses?: string;
  /** What became of `nextTime`; `aside` where it was only put away. */
  nextTimeWas?: 'done' | 'partly' | 'not' | 'aside';
};
/** A look back on a span that begins on a day. */
export type Review = {
  id: string;
  span: 'week' | 'month' | 'quarter' | 'year';
  from: DayText;
  seasonId?: string;
  answers: ReviewAnswers;
};

/** A note on a habit, on a day or by itself. */
export type HabitNote = { id: string; habitId: string; day?: DayText; text: string; link?: string };
/** Something that pips can be spent on. */
export type Reward = { id: string; title: string; cost: number; icon?: string; order: number; retired?: boolean };
/** A reward that was taken, at what it cost then. */
export type Claim = { id: string; rewardId: string; day: DayText; cost: number };
/** A sentence of somebody’s, shown one a day. */
export type Quote = { id: string; text: string; by?: string };
/** When to be reminded of what; `at` is HH:MM. */
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
