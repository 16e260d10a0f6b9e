import { buildTrack, dayOf, formatDay, pipsByDay } from '@wimbel/core';
import { aHabit } from '../../testing/goalSamples.ts';
import { type LedgerSpan, ledgerRows } from './ledgerRows.ts';

const TODAY = dayOf('2026-11-24');
const habit = {
  ...aHabit('h'),
  startsOn: '2026-09-28',
  terms: [{ from: '2026-09-28', schedule: { kind: 'daily' as const }, pips: 2 }],
};
const done = ['2026-09-30', '2026-10-01', '2026-11-23', '2026-11-24'].map((day) => ({
  habitId: 'h',
  day,
  mark: 'done' as const,
}));
const byDay = pipsByDay({
  tracks: [buildTrack(habit, done, TODAY, 'monday')],
  milestones: [],
  claims: [{ id: 'c', rewardId: 'r', day: '2026-11-23', cost: 5 }],
  today: TODAY,
});
const told = (kind: LedgerSpan) =>
  ledgerRows(byDay, kind, TODAY, 'monday').map(
    ({ span, earned, spent }) => `${formatDay(span.first)} +${earned} -${spent}`,
  );

it('the ledger’s spans are newest first, and those with nothing are left out', () => {
  expect(told('day')).toEqual(['2026-11-24 +2 -0', '2026-11-23 +2 -5', '2026-10-01 +2 -0', '2026-09-30 +2 -0']);
  expect(told('week')).toEqual(['2026-11-23 +4 -5', '2026-09-28 +4 -0']);
  expect(told('month')).toEqual(['2026-11-01 +4 -5', '2026-10-01 +2 -0', '2026-09-01 +2 -0']);
  expect(told('quarter')).toEqual(['2026-10-01 +6 -5', '2026-07-01 +2 -0']);
  expect(told('year')).toEqual(['2026-01-01 +8 -5']);
  expect(
    ledgerRows(pipsByDay({ tracks: [], milestones: [], claims: [], today: TODAY }), 'day', TODAY, 'monday'),
  ).toEqual([]);
});
