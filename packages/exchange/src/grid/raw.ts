import type { PlainDay } from '@wimbel/core';
import Papa from 'papaparse';

/** A cell as somebody kept it: the text it shows; `day` where it is a date, `isFigured` where a formula made it. */
export type RawCell = { text: string; day?: PlainDay; isFigured?: true };

/** One grid: its name, and its lines of cells, which may be of different lengths. */
export type RawGrid = { name: string; rows: RawCell[][] };

/** Why a file can't be read as grids. */
export type GridFault = 'empty' | 'tooLarge' | 'notText' | 'notWorkbook' | 'locked' | 'swells';

/** The grids of a file, or why it has none. */
export type RawResult = { grids: RawGrid[]; fault: null } | { grids: null; fault: GridFault };

/** The largest file that is read, and the most that a packed one may come to. */
export const GRID_LIMITS = { bytes: 32 * 1024 * 1024, unpackedBytes: 400 * 1024 * 1024 } as const;

/** Text in the encoding it is most likely written in; null where it is none. */
export function textOfBytes(bytes: Uint8Array): string | null {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) return null;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Lines of text with commas, semicolons or tabs between, as one grid. Text that begins with = is text. */
export function gridOfText(text: string, name: string): RawResult {
  const bare = text.replace(/^\uFEFF/, '');
  if (bare.trim() === '') return { grids: null, fault: 'empty' };
  const delimiter = /^[^\n]*\t/m.test(bare.slice(0, 10_000)) ? '\t' : '';
  const { data } = Papa.parse<string[]>(bare, { delimiter, delimitersToGuess: [',', ';', '\t', '|'] });
  return { grids: [{ name, rows: data.map((row) => row.map((text) => ({ text: text.trim() }))) }], fault: null };
}
