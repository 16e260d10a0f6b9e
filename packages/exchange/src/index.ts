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
