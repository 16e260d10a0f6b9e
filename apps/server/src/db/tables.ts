import type { Collection, RecordField } from '@wimbel/contract';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import { areas } from './schema/areas.ts';
import { checkIns } from './schema/checkIns.ts';
import { claims } from './schema/claims.ts';
import { entries } from './schema/entries.ts';
import { goals } from './schema/goals.ts';
import { habitNotes } from './schema/habitNotes.ts';
import { habits } from './schema/habits.ts';
import { journal } from './schema/journal.ts';
import { keyResults } from './schema/keyResults.ts';
import { milestones } from './schema/milestones.ts';
import { months } from './schema/months.ts';
import { prompts } from './schema/prompts.ts';
import { quotes } from './schema/quotes.ts';
import { reminders } from './schema/reminders.ts';
import { reviews } from './schema/reviews.ts';
import { rewards } from './schema/rewards.ts';
import { seasons } from './schema/seasons.ts';
import { settings } from './schema/settings.ts';
import { steps } from './schema/steps.ts';

/** A table of a person's records, as far as all of them are alike. */
type OwnedTable = PgTable & { userId: PgColumn };

/** A table with a column for each field of the collection's record. */
type TableOf<C extends Collection> = OwnedTable & { readonly [Field in RecordField<C>]: PgColumn };

/** The table of each collection. Its columns are named as the fields of the records; a missing one is a compiler error. */
export const TABLES = {
  settings,
  areas,
  goals,
  habits,
  entries,
  keyResults,
  checkIns,
  steps,
  milestones,
  seasons,
  months,
  prompts,
  journal,
  reviews,
  habitNotes,
  rewards,
  claims,
  quotes,
  reminders,
} satisfies { [C in Collection]: TableOf<C> };

export const tableOf = (collection: Collection): OwnedTable => TABLES[collection];
