import { type PlainDay, daysInMonthOf, dayFromParts, formatDay, partsOfDay } from '@wimbel/core';
import {
  type Block,
  type DaySlot,
  type Layout,
  type LeftOut,
  type LineChoices,
  type ListBlock,
  blocksOf,
  hasOpenDates,
  lineKey,
  orderOfDates,
} from './blocks.ts';
import { type DateOrder, dayOfDate } from './dayWords.ts';
import type { RawGrid } from './raw.ts';
import { type CellValue, numberIn, parseCell, unitOf } from './parseCell.ts';

/** What a person chose where a grid can be read in several ways. */
export type GridChoices = LineChoices & {
  dateOrder?: DateOrder;
  /** The year of the last month that says none. */
  year?: number;
  /** The month (`YYYY-MM`) of a block of day numbers, by the key of its head line. */
  months?: Record<string, { year: number; month: number }>;
};

/** A cell that says something of a day; `name` is a place among the names. */
export type ReadCell = {
  grid: number;
  row: number;
  column: number;
  day: PlainDay;
  name: number;
  said: CellValue;
  note?: string;
};

/** A name that days are recorded under, in all grids together, and how it seems to be recorded. */
export type ReadName = {
  name: string;
  kind: 'check' | 'amount';
  /** Empty where none is written. */
  unit: string;
  /** The least amount that is written, for what counts as done. */
  least: number | null;
  /** How many days say something other than "no", and how many say no. */
  days: number;
  noes: number;
  /** Targets of months, by `YYYY-MM`. */
  targets: Record<string, number>;
};

/** A cell on a day of a name that says nothing clear. */
export type UnclearCell = { grid: number; row: number; column: number; text: string; name: string; day: PlainDay };

/** What was understood of some grids. */
export type GridReading = {
  blocks: (Block | ListBlock)[];
  /** The days of a block's lines, in the order of its `days`; null for a line that is no day of its month. */
  days: (PlainDay | null)[][];
  names: ReadName[];
  cells: ReadCell[];
  unclear: UnclearCell[];
  leftOut: (LeftOut & { grid: number })[];
  dateOrder: DateOrder;
  /** Whether dates can be read in two ways and nothing tells which is meant. */
  isOrderOpen: boolean;
  /** Whether years were guessed, and the year that the last month was taken for. */
  isYearGuessed: boolean;
  year: number;
  /** Blocks of day numbers without a month, by the keys of their heads. */
  withoutMonth: string[];
};

/** The key of the head line of a block. */
export const headKey = ({ grid, layout, head }: { grid: number; layout: Layout; head: number }, at = 0): string =>
  `${lineKey(grid, layout === 'across' ? 'row' : 'column', head)}${at === 0 ? '' : ` ${at}`}`;

const isOneList = (block: Block | ListBlock): block is ListBlock => block.layout === 'list';

/** The month that each block without full dates begins with, where it says one: what comes later is later. */
function monthsOf(blocks: readonly (Block | ListBlock)[], today: PlainDay, choices: GridChoices) {
  type Placed = { year: number | null; month: number; isSaid: boolean };
  const keys = new Set<string>();
  const withoutMonth: string[] = [];
  const placed = blocks.map((block): Placed | null => {
    const [first] = block.days;
    if (first === undefined || first.day !== undefined || (first.written && first.written.year !== null)) return null;
    let key = headKey(block);
    for (let at = block.days[0]!.at; keys.has(key); at++) key = headKey(block, at);
    keys.add(key);
    const chosen = choices.months?.[key];
    if (chosen) return { ...chosen, isSaid: true };
    if (first.written) return { year: null, month: first.written.month, isSaid: false };
    const month = isOneList(block) ? null : block.month;
    if (month !== null) return { ...month, isSaid: month.year !== null };
    withoutMonth.push(key);
    const now = partsOfDay(today);
    return { year: now.year, month: now.month, isSaid: true };
  });
  // Missing years continue from the year before, or count back from the next one.
  let last: { year: number; month: number } | null = null;
  for (const each of placed) {
    if (each === null) continue;
    if (each.year === null && last !== null) each.year = each.month < last.month ? last.year + 1 : last.year;
    if (each.year !== null) last = { year: each.year, month: each.month };
  }
  const now = partsOfDay(today);
  const final = placed.filter((each) => each !== null).at(-1);
  const isGuessed = placed.some((each) => each !== null && each.year === null);
  let next: { year: number; month: number } | null = null;
  for (const each of [...placed].reverse()) {
    if (each === null) continue;
    if (each.year === null) {
      if (next !== null) each.year = each.month > next.month ? next.year - 1 : next.year;
      else each.year = choices.year ?? (final!.month > now.month ? now.year - 1 : now.year);
    }
    next = { year: each.year, month: each.month };
  }
  return {
    placed: placed as ({ year: number; month: number } | null)[],
    withoutMonth,
    isGuessed,
    year: final?.year ?? now.year,
  };
}

/** The day of each line of a block: numbers are days of its month, or of the next once they begin anew. */
function daysOf(slots: readonly DaySlot[], month: { year: number; month: number } | null): (PlainDay | null)[] {
  let [year, at] = [month?.year ?? 0, month?.month ?? 1];
  let last = 0;
  return slots.map(({ day, written, number }) => {
    if (day !== undefined) return day;
    if (written) {
      if (written.year !== null) return dayOfDate(written, written.year);
      if (written.month < at - 6) year++;
      at = written.month;
      return dayOfDate(written, year);
    }
    if (number! < last) {
      at = at === 12 ? 1 : at + 1;
      if (at === 1) year++;
    }
    last = number!;
    return number! <= daysInMonthOf(year, at) ? dayFromParts(year, at, number!) : null;
  });
}

