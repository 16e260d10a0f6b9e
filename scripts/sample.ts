import { parseDay } from '@wimbel/core';
import { dataFileOf, readDataFile, writeDataFile } from '@wimbel/exchange';
import { sampleRecords } from './sample/generate.ts';

const words = process.argv.slice(2);
const given = words[0] === '--today' ? words[1] : words[0]?.replace(/^--today=/, '');
const today = parseDay(given ?? '');
if (today === null || words.length > 2) {
  process.stderr.write('usage: npm run -s sample -- --today YYYY-MM-DD\n');
  process.exit(2);
}
const file = dataFileOf(sampleRecords(today));
const { issues } = readDataFile(file);
if (issues.length > 0) throw new Error(`the sample is not a good data file: ${JSON.stringify(issues.slice(0, 5))}`);
process.stdout.write(writeDataFile(file));
