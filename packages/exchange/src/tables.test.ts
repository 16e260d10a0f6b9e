import { type Records, dayOf, reportOf } from '@wimbel/core';
import fc from 'fast-check';
import Papa from 'papaparse';
import { readDataFile } from './dataFile.ts';
import { type TableKind, csvOf, tableOf } from './tables.ts';

const TODAY = dayOf('2026-11-24');
const habit = (id: string, more: object = {}): object => ({
  id,
  name: id,
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});
const RECORDS: Records = readDataFile({
  format: 'wimbel',
  version: 1,
  areas: [{ id: 'a', name: 'Cello', order: 0 }],
  habits: [
    habit('Swim', { order: 1 }),
    habit('Scales', {
      areaId: 'a',
      measure: { kind: 'amount', unit: 'min', step: 5 },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atLeast: 20 }],
    }),
  ],
  entries: [
    { habitId: 'Swim', day: '2026-11-03', mark: 'missed', note: '=1+1, "cold"' },
    { habitId: 'Scales', day: '2026-11-03', amount: 25.5 },
    { habitId: 'Swim', day: '2026-11-05', mark: 'done' },
    { habitId: 'Swim', day: '2026-10-30', mark: 'done' },
  ],
  goals: [{ id: 'g', title: 'Sail', startsOn: '2026-01-01', dueOn: '2026-12-31', state: 'open', order: 0 }],
  keyResults: [
    { id: 'k', goalId: 'g', title: 'Miles', order: 0, measure: { kind: 'number', unit: 'nm', start: 0, target: 200 } },
  ],
  checkIns: [{ id: 'c', keyResultId: 'k', day: '2026-11-10', value: 50, madeAt: '2026-11-10T08:00:00Z' }],
  prompts: [{ id: 'p', text: 'What was good?', part: 'day', kind: 'list', size: 3, active: true, order: 0 }],
  journal: [
    {
      id: 'j',
      day: '2026-11-04',
      part: 'day',
      mood: 4,
      feelings: ['calm', 'tired'],
      text: 'Fog\nall day',
      answers: [{ promptId: 'p', items: [{ text: 'Sun' }, { text: 'Tea', done: true }] }],
    },
  ],
  rewards: [{ id: 'r', title: 'Concert', cost: 40, order: 0 }],
  claims: [{ id: 'x', rewardId: 'r', day: '2026-11-20', cost: 40 }],
}).records!;
const NOVEMBER = { first: dayOf('2026-11-01'), last: dayOf('2026-11-30') };
const rows = (kind: TableKind, span: typeof NOVEMBER | null = NOVEMBER) =>
  tableOf(kind, RECORDS, () => reportOf(RECORDS, TODAY), span).rows;

it('days stand line by line, in order, with their area, unit and note, and only those of the span', () => {
  expect(rows('days')).toEqual([
    ['2026-11-03', 'Scales', 'Cello', '', 25.5, 'min', ''],
    ['2026-11-03', 'Swim', '', 'missed', null, '', '=1+1, "cold"'],
    ['2026-11-05', 'Swim', '', 'done', null, '', ''],
  ]);
  expect(rows('days', null)).toHaveLength(4);
});

it('the board has every day of its span and a column for each habit that has something in it', () => {
  const { columns } = tableOf('board', RECORDS, () => reportOf(RECORDS, TODAY), NOVEMBER);
  expect(columns).toEqual(['Day', 'Scales (min)', 'Swim']);
  expect(rows('board')).toHaveLength(30);
  expect(rows('board').slice(2, 5)).toEqual([
    ['2026-11-03', 25.5, 'missed'],
    ['2026-11-04', null, null],
    ['2026-11-05', null, 'done'],
  ]);
  expect(rows('board', null)[0]).toEqual(['2026-10-30', null, 'done']);
});

it('goals stand with the progress of the report, check-ins, journal and rewards with their names', () => {
  const { goals } = reportOf(RECORDS, TODAY);
  expect(rows('goals')).toEqual([
    ['Sail', '', 'open', '2026-01-01', '2026-12-31', goals.g!.progress, 'Miles', 0, 200, 'nm', 50, 0.25],
  ]);
  expect(rows('checkIns')).toEqual([['2026-11-10', 'Sail', 'Miles', 50, '']]);
  expect(rows('journal')).toEqual([
    ['2026-11-04', 'day', 4, 'calm, tired', '', 'Fog\nall day'],
    ['2026-11-04', 'day', 4, 'calm, tired', 'What was good?', 'Sun\n[x] Tea'],
  ]);
  expect(rows('rewards')).toEqual([['2026-11-20', 'Concert', 40]]);
});

it('what months earned and spent stands with what was left', () => {
  // The habits of this record earn nothing.
  expect(rows('ledger')).toEqual([['2026-11', 0, 40, -40]]);
  expect(rows('ledger', { first: dayOf('2026-01-01'), last: dayOf('2026-01-31') })).toEqual([]);
});

it('as CSV every value comes back as it was, and nothing is run as a formula', () => {
  const cell = fc.oneof(fc.string(), fc.constantFrom('=1+1', '+1', '-x', '@a', 'a,"b"', 'a\r\nb', ''));
  fc.assert(
    fc.property(
      fc.array(fc.tuple(cell, fc.double({ noNaN: true, noDefaultInfinity: true })), { minLength: 1 }),
      (lines) => {
        const text = csvOf({ columns: ['Text', 'Number'], rows: lines.map(([a, b]) => [a, b]) });
        expect(text.endsWith('\r\n')).toBe(true);
        const { data, errors } = Papa.parse<string[]>(text.slice(0, -2), { newline: '\r\n' });
        expect(errors).toEqual([]);
        expect(data.slice(1)).toEqual(lines.map(([a, b]) => [/^[=+\-@\t\r]/.test(a) ? `'${a}` : a, String(b)]));
      },
    ),
  );
});
