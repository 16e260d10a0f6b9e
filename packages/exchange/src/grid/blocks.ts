import { type PlainDay, dayFromParts } from '@wimbel/core';
import {
  type DateOrder,
  type WrittenDate,
  dateIn,
  dayNumberIn,
  isWeekday,
  monthIn,
  numbersOfDate,
  yearIn,
} from './dayWords.ts';
import type { RawCell, RawGrid } from './raw.ts';
import { parseCell } from './parseCell.ts';

/** How a grid is laid out: days across and habits down, days down and habits across, or a line for each day of a habit. */
export type Layout = 'across' | 'down' | 'list';

/** A line (column or row) that stands for a day, as it is written there. */
export type DaySlot = { at: number; day?: PlainDay; written?: WrittenDate; number?: number };

/** A line that was left out, and why: totals and shares, what formulas made, or words. */
export type LeftOut = {
  axis: 'row' | 'column';
  at: number;
  name: string;
  why: 'total' | 'figured' | 'share' | 'words';
};

/** A part of a grid with days along one side and habits along the other. */
export type Block = {
  grid: number;
  layout: 'across' | 'down';
  /** The line of the days: a row where they go across, a column where they go down. */
  head: number;
  /** The line of the names: a column where days go across, a row where they go down; null where there are none. */
  nameLine: number | null;
  days: DaySlot[];
  names: { at: number; name: string; unit?: string }[];
  /** Lines beside the days that hold a target for the month. */
  targets: number[];
  leftOut: LeftOut[];
  /** The month above days without one; `year` null where it is missing. */
  month: { month: number; year: number | null } | null;
};

/** A grid with a line for each day of a habit: its columns. */
export type ListBlock = {
  grid: number;
  layout: 'list';
  head: number;
  day: number;
  name: number;
  values: number[];
  note: number | null;
  unit: number | null;
  days: DaySlot[];
};

/** The person's corrections of how the lines of a grid were read. */
export type LineChoices = {
  /** The layout of a grid and the line that holds its days. */
  heads?: Record<number, { layout: 'across' | 'down'; at: number }>;
  /** The line that holds the names of a grid. */
  nameLines?: Record<number, number>;
  /** By `lineKey`: taken though it looks like a total, or left out. */
  lines?: Record<string, 'take' | 'leaveOut'>;
};

/** The name of a line of a grid in {@link LineChoices}. */
export const lineKey = (grid: number, axis: 'row' | 'column', at: number): string => `${grid} ${axis} ${at}`;

