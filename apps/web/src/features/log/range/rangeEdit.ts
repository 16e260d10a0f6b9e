import {
  type Entry,
  type Mark,
  type PlainDay,
  type Track,
  formatDay,
  namesDay,
  outcomeOn,
  termsOn,
} from '@wimbel/core';
import Papa from 'papaparse';
import { parseCell } from '@wimbel/exchange';
import { editable } from '../../../text/amounts.ts';
import { askOn, withMark } from '../../../text/dayStatusText.ts';

/** A hole of the pegboard with what is recorded there. */
export type Cell = { track: Track; day: PlainDay; entry: Entry | undefined };

/** The holes of a picked range: a row for each habit, its days in order. None of them lies after today. */
export type Cells = readonly (readonly Cell[])[];

const entryOf = ({ track, day, entry }: Cell): Entry => entry ?? { habitId: track.habit.id, day: formatDay(day) };

const isDone = ({ track, day }: Cell): boolean => outcomeOn(track, day) === 'done';

/** Whether a day is one for the habit; before its first day by the schedule it begins with. */
function isDue({ track, day }: Cell): boolean {
  if (outcomeOn(track, day) !== 'outside') return !['none', 'waiting'].includes(askOn(track, day));
  const { schedule } = termsOn(track.terms, day);
  return schedule.kind !== 'weekdays' || namesDay(schedule, day);
}

/**
 * The entry that says a day was done: an amount as large as the day asks for, or more where more is there; none where a
 * limit is kept. Null for an amount over its limit, which no mark makes good.
 */
function doneEntry(cell: Cell): Entry | null {
  const { mark: _, ...rest } = entryOf(cell);
  if (cell.track.habit.measure.kind === 'check') return { ...rest, mark: 'done' };
  const { atLeast } = termsOn(cell.track.terms, cell.day);
  if (atLeast !== null) return { ...rest, amount: Math.max(rest.amount ?? 0, atLeast) };
  return rest.amount === undefined ? { ...rest, amount: 0 } : null;
}

const doneEntries = (cells: readonly Cell[]): Entry[] =>
  cells.flatMap((cell) => (isDone(cell) ? [] : (doneEntry(cell) ?? [])));

/** The entry without what made the day a done one. */
function notDoneEntry(cell: Cell): Entry {
  const { mark: _, amount: __, parts: ___, ...rest } = entryOf(cell);
  return rest;
}

/**
 * Checks days off: of each habit the days that are due, or, where the range holds none of those, all its days. Where all of
 * them are done already, takes it back.
 */
export function checkedOff(cells: Cells): Entry[] {
  const meant = cells.flatMap((row) => {
    const due = row.filter((cell) => isDue(cell) || isDone(cell));
    return due.length > 0 ? due : row;
  });
  return meant.every(isDone) ? meant.map(notDoneEntry) : doneEntries(meant);
}

/** Days drawn over with a finger: all become what the first of them becomes by a tap. */
export function drawnOver(cells: Cells): Entry[] {
  const all = cells.flat();
  const [first] = all;
  if (first === undefined) return [];
  return isDone(first) ? all.filter(isDone).map(notDoneEntry) : doneEntries(all);
}

/** Days with a mark; without it where all have it. */
export function marked(cells: Cells, mark: Mark): Entry[] {
  const all = cells.flat();
  const next = all.every(({ entry }) => entry?.mark === mark) ? null : mark;
  return all.filter(({ entry }) => (entry?.mark ?? null) !== next).map((cell) => withMark(entryOf(cell), next));
}

/** Days without anything. */
export const emptied = (cells: Cells): Entry[] =>
  cells.flat().flatMap(({ entry }) => (entry === undefined ? [] : [{ habitId: entry.habitId, day: entry.day }]));

/** An amount on every day of the habits that are counted in amounts. */
export const withAmount = (cells: Cells, amount: number): Entry[] =>
  cells.flat().flatMap((cell) => {
    if (cell.track.habit.measure.kind !== 'amount') return [];
    const { mark: _, ...rest } = entryOf(cell);
    return [{ ...rest, amount }];
  });

const isBare = (entry: Entry | undefined): boolean => entry?.mark === undefined && entry?.amount === undefined;

