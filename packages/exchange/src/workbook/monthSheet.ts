import {
  type DaySpan,
  type DayTotals,
  type Entry,
  type AccountFigures,
  type HabitFigures,
  type PlainDay,
  type PlainMonth,
  type Records,
  type Track,
  type Weekday,
  FLEXIBLE,
  asksOn,
  daysIn,
  eachDay,
  flexibleNeedOn,
  formatDay,
  isActiveIn,
  isScheduledOn,
  keptGroups,
  keptOver,
  monthDaysOf,
  monthSpan,
  partsOfDay,
  termsIndexOn,
  weekSpan,
} from '@wimbel/core';
import type { Worksheet } from 'exceljs';
import { inOrder } from '../tables.ts';
import { COLORS, HEAD, columnName, dateOf, fillOf } from './looks.ts';

/** Where the figures of a month stand on its sheet, for the sheet of its year. */
export type MonthPlaces = {
  sheet: string;
  month: PlainMonth;
  /** By habit id, the row of each. */
  rows: Map<string, number>;
  kept: string;
  asked: string;
  share: string;
  /** The rows of the sums of days. */
  all: number;
  dayDone: number;
  dayDue: number;
  dayShare: number;
  /** The columns of the first and last day that has come; null where none has. */
  days: { first: string; last: string } | null;
};

const FIRST_ROW = 3;
const FIRST_DAY = 4;

const NAMES = 'January February March April May June July August September October November December'.split(' ');

const monthWord = (month: PlainMonth): string => NAMES[((month % 12) + 12) % 12]!;

/** The name of a month's sheet: "October 2025". */
export const monthName = (month: PlainMonth): string => `${monthWord(month)} ${Math.floor(month / 12)}`;

/** What stands in the cell of a day: an amount, "x" for done, else the mark. */
const cellOf = (entry: Entry | undefined): string | number | null =>
  entry?.mark === 'missed' || entry?.mark === 'rest'
    ? entry.mark
    : (entry?.amount ?? (entry?.mark === 'done' ? 'x' : null));

/** Runs of neighbouring numbers, as their first and last. */
function runsOf(numbers: readonly number[]): [first: number, last: number][] {
  const runs: [number, number][] = [];
  for (const each of numbers) {
    const last = runs.at(-1);
    if (last !== undefined && last[1] === each - 1) last[1] = each;
    else runs.push([each, each]);
  }
  return runs;
}

const range = (count: number): number[] => Array.from({ length: count }, (_, at) => at);

const joined = (parts: readonly string[]): string => (parts.length === 0 ? '0' : parts.join('+'));

const NO_DAYS = new Int32Array(0);

/** What counts as done in some cells of a row, as a formula: the marks, or the amounts that reach what the terms ask. */
function doneFormula(
  track: Track,
  row: number,
  first: PlainDay,
  last: PlainDay,
  columnOf: (day: PlainDay) => string,
): string {
  const { habit } = track;
  const parts: string[] = [];
  const to = Math.min(last, track.last ?? last, track.today);
  for (const after of track.afterEnd)
    if (after >= first && after <= last)
      parts.push(doneFormula({ ...track, last: null, afterEnd: NO_DAYS }, row, after, after, columnOf));
  for (let day = Math.max(first, track.first); day <= to;) {
    const index = termsIndexOn(track.terms, day);
    const end = Math.min(to, (track.terms[index + 1]?.from ?? Infinity) - 1);
    const cells = `${columnOf(day)}${row}:${columnOf(end)}${row}`;
    const { atLeast, atMost } = track.terms[index]!;
    if (habit.measure.kind === 'amount' && atLeast !== null) parts.push(`COUNTIF(${cells},">=${atLeast}")`);
    if (habit.measure.kind === 'amount' && atMost !== null) parts.push(`COUNTIF(${cells},"<=${atMost}")`);
    parts.push(`COUNTIF(${cells},"x")`);
    day = end + 1;
  }
  return joined(parts);
}

