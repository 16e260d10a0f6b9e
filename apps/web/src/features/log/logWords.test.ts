import { type Entry, type Schedule, buildTrack, dayOf, formatDay, logSpanOf } from '@wimbel/core';
import { aHabit } from '../../testing/goalSamples.ts';
import { runningWords, weekVerdictWords } from './logWords.ts';

const [MONDAY, SUNDAY] = [dayOf('2026-11-23'), dayOf('2026-11-29')];
const track = (schedule: Schedule, daysAgo: number[], today: number) =>
  buildTrack(
    aHabit('h', { terms: [{ from: '2026-11-01', schedule }] }),
    daysAgo.map((ago): Entry => ({ habitId: 'h', day: formatDay(today - ago), mark: 'done' })),
    today,
    'monday',
  );
const running = (schedule: Schedule, daysAgo: number[], today: number) => {
  const laid = track(schedule, daysAgo, today);
  return runningWords(laid, 'week', logSpanOf('week', today, 'monday'));
};

describe('how the running week of a habit stands', () => {
  it('is met, still open or out of reach', () => {
    const three = { kind: 'perWeek', times: 3 } as const;
    expect(running(three, [0, 1, 2], MONDAY + 2)).toBe('3 of 3 this week, met');
    expect(running(three, [], MONDAY + 2)).toBe('0 of 3 this week, still open');
    expect(running(three, [], SUNDAY)).toBe('0 of 3 this week, out of reach');
  });

  it('of so many days a month speaks of the month, over a week too', () => {
    expect(running({ kind: 'perMonth', times: 2 }, [], MONDAY)).toBe('0 of 2 this month, still open');
  });

  it('says nothing of fixed days, of spans that are over, and of long ones', () => {
    expect(running({ kind: 'daily' }, [], MONDAY)).toBeNull();
    const laid = track({ kind: 'perWeek', times: 3 }, [], MONDAY);
    expect(runningWords(laid, 'week', logSpanOf('week', MONDAY - 7, 'monday'))).toBeNull();
    expect(runningWords(laid, 'year', logSpanOf('year', MONDAY, 'monday'))).toBeNull();
  });
});

it.each([
  [null, true, ''],
  ['met', true, 'met'],
  ['open', true, 'still open'],
  ['lost', true, 'out of reach'],
  ['met', false, 'pass mark reached'],
  ['lost', false, 'pass mark not reached'],
] as const)('a week of all that is %s, running %s, is told as "%s"', (verdict, isRunning, words) =>
  expect(weekVerdictWords({ verdict, isRunning })).toBe(words),
);
