import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { runsOf } from '../habit/streak.ts';
import type { Habit } from '../record/records.ts';
import { TODAY, checkHabits, entries } from '../testing/arbitraries.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { habitWeek, weeksMetIn } from './habitWeeks.ts';

const WEDNESDAY = dayOf('2025-03-19');
const twice = aHabit({ terms: [{ from: '2025-03-01', schedule: { kind: 'perWeek', times: 2 } }] });
const of = (habit: Habit, ...done: string[]) => buildTrack(habit, doneOn('h', ...done), WEDNESDAY, 'monday');
const week = (track: ReturnType<typeof of>, first: string) => {
  const { done, asked, verdict } = habitWeek(track, { first: dayOf(first), last: dayOf(first) + 6 });
  return [done, asked, verdict];
};

it('a week of so many days goes by its quota: met, lost, or open while it runs', () => {
  const track = of(twice, '2025-03-03', '2025-03-04', '2025-03-05', '2025-03-11', '2025-03-17');
  // It began on a Saturday: two of seven days ask 4/7, one day.
  expect(week(track, '2025-02-24')).toEqual([0, 1, 'lost']);
  expect(week(track, '2025-03-03')).toEqual([3, 2, 'met']);
  expect(week(track, '2025-03-10')).toEqual([1, 2, 'lost']);
  expect(week(track, '2025-03-17')).toEqual([1, 2, 'open']);
  expect(week(track, '2025-03-24')).toEqual([0, 2, null]);
});

it('a week of named days is met once all of them are done, another day standing in', () => {
  const days = ['monday', 'wednesday', 'friday'] as const;
  const named = aHabit({ terms: [{ from: '2025-03-03', schedule: { kind: 'weekdays', days: [...days] } }] });
  const track = of({ ...named, startsOn: '2025-03-03' }, '2025-03-03', '2025-03-04', '2025-03-07', '2025-03-10');
  expect(week(track, '2025-03-03')).toEqual([3, 3, 'met']);
  expect(week(track, '2025-03-10')).toEqual([1, 3, 'lost']);
  // Of Monday, Wednesday and Friday two can still be done.
  expect(week(track, '2025-03-17')).toEqual([0, 3, 'lost']);
  expect(week(of({ ...named, startsOn: '2025-03-03' }, '2025-03-17'), '2025-03-17')).toEqual([1, 3, 'open']);
});

it('weeks count in the span of their last day, the running one once it is met', () => {
  const march = { first: dayOf('2025-03-01'), last: dayOf('2025-03-31') };
  const three = ['2025-03-03', '2025-03-05', '2025-03-11', '2025-03-17'];
  expect(weeksMetIn(of(twice, ...three), march)).toEqual({ met: 1, of: 3 });
  expect(weeksMetIn(of(twice, ...three, '2025-03-18'), march)).toEqual({ met: 2, of: 4 });
  const february = { first: dayOf('2025-02-01'), last: dayOf('2025-02-28') };
  expect(weeksMetIn(of(twice), february)).toEqual({ met: 0, of: 0 });
});

it('weeks met in all are those that the runs of weeks are made of', () => {
  fc.assert(
    fc.property(checkHabits, entries, (made, list) => {
      const habit = {
        ...made,
        terms: [{ from: formatDay(TODAY - 400), schedule: { kind: 'perWeek' as const, times: 2 } }],
      };
      const track = buildTrack(habit, list, TODAY, 'monday');
      const runs = runsOf(track, 'weeks').reduce((sum, { length }) => sum + length, 0);
      expect(weeksMetIn(track, { first: track.first, last: TODAY + 6 }).met).toBe(runs);
    }),
  );
});
