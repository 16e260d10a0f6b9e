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
export {
  CALENDAR_KINDS,
  type CalendarBounds,
  type CalendarKind,
  type CalendarRecords,
  calendarFile,
  calendarParts,
  withoutDays,
} from './calendarFile.ts';
export { type MonthsSpan, type OnShare, workbookOf } from './workbook/workbook.ts';
export {
  type Block,
  type DaySlot,
  type Layout,
  type LeftOut,
  type LineChoices,
  type ListBlock,
  lineKey,
} from './grid/blocks.ts';
export { type Brought, type Here, type NameChoice, broughtByGrid, choicesFor, likeness } from './grid/importGrid.ts';
export { type DateOrder } from './grid/dayWords.ts';
export { gridsOfFile } from './grid/file.ts';
export { GRID_LIMITS, type GridFault, type RawCell, type RawGrid, type RawResult, gridOfText } from './grid/raw.ts';
export {
  type GridChoices,
  type GridReading,
  type ReadCell,
  type ReadName,
  type UnclearCell,
  headKey,
  readGrids,
} from './grid/reading.ts';
export { type CellValue, parseCell } from './grid/parseCell.ts';
export { storyMarkdown } from './story.ts';