/** Days that are still empty as they were a week before, their notes left out; a later week goes by the one before it. */
export function asTheWeekBefore(cells: Cells, entryAt: (habitId: string, day: PlainDay) => Entry | undefined): Entry[] {
  return cells.flatMap((row) => {
    const made = new Map<PlainDay, Entry>();
    for (const cell of row) {
      const before = made.get(cell.day - 7) ?? entryAt(cell.track.habit.id, cell.day - 7);
      if (!isBare(cell.entry) || before === undefined || isBare(before)) continue;
      const { note: _, ...like } = before;
      made.set(cell.day, { ...like, ...entryOf(cell) });
    }
    return [...made.values()];
  });
}

/** How a day is written for a spreadsheet: "x" for done, the amount, "missed", "rest", or nothing. */
function wordOf({ track, entry }: Cell): string {
  if (entry === undefined) return '';
  if (entry.mark === 'missed' || entry.mark === 'rest') return entry.mark;
  if (track.habit.measure.kind === 'amount' && entry.amount !== undefined) return editable(entry.amount);
  return entry.mark === 'done' ? 'x' : '';
}

/** The range as text, a line for each habit and a tab between days, as spreadsheets take it. */
export const textOf = (cells: Cells): string =>
  Papa.unparse(
    cells.map((row) => row.map(wordOf)),
    { delimiter: '\t', newline: '\n' },
  );

/** Text with tabs as lines of fields. */
export const tableOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data;

/** Whether an entry says what a day came to; a bare note does not. */
const saysOutcome = (entry: Entry): boolean => entry.mark !== undefined || entry.amount !== undefined;

/** The entry that a field says, without mark and amount where it says no; undefined where it cannot be read. */
function entrySaid(cell: Cell, text: string): Entry | undefined {
  const said = parseCell(text);
  const isAmount = cell.track.habit.measure.kind === 'amount';
  const withAmountOf = (amount: number): Entry => {
    const { mark: _, ...rest } = entryOf(cell);
    return { ...rest, amount };
  };
  switch (said?.kind) {
    case 'done':
      return isDone(cell) ? entryOf(cell) : (doneEntry(cell) ?? entryOf(cell));
    case 'missed':
    case 'rest':
      return withMark(entryOf(cell), said.kind);
    case 'no':
      // A nought is an amount where amounts are counted.
      return isAmount && /^0/.test(text.trim()) ? withAmountOf(0) : notDoneEntry(cell);
    case 'amount':
      if (isAmount) return withAmountOf(said.amount);
      return isDone(cell) ? entryOf(cell) : (doneEntry(cell) ?? entryOf(cell));
    default:
      return said === undefined ? notDoneEntry(cell) : undefined;
  }
}

const isSameOutcome = (entry: Entry, { entry: was }: Cell): boolean =>
  entry.mark === was?.mark && entry.amount === was?.amount;

/**
 * What lines of fields say about days, from a first cell on; a single field is said of the whole range. An empty field, and
 * one that says no, clears what stands there but its note. `cleared` counts those, `unread` fields that cannot be read,
 * `beyond` those that fall outside the board or after today; `rows` are the habits that something is marked of.
 */
export function pasted(
  table: readonly (readonly string[])[],
  range: Cells,
  cellAt: (row: number, column: number) => Cell | null,
): { entries: Entry[]; cleared: number; unread: number; beyond: number; rows: Track[] } {
  const entries: Entry[] = [];
  const rows = new Set<Track>();
  let [cleared, unread, beyond] = [0, 0, 0];
  const take = (cell: Cell | null, text: string): void => {
    if (cell === null) {
      if (text.trim() !== '') beyond++;
      return;
    }
    const said = entrySaid(cell, text);
    if (said === undefined) {
      unread++;
      return;
    }
    if (saysOutcome(said)) rows.add(cell.track);
    if (isSameOutcome(said, cell)) return;
    if (!saysOutcome(said)) cleared++;
    entries.push(said);
  };
  const only = table.length === 1 && table[0]!.length === 1 ? table[0]![0]! : null;
  if (only !== null) for (const cell of range.flat()) take(cell, only);
  else table.forEach((fields, row) => fields.forEach((text, column) => take(cellAt(row, column), text)));
  return { entries, cleared, unread, beyond, rows: [...rows] };
}
