import { type Habit, buildTrack, dayOf } from '@wimbel/core';
import { aHabit } from '../../testing/goalSamples.ts';
import { pipsHints, rewardHints } from './hints.ts';

const TODAY = dayOf('2026-11-24');
const track = (id: string, more: Partial<Habit>) =>
  buildTrack({ ...aHabit(id), name: id, ...more }, [], TODAY, 'monday');
const daily = (pips: number) => [{ from: '2026-01-01', schedule: { kind: 'daily' as const }, pips }];
const minutes = (atLeast: number, pips: number): Partial<Habit> => ({
  measure: { kind: 'amount', unit: 'min', step: 5 },
  terms: [{ from: '2026-01-01', schedule: { kind: 'perWeek', times: 2 }, atLeast, pips }],
});

it('a daily habit that earns more than one of an hour is spoken of, and no other', () => {
  const hour = track('Sanding', minutes(60, 3));
  expect(pipsHints([track('Tide table', { terms: daily(5) }), hour])).toEqual([
    'Tide table is due every day and earns more than Sanding, which takes an hour.',
  ]);
  expect(pipsHints([track('Tide table', { terms: daily(3) }), hour])).toEqual([]);
  expect(pipsHints([track('Tide table', { terms: daily(5) }), track('Cards', minutes(20, 1))])).toEqual([]);
  expect(pipsHints([track('Tide table', { terms: daily(5), archived: true }), hour])).toEqual([]);
});

it('a reward that undoes a habit, or is too near or too far, gets a hint', () => {
  const quit: Habit = { ...aHabit('q'), name: 'No coffee after two', aim: 'quit' };
  const about = { habits: [quit], goodDay: 10, settings: {} };
  expect(rewardHints({ title: 'A large coffee', cost: 20 }, about)).toEqual([
    'It may undo what “No coffee after two” is for.',
  ]);
  expect(rewardHints({ title: 'Two hours after supper', cost: 20 }, about)).toEqual([]);
  // A habit to do is not undone by its own name.
  const scales: Habit = { ...aHabit('s'), name: 'Scales, slow bow' };
  expect(rewardHints({ title: 'Scales of a fish', cost: 20 }, { ...about, habits: [scales] })).toEqual([]);
  expect(rewardHints({ title: 'Bun', cost: 9 }, about)).toEqual(['A good day earns more: 10 pips.']);
  expect(rewardHints({ title: 'Boat', cost: 1821 }, about)).toEqual(['It is more than half a year of good days away.']);
  expect(rewardHints({ title: 'Boat', cost: 9000 }, { ...about, goodDay: null })).toEqual([]);
});