/** Colours the cells of a habit: done, part, missed and rest. */
function colourRow(sheet: Worksheet, track: Track, row: number, first: string, last: string): void {
  const [cells, cell] = [`${first}${row}:${last}${row}`, `${first}${row}`];
  const { atLeast, atMost } = track.terms.at(-1)!;
  const isAmount = track.habit.measure.kind === 'amount';
  const reached = isAmount
    ? `AND(ISNUMBER(${cell}),${atMost !== null ? `${cell}<=${atMost}` : `${cell}>=${atLeast ?? 0}`})`
    : `${cell}="x"`;
  const rules: [formula: string, colour: string][] = [
    [reached, COLORS.done],
    [`${cell}="rest"`, COLORS.rest],
    [
      `OR(${cell}="missed",${atMost !== null ? `AND(ISNUMBER(${cell}),${cell}>${atMost})` : `AND(ISNUMBER(${cell}),${cell}=0)`})`,
      COLORS.missed,
    ],
    [`ISNUMBER(${cell})`, COLORS.part],
  ];
  sheet.addConditionalFormatting({
    ref: cells,
    rules: rules.map(([formula, colour], at) => ({
      type: 'expression',
      priority: at + 1,
      formulae: [formula],
      style: { fill: { type: 'pattern', pattern: 'solid', bgColor: { argb: colour } } },
    })),
  });
}

/** The columns of figures behind the days, in their order. */
const COLUMNS = {
  done: 'Done',
  target: 'Target days',
  left: 'Left',
  kept: 'Kept',
  asked: 'Asked so far',
  share: 'Share kept',
  amount: 'Amount',
} as const;
type Column = keyof typeof COLUMNS;
const COLUMN_NAMES = Object.keys(COLUMNS) as Column[];

/** What the parts of a month's sheet are drawn with. */
type Month = {
  sheet: Worksheet;
  month: PlainMonth;
  span: DaySpan;
  /** The last day that has come; before the first where none has. */
  lastPast: PlainDay;
  shown: HabitFigures[];
  rows: Map<string, number>;
  areaOf: Map<string, string>;
  weeks: { first: PlainDay; last: PlainDay; kept: string; asked: string }[];
  columns: Record<Column, string>;
  lastRow: number;
  columnOf: (day: PlainDay) => string;
  entryAt: (habitId: string, day: string) => Entry | undefined;
};

function weeksOf({ first, last }: DaySpan, weekStart: Weekday, after: number): Month['weeks'] {
  const weeks: Month['weeks'] = [];
  for (let day = first; day <= last;) {
    const end = Math.min(last, weekSpan(day, weekStart).last);
    const at = after + weeks.length * 2;
    weeks.push({ first: day, last: end, kept: columnName(at), asked: columnName(at + 1) });
    day = end + 1;
  }
  return weeks;
}

function setFormula(sheet: Worksheet, at: string, formula: string, format?: string, isBold = false): void {
  const cell = sheet.getCell(at);
  cell.value = { formula };
  if (format !== undefined) cell.numFmt = format;
  if (isBold) cell.font = { bold: true };
}

const SHARE = '0 %';

function heads({ sheet, month, span, weeks }: Month): void {
  const dayName = (day: PlainDay): string => `${partsOfDay(day).date} ${monthWord(month).slice(0, 3)}`;
  sheet.getCell('A1').value = monthName(month);
  sheet.getCell('A1').font = { bold: true, size: 14 };
  sheet.getRow(2).values = [
    'Habit',
    'Area',
    'Unit',
    ...eachDay(span).map(dateOf),
    ...Object.values(COLUMNS),
    ...weeks.flatMap((week) => [`Kept ${dayName(week.first)} to ${dayName(week.last)}`, 'Asked so far']),
  ];
  const { font, fill, alignment } = HEAD;
  sheet.getRow(2).eachCell((cell) => Object.assign(cell, { font, fill, alignment }));
  sheet.getRow(2).height = 32;
  for (const day of eachDay(span)) sheet.getRow(2).getCell(FIRST_DAY + day - span.first).numFmt = 'd';
  sheet.views = [{ state: 'frozen', xSplit: 1, ySplit: 2 }];
  for (const [at, width] of [26, 12, 8].entries()) sheet.getColumn(at + 1).width = width;
  const after = FIRST_DAY + daysIn(span);
  for (let at = FIRST_DAY; at < after; at++)
    Object.assign(sheet.getColumn(at), { width: 6.5, alignment: { horizontal: 'center' } });
  for (let at = after; at < after + COLUMN_NAMES.length + weeks.length * 2; at++) sheet.getColumn(at).width = 11;
}

/**
 * What of some cells counts as kept, as a formula: of each week, and of each month that goes by itself, the done days up to
 * what it asks as a whole, and no more than `asked` in all. What is asked stands as it was when the sheet was made.
 */
function keptFormula(
  track: Track,
  row: number,
  span: DaySpan,
  asked: number,
  columnOf: (day: PlainDay) => string,
): string {
  const groups = keptGroups(track, span).map(({ stretches, cap }) => {
    const done = joined(stretches.map(({ first, last }) => doneFormula(track, row, first, last, columnOf)));
    return `MIN(${cap},${done})`;
  });
  return `MIN(${asked},${joined(groups)})`;
}

