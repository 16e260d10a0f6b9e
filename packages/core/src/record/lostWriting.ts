import { itemName } from './mergeFields.ts';
import { LONG_TEXTS, mergePolicyOf } from './mergePolicy.ts';
import type { Records } from './records.ts';
import { isManyLines, partText } from './twoTexts.ts';

type Fields = Readonly<Record<string, unknown>>;

/** Writing that a merged record does not hold: the field it stood in, and the text. */
export type LostWriting = { field: string; text: string };

/** A shorter text is a name or a choice, of which the later one holds; from so many characters on it is writing. */
const WRITING_FROM = 80;

const fieldsOf = (value: unknown): Fields => (value === null || typeof value !== 'object' ? {} : (value as Fields));
const itemsOf = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

const piecesOf = (text: string): string[] => {
  const { text: shown, others } = partText(text);
  return [shown, ...others].map((each) => each.trim());
};

/** The lines of a text and of what stands beside it; a piece of very many lines is one. */
const linesOf = (text: string): string[] =>
  piecesOf(text).flatMap((each) => (isManyLines(each) ? [each] : each.split('\n').map((line) => line.trim())));

/** Every text of a value, with the name of the field it stands in. */
function textsOf(value: unknown, name: string, found: [name: string, text: string][] = []): [string, string][] {
  if (typeof value === 'string') found.push([name, value]);
  else if (Array.isArray(value)) for (const each of value) textsOf(each, name, found);
  else for (const [key, each] of Object.entries(fieldsOf(value))) textsOf(each, key, found);
  return found;
}

/** An item of a list as a line of text. */
const itemText = (item: unknown): string =>
  typeof item === 'string'
    ? item
    : Object.entries(fieldsOf(item))
        .filter(([name]) => name !== 'id')
        .flatMap(([name, each]) =>
          textsOf(each, name).length > 0
            ? textsOf(each, name).map(([, text]) => text)
            : [`${name} ${JSON.stringify(each)}`],
        )
        .join(', ');

/** What a text and a list may hold at most. */
export type Room = { textLength: number; listLength: (field: string) => number };

/** Lists whose items are written; of the others, which hold choices, the later side's hold where the two do not go together. */
const WRITTEN_LISTS: ReadonlySet<string> = new Set(['aims', 'notes', 'variants', 'turns']);

/** How many lines are searched for within longer ones, and how long they may be. */
const MOST_SEARCHES = 64;
const LONGEST_SEARCH = 500;

/** Whether a record says a line: as a line of any text, or within a text of the same field. The cost of all asking is linear. */
function saidIn(records: readonly Fields[]): (name: string, line: string) => boolean {
  const texts = records.flatMap((each) => textsOf(each, ''));
  const pieces = new Set(texts.flatMap(([, text]) => piecesOf(text)));
  const lines = new Set(texts.flatMap(([, text]) => linesOf(text)));
  let searches = 0;
  return (name, line) => {
    if (lines.has(line) || pieces.has(line)) return true;
    if (line.length > LONGEST_SEARCH || ++searches > MOST_SEARCHES) return false;
    return texts.some(([each, text]) => each === name && text.includes(line));
  };
}

/**
 * What one side wrote of a record since `base` and `result` does not hold: lines of long texts, items of lists, and other
 * texts from 80 characters on. Of names and choices the later one holds; they are told only where a list is full, or where
 * `result` is the other side whole (`isWhole`). The cost is linear in the size of the records.
 */
export function lostWriting(
  collection: keyof Records,
  base: object | null,
  side: object,
  result: object,
  { room, isWhole }: { room: Room; isWhole: boolean },
): LostWriting[] {
  const [was, own, now] = [fieldsOf(base), fieldsOf(side), fieldsOf(result)];
  const { lists = {}, byName = [] } = mergePolicyOf(collection);
  const isSaid = saidIn([was, now]);
  const lost: LostWriting[] = [];
  for (const [field, value] of Object.entries(own)) {
    const key = lists[field];
    const isMap = byName.includes(field) && field !== 'answers';
    let rest: unknown = value;
    if (key !== undefined || isMap) {
      const items = (of: unknown): unknown[] => (isMap ? Object.entries(fieldsOf(of)) : itemsOf(of));
      const nameOf = (item: unknown): string => (isMap ? (item as [string])[0] : itemName(key!, item));
      const isTold = isWhole || WRITTEN_LISTS.has(field) || items(now[field]).length >= room.listLength(field);
      const held = new Set([...items(was[field]), ...items(now[field])].map(nameOf));
      const gone = items(value).filter((item) => !held.has(nameOf(item)));
      if (isTold && gone.length > 0) lost.push({ field, text: gone.map(itemText).join('\n') });
      rest = items(value).filter((item) => held.has(nameOf(item)));
    }
    for (const [name, text] of textsOf(rest, field)) {
      if (!LONG_TEXTS.has(name) && text.length < WRITING_FROM) continue;
      const lines = linesOf(text).filter((line) => line !== '' && !isSaid(name, line));
      if (lines.length > 0) lost.push({ field: name, text: lines.join('\n') });
    }
  }
  return lost;
}

/**
 * A merged record cut down to what fits: of a text that is too long together the later side's own, of a list that is too long
 * the later side's items first. What is cut off is told by {@link lostWriting}.
 */
export function fittedRecord<T extends object>(collection: keyof Records, merged: T, late: T, room: Room): T {
  const { lists = {}, byName = [] } = mergePolicyOf(collection);
  const fitted: Record<string, unknown> = {};
  const isTooLong = (value: unknown): boolean => textsOf(value, '').some(([, text]) => text.length > room.textLength);
  for (const [field, value] of Object.entries(merged)) {
    const own = fieldsOf(late)[field];
    const key = lists[field];
    if (key !== undefined && itemsOf(value).length > room.listLength(field)) {
      const names = new Set(itemsOf(own).map((item) => itemName(key, item)));
      const kept = [
        ...itemsOf(value).filter((item) => names.has(itemName(key, item))),
        ...itemsOf(value).filter((item) => !names.has(itemName(key, item))),
      ].slice(0, room.listLength(field));
      const stays = new Set(kept);
      fitted[field] = itemsOf(value).filter((item) => stays.has(item));
    } else if (byName.includes(field) && Object.keys(fieldsOf(value)).length > room.listLength(field)) {
      fitted[field] = Object.fromEntries(
        Object.entries({ ...fieldsOf(own), ...fieldsOf(value) }).slice(0, room.listLength(field)),
      );
    } else if (typeof value === 'string' && isTooLong(value)) {
      if (own !== undefined) fitted[field] = own;
    } else if (!Array.isArray(value) && isTooLong(value)) {
      fitted[field] = Object.fromEntries(
        Object.entries(fieldsOf(value)).flatMap(([name, each]) => {
          const fits = isTooLong(each) ? fieldsOf(own)[name] : each;
          return fits === undefined ? [] : [[name, fits]];
        }),
      );
    } else fitted[field] = value;
  }
  return fitted as T;
}
