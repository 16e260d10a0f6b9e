import ExcelJS from 'exceljs';
import { unzipSync } from 'fflate';
import type { PlainDay } from '@wimbel/core';
import { monthIn } from './dayWords.ts';
import { GRID_LIMITS, type RawCell, type RawGrid, type RawResult } from './raw.ts';

const DAY_MS = 86_400_000;
/** Times of day without a date stand on the first days of a workbook's own calendar. */
const FIRST_DATE_MS = Date.UTC(1901, 0, 1);

const two = (value: number): string => String(value).padStart(2, '0');

function dateCell(date: Date): RawCell {
  const ms = date.getTime();
  if (Number.isNaN(ms)) return { text: '' };
  if (ms < FIRST_DATE_MS) {
    const minutes = Math.round((ms - Date.UTC(1899, 11, 30)) / 60_000);
    return { text: `${Math.floor(minutes / 60)}:${two(minutes % 60)}` };
  }
  // A moment before midnight is meant as midnight: times are kept as fractions of a day.
  const day = Math.floor((ms + 1000) / DAY_MS) as PlainDay;
  return { text: new Date(day * DAY_MS).toISOString().slice(0, 10), day };
}

function plainCell(value: unknown, format: string | undefined): RawCell {
  if (value === null || value === undefined) return { text: '' };
  if (value instanceof Date) return dateCell(value);
  if (typeof value === 'number') {
    if (format?.includes('%')) return { text: `${Math.round(value * 1e4) / 100}%` };
    // Up to twelve digits: what a workbook keeps of 0.1 + 0.2 is 0.3 to whoever reads it.
    return { text: String(Number(value.toPrecision(12))) };
  }
  if (typeof value === 'boolean') return { text: value ? 'TRUE' : 'FALSE' };
  if (typeof value === 'string') return { text: value.trim() };
  const held = value as { richText?: { text: string }[]; text?: unknown; error?: string; result?: unknown };
  if (held.richText)
    return {
      text: held.richText
        .map((each) => each.text)
        .join('')
        .trim(),
    };
  if ('formula' in held || 'sharedFormula' in held) {
    return { ...plainCell(held.result, format), isFigured: true };
  }
  if (held.error) return { text: '' };
  return plainCell(held.text, format);
}

const EMPTY: RawCell = { text: '' };

function gridOf(sheet: ExcelJS.Worksheet): RawGrid {
  const rows: RawCell[][] = [];
  sheet.eachRow({ includeEmpty: false }, (row, number) => {
    const cells: RawCell[] = [];
    row.eachCell({ includeEmpty: false }, (cell, column) => {
      // Of merged cells the first speaks.
      if (cell.isMerged && cell.master !== cell) return;
      while (cells.length < column - 1) cells.push(EMPTY);
      cells[column - 1] = plainCell(cell.value, cell.numFmt);
    });
    while (rows.length < number - 1) rows.push([]);
    rows[number - 1] = cells;
  });
  return { name: sheet.name, rows };
}

/** The grids of a workbook (XLSX). Its formulas are not run: what they came to when it was saved is what stands there. */
export async function gridsOfWorkbook(bytes: Uint8Array): Promise<RawResult> {
  let unpackedBytes = 0;
  let isWorkbook = false;
  try {
    // Only the list of what is packed is read, nothing is unpacked.
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpackedBytes += originalSize;
        isWorkbook ||= name === 'xl/workbook.xml';
        return false;
      },
    });
  } catch {
    return { grids: null, fault: 'notWorkbook' };
  }
  if (unpackedBytes > GRID_LIMITS.unpackedBytes) return { grids: null, fault: 'swells' };
  if (!isWorkbook) return { grids: null, fault: 'notWorkbook' };
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(bytes as unknown as ExcelJS.Buffer);
  } catch {
    return { grids: null, fault: 'notWorkbook' };
  }
  // Of a workbook that was taken out here the months are what was recorded; the rest is figured from them.
  const isOwn = workbook.creator === 'Wimbel';
  const sheets = workbook.worksheets.filter(({ name }) => !isOwn || monthIn(name) !== null);
  const grids = sheets.map(gridOf).filter(({ rows }) => rows.length > 0);
  return grids.length === 0 ? { grids: null, fault: 'empty' } : { grids, fault: null };
}
