import { type Entry, type Habit, buildTrack, dayOf, formatDay } from '@wimbel/core';
import { type Fact, keptFacts, streakFacts } from './habitFacts.ts';

const TODAY = dayOf('2026-11-24');
const habit = (from: string, more: Partial<Habit> = {}): Habit => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from, schedule: { kind: 'daily' } }],
  startsOn: from,
  ...more,
});
const track = (of: Habit, daysAgo: number[] = []) => {
  const entries = daysAgo.map((ago): Entry => ({ habitId: 'h', day: formatDay(TODAY - ago), mark: 'done' }));
  return buildTrack(of, entries, TODAY, 'monday');
};
const bare = (facts: Fact[]) => facts.map(([name, value]) => [name, value.replace(/\s/g, ' ')]);

describe('streaks in words', () => {
  it('there is none before anything is done', () => {
    expect(bare(streakFacts(track(habit('2026-11-01'))))).toEqual([
      ['Now', 'no streak yet'],
      ['Longest', '–'],
    ]);
  });

  it('the running one has its first day; the longest both, with the year where it is another', () => {
    const long = Array.from({ length: 5 }, (_, index) => 330 + index);
    expect(bare(streakFacts(track(habit('2025-12-01'), [0, 1, ...long])))).toEqual([
      ['Now', '2 days, since 23 November'],
      ['Longest', '5 days, 25 December 2025 to 29 December 2025'],
    ]);
  });

  it('today still open does not break it, one single day is a day', () => {
    expect(bare(streakFacts(track(habit('2026-11-20'), [1])))).toEqual([
      ['Now', '1 day, since 23 November'],
      ['Longest', '1 day, 23 November to 23 November'],
    ]);
  });

  it('so many days a week count in weeks', () => {
    const weekly = habit('2026-11-09', { terms: [{ from: '2026-11-09', schedule: { kind: 'perWeek', times: 1 } }] });
    expect(bare(streakFacts(track(weekly, [2, 9])))[0]).toEqual(['Now', '2 weeks, since 9 November']);
  });
});

describe('the kept rate in words', () => {
  it('has its two numbers over each span', () => {
    expect(bare(keptFacts(track(habit('2026-11-22'), [0, 1])))).toEqual([
      ['7 days', '2 of 3, 67 %'],
      ['30 days', '2 of 3, 67 %'],
      ['This month', '2 of 3, 67 %'],
      ['This year', '2 of 3, 67 %'],
      ['In all', '2 of 3, 67 %'],
    ]);
  });

  it('says so where nothing was due', () => {
    const paused = habit('2026-11-10', { pauses: [{ from: '2026-11-10', to: '2026-11-30', why: 'Flu' }] });
    expect(new Set(keptFacts(track(paused)).map(([, value]) => value))).toEqual(new Set(['nothing due']));
  });
});
