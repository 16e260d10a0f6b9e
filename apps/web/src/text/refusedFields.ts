import { type Change, type Collection, type Issue, type RecordOf, referencesOf } from '@wimbel/contract';
import { editable, parseTyped } from './amounts.ts';
import { fieldTitle, firstOf } from './issueText.ts';

type AnyRecord = RecordOf<Collection>;

/** Fields that a person writes, in the order in which they are shown. */
const WRITTEN = [
  ...['name', 'title', 'text', 'word', 'amount', 'value', 'cost', 'pips', 'note', 'why', 'doneWhen', 'vision', 'by'],
  ...['feelings', 'aims'],
];

/** Something that a person wrote in a change that was refused. A list stands one a line. */
type WrittenField = { field: string; title: string; kind: 'text' | 'number' | 'lines'; value: string };

const kindOf = (value: unknown): WrittenField['kind'] | null =>
  typeof value === 'string'
    ? 'text'
    : typeof value === 'number'
      ? 'number'
      : Array.isArray(value) && value.every((each) => typeof each === 'string')
        ? 'lines'
        : null;

/** Written fields of a record, to be corrected; empty for a removal. */
export function writtenFields(record: AnyRecord | null): WrittenField[] {
  const values = (record ?? {}) as Record<string, unknown>;
  return WRITTEN.flatMap((field) => {
    const value = values[field];
    const kind = kindOf(value);
    if (kind === null) return [];
    const shown =
      kind === 'number' ? editable(value as number) : kind === 'lines' ? (value as string[]).join('\n') : `${value}`;
    return [{ field, title: fieldTitle(field), kind, value: shown }];
  });
}

/** Fields that name something which is gone, and that a record can do without. */
export function namesToLeave({ collection, record }: Change, issues: readonly Issue[]): string[] {
  if (record === null) return [];
  const needed = NEEDED[collection] ?? [];
  const naming = new Set(referencesOf(collection, record).map(({ path }) => firstOf(path)));
  const faulty = issues.filter(({ message }) => /which is not there$/.test(message)).map(({ path }) => firstOf(path));
  return [...new Set(faulty)].filter((field) => naming.has(field) && !needed.includes(field));
}

/** Required references of a collection's records. */
const NEEDED: Partial<Record<Collection, string[]>> = {
  entries: ['habitId'],
  habitNotes: ['habitId'],
  keyResults: ['goalId', 'measure'],
  checkIns: ['keyResultId'],
  steps: ['goalId'],
  milestones: ['goalId'],
  claims: ['rewardId'],
  journal: ['answers'],
  reminders: ['habitId'],
};

/**
 * A refused record as it is to be sent again: what was written as it reads now, without what names things that are gone.
 * Null where a number cannot be read.
 */
export function correctedRecord(
  record: AnyRecord,
  typed: Readonly<Record<string, string>>,
  issues: readonly Issue[],
  left: readonly string[],
): AnyRecord | null {
  const gone = new Set(issues.map(({ path }) => path));
  const mended: Record<string, unknown> = { ...record };
  for (const field of left) {
    const value = mended[field];
    if (Array.isArray(value)) mended[field] = value.filter((_, index) => !gone.has(`${field}[${index}]`));
    else delete mended[field];
  }
  for (const { field, kind } of writtenFields(record)) {
    const text = typed[field];
    if (text === undefined) continue;
    const value =
      kind === 'number'
        ? parseTyped(text)
        : kind === 'lines'
          ? text.split('\n').filter((line) => line.trim() !== '')
          : text;
    if (value === null) return null;
    mended[field] = value;
  }
  return mended as AnyRecord;
}

/** Text export of what was written. */
export const writtenText = (fields: readonly WrittenField[]): string =>
  fields.map(({ title, value }) => `${title}: ${value}`).join('\n');