function habitRow(on: Month, figures: HabitFigures): void {
  const { sheet, span, columnOf, columns, weeks } = on;
  const { track } = figures;
  const { habit } = track;
  const at = on.rows.get(habit.id)!;
  const row = sheet.getRow(at);
  row.getCell(1).value = habit.name;
  row.getCell(2).value = on.areaOf.get(habit.areaId ?? '') ?? null;
  row.getCell(3).value = habit.measure.kind === 'amount' ? habit.measure.unit : null;
  let hidden = 0;
  for (const day of eachDay(span)) {
    const entry = on.entryAt(habit.id, formatDay(day));
    const value = cellOf(entry);
    if (value !== null) row.getCell(FIRST_DAY + day - span.first).value = value;
    // An amount under a mark is not seen, and counts in the sum of amounts all the same.
    if (typeof value === 'string' && entry?.amount !== undefined && day <= track.today) hidden += entry.amount;
  }
  const { done, target, left, kept, asked, share, amount } = columns;
  const [first, last] = [columnOf(span.first), columnOf(span.last)];
  const set = (column: string, formula: string, format?: string): void =>
    setFormula(sheet, `${column}${at}`, formula, format);
  set(done, doneFormula(track, at, span.first, span.last, columnOf));
  sheet.getCell(`${target}${at}`).value = monthDaysOf(figures, on.month).target;
  set(left, `MAX(0,${target}${at}-${done}${at})`);
  const askedOf = (days: DaySpan): number => keptOver(track, days).asked;
  sheet.getCell(`${asked}${at}`).value = askedOf(span);
  set(kept, keptFormula(track, at, span, askedOf(span), columnOf));
  set(share, `IF(${asked}${at}=0,"",${kept}${at}/${asked}${at})`, SHARE);
  if (habit.measure.kind === 'amount')
    set(amount, `SUM(${first}${at}:${last}${at})${hidden === 0 ? '' : `+${hidden}`}`, '#,##0.##');
  for (const week of weeks) {
    set(week.kept, keptFormula(track, at, week, askedOf(week), columnOf));
    sheet.getCell(`${week.asked}${at}`).value = askedOf(week);
  }
  colourRow(sheet, track, at, first, last);
}

/** What of some habits is done on a day: checks that stand together in one count, amounts each by itself. */
function doneOn({ rows, columnOf }: Month, tracks: readonly Track[], day: PlainDay): string[] {
  const column = columnOf(day);
  const rowOf = (track: Track): number => rows.get(track.habit.id)!;
  const [checks, amounts] = (['check', 'amount'] as const).map((kind) =>
    tracks.filter(({ habit }) => habit.measure.kind === kind),
  ) as [Track[], Track[]];
  return [
    ...runsOf(checks.map(rowOf)).map(([first, last]) => `COUNTIF(${column}${first}:${column}${last},"x")`),
    ...amounts.map((track) => doneFormula(track, rowOf(track), day, day, columnOf)),
  ];
}

function dayRows(on: Month, totals: DayTotals, at: { done: number; due: number; share: number }): void {
  const { sheet, rows, columnOf, span, lastPast } = on;
  const tracks = on.shown.map(({ track }) => track);
  for (let day = span.first; day <= lastPast; day++) {
    const column = columnOf(day);
    // What is planned and rested is not due; it is again once the cell says something else.
    const fixed = tracks.filter((track) => isScheduledOn(track, day));
    const flexible = tracks.filter((track) => !isScheduledOn(track, day) && (asksOn(track, day) & FLEXIBLE) !== 0);
    const flexibleDone = doneOn(on, flexible, day);
    const rests = runsOf(fixed.map(({ habit }) => rows.get(habit.id)!)).map(
      ([first, last]) => `-COUNTIF(${column}${first}:${column}${last},"rest")`,
    );
    const asked = flexible.length === 0 ? '' : `+MAX(${joined(flexibleDone)},${flexibleNeedOn(totals, day)})`;
    setFormula(sheet, `${column}${at.done}`, joined([...doneOn(on, fixed, day), ...flexibleDone]));
    setFormula(sheet, `${column}${at.due}`, `${fixed.length}${rests.join('')}${asked}`);
    const [done, due] = [`${column}${at.done}`, `${column}${at.due}`];
    setFormula(sheet, `${column}${at.share}`, `IF(${due}=0,"",${done}/${due})`, SHARE);
  }
}

