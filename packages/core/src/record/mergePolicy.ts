import type { Records } from './records.ts';

/** A collection of records by its name. */
type CollectionName = keyof Records;
type RecordIn<C extends CollectionName> = Records[C] extends readonly (infer Item)[] ? Item : Records[C];
type FieldOf<R> = R extends unknown ? keyof R & string : never;

/**
 * How two versions of a record are merged, by its fields. A field that is not named here is one value, of which the later holds;
 * long texts ({@link LONG_TEXTS}) keep both.
 */
export type MergePolicy<Field extends string = string> = {
  /** Fields that only mean something together: all of them come from the same version. */
  readonly together?: readonly (readonly Field[])[];
  /** Lists merged item by item, with the key of an item; "" where the item is its own key. */
  readonly lists?: { readonly [Name in Field]?: string };
  /** Fields that hold values by name (months, years, prompts), each merged by itself. */
  readonly byName?: readonly Field[];
};

/** The policy of each collection, typed by the fields of its record. */
const POLICIES: { readonly [C in CollectionName]: MergePolicy<FieldOf<RecordIn<C>>> } = {
  settings: { lists: { hidden: '', dayMarks: 'atLeast', moodMarks: 'mood' } },
  areas: {},
  goals: {
    together: [
      ['startsOn', 'dueOn', 'turns'],
      ['state', 'closedOn', 'turns'],
    ],
    lists: { turns: '' },
  },
  habits: {
    together: [
      ['measure', 'terms', 'variants', 'doneBy'],
      ['startsOn', 'endsOn'],
    ],
    lists: { terms: 'from', pauses: '', variants: 'id' },
    byName: ['monthTargets', 'yearTargets'],
  },
  entries: { together: [['mark', 'amount', 'parts']] },
  keyResults: {
    together: [
      ['measure', 'checkpoints'],
      ['startsOn', 'dueOn'],
    ],
    byName: ['checkpoints'],
  },
  checkIns: {},
  steps: {
    together: [
      ['goalId', 'keyResultId', 'parentId'],
      ['startsOn', 'dueOn'],
    ],
  },
  milestones: { lists: { after: '' } },
  seasons: { lists: { goalIds: '', habitIds: '', notes: '' } },
  months: { lists: { aims: '' } },
  journal: {},
  prompts: {},
  reviews: { byName: ['answers'] },
  habitNotes: {},
  rewards: {},
  claims: {},
  quotes: {},
  reminders: {},
};

/** The merge policy of a collection. */
export const mergePolicyOf = (collection: CollectionName): MergePolicy => POLICIES[collection] as MergePolicy;

/** Texts that somebody may have written long at: of two that both changed, both stay. */
export const LONG_TEXTS: ReadonlySet<string> = new Set([
  'note',
  'why',
  'doneWhen',
  'vision',
  'text',
  'wentWell',
  'gotInTheWay',
  'nextTime',
  'wins',
  'losses',
  'lessons',
]);