const HEAD_WORD = /^(habits?|names?|days?|dates?|activit(y|ies)|what|tasks?|routines?|month|when)$/i;
const TARGET = /^(goals?|targets?|plan(ned)?|aim|month(ly)? (goal|target))$/i;
const TOTAL =
  /^(totals?|sums?|done|days? done|count|scores?|average|avg\.?|mean|share|progress|left|remaining|streaks?|(current|best|longest) (streak|run)|results?|completed?|completion( rate)?|achieved|success( rate)?|per ?cent(age)?|rate|per (week|month)|(week|wk|w) ?\d{0,2}( total)?|all|#|no\.?|nr\.?)$|%|^(total|sum) /i;
const UNIT = /^units?$/i;
const NOTE = /^(notes?|comments?|remarks?|reasons?|journal)$/i;
const NAMES = /^(habits?|names?|activit(y|ies)|what|tasks?|routines?)$/i;
const VALUES = /^(marks?|done|status|values?|amounts?|counts?|minutes|min|how much|result|completed?|quantity)$/i;
const LEAST_DATES = 4;
/** Least length of a run of consecutive days. */
const LEAST_DAYS_RUNNING = 2;
const LEAST_NUMBERS = 5;
const MANY_NUMBERS = 20;
const MOST_BETWEEN = 4;

const EMPTY: RawCell = { text: '' };
const cellAt = ({ rows }: RawGrid, row: number, column: number): RawCell => rows[row]?.[column] ?? EMPTY;
const widthOf = ({ rows }: RawGrid): number => rows.reduce((most, row) => Math.max(most, row.length), 0);

const orderOf = ({ day, written }: DaySlot): number =>
  day ?? (written!.year ?? 0) * 372 + written!.month * 31 + written!.date;

/** Whether most dates ascend (or descend) along a line; dates without a year may cross a year's end. */
function isInOrder(slots: readonly DaySlot[]): boolean {
  const steps = slots.slice(1).map((slot, at) => orderOf(slot) - orderOf(slots[at]!));
  const up = steps.filter((step) => step > 0).length;
  return Math.max(up, steps.filter((step) => step < 0).length) >= steps.length * 0.8;
}

function dateSlot(cell: RawCell, at: number, order: DateOrder): DaySlot | null {
  if (cell.day !== undefined) return { at, day: cell.day };
  const written = cell.text === '' ? null : dateIn(cell.text, order);
  return written === null ? null : { at, written };
}

/** Runs of day numbers that go up one by one along a line; a month may begin in between. */
function numberRuns(cells: readonly RawCell[], mostBetween: number, mayTurn: boolean): DaySlot[][] {
  const runs: DaySlot[][] = [];
  let run: DaySlot[] = [];
  for (const [at, { text }] of cells.entries()) {
    const number = dayNumberIn(text);
    if (number === null) continue;
    const last = run.at(-1);
    const goesOn =
      last !== undefined &&
      at - last.at <= mostBetween &&
      (number === last.number! + 1 || (mayTurn && number === 1 && last.number! >= 28));
    if (!goesOn && run.length > 0) {
      runs.push(run);
      run = [];
    }
    run.push({ at, number });
  }
  if (run.length > 0) runs.push(run);
  return runs.filter((each) => each.length >= LEAST_NUMBERS);
}

/** Whether dates say their year and each is the day after the one before. */
function isRunning(slots: readonly DaySlot[]): boolean {
  const days = slots.map(({ day, written }) => {
    if (day !== undefined || written?.year == null) return day;
    return dayFromParts(written.year, written.month, written.date);
  });
  return days.every((day, at) => day !== undefined && (at === 0 || day === days[at - 1]! + 1));
}

/** The days along a line: dates, else day numbers one after the other. */
function daysAlong(cells: readonly RawCell[], order: DateOrder, mostBetween: number, mayTurn: boolean): DaySlot[][] {
  const dates = cells.flatMap((cell, at) => dateSlot(cell, at, order) ?? []);
  if (dates.length >= LEAST_DATES ? isInOrder(dates) : dates.length >= LEAST_DAYS_RUNNING && isRunning(dates))
    return [dates];
  return numberRuns(cells, mostBetween, mayTurn);
}

const isWords = (text: string): boolean => text !== '' && parseCell(text) === null && !isWeekday(text);

/** Whether what stands before the days of a row may stand in a head: nothing, a month, "Habit". */
const isHeadWord = (text: string): boolean =>
  text === '' ||
  HEAD_WORD.test(text) ||
  TARGET.test(text) ||
  TOTAL.test(text) ||
  monthIn(text) !== null ||
  /^\d{4}$/.test(text);

type Head = { at: number; days: DaySlot[] };

function headsAcross(grid: RawGrid, order: DateOrder): Head[] {
  const heads: Head[] = [];
  for (const [at, row] of grid.rows.entries()) {
    const [days] = daysAlong(row, order, MOST_BETWEEN, true).sort((a, b) => b.length - a.length);
    if (days === undefined) continue;
    const isPlain = row.slice(0, days[0]!.at).every(({ text }) => isHeadWord(text));
    const isCertain = days[0]!.number === undefined || days.length >= MANY_NUMBERS;
    if (isPlain || (isCertain && heads.length === 0)) heads.push({ at, days });
  }
  return heads;
}

function headsDown(grid: RawGrid, order: DateOrder): Head[] {
  const heads: Head[] = [];
  for (let at = 0; at < widthOf(grid); at++) {
    const cells = grid.rows.map((row) => row[at] ?? EMPTY);
    heads.push(...daysAlong(cells, order, 7, false).map((days) => ({ at, days })));
  }
  return heads;
}

/** What lines beside the names say: totals, figures of formulas and shares are no habits. */
function whyLeftOut(name: string, cells: readonly RawCell[]): LeftOut['why'] | null {
  const filled = cells.filter(({ text }) => text !== '');
  if (TOTAL.test(name)) return 'total';
  if (NOTE.test(name)) return 'words';
  if (filled.length === 0) return null;
  if (filled.every(({ isFigured }) => isFigured)) return 'figured';
  const said = filled.map(({ text }) => parseCell(text));
  if (said.every((each) => each?.kind === 'share')) return 'share';
  return filled.length > 2 && said.filter((each) => each === null).length > filled.length * 0.7 ? 'words' : null;
}

const isWeekdays = (cells: readonly RawCell[]): boolean => {
  const filled = cells.filter(({ text }) => text !== '');
  return filled.length > 2 && filled.filter(({ text }) => isWeekday(text)).length >= filled.length * 0.6;
};

/** The month that stands over a block: in its corner, on the lines above it, else in the name of its grid. */
function monthOver(grid: RawGrid, texts: readonly string[], isFirst: boolean): Block['month'] {
  const found = [...texts, grid.name].map(monthIn).find((each) => each !== null) ?? null;
  if (found === null || found.year !== null) return found;
  // A year at the top is that of the first month; later ones go on from there.
  const top = (isFirst ? grid.rows.slice(0, 3) : []).flatMap((row) =>
    row.map(({ text }) => (text.length <= 40 ? text : '')),
  );
  const year = [...texts, grid.name, ...top].map(yearIn).find((each) => each !== null) ?? null;
  return { ...found, year };
}

/** The lines that hold names beside those that hold days, sorted into names, totals and targets. */
function sortLines(
  lines: readonly { at: number; name: string; cells: RawCell[] }[],
  axis: 'row' | 'column',
  grid: number,
  chosen: LineChoices,
): Pick<Block, 'names' | 'leftOut'> {
  const names: Block['names'] = [];
  const leftOut: LeftOut[] = [];
  for (const { at, name, cells } of lines) {
    const said = chosen.lines?.[lineKey(grid, axis, at)];
    const why = said === 'take' ? null : whyLeftOut(name, cells);
    if (said === 'leaveOut') leftOut.push({ axis, at, name, why: 'words' });
    else if (why !== null) leftOut.push({ axis, at, name, why });
    else names.push({ at, name });
  }
  return { names, leftOut };
}

const isTakenDay =
  (chosen: LineChoices, grid: number, axis: 'row' | 'column') =>
  ({ at }: DaySlot) =>
    chosen.lines?.[lineKey(grid, axis, at)] !== 'leaveOut';

/** The column with most different words in some rows, of those that may hold names. */
function namesColumn(grid: RawGrid, rows: readonly number[], columns: readonly number[]): number | null {
  let best: { at: number; count: number } | null = null;
  for (const at of columns) {
    const count = new Set(rows.map((row) => cellAt(grid, row, at).text).filter(isWords)).size;
    if (count > 0 && count >= (best?.count ?? 0)) best = { at, count };
  }
  return best?.at ?? null;
}

const inclusiveRange = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from) }, (_, at) => from + at);

