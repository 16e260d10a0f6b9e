import { type Collection, type RecordOf, keyOf } from './keys.ts';

type AnyRecord = RecordOf<Collection>;
type Fields = Record<string, unknown>;

/** References between collections: in a field, or inside a field. */
export type NamedBy = { in: Collection; field: string; holds: 'id' | 'ids' | 'habitId' | 'promptId' };

type Hanging = NamedBy & {
  /** Policy of the referring record: cascade, set null, or restrict. */
  then: 'goes' | 'letsGo' | 'keeps';
};

const field = (of: Collection, name: string, then: Hanging['then']): Hanging => ({
  in: of,
  field: name,
  holds: 'id',
  then,
});

/** Dependants of a record, by collection. */
const HANGING: Partial<Record<Collection, Hanging[]>> = {
  areas: [field('habits', 'areaId', 'letsGo'), field('goals', 'areaId', 'letsGo')],
  habits: [
    field('entries', 'habitId', 'goes'),
    field('habitNotes', 'habitId', 'goes'),
    field('reminders', 'habitId', 'goes'),
    { in: 'keyResults', field: 'measure', holds: 'habitId', then: 'goes' },
    { in: 'seasons', field: 'habitIds', holds: 'ids', then: 'letsGo' },
  ],
  goals: [
    field('habits', 'goalId', 'letsGo'),
    { in: 'seasons', field: 'goalIds', holds: 'ids', then: 'letsGo' },
    field('keyResults', 'goalId', 'goes'),
    field('steps', 'goalId', 'goes'),
    field('milestones', 'goalId', 'goes'),
  ],
  keyResults: [field('checkIns', 'keyResultId', 'goes'), field('steps', 'keyResultId', 'letsGo')],
  steps: [field('steps', 'parentId', 'goes')],
  milestones: [{ in: 'milestones', field: 'after', holds: 'ids', then: 'letsGo' }],
  seasons: [field('reviews', 'seasonId', 'letsGo')],
  prompts: [{ in: 'journal', field: 'answers', holds: 'promptId', then: 'keeps' }],
  rewards: [field('claims', 'rewardId', 'keeps')],
};

/** Whether a record names `key` where `by` says. */
export function isNamed(by: NamedBy, record: AnyRecord, key: string): boolean {
  const value = (record as Fields)[by.field];
  if (by.holds === 'id') return value === key;
  if (by.holds === 'ids') return Array.isArray(value) && value.includes(key);
  if (by.holds === 'habitId') return (value as { habitId?: string } | undefined)?.habitId === key;
  return Array.isArray(value) && value.some((each: { promptId?: string }) => each.promptId === key);
}

function without(by: NamedBy, record: AnyRecord, key: string): AnyRecord {
  const { [by.field]: value, ...rest } = record as Fields;
  return (
    by.holds === 'ids' ? { ...rest, [by.field]: (value as string[]).filter((each) => each !== key) } : rest
  ) as AnyRecord;
}

type Place = { collection: Collection; key: string };

/** Cascade of a deletion: the deleted records, itself last, and those whose reference is cleared. */
export type RemovalPlan = {
  goes: Place[];
  letsGo: (Place & { record: AnyRecord })[];
  /** A record that keeps it from going; then nothing goes. */
  keptBy: Place | null;
};

/** Asked while a removal is planned: the records of a collection that name `key`. */
export type RemovalQuestion = { by: NamedBy; key: string };

/**
 * Plans the removal of a record with all that hangs on it, however far down. Asks for the records it needs, so that the
 * device plans it over its store and the server over its tables: answer each question with the records that name it.
 */
export function* removalPlan(
  collection: Collection,
  key: string,
): Generator<RemovalQuestion, RemovalPlan, readonly AnyRecord[]> {
  const goes: Place[] = [];
  const going = new Set<string>();
  const letsGo = new Map<string, Place & { record: AnyRecord }>();
  const placeOf = (place: Place): string => `${place.collection} ${place.key}`;
  const waiting: Place[] = [{ collection, key }];
  for (let at = 0; at < waiting.length; at++) {
    const place = waiting[at]!;
    if (going.has(placeOf(place))) continue;
    going.add(placeOf(place));
    goes.push(place);
    for (const by of HANGING[place.collection] ?? []) {
      for (const record of yield { by, key: place.key }) {
        const named = { collection: by.in, key: keyOf(by.in, record as never) };
        if (by.then === 'keeps') return { goes: [], letsGo: [], keptBy: named };
        if (by.then === 'goes') waiting.push(named);
        else {
          const known = letsGo.get(placeOf(named))?.record ?? record;
          letsGo.set(placeOf(named), { ...named, record: without(by, known, place.key) });
        }
      }
    }
  }
  return {
    goes: goes.reverse(),
    letsGo: [...letsGo.values()].filter((each) => !going.has(placeOf(each))),
    keptBy: null,
  };
}

/** Plans a removal over records at hand. */
export function plannedRemoval(
  collection: Collection,
  key: string,
  find: (question: RemovalQuestion) => readonly AnyRecord[],
): RemovalPlan {
  const asking = removalPlan(collection, key);
  let step = asking.next();
  while (!step.done) step = asking.next(find(step.value));
  return step.value;
}
