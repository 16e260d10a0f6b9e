import { GRID_LIMITS, type RawResult, gridOfText, textOfBytes } from './raw.ts';
import { gridsOfWorkbook } from './workbookGrids.ts';

/** Whether bytes are a packed workbook, by how they begin. */
const isPacked = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
/** How workbooks of old begin, and those that are locked with a password. */
const isOldWorkbook = (bytes: Uint8Array): boolean => bytes[0] === 0xd0 && bytes[1] === 0xcf && bytes[2] === 0x11;

/** Reads a file that somebody kept a grid in: text (CSV, TSV) in any usual encoding, or a workbook. */
export async function gridsOfFile(bytes: Uint8Array, name: string): Promise<RawResult> {
  if (bytes.length === 0) return { grids: null, fault: 'empty' };
  if (bytes.length > GRID_LIMITS.bytes) return { grids: null, fault: 'tooLarge' };
  if (isOldWorkbook(bytes)) return { grids: null, fault: 'locked' };
  if (isPacked(bytes)) {
    return gridsOfWorkbook(bytes);
  }
  const text = textOfBytes(bytes);
  return text === null ? { grids: null, fault: 'notText' } : gridOfText(text, name.replace(/\.[^.]*$/, ''));
}
