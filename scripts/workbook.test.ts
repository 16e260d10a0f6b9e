import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  type PlainMonth,
  type Records,
  dayOf,
  formatDay,
  formatMonth,
  monthOf,
  monthSpan,
  reportOf,
  weekTotals,
  accountFigures,
  accountRecords,
} from '@wimbel/core';
import { gridsOfFile, readGrids, workbookOf } from '@wimbel/exchange';
import ExcelJS from 'exceljs';
import { sampleRecords } from './sample/generate.ts';

const TODAY = dayOf('2026-11-24');
const records = sampleRecords(TODAY);
const report = reportOf(records, TODAY);
const FIRST = monthOf('2026-05');
const LAST = monthOf('2026-11');

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'workbook-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** A workbook as another program has it after it figured out every formula anew. */
async function recalculated(bytes: Uint8Array, name: string): Promise<ExcelJS.Workbook> {
  const file = join(folder, `${name}.xlsx`);
  writeFileSync(file, bytes);
  const profile = `-env:UserInstallation=file://${join(folder, 'profile')}`;
  const out = join(folder, 'out');
  execFileSync('soffice', [profile, '--headless', '--convert-to', 'xlsx', '--outdir', out, file], { stdio: 'pipe' });
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.load(readFileSync(join(out, `${name}.xlsx`)) as unknown as ExcelJS.Buffer);
  return workbook;
}

const NAMES = 'January February March April May June July August September October November December'.split(' ');
const nameOf = (month: PlainMonth): string => `${NAMES[month % 12]} ${Math.floor(month / 12)}`;

/** The cells of a sheet by the words at the side and above. */
function cellsOf(sheet: ExcelJS.Worksheet, headRow: number) {
  const columns = new Map<string, number>();
  sheet.getRow(headRow).eachCell((cell, at) => {
    const text = cell.value instanceof Date ? cell.value.toISOString().slice(0, 10) : String(cell.value);
    if (!columns.has(text)) columns.set(text, at);
  });
  const rows = new Map<string, number>();
  sheet.getColumn(1).eachCell((cell, at) => {
    if (typeof cell.value === 'string') rows.set(cell.value, at);
  });
  const at = (row: string, column: string, below = 0): number | null => {
    const { value } = sheet.getRow(rows.get(row)! + below).getCell(columns.get(column)!);
    // What a formula came to; nothing is 0.
    const result = value !== null && typeof value === 'object' && 'formula' in value ? (value.result ?? 0) : value;
    if (typeof result === 'object' && result !== null && 'error' in result)
      throw new Error(`${row}, ${column}: an error`);
    return result === '' || result === undefined || result === null ? null : Number(result);
  };
  return { at, columns };
}

const close = (value: number | null): unknown => (value === null ? null : expect.closeTo(value, 9));

describe('the workbook of the sample, figured out by another program', () => {
  let workbook: ExcelJS.Workbook;
  beforeAll(async () => {
    workbook = await recalculated(await workbookOf(records, TODAY, { first: FIRST, last: LAST }), 'sample');
  }, 120_000);

  it('has for each habit of each month what the report says', () => {
    let count = 0;
    for (let month = FIRST; month <= LAST; month++) {
      const { at } = cellsOf(workbook.getWorksheet(nameOf(month))!, 2);
      for (const { id, name, measure } of records.habits) {
        const told = report.habits[id]!.months[formatMonth(month)];
        if (told === undefined || !report.months[formatMonth(month)]!.ranking.includes(id)) continue;
        count++;
        const words = `${name} in ${formatMonth(month)}`;
        expect([words, at(name, 'Done'), at(name, 'Target days'), at(name, 'Left')]).toEqual([
          words,
          told.actual,
          told.target,
          told.left,
        ]);
        expect([words, at(name, 'Kept'), at(name, 'Asked so far'), at(name, 'Share kept')]).toEqual([
          words,
          told.kept,
          told.asked,
          close(told.rate),
        ]);
        if (measure.kind === 'amount') expect([words, at(name, 'Amount')]).toEqual([words, close(told.amount ?? 0)]);
      }
    }
    expect(count).toBeGreaterThan(60);
  });

  it('has for each day, each area, each week and all together what the report and the weeks say', () => {
    const { habits } = accountFigures(accountRecords(records), TODAY);
    for (let month = FIRST; month <= LAST; month++) {
      const { at, columns } = cellsOf(workbook.getWorksheet(nameOf(month))!, 2);
      const told = report.months[formatMonth(month)]!;
      const span = monthSpan(month);
      for (let day = span.first; day <= Math.min(span.last, TODAY); day++) {
        const text = formatDay(day);
        const { done, due, score } = report.days[text]!;
        expect([text, at('Done that day', text), at('Asked that day', text), at('Share of the day', text)]).toEqual([
          text,
          done,
          due,
          close(score),
        ]);
      }
      expect([at('All habits', 'Kept'), at('All habits', 'Asked so far'), at('All habits', 'Share kept')]).toEqual([
        told.kept,
        told.asked,
        close(told.rate),
      ]);
      for (const [id, area] of Object.entries(told.areas)) {
        const name = records.areas.find((each) => each.id === id)?.name ?? 'Without an area';
        expect([name, at(name, 'Kept'), at(name, 'Asked so far'), at(name, 'Share kept')]).toEqual([
          name,
          area.kept,
          area.asked,
          close(area.rate),
        ]);
      }
      const taking = habits.filter(({ track }) => told.ranking.includes(track.habit.id)).map(({ track }) => track);
      const weeks = weekTotals(taking, span, records.settings.weekStart, records.settings.passMark);
      const heads = [...columns.keys()].filter((each) => each.startsWith('Kept ') && each.includes(' to '));
      expect(heads).toHaveLength(weeks.length);
      for (const [index, week] of weeks.entries())
        // Where nothing was asked the other program writes nothing, which is read as 0.
        expect([heads[index], at('All habits', heads[index]!), at('All habits', heads[index]!, 1)]).toEqual([
          heads[index],
          week.kept,
          close(week.rate ?? 0),
        ]);
    }
  });

  it('has a year’s months and goals as the report says', () => {
    const year = cellsOf(workbook.getWorksheet('2026')!, 1);
    for (let month = FIRST; month <= LAST; month++) {
      const told = report.months[formatMonth(month)]!;
      const figures = ['Kept', 'Asked', 'Share kept', 'Full days', 'Bright days'].map((each) =>
        year.at(nameOf(month), each),
      );
      expect([nameOf(month), ...figures]).toEqual([
        nameOf(month),
        told.kept,
        told.asked,
        close(told.rate),
        told.fullDays,
        told.brightDays,
      ]);
    }
    const goals = workbook.getWorksheet('Goals')!;
    const heads = cellsOf(goals, 1).columns;
    const seen = new Map<string, number>();
    goals.eachRow((row, at) => {
      if (at === 1) return;
      const value = (name: string): unknown => {
        const held = row.getCell(heads.get(name)!).value;
        return held !== null && typeof held === 'object' && 'result' in held ? held.result : held;
      };
      const goal = records.goals.find((each) => each.title === value('Goal'))!;
      const told = report.goals[goal.id]!;
      expect([goal.title, value('Progress') ?? null]).toEqual([goal.title, close(told.progress)]);
      seen.set(goal.id, (seen.get(goal.id) ?? 0) + 1);
      const result = records.keyResults.find((each) => each.goalId === goal.id && each.title === value('Key result'));
      if (result)
        expect([result.title, value('Key result progress')]).toEqual([
          result.title,
          close(told.keyResults[result.id]!.progress),
        ]);
    });
    expect(seen.size).toBe(records.goals.length);
  });
});

