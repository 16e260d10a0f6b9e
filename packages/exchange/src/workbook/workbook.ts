import {
  type Entry,
  type PlainDay,
  type PlainMonth,
  type Records,
  type AccountFigures,
  accountFigures,
  accountRecords,
  dayOf,
  monthOfDay,
  monthSpan,
  partsOfMonth,
  writeReport,
  isSpanMeasure,
} from '@wimbel/core';
import ExcelJS, { type Worksheet } from 'exceljs';
import { type Table, inOrder, tableOf } from '../tables.ts';
import { HEAD, columnName, dateOf } from './looks.ts';
import { type MonthPlaces, monthName, monthSheet } from './monthSheet.ts';

/** The months that a workbook holds; null for all that have something recorded. */
export type MonthsSpan = { first: PlainMonth; last: PlainMonth } | null;

/** How far a workbook is, 0 to 1. It may wait: other work goes on meanwhile. */
export type OnShare = (share: number) => void | Promise<void>;

const DAY_TEXT = /^\d{4}-\d{2}-\d{2}$/;
const SHARES = new Set(['Progress', 'Key result progress', 'Share']);

/** A table as a sheet: real dates, shares as per cent, heads that stay. */
function tableSheet(sheet: Worksheet, { columns, rows }: Table, widths: Record<string, number> = {}): void {
  sheet.getRow(1).values = columns;
  sheet.getRow(1).eachCell((cell) => Object.assign(cell, { font: HEAD.font, fill: HEAD.fill }));
  for (const [at, values] of rows.entries()) {
    const row = sheet.getRow(at + 2);
    for (const [column, value] of values.entries()) {
      if (value === null || value === '') continue;
      const cell = row.getCell(column + 1);
      const isDay = typeof value === 'string' && DAY_TEXT.test(value);
      cell.value = isDay ? dateOf(dayOf(value)) : value;
      if (isDay) cell.numFmt = 'yyyy-mm-dd';
      if (SHARES.has(columns[column]!)) cell.numFmt = '0 %';
    }
  }
  for (const [at, name] of columns.entries()) sheet.getColumn(at + 1).width = widths[name] ?? 14;
  sheet.views = [{ state: 'frozen', ySplit: 1 }];
}

/** The months of a year: what was kept of what was asked, full and bright days, and each habit's share of each month. */
function yearSheet(sheet: Worksheet, records: Records, months: readonly MonthPlaces[]): void {
  const { passMark } = records.settings;
  sheet.getRow(1).values = ['Month', 'Kept', 'Asked', 'Share kept', 'Full days', 'Bright days'];
  sheet.getRow(1).eachCell((cell) => Object.assign(cell, { font: HEAD.font, fill: HEAD.fill }));
  const set = (at: string, formula: string, format?: string): void => {
    const cell = sheet.getCell(at);
    cell.value = { formula };
    if (format !== undefined) cell.numFmt = format;
  };
  for (const [index, { sheet: name, all, kept, asked, rows, dayShare, days }] of months.entries()) {
    const at = index + 2;
    const of = `'${name}'!`;
    sheet.getCell(`A${at}`).value = name;
    if (rows.size > 0) {
      set(`B${at}`, `${of}${kept}${all}`);
      set(`C${at}`, `${of}${asked}${all}`);
      set(`D${at}`, `IF(C${at}=0,"",B${at}/C${at})`, '0 %');
    }
    if (days !== null && rows.size > 0) {
      const shares = `${of}${days.first}${dayShare}:${days.last}${dayShare}`;
      set(`E${at}`, `COUNTIF(${shares},">=0.9999999")`);
      set(`F${at}`, `COUNTIF(${shares},">=${passMark - 1e-7}")`);
    }
  }
  const head = months.length + 4;
  const habits = inOrder(records.habits.filter(({ id }) => months.some(({ rows }) => rows.has(id))));
  sheet.getRow(head).values = ['Share kept of each month', ...months.map(({ sheet: name }) => name)];
  sheet.getRow(head).eachCell((cell) => Object.assign(cell, { font: HEAD.font, fill: HEAD.fill }));
  for (const [index, { id, name }] of habits.entries()) {
    const at = head + 1 + index;
    sheet.getCell(`A${at}`).value = name;
    for (const [column, { sheet: month, rows, share }] of months.entries()) {
      const row = rows.get(id);
      if (row !== undefined) set(`${columnName(column + 2)}${at}`, `'${month}'!${share}${row}`, '0 %');
    }
  }
  sheet.getColumn(1).width = 26;
  for (let column = 2; column <= Math.max(6, months.length + 1); column++) sheet.getColumn(column).width = 14;
  sheet.views = [{ state: 'frozen', xSplit: 1, ySplit: 1 }];
}

