import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyRecords } from '@wimbel/core';
import { dataFileOf } from '@wimbel/exchange';

const habit = {
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-03-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-03-01',
} as const;
const file = {
  ...dataFileOf(emptyRecords()),
  habits: [habit],
  entries: ['2026-03-01', '2026-03-02', '2026-03-04'].map((day) => ({ habitId: 'h', day, mark: 'done' })),
};

const report = (args: string[], input = '', env: Record<string, string> = {}) =>
  spawnSync('node_modules/.bin/tsx', ['scripts/report.ts', ...args], {
    cwd: join(__dirname, '..'),
    input,
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });

describe('the report command', () => {
  it('prints every figure of a file as of a day', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'wimbel-report-')), 'file.json');
    writeFileSync(path, JSON.stringify(file));
    const { status, stdout, stderr } = report([path, '--today', '2026-03-05']);
    expect([status, stderr]).toEqual([0, '']);
    const said = JSON.parse(stdout);
    expect(Object.keys(said)).toEqual([
      'today',
      'habits',
      'days',
      'months',
      'fullDayStreak',
      'pips',
      'mood',
      'goals',
      'seasons',
    ]);
    expect(said.habits.h.streak).toMatchObject({ current: 1, longest: 2, longestFrom: '2026-03-01' });
    expect(said.days['2026-03-03']).toEqual({ done: 0, due: 1, score: 0, full: false, bright: false });
  });

  it('reads standard input, and says the same in every zone and for every order of the records', () => {
    const turned = { ...file, entries: [...file.entries].reverse() };
    const east = report(['-', '--today=2026-03-05'], JSON.stringify(file), { TZ: 'Pacific/Kiritimati' });
    const west = report(['--today', '2026-03-05', '-'], JSON.stringify(turned), { TZ: 'Pacific/Pago_Pago' });
    expect(east.status).toBe(0);
    expect(west.stdout).toBe(east.stdout);
  });

  it('ends with 2 and a line a fault, at most 20, and prints no figures', () => {
    const faulty = {
      ...file,
      habits: [{ ...habit, name: '' }],
      entries: Array.from({ length: 30 }, () => ({ habitId: 'h', day: '2026-02-30' })),
    };
    const { status, stdout, stderr } = report(['-', '--today', '2026-03-05'], JSON.stringify(faulty));
    expect([status, stdout]).toEqual([2, '']);
    const lines = stderr.trim().split('\n');
    expect(lines).toHaveLength(20);
    expect(lines[0]).toBe('habits[0].name: is missing');
    expect(lines[1]).toBe('entries[0].day: is not a day that exists, written YYYY-MM-DD');
  });

  it.each([
    [[], /^usage:/],
    [['-'], /^usage:/],
    [['-', 'more', '--today', '2026-03-05'], /^usage:/],
    [['-', '--today', '2026-02-29'], /^--today: "2026-02-29" is not a day/],
    [['/no/such/file', '--today', '2026-03-05'], /^\/no\/such\/file: cannot be read/],
    [['-', '--today', '2026-03-05'], /^file: is not JSON/],
  ])('says how it is used: %j', (args, words) => {
    const { status, stdout, stderr } = report(args, '{');
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(words);
  });
});
