import ExcelJS from 'exceljs';
import { dayOf, formatDay } from '@wimbel/core';
import { zipSync } from 'fflate';
import { gridsOfFile } from './file.ts';
import { GRID_LIMITS, type RawGrid } from './raw.ts';
import { readGrids } from './reading.ts';

const TODAY = dayOf('2026-11-24');
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

const saidIn = (grids: RawGrid[]) => {
  const { names, cells } = readGrids(grids, TODAY);
  return cells.map(({ name, day, said }) => [names[name]!.name, formatDay(day), said.kind]);
};

async function workbook(fill: (book: ExcelJS.Workbook) => void): Promise<Uint8Array> {
  const book = new ExcelJS.Workbook();
  fill(book);
  return new Uint8Array((await book.xlsx.writeBuffer()) as unknown as ArrayBuffer);
}

describe('a workbook', () => {
  it('with merged heads, formulas, hidden lines, real dates, times and ticks', async () => {
    const bytes = await workbook((book) => {
      const sheet = book.addWorksheet('2026');
      sheet.mergeCells('A1:H1');
      sheet.getCell('A1').value = 'My log';
      sheet.getRow(2).values = [
        'Habit',
        ...[1, 2, 3, 4, 5].map((date) => new Date(Date.UTC(2026, 1, 24 + date))),
        'Sum',
      ];
      sheet.getRow(3).values = ['Scales', true, false, { richText: [{ text: 'x' }] }, null, '✓'];
      sheet.getRow(4).values = ['Row', new Date(Date.UTC(1899, 11, 30, 0, 25)), null, 12.1 + 0.2, null, 40];
      sheet.getCell('G3').value = { formula: 'COUNTIF(B3:F3,"x")', result: 3 };
      sheet.getRow(5).values = ['Share'];
      sheet.getCell('B5').value = { formula: 'B3/2', result: 0.5 };
      sheet.getRow(6).values = ['=1+1', 'x'];
      // What a formula made of others is no habit, whatever it is called; of merged cells the first speaks.
      sheet.getRow(7).values = ['Both'];
      sheet.getCell('B7').value = { formula: 'B3*B6', result: 1 };
      sheet.getRow(8).values = ['Whittle', 'x'];
      sheet.mergeCells('B8:D8');
      sheet.getRow(4).hidden = true;
      sheet.getColumn(3).hidden = true;
      book.addWorksheet('Empty');
    });
    const { grids } = await gridsOfFile(bytes, 'log.xlsx');
    expect(grids!.map(({ name }) => name)).toEqual(['2026']);
    const { names, cells, leftOut } = readGrids(grids!, TODAY);
    const of = (name: string) =>
      cells.filter((each) => names[each.name]!.name === name).map(({ day, said }) => [formatDay(day), said]);
    expect(of('Scales')).toEqual([
      ['2026-02-25', { kind: 'done' }],
      ['2026-02-26', { kind: 'no' }],
      ['2026-02-27', { kind: 'done' }],
      ['2026-03-01', { kind: 'done' }],
    ]);
    expect(of('Row')).toEqual([
      ['2026-02-25', { kind: 'amount', amount: 25, unit: 'min' }],
      ['2026-02-27', { kind: 'amount', amount: 12.3, unit: null }],
      ['2026-03-01', { kind: 'amount', amount: 40, unit: null }],
    ]);
    expect(leftOut.map(({ name }) => name)).toEqual(['Share', 'Both', 'Sum']);
    expect(of('Whittle')).toEqual([['2026-02-25', { kind: 'done' }]]);
    // Text that begins like a formula is text.
    expect(names.map(({ name }) => name)).toContain('=1+1');
  });

  it('with a month in each sheet', async () => {
    const bytes = await workbook((book) => {
      for (const [name, days] of [
        ['Jan 24', 31],
        ['Feb 24', 29],
      ] as const) {
        const sheet = book.addWorksheet(name);
        sheet.getRow(1).values = ['', ...Array.from({ length: days }, (_, at) => at + 1)];
        sheet.getRow(2).values = ['Scales'];
        sheet.getRow(2).getCell(days + 1).value = 'x';
      }
    });
    const { grids } = await gridsOfFile(bytes, 'log.xlsx');
    expect(saidIn(grids!)).toEqual([
      ['Scales', '2024-01-31', 'done'],
      ['Scales', '2024-02-29', 'done'],
    ]);
  });

  it('that is damaged, none, or would swell up is refused and never unpacked', async () => {
    const good = await workbook((book) => void (book.addWorksheet('a').getCell('A1').value = 'x'));
    expect(await gridsOfFile(good.slice(0, good.length - 200), 'a.xlsx')).toEqual({
      grids: null,
      fault: 'notWorkbook',
    });
    expect(await gridsOfFile(zipSync({ 'notes.txt': bytesOf('no') }), 'a.xlsx')).toEqual({
      grids: null,
      fault: 'notWorkbook',
    });
    const damaged = zipSync({ 'xl/workbook.xml': bytesOf('<workbook') });
    expect((await gridsOfFile(damaged, 'a.xlsx')).fault).toMatch(/notWorkbook|empty/);
    const swelling = zipSync({ 'xl/workbook.xml': bytesOf('<x/>') });
    // What it says it comes to stands in its list, 24 bytes behind the mark of an entry.
    const list = new DataView(swelling.buffer);
    const mark = swelling.findIndex((_, at) => at < swelling.length - 4 && list.getUint32(at, true) === 0x02014b50);
    list.setUint32(mark + 24, GRID_LIMITS.unpackedBytes + 1, true);
    expect(await gridsOfFile(swelling, 'a.xlsx')).toEqual({ grids: null, fault: 'swells' });
    expect(await gridsOfFile(await workbook((book) => void book.addWorksheet('a')), 'a.xlsx')).toEqual({
      grids: null,
      fault: 'empty',
    });
  });
});

describe('text', () => {
  const LINES = 'Tag;Übung\n1.3.2025;x\n2.3.2025;\n3.3.2025;✓\n13.3.2025;x';

  it('in any usual encoding', async () => {
    const expected = [
      ['Übung', '2025-03-01', 'done'],
      ['Übung', '2025-03-03', 'done'],
      ['Übung', '2025-03-13', 'done'],
    ];
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...[...LINES].flatMap((each) => [each.charCodeAt(0) & 255, each.charCodeAt(0) >> 8]),
    ]);
    const narrow = new Uint8Array([...LINES.replace('✓', 'x')].map((each) => each.charCodeAt(0)));
    for (const bytes of [bytesOf(LINES), bytesOf(`\uFEFF${LINES}`), wide, narrow])
      expect(saidIn((await gridsOfFile(bytes, 'a.csv')).grids!)).toEqual(expected);
  });

  it('that is nothing, no text, locked or too large is refused', async () => {
    const fault = async (bytes: Uint8Array) => (await gridsOfFile(bytes, 'a.csv')).fault;
    expect(await fault(new Uint8Array())).toBe('empty');
    expect(await fault(bytesOf(' \n\n'))).toBe('empty');
    expect(await fault(new Uint8Array([1, 2, 0, 4]))).toBe('notText');
    expect(await fault(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]))).toBe('locked');
    expect(await fault(new Uint8Array(40 * 1024 * 1024).fill(120))).toBe('tooLarge');
  });
});
