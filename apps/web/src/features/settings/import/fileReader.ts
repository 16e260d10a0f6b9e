import { type Change, type Collection, type Issue, type RecordOf, keyOf } from '@wimbel/contract';
import type { Records, Settings } from '@wimbel/core';
import { readDataFileText } from '@wimbel/exchange';
import { type ImportMode, planImport, countsOf } from '../../../store/importPlan.ts';
import { placeOf, recordAt } from '@wimbel/sync';
import { type RecordsState, emptyRecordsState, withRows } from '@wimbel/sync';

/** A file read: what it holds, or what is wrong with it (the first faults, and how many there are). */
export type OpenedFile =
  { issues: null; kinds: [Collection, number][]; exportedAt: string | null } | { issues: Issue[]; issueCount: number };

/** What a way of bringing a file in comes to, in records: of those here before, `stays` are later here. */
export type Plan = { fresh: number; replaced: number; stays: number; gone: number; count: number };

/** Origins of this device's records, by collection and key. */
type MadeOf = (
  places: readonly { collection: Collection; key: string }[],
) => Promise<ReadonlyMap<string, { madeAt: string }>>;

/** Reads a data file beside the screen, and works out what it changes. */
export type FileReader = {
  open: (bytes: ArrayBuffer) => OpenedFile;
  /** The parts of the page. */
  begin: (settings: Settings) => void;
  add: (collection: Collection, records: readonly RecordOf<Collection>[]) => void;
  /** Works out a way of bringing the file in. `waiting` are places that were changed here and not sent yet. */
  plan: (way: ImportMode, accountId: string | null, waiting: readonly string[]) => Promise<Plan>;
  /** Changes of what was worked out last; their instants are the page's to give. */
  changes: (from: number, to: number) => Change[];
};

/** Most faults that are listed; there may be thousands. */
const SHOWN_ISSUES = 20;

export function createFileReader(storeOf: (accountId: string) => MadeOf): FileReader {
  let file: Records | null = null;
  let exportedAt: string | null = null;
  let here: RecordsState = emptyRecordsState();
  let planned: Change[] = [];
  return {
    open(bytes) {
      const text = new TextDecoder().decode(bytes);
      const read = readDataFileText(text);
      if (read.records === null) return { issues: read.issues.slice(0, SHOWN_ISSUES), issueCount: read.issues.length };
      file = read.records;
      exportedAt = read.exportedAt ?? null;
      return { issues: null, kinds: countsOf(file), exportedAt };
    },
    begin: (settings) => void (here = { ...emptyRecordsState(), settings }),
    add: (collection, records) =>
      void (here = withRows(
        here,
        records.map((record) => ({ collection, key: keyOf(collection, record), record })),
      )),
    async plan(way, accountId, waiting) {
      const changes = planImport(here, file!, way);
      const isHere = ({ collection, key }: Change): boolean => recordAt(here, collection, key) !== null;
      const overwrites = changes.filter((each) => each.record !== null && isHere(each));
      const later = new Set<string>(way === 'merge' ? waiting : []);
      if (way === 'merge' && accountId !== null && exportedAt !== null) {
        const made = await storeOf(accountId)(overwrites).catch(() => new Map<string, { madeAt: string }>());
        for (const [place, { madeAt }] of made) if (Date.parse(madeAt) > Date.parse(exportedAt)) later.add(place);
      }
      const stays = new Set(overwrites.filter((each) => later.has(placeOf(each))));
      planned = changes.filter((each) => !stays.has(each));
      const gone = changes.filter(({ record }) => record === null).length;
      return {
        fresh: changes.length - gone - overwrites.length,
        replaced: overwrites.length - stays.size,
        stays: stays.size,
        gone,
        count: planned.length,
      };
    },
    changes: (from, to) => planned.slice(from, to),
  };
}
