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

/** What somebody wants to take out. */
export type Wish =
  | { kind: 'table'; table: TableKind; span: DaySpan | null; today: PlainDay }
  | { kind: 'calendar'; shows: CalendarKind[]; today: PlainDay; stamp: string }
  | { kind: 'workbook'; span: MonthsSpan; today: PlainDay }
  | { kind: 'everything'; stamp: string }
  | { kind: 'story'; today: PlainDay };

/** A file, and how many lines, entries, months, records or goals it has. */
export type Taken = { content: string | Uint8Array<ArrayBuffer>; count: number };

/** Writes files beside the screen, of records that it is handed piece by piece. */
type Taker = {
  begin: (settings: Settings) => void;
  add: (collection: Collection, records: readonly RecordOf<Collection>[]) => void;
  write: (wish: Wish, onShare: (share: number) => void) => Promise<Taken>;
};

/** A taker in a worker: its files come as such, which weigh nothing to hand over however large they are. */
export type BesideTaker = Omit<Taker, 'write'> & {
  write: (wish: Wish, type: string, onShare: (share: number) => void) => Promise<TakenFile>;
};
export type TakenFile = { file: Blob; count: number };

const empty = (settings: Settings): Records =>
  ({ settings, ...Object.fromEntries(LIST_COLLECTIONS.map((collection) => [collection, []])) }) as unknown as Records;

const daysIn = (entries: Records['entries'], span: MonthsSpan): number =>
  span === null
    ? entries.length
    : entries.filter(({ day }) => {
        const month = monthOf(day.slice(0, 7));
        return month >= span.first && month <= span.last;
      }).length;

export function createTaker(): Taker {
  let held = empty(DEFAULT_SETTINGS);
  return {
    begin: (settings) => void (held = empty(settings)),
    add: (collection, records) => {
      const list = held[collection] as unknown as RecordOf<Collection>[];
      for (const each of records) list.push(each);
    },
    async write(wish, onShare) {
      switch (wish.kind) {
        case 'calendar': {
          const content = calendarFile(held, new Set(wish.shows), wish.today, new Date(wish.stamp));
          return { content, count: content.split('BEGIN:VEVENT').length - 1 };
        }
        case 'workbook': {
          const content = await workbookOf(held, wish.today, wish.span, onShare);
          return { content: content as Uint8Array<ArrayBuffer>, count: daysIn(held.entries, wish.span) };
        }
        case 'everything':
          return {
            content: writeDataFile(dataFileOf(inFileOrder(held), wish.stamp)),
            count: countsOf(held).reduce((sum, [, count]) => sum + count, 0),
          };
        case 'story':
          return {
            content: storyMarkdown(held, reportOf(held, wish.today)),
            count: held.goals.length + held.reviews.length,
          };
        case 'table': {
          const table = tableOf(wish.table, held, () => reportOf(held, wish.today), wish.span);
          return { content: csvOf(table), count: table.rows.length };
        }
      }
    },
  };
}
