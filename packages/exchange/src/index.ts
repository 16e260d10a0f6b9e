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
