import { bothTexts } from './twoTexts.ts';
import { isDeepEqual } from './deepEqual.ts';
import { LONG_TEXTS, mergePolicyOf } from './mergePolicy.ts';
import type { Records } from './records.ts';

/** A record of any kind, field by field. */
type Fields = Readonly<Record<string, unknown>>;

/** Names of parts stay short: an item that is its own key may be as long as a text. */
const LONGEST_NAME = 40;

/** A short name for an item; two long ones that begin alike differ by a hash (FNV-1a, 32 bits). */
function partName(name: string): string {
  if (name.length <= LONGEST_NAME) return name;
  let hash = 0x811c9dc5;
  for (let at = 0; at < name.length; at++) hash = Math.imul(hash ^ name.charCodeAt(at), 0x01000193);
  return `${name.slice(0, LONGEST_NAME - 9)}~${(hash >>> 0).toString(16).padStart(8, '0')}`;
}

/** The same value with the names of its parts in order. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, each]) => [name, sorted(each)]),
  );
}

const isText = (value: unknown): value is string | undefined | null =>
  value === undefined || value === null || typeof value === 'string';

const items = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
const named = (value: unknown): Fields => (value === null || typeof value !== 'object' ? {} : (value as Fields));

/**
 * How the parts of two versions stand in time: a part is a field by its name, `field/item` of a list and `field/name` of
 * values by name.
 */
export type Order = {
  /** Whether what the one who comes now made of a part is later than what is held there. */
  isMineLater: (part: string) => boolean;
  /** Whether the instant of a held part is known, so that one that says what it said at first may still be later. */
  isKnown: (part: string) => boolean;
};

/** One record of two versions, and the parts of it that are as the one who comes now made them. */
export type Merged<T> = { record: T; taken: string[] };

/** State of a merge: the order of the parts, and which were taken. */
type Merging = Order & { isWhole: boolean; taken: Set<string> };

/** Three-way merge: a part that one side changed is kept; of one that both changed the later; of long texts both. */
function mergedPart(by: Merging, part: string, isLong: boolean, was: unknown, held: unknown, mine: unknown): unknown {
  if (!by.isWhole && isDeepEqual(mine, was)) return held;
  const isLater = by.isMineLater(part);
  // Nobody else changed it; of a text that is so even where somebody did and took it back: no word is lost.
  const isMineAlone = !by.isWhole && isDeepEqual(held, was) && (isLong || !by.isKnown(part));
  if (isLater || isMineAlone) by.taken.add(part);
  if (isMineAlone) return mine;
  if (isLong && !by.isWhole && isText(held) && isText(mine)) {
    const from = typeof was === 'string' ? was : '';
    return isLater ? bothTexts(from, held ?? '', mine ?? '') : bothTexts(from, mine ?? '', held ?? '');
  }
  return isLater ? mine : held;
}

/** Identity of a list item: its key, or the whole item. */
export const itemName = (key: string, item: unknown): string =>
  key === '' ? JSON.stringify(sorted(item)) : String((item as Fields)[key]);

/** The items of both: what either added, without what either took away; of an item that both changed, the later. */
function mergedList(by: Merging, field: string, key: string, was: unknown, held: unknown, mine: unknown): unknown[] {
  const nameOf = (item: unknown): string => itemName(key, item);
  const byName = (list: unknown): Map<string, unknown> => new Map(items(list).map((item) => [nameOf(item), item]));
  const [first, theirs, own] = [byName(was), byName(held), byName(mine)];
  // The order of the later, with what only the earlier has behind it.
  const names = by.isMineLater(field) ? [...own.keys(), ...theirs.keys()] : [...theirs.keys(), ...own.keys()];
  const merged = [...new Set(names)].flatMap((name) => {
    const item = mergedPart(by, `${field}/${partName(name)}`, false, first.get(name), theirs.get(name), own.get(name));
    return item === undefined ? [] : [item];
  });
  // What has a day or a number of its own stands in its order.
  const sortedBy = field === 'pauses' ? 'from' : key;
  if (sortedBy === 'from' || sortedBy === 'atLeast' || sortedBy === 'mood') {
    merged.sort((a, b) => ((a as Fields)[sortedBy]! < (b as Fields)[sortedBy]! ? -1 : 1));
  }
  return merged;
}

