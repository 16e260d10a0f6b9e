import {
  type Collection,
  type Find,
  type Issue,
  LIST_COLLECTIONS,
  type ListCollection,
  type RecordOf,
  checkRecord,
  isInstant,
  keyOf,
  relationIssues,
  withoutNulls,
} from '@wimbel/contract';
import { DEFAULT_SETTINGS, type InstantText, type Records } from '@wimbel/core';

/** The version of the data file that this code reads and writes. */
export const DATA_FILE_VERSION = 1;

/** Everything a person recorded, as the file holds it. */
export type DataFile = { format: 'wimbel'; version: 1; exportedAt?: InstantText } & Records;

/** A file read: its records and when it was written (where it says so), or what is wrong with it. */
export type ReadResult =
  { records: Records; exportedAt?: InstantText; issues: [] } | { records: null; issues: Issue[] };

const refused = (...issues: Issue[]): ReadResult => ({ records: null, issues });

/** Reads a data file's text; anything that is not JSON is one fault. */
export function readDataFileText(text: string): ReadResult {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refused({ path: '', message: 'is not JSON' });
  }
  return readDataFile(value);
}

/**
 * Reads a data file: its records, or every fault with the path to it. Collections that are left out are empty, settings
 * take their defaults. A file of a newer version is refused whole.
 */
export function readDataFile(value: unknown): ReadResult {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) {
    return refused({ path: '', message: 'is not an object' });
  }
  const file = value as Record<string, unknown>;
  if (file.format !== 'wimbel') return refused({ path: 'format', message: 'is not "wimbel"' });
  if (typeof file.version === 'number' && file.version > DATA_FILE_VERSION) {
    return refused({ path: 'version', message: `is ${file.version}; this program reads up to ${DATA_FILE_VERSION}` });
  }
  if (file.version !== DATA_FILE_VERSION) return refused({ path: 'version', message: `is not ${DATA_FILE_VERSION}` });

  const issues: Issue[] = Object.keys(file)
    .filter((key) => !['format', 'version', 'exportedAt', 'settings', ...LIST_COLLECTIONS].includes(key))
    .map((key) => ({ path: key, message: 'is not a known key' }));
  const { exportedAt } = file;
  if (exportedAt != null && !(typeof exportedAt === 'string' && isInstant(exportedAt))) {
    issues.push({ path: 'exportedAt', message: 'is not an instant in UTC' });
  }
  const settings = checkRecord('settings', { ...DEFAULT_SETTINGS, ...(withoutNulls(file.settings ?? {}) as object) });
  if (file.settings != null && (typeof file.settings !== 'object' || Array.isArray(file.settings))) {
    issues.push({ path: 'settings', message: 'is not an object' });
  }
  issues.push(...settings.issues.map((issue) => within('settings', issue)));
  const lists = LIST_COLLECTIONS.map(
    (collection) => [collection, readList(collection, file[collection], issues)] as const,
  );
  if (settings.record === null) return refused(...issues);
  const records = { settings: settings.record, ...Object.fromEntries(lists) } as Records;
  if (issues.length === 0) issues.push(...relationsIn(records));
  if (issues.length > 0) return refused(...issues);
  return { records, ...(typeof exportedAt === 'string' ? { exportedAt } : {}), issues: [] };
}

const within = (prefix: string, { path, message }: Issue): Issue => ({
  path: path === '' ? prefix : `${prefix}.${path}`,
  message,
});

function readList(collection: ListCollection, value: unknown, issues: Issue[]): RecordOf<ListCollection>[] {
  if (value === undefined || value === null) return [];
  if (!Array.isArray(value)) {
    issues.push({ path: collection, message: 'is not a list' });
    return [];
  }
  const seen = new Map<string, number>();
  return value.flatMap((each: unknown, index) => {
    const path = `${collection}[${index}]`;
    const { record, issues: found } = checkRecord(collection, each);
    issues.push(...found.map((issue) => within(path, issue)));
    if (record === null) return [];
    const key = keyOf(collection, record as never);
    const before = seen.get(key);
    if (before !== undefined) issues.push({ path, message: `is there twice, first at ${collection}[${before}]` });
    else seen.set(key, index);
    return [record];
  });
}

/** Faults between the records of a file: ids that are not there, circles, and what does not fit together. */
export function relationsIn(records: Records): Issue[] {
  const maps = new Map<Collection, Map<string, unknown>>(
    LIST_COLLECTIONS.filter((collection) => collection !== 'entries').map((collection) => [
      collection,
      new Map(
        (records[collection] as RecordOf<ListCollection>[]).map((each) => [keyOf(collection, each as never), each]),
      ),
    ]),
  );
  const find: Find = (collection, key) => maps.get(collection)?.get(key) as never;
  return LIST_COLLECTIONS.flatMap((collection) =>
    (records[collection] as RecordOf<ListCollection>[]).flatMap((record, index) =>
      relationIssues(collection, record as never, find).map((issue) => within(`${collection}[${index}]`, issue)),
    ),
  );
}

/** A person's records as a data file. */
export const dataFileOf = (records: Records, exportedAt?: InstantText): DataFile => ({
  format: 'wimbel',
  version: DATA_FILE_VERSION,
  ...(exportedAt === undefined ? {} : { exportedAt }),
  ...records,
});

/** A data file as JSON text, one record a line, so that two files can be compared. */
export function writeDataFile(file: DataFile): string {
  const lines = Object.entries(file).map(([key, value]) => {
    if (!Array.isArray(value)) return `${JSON.stringify(key)}: ${JSON.stringify(value)}`;
    const rows = value.map((each) => `\n    ${JSON.stringify(each)}`).join(',');
    return `${JSON.stringify(key)}: [${rows}${value.length > 0 ? '\n  ' : ''}]`;
  });
  return `{\n  ${lines.join(',\n  ')}\n}\n`;
}
