import { type Change, type Collection, type Issue, entryOfKey } from '@wimbel/contract';
import { dayOf } from '@wimbel/core';
import { capital, shortDay } from './format.ts';
import type { RecordsState } from '@wimbel/sync';

/** What a record is called. */
const THINGS: Record<Collection, string> = {
  settings: 'the settings',
  areas: 'an area',
  goals: 'a goal',
  habits: 'a habit',
  entries: 'a day of a habit',
  keyResults: 'a key result',
  checkIns: 'a check-in',
  steps: 'a step',
  milestones: 'a milestone',
  seasons: 'a season',
  months: 'the words of a month',
  prompts: 'a prompt',
  journal: 'a journal page',
  reviews: 'a look back',
  habitNotes: 'a note on a habit',
  rewards: 'a reward',
  claims: 'a claimed reward',
  quotes: 'a quote',
  reminders: 'a reminder',
};

/** What the fields of records are called, by the first word of a fault's path. */
const FIELDS: Record<string, string> = {
  about: 'what it is about',
  active: 'whether it is due',
  after: 'what must come first',
  aim: 'what it is',
  aims: 'the aims',
  amount: 'the amount',
  answers: 'an answer',
  archived: 'whether it is archived',
  areaId: 'the area',
  at: 'the time',
  by: 'by whom it is',
  checkpoints: 'a checkpoint',
  closedOn: 'the day it was closed',
  color: 'the colour',
  cost: 'the cost',
  currency: 'the currency',
  day: 'the day',
  dayEndsAt: 'when the day ends',
  dayMarks: 'the day marks',
  days: 'the weekdays',
  doneBy: 'what checks it off',
  doneOn: 'the day it was done',
  doneWhen: 'when it is done',
  dueOn: 'the due day',
  endsOn: 'the last day',
  enjoyedOn: 'the day the reward was enjoyed',
  feelings: 'a feeling',
  finishLine: 'the finish line',
  from: 'the first day',
  fullDayTarget: 'the full days aimed at',
  goalId: 'the goal',
  goalIds: 'a goal',
  habitIds: 'a habit',
  habitId: 'the habit',
  hidden: 'what is hidden',
  icon: 'the icon',
  id: 'its own mark',
  impact: 'the impact',
  key: 'its own mark',
  keyResultId: 'the key result',
  kind: 'the kind',
  link: 'the link',
  madeAt: 'the time it was made',
  mark: 'the mark',
  measure: 'how it is counted',
  month: 'the month',
  monthTargets: 'the target of a month',
  mood: 'the mood',
  moodMarks: 'a sign for a mood',
  name: 'the name',
  note: 'the note',
  notes: 'a note',
  on: 'whether it is on',
  order: 'the place in the order',
  parentId: 'the step above it',
  part: 'the part of the day',
  partOfDay: 'the part of the day',
  parts: 'a part of the day’s amount',
  passMark: 'the pass mark',
  pauses: 'a pause',
  pips: 'the pips',
  pipsName: 'the name of the pips',
  priority: 'the priority',
  reachedOn: 'the day it was reached',
  record: 'what is recorded',
  retired: 'whether it is retired',
  reviewDay: 'the day of the look back',
  reward: 'the reward',
  rewardId: 'the reward',
  seasonId: 'the season',
  size: 'the number of lines',
  span: 'the span',
  startsOn: 'the first day',
  state: 'the state',
  terms: 'the schedule',
  text: 'the text',
  title: 'the title',
  todayBy: 'how Today is grouped',
  turns: 'what is told in the story',
  value: 'the value',
  variants: 'a kind of doing it',
  vision: 'the vision',
  weekStart: 'the first day of the week',
  weeks: 'the number of weeks',
  weight: 'the weight',
  why: 'the reason',
  word: 'the word',
  yearTargets: 'the target of a year',
};

/** What is wrong, by how the checks say it; the first that fits. */
const REASONS: readonly (readonly [RegExp, string])[] = [
  [/^names .*which is not there$/, 'was deleted meanwhile'],
  [/which stay$/, 'is still used elsewhere'],
  [/^is named by other records/, 'is still used elsewhere, or uses something that was deleted'],
  [/^has something newer under it/, 'has something newer under it, written on another device'],
  [/^does not fit what is already recorded/, 'does not fit what is already recorded'],
  [/^lies ahead of the server/, 'lies in the future by the server’s clock'],
  [/^is missing|^names no weekday$|^needs /, 'is missing'],
  [/^is empty$/, 'is empty'],
  [/longer than|has more than|values together|hold more than|nested more than|is too/, 'is too long'],
  [/before/, 'comes too early'],
  [
    /above, at|is below|is above|not above|not between|is not in order|must be|less than|more than|is over|neither 0 nor 1/,
    'is not in the range it can have',
  ],
  [
    /not a day|not a month|not an instant|not a time|not a year|is not the first day|is not a week/,
    'is not a date or time that exists',
  ],
  [/not a number|not a whole number|not finite/, 'is not a number that fits'],
  [/twice|same as|is there already|repeats/, 'is there twice'],
  [/currency/, 'is not a currency in three letters, such as EUR'],
  [/has no room/, 'does not fit any more: the account is full'],
  [/not a link/, 'is not a web or e-mail address'],
  [/as its id/, 'is a word that cannot be used there'],
  [/does not ascend/, 'is not in rising order'],
  [/^is none of/, 'is none of the choices there are'],
  [/leads round in a circle/, 'would come before itself'],
  [/of another goal/, 'belongs to another goal'],
  [
    /only checked off|counts an amount|no amounts|only for habits|not for this kind|not fed by|sum of its parts/,
    'does not go with how it is counted',
  ],
  [/./, 'cannot be kept like this'],
];

const reasonOf = (message: string): string => REASONS.find(([pattern]) => pattern.test(message))![1];

/** Whether a fault has words of its own, and not only that something cannot be kept. */
export const hasOwnWords = ({ path, message }: Issue): boolean =>
  (path === '' || firstOf(path) in FIELDS) && reasonOf(message) !== REASONS.at(-1)![1];

/** The field of a record that a fault lies in. */
export const firstOf = (path: string): string => /^\w+/.exec(path)?.[0] ?? '';

/** What a field of a record is called, with a capital and no article: "Name". */
export const fieldTitle = (field: string): string => capital((FIELDS[field] ?? field).replace(/^(the|an?) /, ''));

/** "The habit was deleted meanwhile" */
export function issueWords({ path, message }: Issue): string {
  const field = FIELDS[firstOf(path)] ?? 'something in it';
  const words = `${field} ${reasonOf(message)}`;
  return capital(words);
}

/** What a change is about: "Scales, Tue 24 Nov", "a habit, Scales". */
export function changeName(records: RecordsState, { collection, key, record }: Change): string {
  if (collection === 'entries') {
    const { habitId, day } = entryOfKey(key);
    return `${records.habits[habitId]?.name ?? 'A habit'}, ${shortDay(dayOf(day))}`;
  }
  const { name, title } = (record ?? {}) as { name?: string; title?: string };
  const thing = THINGS[collection];
  const called = name ?? title;
  return called ? `${called} (${thing.replace(/^an? /, '')})` : capital(thing);
}
