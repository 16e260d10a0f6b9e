import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import { DEFAULT_SETTINGS, type DaySpan, type PlainDay, type Records, type Settings, reportOf } from '@wimbel/core';
import { type CalendarKind, type TableKind, calendarFile, csvOf, tableOf } from '@wimbel/exchange';

/** What somebody wants to take out. */
export type Wish =
  | { kind: 'table'; table: TableKind; span: DaySpan | null; today: PlainDay }
  | { kind: 'calendar'; shows: CalendarKind[]; today: PlainDay; stamp: string };

/** The text of a file, and how many lines or entries it has. */
export type Taken = { text: string; count: number };

/** Writes files beside the screen, of records that it is handed piece by piece. */
export type Taker = {
  begin: (settings: Settings) => void;
  add: (collection: Collection, records: readonly RecordOf<Collection>[]) => void;
  write: (wish: Wish) => Taken;
};

const empty = (settings: Settings): Records =>
  ({ settings, ...Object.fromEntries(LIST_COLLECTIONS.map((collection) => [collection, []])) }) as unknown as Records;

export function createTaker(): Taker {
  let held = empty(DEFAULT_SETTINGS);
  return {
    begin: (settings) => void (held = empty(settings)),
    add: (collection, records) => {
      const list = held[collection] as unknown as RecordOf<Collection>[];
      for (const each of records) list.push(each);
    },
    write(wish) {
      if (wish.kind === 'calendar') {
        const text = calendarFile(held, new Set(wish.shows), wish.today, new Date(wish.stamp));
        return { text, count: text.split('BEGIN:VEVENT').length - 1 };
      }
      const table = tableOf(wish.table, held, () => reportOf(held, wish.today), wish.span);
      return { text: csvOf(table), count: table.rows.length };
    },
  };
}
