import fc from 'fast-check';
import { monthOf } from '../calendar/month.ts';
import { WEEKDAYS, dayOf, formatDay } from '../calendar/plainDay.ts';
import { daysIn } from '../calendar/span.ts';
import { weekTotals } from '../day/weekTotals.ts';
import type { Entry, Habit, Schedule } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { archivedHabit, resumedHabit } from './ending.ts';
import { keptOver } from './kept.ts';
import { LOG_SPANS, dayOfNeighbour, logFigures, logSpanOf } from './logSpan.ts';
import { missReasons } from './missReasons.ts';
import { isTakenOver, withMonthTarget, withYearTarget } from './settingTargets.ts';
import { streakOf } from './streak.ts';
import { monthTargetOf, yearTargetOf } from './targets.ts';
import { buildTrack } from './buildTrack.ts';
import { quotaVerdict } from './periods.ts';
import { variantFigures, withParts } from './variants.ts';

const TODAY = dayOf('2026-11-24');
const trackOf = (habit: Habit, entries: Entry[] = [], today = TODAY, weekStart = WEEKDAYS[0]!) =>
  buildTrack(habit, entries, today, weekStart);
const text = ({ first, last }: { first: number; last: number }) => `${formatDay(first)} ${formatDay(last)}`;

describe('the spans of the log', () => {
  it.each([
    ['week', '2026-01-01', 'monday', '2025-12-29 2026-01-04'],
    ['week', '2026-01-01', 'sunday', '2025-12-28 2026-01-03'],
    ['month', '2024-02-10', 'monday', '2024-02-01 2024-02-29'],
    ['month', '2026-02-10', 'monday', '2026-02-01 2026-02-28'],
    ['sevenDays', '2026-11-05', 'monday', '2026-11-05 2026-11-11'],
    ['sixWeeks', '2026-11-05', 'monday', '2026-11-05 2026-12-16'],
    ['quarter', '2026-11-24', 'monday', '2026-10-01 2026-12-31'],
    ['year', '2024-11-24', 'monday', '2024-01-01 2024-12-31'],
  ] as const)('%s of %s with weeks from %s', (kind, day, weekStart, expected) => {
    expect(text(logSpanOf(kind, dayOf(day), weekStart))).toBe(expected);
  });

  it('join without a gap, back and forth without end', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LOG_SPANS),
        fc.integer({ min: -200_000, max: 200_000 }),
        fc.constantFrom(...WEEKDAYS),
        (kind, day, weekStart) => {
          const span = logSpanOf(kind, day, weekStart);
          const next = logSpanOf(kind, dayOfNeighbour(kind, span, 1), weekStart);
          expect(next.first).toBe(span.last + 1);
          expect(logSpanOf(kind, dayOfNeighbour(kind, next, -1), weekStart)).toEqual(span);
          expect(day >= span.first && day <= span.last).toBe(true);
        },
      ),
    );
  });

  it('have the figures of their period: a quarter adds up its months’ targets', () => {
    const habit = aHabit({ monthTargets: { '2026-10': { days: 10 }, '2026-11': { days: 12, onward: true } } });
    const track = trackOf(habit, doneOn('h', '2026-10-03', '2026-11-24'));
    const figures = (kind: 'quarter' | 'month' | 'week') =>
      logFigures(track, kind, logSpanOf(kind, TODAY, 'monday'), 0.85);
    // October asks its 10, 24 days of November 12 × 24 / 30 = 9.6.
    expect(figures('quarter')).toEqual({
      ...{ actual: 2, target: 34, left: 32, share: 2 / 34 },
      ...{ kept: 2, asked: 20, rate: 0.1 },
    });
    expect(figures('month')).toMatchObject({ actual: 1, target: 12, ribbon: false });
    expect(figures('week')).toMatchObject({ actual: 1, target: 7 });
  });
});

