import { type Entry, type MonthPage, type Records, parseMonth, tidySum } from '@wimbel/core';
import type * as yup from 'yup';
import { checkInSchema, goalSchema, keyResultSchema, milestoneSchema, stepSchema } from './collections/goals.ts';
import { entrySchema, habitNoteSchema, habitSchema } from './collections/habits.ts';
import {
  areaSchema,
  claimSchema,
  journalSchema,
  monthSchema,
  promptSchema,
  quoteSchema,
  reminderSchema,
  reviewSchema,
  rewardSchema,
  seasonSchema,
  settingsSchema,
} from './collections/others.ts';
import { type Issue, isDay, isId, issuesOf, sizeIssue, withoutNulls } from './fields.ts';

/** The name of a collection of records, as changes and the data file spell it. */
export type Collection = keyof Records;

/** A record of a collection. */
export type RecordOf<C extends Collection> = C extends 'settings'
  ? Records['settings']
  : Records[C] extends (infer R)[]
    ? R
    : never;

/**
 * Every collection with the schema of one record, in an order in which a record only names records of collections
 * before it (or of its own).
 */
export const SCHEMAS = {
  settings: settingsSchema,
  areas: areaSchema,
  goals: goalSchema,
  habits: habitSchema,
  entries: entrySchema,
  keyResults: keyResultSchema,
  checkIns: checkInSchema,
  steps: stepSchema,
  milestones: milestoneSchema,
  seasons: seasonSchema,
  months: monthSchema,
  prompts: promptSchema,
  journal: journalSchema,
  reviews: reviewSchema,
  habitNotes: habitNoteSchema,
  rewards: rewardSchema,
  claims: claimSchema,
  quotes: quoteSchema,
  reminders: reminderSchema,
} satisfies Record<Collection, yup.ISchema<unknown>>;

/** Every collection, in the order of the data file. */
export const COLLECTIONS = Object.keys(SCHEMAS) as Collection[];

/** The collections that are lists; settings are one record. */
export type ListCollection = Exclude<Collection, 'settings'>;
/** The collections that hold many records; settings are one. */
export const LIST_COLLECTIONS = COLLECTIONS.filter((each): each is ListCollection => each !== 'settings');

/** The key of the one settings record. */
export const SETTINGS_KEY = 'settings';

/** The key of a habit’s entry: `YYYY-MM-DD HABIT`. */
export const entryKey = (habitId: string, day: string): string => `${day} ${habitId}`;

/** The habit and day that an entry's key names. */
export const entryOfKey = (key: string): { habitId: string; day: string } => ({
  day: key.slice(0, 10),
  habitId: key.slice(11),
});

/** The key of a record in its collection: its id; an entry's day and habit; a month page's month. */
export function keyOf<C extends Collection>(collection: C, record: RecordOf<C>): string {
  if (collection === 'settings') return SETTINGS_KEY;
  if (collection === 'entries') return entryKey((record as Entry).habitId, (record as Entry).day);
  if (collection === 'months') return (record as MonthPage).month;
  return (record as { id: string }).id;
}

/** Whether a record of a collection could have this key. */
export function isKey(collection: Collection, key: string): boolean {
  if (collection === 'settings') return key === SETTINGS_KEY;
  if (collection === 'months') return parseMonth(key) !== null;
  const { habitId, day } = entryOfKey(key);
  if (collection === 'entries') return key[10] === ' ' && isDay(day) && isId(habitId);
  return isId(key);
}

/** A record that holds, or what is wrong with it; never both. */
export type Checked<T> = { record: T; issues: [] } | { record: null; issues: Issue[] };

/** An entry that leaves out the amount its parts add up to has it all the same. */
function withAmount(entry: Entry): Entry {
  const amounts = (entry.parts ?? []).flatMap(({ amount }) => (amount === undefined ? [] : [amount]));
  if (entry.amount !== undefined || amounts.length === 0) return entry;
  return { ...entry, amount: tidySum(amounts.reduce((sum, each) => sum + each, 0)) };
}

/**
 * A record of a collection with nulls taken as left out, or its faults. Nothing is converted, but an entry whose parts
 * carry amounts has their sum.
 */
export function checkRecord<C extends Collection>(collection: C, value: unknown): Checked<RecordOf<C>> {
  const size = sizeIssue(value);
  if (size !== null) return { record: null, issues: [size] };
  const record = withoutNulls(value);
  const issues =
    record === undefined || record === null
      ? [{ path: '', message: 'is missing' }]
      : issuesOf(SCHEMAS[collection] as yup.ISchema<unknown>, record);
  if (issues.length > 0) return { record: null, issues };
  return { record: (collection === 'entries' ? withAmount(record as Entry) : record) as RecordOf<C>, issues: [] };
}
