import { readFileSync } from 'node:fs';
import { parseDay, reportOf } from '@wimbel/core';
import { readDataFileText } from '@wimbel/exchange';

const USAGE = 'usage: npm run -s report -- FILE --today YYYY-MM-DD   (FILE may be - for standard input)';
const MOST_FAULTS = 20;

function fail(...lines: string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`);
  process.exit(2);
}

function readArguments(): { file: string; today: number } {
  const words = process.argv.slice(2);
  const at = words.findIndex((word) => word === '--today' || word.startsWith('--today='));
  if (at < 0) fail(USAGE);
  const inline = words[at]!.startsWith('--today=');
  const text = inline ? words[at]!.slice('--today='.length) : words[at + 1];
  const [file, ...rest] = words.filter((_, index) => index !== at && (inline || index !== at + 1));
  if (file === undefined || rest.length > 0) fail(USAGE);
  const today = parseDay(text ?? '');
  if (today === null) fail(`--today: "${text ?? ''}" is not a day that exists, written YYYY-MM-DD`);
  return { file, today };
}

function readText(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    fail(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`);
  }
}

const { file, today } = readArguments();
const { records, issues } = readDataFileText(readText(file));
if (records === null) {
  fail(...issues.slice(0, MOST_FAULTS).map(({ path, message }) => `${path === '' ? 'file' : path}: ${message}`));
}
process.stdout.write(`${JSON.stringify(reportOf(records, today), null, 2)}\n`);