/** Goals with their key results: progress of numbers and sums of money, and of goals, as formulas. */
function goalsSheet(sheet: Worksheet, records: Records, figures: AccountFigures): void {
  const report = writeReport(figures);
  const table = tableOf('goals', records, () => report, null);
  const [progress, start, target, now, own] = ['Progress', 'Start', 'Target', 'Now', 'Key result progress'].map(
    (name) => columnName(table.columns.indexOf(name) + 1),
  ) as [string, string, string, string, string];
  const weightAt = table.columns.length + 1;
  tableSheet(sheet, { ...table, columns: [...table.columns, 'Weight'] }, { Goal: 30, 'Key result': 30 });
  let first = 2;
  for (const goal of inOrder(records.goals)) {
    const results = inOrder(records.keyResults.filter(({ goalId }) => goalId === goal.id));
    const last = first + Math.max(1, results.length) - 1;
    for (const [at, result] of results.entries()) {
      const row = first + at;
      sheet.getRow(row).getCell(weightAt).value = result.weight ?? 1;
      if (isSpanMeasure(result.measure)) {
        const raw = `(${now}${row}-${start}${row})/(${target}${row}-${start}${row})`;
        sheet.getCell(`${own}${row}`).value = { formula: `MAX(0,MIN(1,${raw}))` };
      }
      const weights = `${columnName(weightAt)}${first}:${columnName(weightAt)}${last}`;
      sheet.getCell(`${progress}${row}`).value = {
        formula: `SUMPRODUCT(${weights},${own}${first}:${own}${last})/SUM(${weights})`,
      };
    }
    first = last + 1;
  }
}

const checkpointsTable = ({ goals, keyResults }: Records, figures: AccountFigures): Table => {
  const report = writeReport(figures);
  const titleOf = new Map(goals.map(({ id, title }) => [id, title]));
  return {
    columns: ['Goal', 'Key result', 'Month', 'Target', 'At its start', 'At its end', 'Growth', 'Reached'],
    rows: keyResults.flatMap(({ id, goalId, title }) =>
      (report.goals[goalId]?.keyResults[id]?.checkpoints ?? []).map((each) => [
        titleOf.get(goalId) ?? '',
        title,
        each.month,
        each.target,
        each.start,
        each.end,
        each.growth,
        each.reached ? 'yes' : 'no',
      ]),
    ),
  };
};

/**
 * A person's record as a workbook (XLSX): a sheet for each month with live formulas, one for each year, goals, checkpoints,
 * check-ins, the journal and rewards. Sheets of nothing are left out. Rejects with what `onShare` throws.
 */
export async function workbookOf(
  records: Records,
  today: PlainDay,
  span: MonthsSpan,
  onShare: OnShare = () => undefined,
): Promise<Uint8Array> {
  const figures = accountFigures(accountRecords(records), today);
  const byPlace = new Map<string, Entry>();
  let [first, last] = [Infinity, -Infinity];
  for (const entry of records.entries) {
    const month = monthOfDay(dayOf(entry.day));
    first = Math.min(first, month);
    last = Math.max(last, month);
    byPlace.set(`${entry.day} ${entry.habitId}`, entry);
  }
  const months = span ?? { first, last };
  const workbook = new ExcelJS.Workbook();
  workbook.creator = 'Wimbel';
  const byYear = new Map<number, MonthPlaces[]>();
  const years = new Map<number, Worksheet>();
  const count = Math.max(1, months.last - months.first + 1);
  for (let month = months.last; month >= months.first; month--) {
    const { year } = partsOfMonth(month);
    // The sheet of a year stands before its months, the latest first.
    if (!years.has(year)) years.set(year, workbook.addWorksheet(String(year)));
    const sheet = workbook.addWorksheet(monthName(month));
    const places = monthSheet(sheet, records, figures, month, (habitId, day) => byPlace.get(`${day} ${habitId}`));
    byYear.set(year, [places, ...(byYear.get(year) ?? [])]);
    await onShare(((months.last - month + 1) / count) * 0.7);
  }
  for (const [year, sheet] of years) yearSheet(sheet, records, byYear.get(year)!);
  if (records.goals.length > 0) goalsSheet(workbook.addWorksheet('Goals'), records, figures);
  const days = span === null ? null : { first: monthSpan(span.first).first, last: monthSpan(span.last).last };
  const others: [name: string, table: Table, widths: Record<string, number>][] = [
    ['Checkpoints', checkpointsTable(records, figures), { Goal: 30, 'Key result': 30 }],
    ['Check-ins', tableOf('checkIns', records, () => ({}) as never, days), { Goal: 30, 'Key result': 30, Note: 40 }],
    ['Journal', tableOf('journal', records, () => ({}) as never, days), { Prompt: 30, Text: 80, Feelings: 24 }],
    ['Rewards', tableOf('rewards', records, () => ({}) as never, days), { Reward: 30 }],
    ['Pips by month', tableOf('ledger', records, () => writeReport(figures), days), {}],
  ];
  for (const [name, table, widths] of others)
    if (table.rows.length > 0) tableSheet(workbook.addWorksheet(name), table, widths);
  if (workbook.worksheets.length === 0) workbook.addWorksheet('Nothing yet');
  await onShare(0.75);
  const written = await workbook.xlsx.writeBuffer();
  await onShare(1);
  return new Uint8Array(written as unknown as ArrayBuffer);
}
