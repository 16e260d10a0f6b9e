import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import {
  DEFAULT_SETTINGS,
  type DaySpan,
  type PlainDay,
  type Records,
  type Settings,
  monthOf,
  reportOf,
} from '@wimbel/core';
import {
  type CalendarKind,
  type MonthsSpan,
  type TableKind,
  calendarFile,
  csvOf,
  dataFileOf,
  storyMarkdown,
  tableOf,
  workbookOf,
  writeDataFile,
} from '@wimbel/exchange';
import { countsOf, inFileOrder } from '../../../store/importPlan.ts';

/** What to export. */
export type ExportOptions =
  | { kind: 'table'; table: TableKind; span: DaySpan | null; today: PlainDay }
  | { kind: 'calendar'; shows: CalendarKind[]; today: PlainDay; stamp: string }
  | { kind: 'workbook'; span: MonthsSpan; today: PlainDay }
  | { kind: 'everything'; stamp: string }
  | { kind: 'story'; today: PlainDay };

/** Content of a file, and how many lines, entries, months, records or goals it has. */
export type ExportContent = { content: string | Uint8Array<ArrayBuffer>; count: number };

/** Writes export files of a record received chunk by chunk. */
type Exporter = {
  begin: (settings: Settings) => void;
  add: (collection: Collection, records: readonly RecordOf<Collection>[]) => void;
  write: (options: ExportOptions, onShare: (share: number) => void) => Promise<ExportContent>;
};

/** An exporter in a worker: returns Blobs, which are transferred without copying. */
export type WorkerExporter = Omit<Exporter, 'write'> & {
  write: (options: ExportOptions, type: string, onShare: (share: number) => void) => Promise<ExportFile>;
};
export type ExportFile = { file: Blob; count: number };

const empty = (settings: Settings): Records =>
  ({ settings, ...Object.fromEntries(LIST_COLLECTIONS.map((collection) => [collection, []])) }) as unknown as Records;

const daysIn = (entries: Records['entries'], span: MonthsSpan): number =>
  span === null
    ? entries.length
    : entries.filter(({ day }) => {
        const month = monthOf(day.slice(0, 7));
        return month >= span.first && month <= span.last;
      }).length;

export function createExporter(): Exporter {
  let held = empty(DEFAULT_SETTINGS);
  return {
    begin: (settings) => void (held = empty(settings)),
    add: (collection, records) => {
      const list = held[collection] as unknown as RecordOf<Collection>[];
      for (const each of records) list.push(each);
    },
    async write(options, onShare) {
      switch (options.kind) {
        case 'calendar': {
          const content = calendarFile(held, new Set(options.shows), options.today, new Date(options.stamp));
          return { content, count: content.split('BEGIN:VEVENT').length - 1 };
        }
        case 'workbook': {
          const content = await workbookOf(held, options.today, options.span, onShare);
          return { content: content as Uint8Array<ArrayBuffer>, count: daysIn(held.entries, options.span) };
        }
        case 'everything':
          return {
            content: writeDataFile(dataFileOf(inFileOrder(held), options.stamp)),
            count: countsOf(held).reduce((sum, [, count]) => sum + count, 0),
          };
        case 'story':
          return {
            content: storyMarkdown(held, reportOf(held, options.today)),
            count: held.goals.length + held.reviews.length,
          };
        case 'table': {
          const table = tableOf(options.table, held, () => reportOf(held, options.today), options.span);
          return { content: csvOf(table), count: table.rows.length };
        }
      }
    },
  };
}
