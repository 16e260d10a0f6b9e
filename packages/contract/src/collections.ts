import { type Entry, tidySum } from '@wimbel/core';
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
import { issuesOf, sizeIssue, withoutNulls } from './fields.ts';
import type { Collection, RecordOf } from './keys.ts';
import type { Issue } from './plain.ts';

/** Every collection with what gives the schema of one record, made when it is first asked for. */
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
} satisfies Record<Collection, () => yup.ISchema<unknown>>;

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
      : issuesOf(SCHEMAS[collection](), record);
  if (issues.length > 0) return { record: null, issues };
  return { record: (collection === 'entries' ? withAmount(record as Entry) : record) as RecordOf<C>, issues: [] };
}