describe('weeks under the days', () => {
  const mondayTuesdayFriday: Schedule = { kind: 'weekdays', days: ['monday', 'tuesday', 'friday'] };
  const three = aHabit({
    id: 'p',
    startsOn: '2026-11-01',
    terms: [{ from: '2026-11-01', schedule: { kind: 'perWeek', times: 3 } }],
  });

  it('are cut to the span, the short ones owing their share', () => {
    const track = trackOf(three, doneOn('p', '2026-11-01', '2026-11-03', '2026-11-04', '2026-11-05', '2026-11-06'));
    const weeks = weekTotals([track], logSpanOf('month', TODAY, 'monday'), 'monday', 0.85);
    // Sunday 1 November alone asks 3/7, rounded to nothing; of the running week one day is over.
    expect(weeks.map((week) => [text(week.days).slice(8, 10), week.kept, week.asked, week.verdict])).toEqual([
      ['01', 0, 0, null],
      ['02', 3, 3, 'met'],
      ['09', 0, 3, 'lost'],
      ['16', 0, 3, 'lost'],
      ['23', 0, 0, 'open'],
      ['30', 0, 0, null],
    ]);
  });

  it('of which one runs are open while nothing is lost, or the pass mark is within reach', () => {
    const week = (of: Habit, ...done: string[]) =>
      weekTotals([trackOf(of, doneOn(of.id, ...done))], logSpanOf('week', TODAY, 'monday'), 'monday', 0.85)[0]!;
    const daily = aHabit({ startsOn: '2026-11-20' });
    expect(week(daily, '2026-11-23')).toMatchObject({ kept: 1, asked: 1, verdict: 'open', isRunning: true });
    // Six of seven can still be done, which is above the mark; of three days named by the schedule two are too few.
    expect(week(daily)).toMatchObject({ kept: 0, verdict: 'open' });
    const named = { ...daily, terms: [{ from: '2026-11-20', schedule: mondayTuesdayFriday }] };
    expect(week(named)).toMatchObject({ asked: 1, verdict: 'lost' });
    expect(week(named, '2026-11-23')).toMatchObject({ verdict: 'open' });
    // Three times a week with nothing done by Tuesday is still open; seven times is lost, but six are enough.
    expect(week({ ...three, startsOn: '2026-11-20' })).toMatchObject({ kept: 0, asked: 0, verdict: 'open' });
    expect(quotaVerdict({ quota: 3, done: 0, remaining: 6 })).toBe('open');
    expect(quotaVerdict({ quota: 3, done: 3, remaining: 0 })).toBe('met');
    expect(quotaVerdict({ quota: 3, done: 1, remaining: 1 })).toBe('lost');
  });

  it('add up to every day once, whatever the span and the week start', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LOG_SPANS),
        fc.integer({ min: -50_000, max: 50_000 }),
        fc.constantFrom(...WEEKDAYS),
        (kind, day, start) => {
          const span = logSpanOf(kind, day, start);
          const weeks = weekTotals([], span, start, 0.85);
          expect(weeks.reduce((sum, week) => sum + daysIn(week.days), 0)).toBe(daysIn(span));
          expect(weeks.slice(1).every((week, index) => week.days.first === weeks[index]!.days.last + 1)).toBe(true);
        },
      ),
    );
  });
});

describe('targets that a person sets', () => {
  const november = monthOf('2026-11');
  const targetIn = (habit: Habit, month: string) => monthTargetOf(trackOf(habit), monthOf(month)).days;

  it('hold for one month only, or from it on, and never for months before', () => {
    const once = withMonthTarget(aHabit(), november, { days: 20 }, false);
    expect(['2026-10', '2026-11', '2026-12'].map((month) => targetIn(once, month))).toEqual([31, 20, 31]);
    const onward = withMonthTarget(aHabit(), november, { days: 20, reward: 'New rosin' }, true);
    expect(['2026-10', '2026-11', '2026-12', '2027-06'].map((month) => targetIn(onward, month))).toEqual([
      31, 20, 20, 20,
    ]);
    expect([isTakenOver(onward, november), isTakenOver(onward, november + 1)]).toEqual([false, true]);
  });

  it('for one month leave what held onward from it to the next', () => {
    const onward = withMonthTarget(aHabit(), november, { days: 20 }, true);
    const changed = withMonthTarget(onward, november, { days: 5 }, false);
    expect(['2026-11', '2026-12', '2027-01'].map((month) => targetIn(changed, month))).toEqual([5, 20, 20]);
  });

  it('go back to the plan with an empty wish, and a year to the sum of its months', () => {
    const onward = withMonthTarget(aHabit(), november, { days: 20 }, true);
    const back = withMonthTarget(onward, november + 1, {}, true);
    expect(['2026-11', '2026-12', '2027-01'].map((month) => targetIn(back, month))).toEqual([20, 31, 31]);
    const year = withYearTarget(aHabit(), 2026, { days: 300 });
    expect(yearTargetOf(trackOf(year), 2026).days).toBe(300);
    expect(withYearTarget(year, 2026, {})).toEqual(aHabit());
  });
});