it('a changed cell changes the figures as the same change does in the app', async () => {
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.load(
    (await workbookOf(records, TODAY, { first: LAST, last: LAST })) as unknown as ExcelJS.Buffer,
  );
  const scales = records.habits.find(
    (each) => each.measure.kind === 'check' && report.habits[each.id]!.months['2026-11'],
  )!;
  const day = '2026-11-10';
  const isDone = records.entries.some((each) => each.habitId === scales.id && each.day === day && each.mark === 'done');
  const others = records.entries.filter((each) => each.habitId !== scales.id || each.day !== day);
  const changed: Records = isDone
    ? { ...records, entries: others }
    : { ...records, entries: [...others, { habitId: scales.id, day, mark: 'done' }] };
  const sheet = workbook.getWorksheet('November 2026')!;
  const places = cellsOf(sheet, 2);
  const row = sheet.getColumn(1).values.indexOf(scales.name);
  sheet.getRow(row).getCell(places.columns.get(day)!).value = isDone ? null : 'x';
  const bytes = new Uint8Array((await workbook.xlsx.writeBuffer()) as unknown as ArrayBuffer);
  const { at } = cellsOf((await recalculated(bytes, 'changed')).getWorksheet('November 2026')!, 2);
  const after = reportOf(changed, TODAY);
  const told = after.habits[scales.id]!.months['2026-11']!;
  expect(told.actual).not.toBe(report.habits[scales.id]!.months['2026-11']!.actual);
  expect([at(scales.name, 'Done'), at(scales.name, 'Share kept')]).toEqual([told.actual, close(told.rate)]);
  expect(at('Share of the day', day)).toEqual(close(after.days[day]!.score));
  expect(at('All habits', 'Share kept')).toEqual(close(after.months['2026-11']!.rate));
}, 120_000);

it('reads back as the record it was made from', async () => {
  const bytes = await workbookOf(records, TODAY, null);
  const { grids } = await gridsOfFile(bytes, 'wimbel.xlsx');
  const reading = readGrids(grids!, TODAY);
  const said = new Map(
    reading.cells.map(({ name, day, said }) => [`${formatDay(day)} ${reading.names[name]!.name}`, said]),
  );
  const nameOfHabit = new Map(records.habits.map(({ id, name }) => [id, name]));
  const told = records.entries.filter(({ mark, amount }) => mark !== undefined || (amount ?? 0) > 0);
  expect(reading.unclear).toEqual([]);
  for (const { day, habitId, mark, amount } of told) {
    const what = said.get(`${day} ${nameOfHabit.get(habitId)}`);
    if (mark === 'missed' || mark === 'rest' || amount === undefined) expect(what).toEqual({ kind: mark });
    else expect(what).toMatchObject({ kind: 'amount', amount });
  }
  expect(told.length).toBeGreaterThan(1000);
}, 120_000);