function blockAcross(
  grid: RawGrid,
  index: number,
  head: Head,
  before: number,
  until: number,
  chosen: LineChoices,
): Block {
  const [first, last] = [head.days[0]!.at, head.days.at(-1)!.at];
  const rows = inclusiveRange(head.at + 1, until);
  const width = widthOf(grid);
  const headAt = (at: number): string => cellAt(grid, head.at, at).text;
  const nameLine =
    chosen.nameLines?.[index] ??
    inclusiveRange(0, first).find((at) => NAMES.test(headAt(at))) ??
    namesColumn(grid, rows, inclusiveRange(0, first)) ??
    namesColumn(grid, rows, inclusiveRange(last + 1, width));
  const days = head.days.filter(isTakenDay(chosen, index, 'column'));
  const lines = rows.flatMap((at) => {
    const name = nameLine === null ? '' : cellAt(grid, at, nameLine).text;
    const cells = days.map((day) => cellAt(grid, at, day.at));
    const isNamed = isWords(name) || (name !== '' && TOTAL.test(name));
    if (!isNamed || isWeekdays(cells)) return [];
    // A heading over some rows (an area, a month) says nothing of any day.
    const isHeading = monthIn(name) !== null && cells.every(({ text }) => text === '');
    return isHeading ? [] : [{ at, name, cells }];
  });
  const unitLine = inclusiveRange(0, width).find((at) => UNIT.test(headAt(at)));
  const held = new Set([nameLine, unitLine, ...head.days.map(({ at }) => at)]);
  const beside = inclusiveRange(0, width).filter((at) => !held.has(at) && headAt(at) !== '');
  const targets = beside.filter((at) => TARGET.test(headAt(at)));
  const sorted = sortLines(lines, 'row', index, chosen);
  const unitAt = (at: number): string => (unitLine === undefined ? '' : cellAt(grid, at, unitLine).text);
  const others = beside
    .filter((at) => !targets.includes(at))
    .map((at): LeftOut => ({ axis: 'column', at, name: headAt(at), why: 'total' }));
  const above = inclusiveRange(Math.max(before, head.at - 3), head.at).reverse();
  const texts = [
    ...inclusiveRange(0, first).map((at) => cellAt(grid, head.at, at).text),
    ...above.flatMap((row) => (grid.rows[row] ?? []).map(({ text }) => text)),
  ];
  return {
    grid: index,
    layout: 'across',
    head: head.at,
    nameLine,
    days,
    names: sorted.names.map((each) => (unitAt(each.at) === '' ? each : { ...each, unit: unitAt(each.at) })),
    targets,
    leftOut: [...sorted.leftOut, ...others],
    month: monthOver(grid, texts, before === 0),
  };
}