/** All habits together, their weeks, and the habits of each area: what was kept of what was asked. */
function sums({ sheet, shown, columns, weeks, lastRow, areaOf }: Month, all: number): number {
  const ofRows = (column: string): string => `${column}$${FIRST_ROW}:${column}$${lastRow}`;
  const sum = (at: number, of: (column: string) => string): void => {
    for (const name of ['done', 'target', 'left', 'kept', 'asked'] as const)
      setFormula(sheet, `${columns[name]}${at}`, of(columns[name]), undefined, true);
    const [kept, asked] = [`${columns.kept}${at}`, `${columns.asked}${at}`];
    setFormula(sheet, `${columns.share}${at}`, `IF(${asked}=0,"",${kept}/${asked})`, SHARE, true);
  };
  sum(all, (column) => `SUM(${ofRows(column)})`);
  for (const week of weeks) {
    const [kept, asked] = [`${week.kept}${all}`, `${week.asked}${all}`];
    setFormula(sheet, kept, `SUM(${ofRows(week.kept)})`, undefined, true);
    setFormula(sheet, asked, `SUM(${ofRows(week.asked)})`, undefined, true);
    setFormula(sheet, `${week.kept}${all + 1}`, `IF(${asked}=0,"",${kept}/${asked})`, SHARE, true);
  }
  let at = all + 2;
  for (const area of new Set(shown.map(({ track }) => areaOf.get(track.habit.areaId ?? '') ?? ''))) {
    sheet.getCell(`A${at}`).value = area === '' ? 'Without an area' : area;
    const is = `$B$${FIRST_ROW}:$B$${lastRow}=${area === '' ? '""' : `$A${at}`}`;
    sum(at, (column) => `SUMPRODUCT((${is})*${ofRows(column)})`);
    at++;
  }
  return at;
}

/**
 * One month: a row for each habit with its days, what was done, its target and what is left, what was kept of what was
 * asked so far, its weeks; below it each day's count and share, and the areas. All figures but targets and what is asked are
 * formulas.
 */
export function monthSheet(
  sheet: Worksheet,
  records: Records,
  { habits, totals }: Pick<AccountFigures, 'habits' | 'totals'>,
  month: PlainMonth,
  entryAt: Month['entryAt'],
): MonthPlaces {
  const span = monthSpan(month);
  const byHabit = new Map(habits.map((each) => [each.track.habit.id, each]));
  const shown = inOrder(records.habits)
    .map(({ id }) => byHabit.get(id)!)
    .filter(({ track }) => isActiveIn(track, span));
  const after = FIRST_DAY + daysIn(span);
  const columns = Object.fromEntries(
    COLUMN_NAMES.map((name, at) => [name, columnName(after + at)]),
  ) as Month['columns'];
  const on: Month = {
    sheet,
    month,
    span,
    lastPast: Math.min(span.last, totals.today),
    shown,
    rows: new Map(shown.map(({ track }, index) => [track.habit.id, FIRST_ROW + index])),
    areaOf: new Map(records.areas.map(({ id, name }) => [id, name])),
    weeks: weeksOf(span, records.settings.weekStart, after + COLUMN_NAMES.length),
    columns,
    lastRow: FIRST_ROW + shown.length - 1,
    columnOf: (day) => columnName(FIRST_DAY + day - span.first),
    entryAt,
  };
  heads(on);
  for (const each of shown) habitRow(on, each);
  const [dayDone, dayDue, dayShare, all] = range(4).map((at) => on.lastRow + at + 2) as [
    number,
    number,
    number,
    number,
  ];
  for (const [at, words] of [
    [dayDone, 'Done that day'],
    [dayDue, 'Asked that day'],
    [dayShare, 'Share of the day'],
    [all, 'All habits'],
  ] as const)
    sheet.getCell(`A${at}`).value = words;
  dayRows(on, totals, { done: dayDone, due: dayDue, share: dayShare });
  const end = shown.length === 0 ? all + 1 : sums(on, all);
  for (let row = dayDone; row < end; row++) sheet.getCell(`A${row}`).font = { bold: true };
  sheet.getRow(all).eachCell((cell) => Object.assign(cell, { fill: fillOf(COLORS.sum) }));
  return {
    sheet: sheet.name,
    month,
    rows: on.rows,
    kept: columns.kept,
    asked: columns.asked,
    share: columns.share,
    all,
    dayDone,
    dayDue,
    dayShare,
    days: on.lastPast < span.first ? null : { first: on.columnOf(span.first), last: on.columnOf(on.lastPast) },
  };
}
