import { type Entry, type Habit, type PlainDay, formatDay } from '@wimbel/core';
import {
  type Block,
  type GridChoices,
  type GridFault,
  type GridReading,
  type LeftOut,
  type ListBlock,
  type NameChoice,
  type RawGrid,
  type ReadName,
  type CellValue,
  broughtByGrid,
  choicesFor,
  gridOfText,
  gridsOfFile,
  headKey,
  readGrids,
} from '@wimbel/exchange';

/** Import source: a file, or pasted text. */
export type Source = { bytes: Uint8Array; name: string } | { text: string };

/** A grid as it is listed: its name, and how many lines it has either way. */
export type GridSize = { name: string; rows: number; columns: number };

/** A block of days in a grid, as it is shown: the key of its head, and its month where it stands for one. */
type ShownBlock = {
  grid: number;
  head: string;
  layout: Block['layout'] | 'list';
  first: string | null;
  isMonth: boolean;
};

/** The reading without its cells. */
export type Understood = {
  names: ReadName[];
  /** Default target of each name. */
  choices: NameChoice[];
  blocks: ShownBlock[];
  first: string | null;
  last: string | null;
  noes: number;
  unclear: { grid: number; row: number; column: number; text: string }[];
  unclearCount: number;
  leftOut: (LeftOut & { grid: number })[];
} & Pick<GridReading, 'dateOrder' | 'isOrderOpen' | 'isYearGuessed' | 'year' | 'withoutMonth'>;

/** How a cell was understood. */
export type CellRole = Exclude<CellValue['kind'], 'share'> | 'day' | 'name' | 'target' | 'out' | 'unclear' | 'blank';
/** A cell as it is kept, and what it was understood as. */
export type ShownCell = { text: string; role: CellRole };
/** How a line was understood: what it is called. */
export type LineRole = { role: 'days' | 'names' | 'day' | 'name' | 'out' | 'none'; label: string };
/** A part of a grid. */
export type ShownPart = { cells: ShownCell[][]; rows: LineRole[]; columns: LineRole[] };
/** Lines from one up to (not with) another. */
type PartOfGrid = { grid: number; fromRow: number; toRow: number; fromColumn: number; toColumn: number };

/** Counts of an import. */
export type Coming = {
  days: number;
  habits: Habit[];
  changed: Habit[];
  replaced: number;
  left: { unclear: number; nowhere: number; future: number };
  /** By name, the day that it counts from, where it is new or begins earlier by this; else null. */
  starts: (string | null)[];
  /** By name, the day of its first mark; null without any. */
  marks: (string | null)[];
  firstDay: string | null;
  lastDay: string | null;
};

/** Reads grids beside the screen. */
export type Reader = {
  open: (source: Source) => Promise<{ fault: GridFault } | { fault: null; grids: GridSize[] }>;
  understand: (today: PlainDay, choices: GridChoices, habits: readonly Habit[]) => Understood;
  part: (part: PartOfGrid) => ShownPart;
  /** What an existing habit has recorded, where a name is imported into it. */
  here: (habitId: string, entries: readonly Entry[]) => void;
  bring: (choices: readonly NameChoice[], isNoMissed: boolean, habits: readonly Habit[], today: PlainDay) => Coming;
  entries: (from: number, to: number) => Entry[];
};

/** Most unclear cells that are listed. */
const SHOWN_UNCLEAR = 100;

const keyOf = (grid: number, row: number, column: number): string => `${grid} ${row} ${column}`;

type Marked = {
  cells: Map<string, CellRole>;
  rows: Map<string, LineRole>;
  columns: Map<string, LineRole>;
};

const none: LineRole = { role: 'none', label: '' };

function markBlock({ cells, rows, columns }: Marked, block: Block | ListBlock, days: (PlainDay | null)[]): void {
  const put = (axis: 'row' | 'column', at: number, role: LineRole): void => {
    const lines = axis === 'row' ? rows : columns;
    const before = lines.get(`${block.grid} ${at}`);
    // A line may stand for a day of several months, or for several names.
    const isShared = before?.role === role.role && before.label !== role.label;
    lines.set(`${block.grid} ${at}`, isShared ? { ...role, label: '' } : role);
  };
  const dayLabel = (index: number): string => (days[index] === null ? 'no such day' : formatDay(days[index]!));
  if (block.layout === 'list') {
    put('column', block.day, { role: 'days', label: 'Days' });
    put('column', block.name, { role: 'names', label: 'Names' });
    for (const [index, { at }] of block.days.entries()) {
      put('row', at, { role: 'day', label: dayLabel(index) });
      cells.set(keyOf(block.grid, at, block.day), 'day');
      cells.set(keyOf(block.grid, at, block.name), 'name');
    }
    return;
  }
  const isAcross = block.layout === 'across';
  const [dayAxis, nameAxis] = isAcross ? (['column', 'row'] as const) : (['row', 'column'] as const);
  const cell = (day: number, name: number): string =>
    isAcross ? keyOf(block.grid, name, day) : keyOf(block.grid, day, name);
  put(nameAxis, block.head, { role: 'days', label: 'Days' });
  if (block.nameLine !== null) put(dayAxis, block.nameLine, { role: 'names', label: 'Names' });
  for (const [index, { at }] of block.days.entries()) {
    put(dayAxis, at, { role: 'day', label: dayLabel(index) });
    cells.set(cell(at, block.head), 'day');
  }
  for (const { at, name } of block.names) {
    put(nameAxis, at, { role: 'name', label: name });
    if (block.nameLine !== null) cells.set(cell(block.nameLine, at), 'name');
    for (const target of block.targets) cells.set(cell(target, at), 'target');
  }
  for (const { axis, at, name } of block.leftOut) put(axis, at, { role: 'out', label: name });
}