/** The row above some days that names the most columns, the nearest of those that name about as many. */
function namesRow(grid: RawGrid, from: number, to: number, columns: readonly number[]): number | null {
  const rows = inclusiveRange(from, to)
    .reverse()
    .map((at) => ({
      at,
      count: columns.filter((column) => {
        const { text } = cellAt(grid, at, column);
        return isWords(text) || TOTAL.test(text);
      }).length,
    }));
  const most = Math.max(0, ...rows.map(({ count }) => count));
  return most === 0 ? null : rows.find(({ count }) => count >= most * 0.6)!.at;
}

type Down = { grid: RawGrid; index: number; head: Head; before: number; until: number; columns: number[] };

function blockDown(
  { grid, index, head, before, until, columns }: Down,
  last: Block | null,
  chosen: LineChoices,
): Block {
  const first = head.days[0]!.at;
  const nameLine =
    chosen.nameLines?.[index] ??
    namesRow(grid, Math.max(before, first - 6), first, columns) ??
    (last?.layout === 'down' && last.head === head.at ? last.nameLine : null);
  const days = head.days.filter(isTakenDay(chosen, index, 'row'));
  const lines = columns.flatMap((at) => {
    const name = nameLine === null ? '' : cellAt(grid, nameLine, at).text;
    const cells = days.map((day) => cellAt(grid, day.at, at));
    if (isWeekdays(cells) || name === '' || isWeekday(name)) return [];
    return [{ at, name, cells }];
  });
  const targets = inclusiveRange(first, until).filter((row) => TARGET.test(cellAt(grid, row, head.at).text));
  const texts = [
    ...(nameLine === null ? [] : [cellAt(grid, nameLine, head.at).text]),
    ...inclusiveRange(0, head.at).map((column) => cellAt(grid, first, column).text),
    ...inclusiveRange(Math.max(before, first - 4), first)
      .reverse()
      .flatMap((row) => [head.at, ...columns].map((column) => cellAt(grid, row, column).text)),
  ];
  return {
    grid: index,
    layout: 'down',
    head: head.at,
    nameLine,
    days,
    ...sortLines(lines, 'column', index, chosen),
    targets,
    month: monthOver(grid, texts, before === 0),
  };
}

/** A grid whose days stand one under the other with a name beside each; null where it is none. */
function listIn(grid: RawGrid, index: number, order: DateOrder): ListBlock | null {
  const width = widthOf(grid);
  for (let day = 0; day < width; day++) {
    const days = grid.rows.flatMap((row, at) => dateSlot(row[day] ?? EMPTY, at, order) ?? []);
    if (days.length < 2) continue;
    const head = days[0]!.at - 1;
    const headOf = (at: number): string => (head < 0 ? '' : cellAt(grid, head, at).text);
    const textsOf = (at: number): string[] =>
      days.map((slot) => cellAt(grid, slot.at, at).text).filter((text) => text !== '');
    const others = inclusiveRange(0, width).filter((at) => at !== day && textsOf(at).length > 0);
    const wordy = others.filter((at) => {
      const texts = textsOf(at);
      return texts.filter(isWords).length >= texts.length * 0.7;
    });
    const hasTwice = new Set(days.map(orderOf)).size < days.length;
    const distinct = (at: number): number => new Set(textsOf(at)).size / textsOf(at).length;
    const name =
      wordy.find((at) => NAMES.test(headOf(at))) ??
      (hasTwice
        ? [...wordy].sort((a, b) => textsOf(b).length - textsOf(a).length || distinct(a) - distinct(b))[0]
        : undefined);
    if (name === undefined) return null;
    const isSaid = (at: number): boolean => {
      const said = textsOf(at).map(parseCell);
      return said.filter((each) => each !== null && each?.kind !== 'share').length >= said.length * 0.7;
    };
    const free = others.filter((at) => at !== name);
    const named = free.filter((at) => VALUES.test(headOf(at)));
    return {
      grid: index,
      layout: 'list',
      head,
      day,
      name,
      values: named.length > 0 ? named : free.filter((at) => isSaid(at) && !TOTAL.test(headOf(at))).slice(0, 1),
      note: free.find((at) => NOTE.test(headOf(at))) ?? null,
      unit: free.find((at) => UNIT.test(headOf(at))) ?? null,
      days,
    };
  }
  return null;
}