describe('a habit that is put away', () => {
  it('ends the day before, or today with a record, and never before its start', () => {
    expect(archivedHabit(aHabit(), TODAY, false)).toMatchObject({ archived: true, endsOn: '2026-11-23' });
    expect(archivedHabit(aHabit(), TODAY, true).endsOn).toBe('2026-11-24');
    expect(archivedHabit(aHabit({ endsOn: '2026-03-01' }), TODAY, false).endsOn).toBe('2026-03-01');
    expect(archivedHabit(aHabit({ startsOn: '2026-11-24' }), TODAY, false).endsOn).toBe('2026-11-24');
  });

  it('and taken up again keeps every past figure and its streak', () => {
    const entries = doneOn('h', '2026-11-07', '2026-11-08', '2026-11-09');
    const habit = aHabit({ startsOn: '2026-11-07' });
    const archived = archivedHabit(habit, dayOf('2026-11-10'), false);
    const resumed = resumedHabit(archived, TODAY, 'Put away');
    expect(resumed.pauses).toEqual([{ from: '2026-11-10', to: '2026-11-23', why: 'Put away' }]);
    const track = trackOf(resumed, entries);
    expect(streakOf(track)).toMatchObject({ current: 3, longest: 3 });
    expect(keptOver(track, { first: dayOf('2026-11-01'), last: TODAY })).toEqual({ kept: 3, asked: 3, rate: 1 });
    expect(resumedHabit(archivedHabit(habit, TODAY, false), TODAY, 'Put away')).toEqual(habit);
  });
});

describe('ways of doing a habit', () => {
  const habit = aHabit({
    measure: { kind: 'amount', unit: 'min', step: 5 },
    variants: [
      { id: 'a', name: 'Bourrée', group: 'Suite' },
      { id: 'b', name: 'Tune' },
    ],
  });
  const entries: Entry[] = [
    {
      habitId: 'h',
      day: '2026-11-20',
      amount: 25,
      parts: [
        { variantId: 'a', amount: 10 },
        { variantId: 'a', amount: 15 },
      ],
    },
    { habitId: 'h', day: '2026-11-22', parts: [{ variantId: 'a' }] },
    { habitId: 'h', day: '2026-12-01', amount: 5, parts: [{ variantId: 'b', amount: 5 }] },
  ];

  it('are counted up to today, with the last day and the sum', () => {
    expect(variantFigures(habit, entries, TODAY)).toEqual([
      { id: 'a', name: 'Bourrée', group: 'Suite', times: 3, last: dayOf('2026-11-22'), amount: 25 },
      { id: 'b', name: 'Tune', group: null, times: 0, last: null, amount: null },
    ]);
  });

  it('make the day’s amount their sum, and check off what is only checked off', () => {
    const day = { habitId: 'h', day: '2026-11-24' };
    expect(
      withParts(
        { ...day, note: 'slow' },
        [
          { variantId: 'a', amount: 0.1 },
          { variantId: 'b', amount: 0.2 },
        ],
        true,
      ),
    ).toEqual({
      ...day,
      note: 'slow',
      amount: 0.3,
      parts: [
        { variantId: 'a', amount: 0.1 },
        { variantId: 'b', amount: 0.2 },
      ],
    });
    expect(withParts({ ...day, amount: 7 }, [{ variantId: 'a' }], true).amount).toBe(7);
    expect(withParts({ ...day, amount: 5, parts: [{ variantId: 'a', amount: 5 }] }, [], true)).toEqual(day);
    expect(withParts(day, [{ variantId: 'a' }], false).mark).toBe('done');
    expect(withParts({ ...day, mark: 'done', parts: [{ variantId: 'a' }] }, [], false)).toEqual(day);
  });
});

it('reasons for misses are gathered by their words, up to today', () => {
  const miss = (day: string, note: string): Entry => ({ habitId: 'h', day, mark: 'missed', note });
  expect(
    missReasons(
      [
        miss('2026-11-01', 'Storm'),
        miss('2026-11-05', 'Forgot'),
        miss('2026-11-09', ' storm '),
        miss('2026-11-10', ''),
        miss('2026-12-01', 'Storm'),
        { habitId: 'h', day: '2026-11-12', mark: 'rest', note: 'Storm' },
      ],
      TODAY,
    ),
  ).toEqual([
    { text: 'Storm', count: 2, last: dayOf('2026-11-09') },
    { text: 'Forgot', count: 1, last: dayOf('2026-11-05') },
  ]);
});