/** A name as it is written, without a unit in brackets. */
const bareName = (name: string): { bare: string; unit: string } => {
  const found = /^(.*\S)\s*[([]([^()[\]]{1,16})[)\]]$/.exec(name.trim());
  return found ? { bare: found[1]!, unit: unitOf(found[2]!) } : { bare: name.trim(), unit: '' };
};

type Gathered = {
  name: string;
  units: Map<string, number>;
  amounts: number[];
  days: number;
  noes: number;
  isCounted: boolean;
  targets: Record<string, number>;
};

/** Groups the cells by name, in order of first appearance. */
function createGathering() {
  const byName = new Map<string, number>();
  const all: Gathered[] = [];
  const cells: ReadCell[] = [];
  const place = (written: string, said?: string): number => {
    const { bare, unit } = said ? { bare: written.trim(), unit: unitOf(said) } : bareName(written);
    const key = bare.toLowerCase();
    let at = byName.get(key);
    if (at === undefined) {
      at = all.length;
      byName.set(key, at);
      all.push({ name: bare, units: new Map(), amounts: [], days: 0, noes: 0, isCounted: false, targets: {} });
    }
    if (unit !== '') all[at]!.units.set(unit, (all[at]!.units.get(unit) ?? 0) + 1);
    return at;
  };
  const add = (cell: ReadCell): void => {
    const of = all[cell.name]!;
    if (cell.said.kind === 'no') of.noes++;
    else of.days++;
    if (cell.said.kind === 'amount') {
      of.amounts.push(cell.said.amount);
      if (cell.said.unit !== null) of.units.set(cell.said.unit, (of.units.get(cell.said.unit) ?? 0) + 1);
      if (cell.said.unit !== null || cell.said.amount !== 1) of.isCounted = true;
    }
    cells.push(cell);
  };
  const names = (): ReadName[] =>
    all.map(({ name, units, amounts, days, noes, isCounted, targets }) => {
      const [unit] = [...units].sort((a, b) => b[1] - a[1])[0] ?? [''];
      const isAmount = isCounted || (amounts.length > 0 && unit !== '');
      const least = isAmount ? amounts.reduce((low, each) => Math.min(low, each), Infinity) : null;
      return { name, kind: isAmount ? 'amount' : 'check', unit: isAmount ? unit : '', least, days, noes, targets };
    });
  return { place, add, names, cells, targetsOf: (at: number) => all[at]!.targets };
}

/** Several grids as days of names. Nothing is kept by it; what is read, what is not and why stands beside each other. */
export function readGrids(grids: readonly RawGrid[], today: PlainDay, choices: GridChoices = {}): GridReading {
  const told = orderOfDates(grids);
  const dateOrder = choices.dateOrder ?? told ?? 'dayFirst';
  const blocks = grids.flatMap((grid, index) => blocksOf(grid, index, dateOrder, choices));
  const { placed, withoutMonth, isGuessed, year } = monthsOf(blocks, today, choices);
  const days = blocks.map((block, at) => daysOf(block.days, placed[at]!));
  const gathering = createGathering();
  const unclear: UnclearCell[] = [];
  const leftOut: GridReading['leftOut'] = [];
  const take = (
    grid: number,
    row: number,
    column: number,
    day: PlainDay | null,
    name: number,
    text: string,
    note?: string,
  ): void => {
    const said = parseCell(text);
    if (said === undefined || said?.kind === 'share') return;
    if (said === null || day === null) unclear.push({ grid, row, column, text, name: '', day: day ?? (0 as PlainDay) });
    else gathering.add({ grid, row, column, day, name, said, ...(note ? { note } : {}) });
  };
  for (const [at, block] of blocks.entries()) {
    const { rows } = grids[block.grid]!;
    const textAt = (row: number, column: number): string => rows[row]?.[column]?.text ?? '';
    if (isOneList(block)) {
      for (const [index, slot] of block.days.entries()) {
        if (choices.lines?.[lineKey(block.grid, 'row', slot.at)] === 'leaveOut') continue;
        const written = textAt(slot.at, block.name);
        if (written === '') continue;
        const name = gathering.place(written);
        const column = block.values.find((each) => textAt(slot.at, each) !== '');
        const unit = block.unit === null ? '' : textAt(slot.at, block.unit);
        const value = column === undefined ? (block.values.length === 0 ? 'done' : '') : textAt(slot.at, column);
        const text = unit !== '' && numberIn(value) !== null ? `${value} ${unit}` : value;
        const note = block.note === null ? '' : textAt(slot.at, block.note);
        take(block.grid, slot.at, column ?? block.name, days[at]![index]!, name, text, note);
      }
      continue;
    }
    const isAcross = block.layout === 'across';
    leftOut.push(...block.leftOut.map((each) => ({ ...each, grid: block.grid })));
    for (const line of block.names) {
      const name = gathering.place(line.name, line.unit);
      for (const [index, slot] of block.days.entries()) {
        const [row, column] = isAcross ? [line.at, slot.at] : [slot.at, line.at];
        take(block.grid, row, column, days[at]![index]!, name, textAt(row, column));
      }
      const month = days[at]!.find((day) => day !== null);
      for (const target of block.targets) {
        const value = numberIn(isAcross ? textAt(line.at, target) : textAt(target, line.at));
        if (value !== null && value > 0 && month != null)
          gathering.targetsOf(name)[formatDay(month).slice(0, 7)] = value;
      }
    }
  }
  const names = gathering.names();
  return {
    blocks,
    days,
    names,
    cells: gathering.cells,
    unclear,
    leftOut,
    dateOrder,
    isOrderOpen: told === null && hasOpenDates(grids),
    isYearGuessed: isGuessed,
    year,
    withoutMonth,
  };
}