function markedBy(reading: GridReading): Marked {
  const marked: Marked = { cells: new Map(), rows: new Map(), columns: new Map() };
  for (const [index, block] of reading.blocks.entries()) markBlock(marked, block, reading.days[index]!);
  for (const { grid, row, column, said } of reading.cells)
    marked.cells.set(keyOf(grid, row, column), said.kind === 'share' ? 'out' : said.kind);
  for (const { grid, row, column } of reading.unclear) marked.cells.set(keyOf(grid, row, column), 'unclear');
  return marked;
}

function understood(reading: GridReading, habits: readonly Habit[]): Understood {
  let [first, last] = [Infinity, -Infinity];
  for (const { day, said } of reading.cells) {
    if (said.kind === 'no') continue;
    first = Math.min(first, day);
    last = Math.max(last, day);
  }
  const { names, unclear, leftOut, dateOrder, isOrderOpen, isYearGuessed, year, withoutMonth } = reading;
  return {
    names,
    choices: choicesFor(reading, habits),
    blocks: reading.blocks.map((block, index): ShownBlock => {
      const day = reading.days[index]!.find((each) => each !== null) ?? null;
      return {
        grid: block.grid,
        head: headKey(block),
        layout: block.layout,
        first: day === null ? null : formatDay(day),
        isMonth: block.days[0]?.number !== undefined,
      };
    }),
    first: first === Infinity ? null : formatDay(first),
    last: last === -Infinity ? null : formatDay(last),
    noes: names.reduce((sum, each) => sum + each.noes, 0),
    unclear: unclear
      .slice(0, SHOWN_UNCLEAR)
      .map(({ grid, row, column, text }) => ({ grid, row, column, text: text.slice(0, 60) })),
    unclearCount: unclear.length,
    leftOut: leftOut.slice(0, SHOWN_UNCLEAR),
    dateOrder,
    isOrderOpen,
    isYearGuessed,
    year,
    withoutMonth,
  };
}

function partOf(
  grids: readonly RawGrid[],
  marked: Marked,
  { grid, fromRow, toRow, fromColumn, toColumn }: PartOfGrid,
): ShownPart {
  const lines = (from: number, to: number, roles: Map<string, LineRole>): LineRole[] =>
    Array.from({ length: Math.max(0, to - from) }, (_, at) => roles.get(`${grid} ${from + at}`) ?? none);
  const rows = lines(fromRow, toRow, marked.rows);
  const columns = lines(fromColumn, toColumn, marked.columns);
  const cells = rows.map((rowRole, down) =>
    columns.map((columnRole, across): ShownCell => {
      const [row, column] = [fromRow + down, fromColumn + across];
      const text = grids[grid]?.rows[row]?.[column]?.text ?? '';
      const role = marked.cells.get(keyOf(grid, row, column));
      if (role !== undefined) return { text, role };
      return { text, role: text !== '' && (rowRole.role === 'out' || columnRole.role === 'out') ? 'out' : 'blank' };
    }),
  );
  return { cells, rows, columns };
}

export function createReader(newId: () => string): Reader {
  let grids: RawGrid[] = [];
  let reading: GridReading | null = null;
  let marked: Marked = { cells: new Map(), rows: new Map(), columns: new Map() };
  let entries: Entry[] = [];
  // A name keeps the id of the habit that would be made for it, however often that is worked out.
  const ids: string[] = [];
  const known = new Map<string, Map<string, Entry>>();
  return {
    async open(source) {
      const read = 'text' in source ? gridOfText(source.text, '') : await gridsOfFile(source.bytes, source.name);
      if (read.grids === null) return { fault: read.fault };
      ({ grids } = read);
      return {
        fault: null,
        grids: grids.map(({ name, rows }) => ({
          name,
          rows: rows.length,
          columns: rows.reduce((most, row) => Math.max(most, row.length), 0),
        })),
      };
    },
    understand(today, choices, habits) {
      reading = readGrids(grids, today, choices);
      marked = markedBy(reading);
      return understood(reading, habits);
    },
    part: (part) => partOf(grids, marked, part),
    here: (habitId, own) => void known.set(habitId, new Map(own.map((each) => [each.day, each]))),
    bring(choices, isNoMissed, habits, today) {
      let at = 0;
      const brought = broughtByGrid(
        reading!,
        choices,
        { isNoMissed },
        {
          habits,
          today,
          entryAt: (habitId, day) => known.get(habitId)?.get(day),
          newId: () => (ids[at++] ??= newId()),
        },
      );
      entries = brought.entries;
      const days = entries.map(({ day }) => day);
      return {
        days: entries.length,
        habits: brought.habits,
        changed: brought.changed,
        replaced: brought.replaced,
        left: brought.left,
        starts: brought.starts,
        marks: brought.marks,
        firstDay: days.reduce<string | null>((first, day) => (first === null || day < first ? day : first), null),
        lastDay: days.reduce<string | null>((last, day) => (last === null || day > last ? day : last), null),
      };
    },
    entries: (from, to) => entries.slice(from, to),
  };
}