function mergedByName(by: Merging, field: string, was: unknown, held: unknown, mine: unknown): Fields {
  const [first, theirs, own] = [named(was), named(held), named(mine)];
  const merged: Record<string, unknown> = {};
  for (const name of new Set([...Object.keys(own), ...Object.keys(theirs)])) {
    const value = mergedPart(by, `${field}/${name}`, LONG_TEXTS.has(name), first[name], theirs[name], own[name]);
    if (value !== undefined) merged[name] = value;
  }
  return merged;
}

/**
 * Three-way merge of `mine`, edited from `base` (null where that is not known: `mine` counts as changed in every field), into the
 * stored record `held`. A field that one side changed is as that side has it; of one that both changed the later holds. The
 * collection's {@link MergePolicy} names the fields merged item by item, name by name, or together; long texts keep both. The
 * result may break a rule that each side kept by itself; then it must not be stored.
 */
export function mergeInto<T extends object>(
  collection: keyof Records,
  base: T | null,
  held: T,
  mine: T,
  order: Order,
): Merged<T> {
  const [was, theirs, own] = [(base ?? {}) as Fields, held as Fields, mine as Fields];
  const by: Merging = { ...order, isWhole: base === null, taken: new Set() };
  const { lists = {}, byName = [], together = [] } = mergePolicyOf(collection);
  const merged: Record<string, unknown> = {};
  for (const name of new Set([...Object.keys(own), ...Object.keys(theirs)])) {
    const values = [was[name], theirs[name], own[name]] as const;
    const value =
      lists[name] !== undefined
        ? mergedList(by, name, lists[name], ...values)
        : byName.includes(name)
          ? mergedByName(by, name, ...values)
          : mergedPart(by, name, LONG_TEXTS.has(name), ...values);
    const isEmpty = isDeepEqual(value, []) || isDeepEqual(value, {});
    const isNothing = value === undefined || (isEmpty && (theirs[name] === undefined || own[name] === undefined));
    if (!isNothing) merged[name] = value;
  }
  for (const fields of together) {
    const isChangedBy = (side: Fields, name: string): boolean => by.isWhole || !isDeepEqual(side[name], was[name]);
    if (!fields.some((name) => isChangedBy(own, name))) continue;
    const isMine = fields.every((name) => order.isMineLater(name));
    // Where only one side changed any of them, the parts above are that side's already; lists alone go item by item.
    if (!fields.some((name) => isChangedBy(theirs, name)) && (isMine || !fields.some(order.isKnown))) continue;
    const changed = fields.filter((name) => isChangedBy(own, name) || isChangedBy(theirs, name));
    if (!by.isWhole && changed.every((name) => lists[name] !== undefined)) continue;
    for (const name of fields) {
      const value = (isMine ? own : theirs)[name];
      if (value === undefined) delete merged[name];
      else merged[name] = value;
      for (const part of by.taken) if (part === name || part.startsWith(`${name}/`)) by.taken.delete(part);
      if (isMine) by.taken.add(name);
    }
  }
  return { record: merged as T, taken: [...by.taken] };
}

/** One record of what two devices made of it, each having begun from `base`; see {@link mergeInto}. */
export const mergedRecord = <T extends object>(collection: keyof Records, base: T, earlier: T, late: T): T =>
  mergeInto(collection, base, earlier, late, { isMineLater: () => true, isKnown: () => false }).record;

/** The parts of a record that differ from what it was made of. */
export const partsChanged = <T extends object>(collection: keyof Records, base: T, record: T): string[] =>
  mergeInto(collection, base, base, record, { isMineLater: () => true, isKnown: () => false }).taken;