function chosenHead(
  grid: RawGrid,
  { layout, at }: { layout: 'across' | 'down'; at: number },
  order: DateOrder,
): Head[] {
  const cells = layout === 'across' ? (grid.rows[at] ?? []) : grid.rows.map((row) => row[at] ?? EMPTY);
  const days = cells.flatMap((cell, index): DaySlot[] => {
    const date = dateSlot(cell, index, order);
    const number = dayNumberIn(cell.text);
    return date !== null ? [date] : number === null ? [] : [{ at: index, number }];
  });
  return days.length === 0 ? [] : [{ at, days }];
}

/** The parts of a grid that hold days and habits. */
export function blocksOf(grid: RawGrid, index: number, order: DateOrder, chosen: LineChoices): (Block | ListBlock)[] {
  const said = chosen.heads?.[index];
  const across = said ? (said.layout === 'across' ? chosenHead(grid, said, order) : []) : headsAcross(grid, order);
  if (across.length > 0) {
    return across.map((head, at) =>
      blockAcross(
        grid,
        index,
        head,
        at === 0 ? 0 : across[at - 1]!.at + 1,
        across[at + 1]?.at ?? grid.rows.length,
        chosen,
      ),
    );
  }
  const list = said ? null : listIn(grid, index, order);
  if (list !== null) return [list];
  const down = said ? chosenHead(grid, said, order) : headsDown(grid, order);
  const heads = [...new Set(down.map(({ at }) => at))];
  // An index that counts the lines of a grid with dates is no day.
  const dated = down.filter(({ days }) => days[0]!.number === undefined);
  const used = dated.length > 0 ? dated : down;
  const blocks: Block[] = [];
  for (const head of used) {
    const next = Math.min(...heads.filter((at) => at > head.at && used.some((each) => each.at === at)), widthOf(grid));
    const right = inclusiveRange(head.at + 1, next);
    const left = used[0]!.at === head.at ? inclusiveRange(0, head.at) : [];
    const same = used.filter(({ at }) => at === head.at);
    const place = same.indexOf(head);
    const before = place === 0 ? 0 : same[place - 1]!.days.at(-1)!.at + 1;
    const until = same[place + 1]?.days[0]!.at ?? grid.rows.length;
    const columns = [...left, ...right];
    const block = blockDown({ grid, index, head, before, until, columns }, blocks.at(-1) ?? null, chosen);
    if (block.names.length > 0) blocks.push(block);
  }
  return blocks;
}

/** Which order of day and month dates are written in; null where either may be. */
export function orderOfDates(grids: readonly RawGrid[]): DateOrder | null {
  let [isDayFirst, isMonthFirst] = [false, false];
  const steps = { dayFirst: 0, monthFirst: 0 };
  let last: [number, number] | null = null;
  for (const { rows } of grids)
    for (const row of rows)
      for (const { text, day } of row) {
        if (day !== undefined || text.length > 20) continue;
        const numbers =
          text.length >= 3 && dateIn(text, 'dayFirst') === null && dateIn(text, 'monthFirst') === null
            ? null
            : numbersOfDate(text);
        if (numbers === null) continue;
        if (numbers[0] > 12) isDayFirst = true;
        if (numbers[1] > 12) isMonthFirst = true;
        if (last !== null && numbers[1] === last[1] && numbers[0] === last[0] + 1) steps.dayFirst++;
        if (last !== null && numbers[0] === last[0] && numbers[1] === last[1] + 1) steps.monthFirst++;
        last = numbers;
      }
  if (isDayFirst !== isMonthFirst) return isDayFirst ? 'dayFirst' : 'monthFirst';
  // Days that follow each other tell as well.
  if (steps.dayFirst !== steps.monthFirst && Math.min(steps.dayFirst, steps.monthFirst) === 0)
    return steps.dayFirst > 0 ? 'dayFirst' : 'monthFirst';
  return null;
}

/** Whether any date of some grids can be read in two ways. */
export const hasOpenDates = (grids: readonly RawGrid[]): boolean =>
  grids.some(({ rows }) =>
    rows.some((row) =>
      row.some(({ text, day }) => {
        if (day !== undefined || text.length > 20) return false;
        const numbers = numbersOfDate(text);
        return (
          numbers !== null &&
          numbers[0] !== numbers[1] &&
          dateIn(text, 'dayFirst') !== null &&
          dateIn(text, 'monthFirst') !== null
        );
      }),
    ),
  );
