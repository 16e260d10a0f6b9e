export {
  DATA_FILE_VERSION,
  type DataFile,
  type ReadResult,
  readDataFileText,
  readDataFile,
  relationsIn,
  dataFileOf,
  writeDataFile,
} from './dataFile.ts';
export { type LineStep, stepsOfText } from './stepLines.ts';
export { type LineHabit, habitOfLine } from './habitLine.ts';
export { type TakeAlong, takeAlongMarkdown } from './takeAlong.ts';
export { type Cell, type Table, TABLES, type TableKind, tableOf, csvOf } from './tables.ts';
export { CALENDAR_KINDS, type CalendarKind, calendarFile, withoutDays } from './calendarFile.ts';
export * from './grid/blocks.ts';
export * from './grid/bringIn.ts';
export * from './grid/dayWords.ts';
export * from './grid/raw.ts';
export * from './grid/reading.ts';
export * from './grid/said.ts';
export { type MonthsSpan, type OnShare, workbookOf } from './workbook/workbook.ts';
