import fc from 'fast-check';
import { monthOf, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import type { Entry, Habit, Terms } from '../record/records.ts';
import { FIRST, TODAY, checkHabits, entries, marks, schedules, someDay } from '../testing/arbitraries.ts';
import { runs } from '../testing/runs.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { dayOfDone, finishedOn } from './finishLine.ts';
import { keptByWeekday, keptOver, keptSpans } from './kept.ts';
import { buildTrack } from './buildTrack.ts';
import { waitingSince } from './asked.ts';
import { hasTarget } from './targetMonths.ts';
import { type Track, activeDaysIn, outcomeOn, isOpen, amountBetween, isScheduledOn, fillRatio } from './track.ts';
import { last30 } from './recent.ts';
import { PARTS_PER_DAY, owedParts } from './schedule.ts';
import { runsOf, streakOf } from './streak.ts';
import { monthFigures, planOf, spanFigures, yearFigures, yearTargetOf } from './targets.ts';
import { heldTerms, termsOn } from './terms.ts';
import { needOn, quotaStanding, periodOf } from './periods.ts';

const track = (habit: Habit, list: Entry[], today: PlainDay = TODAY) => buildTrack(habit, list, today, 'monday');

describe('rules that hold for every habit', () => {
  it('kept is never more than asked, over any span, and never negative', () => {
    fc.assert(
      fc.property(checkHabits, entries, someDay, fc.nat(400), (habit, list, first, length) => {
        const { kept, asked, rate } = keptOver(track(habit, list), { first, last: first + length });
        expect(kept).toBeGreaterThanOrEqual(0);
        expect(kept).toBeLessThanOrEqual(asked);
        expect(rate).toBe(asked === 0 ? null : kept / asked);
      }),
    );
  });

  it('a run is never longer than the days it spans, and runs come in order without touching', () => {
    fc.assert(
      fc.property(checkHabits, entries, (habit, list) => {
        const laid = track(habit, list);
        for (const unit of ['days', 'weeks', 'months'] as const) {
          const found = runsOf(laid, unit);
          found.forEach((run, index) => {
            expect(run.length).toBeLessThanOrEqual(run.last - run.first + 1);
            expect(run.last).toBeLessThanOrEqual(TODAY);
            if (index > 0) expect(run.first).toBeGreaterThan(found[index - 1]!.last);
            expect(run.isAlive && index < found.length - 1).toBe(false);
          });
        }
        const { current, longest } = streakOf(laid);
        expect(current).toBeLessThanOrEqual(longest);
      }),
    );
  });

  it('does not depend on the order of the entries', () => {
    fc.assert(
      fc.property(checkHabits, entries, (habit, list) => {
        const [one, other] = [track(habit, list), track(habit, [...list].reverse())];
        expect(streakOf(other)).toEqual(streakOf(one));
        expect(keptOver(other, keptSpans(other).all)).toEqual(keptOver(one, keptSpans(one).all));
      }),
    );
  });

  it('is the same whatever is recorded for days to come', () => {
    fc.assert(
      fc.property(checkHabits, entries, (habit, list) => {
        const known = list.filter((each) => dayOf(each.day) <= TODAY);
        const [all, before] = [track(habit, list), track(habit, known)];
        expect(yearFigures(all, 2025)).toEqual(yearFigures(before, 2025));
        expect(streakOf(all)).toEqual(streakOf(before));
      }),
    );
  });

  /** The figures of the weeks and months that were over before a day, and what its days asked, of two tracks. */
  const compareBefore = (before: Track, after: Track, day: number): number => {
    // Of a month with a target of its own every day goes by the whole month's plan.
    const isOver = (span: DaySpan): boolean =>
      span.last < day &&
      [span.first, span.last].every((each) => {
        const month = monthOfDay(each);
        return monthSpan(month).last < day || !(hasTarget(before, month) || hasTarget(after, month));
      });
    let compared = 0;
    for (let week = weekSpan(before.first, 'monday').first; week < day; week += 7) {
      const span = { first: week, last: week + 6 };
      if (!isOver(span)) continue;
      expect(spanFigures(after, span)).toEqual(spanFigures(before, span));
      compared++;
    }
    for (let month = monthOfDay(before.first); monthSpan(month).last < day; month++)
      expect(monthFigures(after, month, 0.85)).toEqual(monthFigures(before, month, 0.85));
    for (let each = before.first; each < day; each++) {
      expect(outcomeOn(after, each)).toBe(outcomeOn(before, each));
      expect(isScheduledOn(after, each)).toBe(isScheduledOn(before, each));
      const period = Math.max(weekSpan(each, 'monday').last, monthSpan(monthOfDay(each)).last);
      if (period < day) expect(needOn(after, each)).toBe(needOn(before, each));
    }
    return compared;
  };

  it('a change of terms from a day on moves no figure of days, weeks and months that were over before it', () => {
    let compared = 0;
    fc.assert(
      fc.property(
        checkHabits,
        entries,
        schedules,
        fc.integer({ min: FIRST, max: TODAY }),
        (habit, list, schedule, day) => {
          const changed = {
            ...habit,
            terms: [...habit.terms.filter((each) => each.from < formatDay(day)), { from: formatDay(day), schedule }],
          };
          fc.pre(changed.terms.length > 1);
          compared += compareBefore(track(habit, list), track(changed, list), day);
        },
      ),
    );
    expect(compared).toBeGreaterThan(runs(1000));
  });

  it('a record on a day moves no figure of days, weeks and months that were over before it', () => {
    let compared = 0;
    fc.assert(
      fc.property(checkHabits, entries, marks, fc.integer({ min: FIRST, max: TODAY }), (habit, list, mark, day) => {
        const others = list.filter((each) => each.day !== formatDay(day));
        const [before, after] = [others, [...others, { habitId: 'h', day: formatDay(day), ...mark }]];
        const was = track(habit, before);
        // A record before the first day begins the habit with it.
        if (day < was.first) return;
        compared += compareBefore(was, track(habit, after), day);
      }),
    );
    expect(compared).toBeGreaterThan(runs(1000));
  });

  it('the plan of a span is at most a day away from the plans of its parts', () => {
    fc.assert(
      fc.property(checkHabits, someDay, fc.nat(60), fc.nat(60), (habit, first, a, b) => {
        const laid = track(habit, []);
        const [left, right] = [
          { first, last: first + a },
          { first: first + a + 1, last: first + a + 1 + b },
        ];
        expect(
          Math.abs(planOf(laid, { first, last: right.last }) - planOf(laid, left) - planOf(laid, right)),
          // An interval is rounded apart from the other terms.
        ).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('what is done and what is left make at least the target', () => {
    fc.assert(
      fc.property(
        checkHabits,
        entries,
        fc.integer({ min: monthOf('2024-01'), max: monthOf('2025-12') }),
        (habit, list, month) => {
          const laid = track(habit, list);
          const { actual, target, left, share, ribbon } = monthFigures(laid, month, 0.85);
          expect(actual + left).toBeGreaterThanOrEqual(target);
          expect(left).toBeGreaterThanOrEqual(0);
          expect(share === null).toBe(target === 0);
          const isLongEnough = activeDaysIn(laid, monthSpan(month)) >= 7;
          expect(ribbon).toBe(share !== null && share >= 0.85 - 1e-9 && isLongEnough);
        },
      ),
    );
  });
});

describe('schedules and terms', () => {
  it('an interval goes by what was done: early, late, in a pause, and after one that was left out', () => {
    const every = (days: number, more: Partial<Habit> = {}) =>
      aHabit({ terms: [{ from: '2025-03-01', schedule: { kind: 'interval', every: days } }], ...more });
    const asked = (habit: Habit, ...done: string[]) => {
      const laid = track(habit, doneOn('h', ...done));
      return eachDay({ first: dayOf('2025-03-01'), last: dayOf('2025-03-20') })
        .filter((day) => isScheduledOn(laid, day))
        .map((day) => Number(formatDay(day).slice(8)));
    };
    expect(asked(every(3))).toEqual([1, 4, 7, 10, 13, 16, 19]);
    // Done late on the 5th: next on the 8th. Done early on the 6th: next on the 9th.
    expect(asked(every(3), '2025-03-05', '2025-03-06')).toEqual([1, 4, 9, 12, 15, 18]);
    const paused = every(3, { pauses: [{ from: '2025-03-04', to: '2025-03-08' }] });
    expect(asked(paused)).toEqual([1, 9, 12, 15, 18]);
    expect(asked(paused, '2025-03-08')).toEqual([1, 11, 14, 17, 20]);
    // Other pips alone begin nothing anew; another length does.
    const pips = every(3, {
      terms: [
        { from: '2025-03-01', schedule: { kind: 'interval', every: 3 } },
        { from: '2025-03-06', schedule: { kind: 'interval', every: 3 }, pips: 2 },
        { from: '2025-03-12', schedule: { kind: 'interval', every: 5 } },
      ],
    });
    expect(asked(pips)).toEqual([1, 4, 7, 10, 12, 17]);
    // After the horizon it goes on from the last day asked before it.
    const laid = track(every(3), []);
    const beyond = eachDay({ first: laid.horizon - 3, last: laid.horizon + 9 }).filter((day) =>
      isScheduledOn(laid, day),
    );
    expect(beyond.slice(1).map((day, i) => day - beyond[i]!)).toEqual(beyond.slice(1).map(() => 3));
    expect(beyond.length).toBeGreaterThan(3);
  });

  it('an interval waits since the first day that was asked and not done', () => {
    const habit = aHabit({ terms: [{ from: '2025-03-01', schedule: { kind: 'interval', every: 3 } }] });
    const laid = track(habit, [...doneOn('h', '2025-03-07'), { habitId: 'h', day: '2025-03-13', mark: 'missed' }]);
    const since = (day: string) => {
      const found = waitingSince(laid, dayOf(day));
      return found === null ? null : formatDay(found);
    };
    expect(['2025-03-01', '2025-03-05', '2025-03-07', '2025-03-09'].map(since)).toEqual([
      ...['2025-03-01', '2025-03-01'],
      ...[null, null],
    ]);
    // Owned up to as missed it waits no more, until it is asked again.
    expect(['2025-03-12', '2025-03-14', '2025-03-17'].map(since)).toEqual(['2025-03-10', null, '2025-03-16']);
    expect(waitingSince(track(aHabit(), []), dayOf('2025-03-12'))).toBeNull();
  });

  it('31 a month is every day of a shorter month and no more', () => {
    const february = monthSpan(monthOf('2025-02'));
    const habit = aHabit({
      terms: [{ from: '2025-02-01', schedule: { kind: 'perMonth', times: 31 } }],
      startsOn: '2025-02-01',
    });
    expect(planOf(track(habit, []), february)).toBe(28);
    expect(owedParts({ kind: 'perMonth', times: 31 }, february.first)).toBe(PARTS_PER_DAY);
  });

  it('the first terms hold before their own first day, the latest from theirs on', () => {
    const terms = heldTerms([
      { from: '2025-03-03', schedule: { kind: 'daily' } },
      { from: '2025-03-05', schedule: { kind: 'perWeek', times: 2 } },
    ]);
    expect(
      ['2025-01-01', '2025-03-04', '2025-03-05', '2026-01-01'].map((day) => termsOn(terms, dayOf(day)).schedule.kind),
    ).toEqual(['daily', 'daily', 'perWeek', 'perWeek']);
    expect(() => heldTerms([])).toThrow(RangeError);
  });
});

describe('a week that starts midway', () => {
  it('owes its share: three a week from a Thursday is two', () => {
    const habit = aHabit({
      terms: [{ from: '2025-03-06', schedule: { kind: 'perWeek', times: 3 } }],
      startsOn: '2025-03-06',
    });
    const laid = track(habit, []);
    expect(quotaStanding(laid, 'weeks', periodOf(laid, 'weeks', dayOf('2025-03-06'))).quota).toBe(2);
  });

  it('lies wholly inside at the end of a year', () => {
    const habit = aHabit({
      terms: [{ from: '2025-12-01', schedule: { kind: 'perWeek', times: 7 } }],
      startsOn: '2025-12-01',
    });
    const laid = track(habit, doneOn('h', '2025-12-29'), dayOf('2025-12-30'));
    expect(quotaStanding(laid, 'weeks', periodOf(laid, 'weeks', dayOf('2025-12-30')))).toMatchObject({
      quota: 7,
      done: 1,
      remaining: 6,
    });
  });
});

describe('what a day came to', () => {
  const amountHabit = (limit: Partial<Terms>) =>
    aHabit({
      measure: { kind: 'amount', unit: 'm', step: 100 },
      terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, ...limit }],
    });
  const outcomeOf = (habit: Habit, entry: Partial<Entry>) =>
    outcomeOn(track(habit, [{ habitId: 'h', day: '2025-03-10', ...entry }]), dayOf('2025-03-10'));

  it.each([
    [{ amount: 0.1 + 0.2 }, { atLeast: 0.3 }, 'done'],
    [{ amount: 0.29 }, { atLeast: 0.3 }, 'part'],
    [{ amount: 0 }, { atLeast: 0.3 }, 'missed'],
    [{ amount: 0 }, { atMost: 0 }, 'done'],
    [{ amount: 0.0000000001 }, { atMost: 0 }, 'done'],
    [{ amount: 1 }, { atMost: 0 }, 'missed'],
    [{ amount: 500, mark: 'rest' as const }, { atLeast: 100 }, 'rest'],
    [{ amount: 500, mark: 'missed' as const }, { atLeast: 100 }, 'missed'],
    [{ note: 'windy' }, { atLeast: 100 }, 'blank'],
  ])('%j under %j is %s', (entry, limit, outcome) => expect(outcomeOf(amountHabit(limit), entry)).toBe(outcome));

  it('is open today while nothing or a part is recorded', () => {
    const habit = amountHabit({ atLeast: 100 });
    const of = (...list: Entry[]) => isOpen(track(habit, list), TODAY);
    const day = formatDay(TODAY);
    expect([
      of(),
      of({ habitId: 'h', day, amount: 50 }),
      of({ habitId: 'h', day, amount: 100 }),
      of({ habitId: 'h', day, mark: 'rest' }),
    ]).toEqual([true, true, false, false]);
    expect(isOpen(track(habit, []), TODAY - 1)).toBe(false);
  });

  it('starts the habit earlier where it is recorded before its start; a bare note is no record', () => {
    const laid = track(aHabit(), [{ habitId: 'h', day: '2025-02-20', mark: 'missed' }]);
    expect(laid.first).toBe(dayOf('2025-02-20'));
    expect(outcomeOn(laid, dayOf('2025-02-19'))).toBe('outside');
    const noted = track(aHabit(), [{ habitId: 'h', day: '2025-02-20', note: 'first try' }]);
    expect(noted.first).toBe(dayOf('2025-03-01'));
  });

  it('counts after the end where it is recorded after the end, that day alone', () => {
    const habit = aHabit({ endsOn: '2025-03-05' });
    const laid = track(habit, [...doneOn('h', '2025-03-08'), { habitId: 'h', day: '2025-03-10', note: 'looked at' }]);
    expect(['2025-03-06', '2025-03-08', '2025-03-09', '2025-03-10'].map((day) => outcomeOn(laid, dayOf(day)))).toEqual([
      ...['outside', 'done'],
      ...['outside', 'outside'],
    ]);
    expect(monthFigures(laid, monthOf('2025-03'), 0.85)).toMatchObject({ actual: 1, target: 6, kept: 1, asked: 6 });
    expect(activeDaysIn(laid, monthSpan(monthOf('2025-03')))).toBe(6);
    expect(monthFigures(track(habit, []), monthOf('2025-04'), 0.85).target).toBe(0);
  });

  it('fills a peg by its threshold', () => {
    const laid = track(amountHabit({ atLeast: 200 }), []);
    expect([null, 0, 50, 200, 900].map((amount) => fillRatio(laid, TODAY, amount))).toEqual([0, 0, 0.25, 1, 1]);
    expect(fillRatio(track(amountHabit({ atMost: 5 }), []), TODAY, 3)).toBe(0);
  });
});

describe('figures', () => {
  it('years far ahead have a plan too, from the terms alone', () => {
    const laid = track(aHabit(), []);
    expect(yearTargetOf(laid, 2028).days).toBe(366);
    expect(isScheduledOn(laid, dayOf('2030-01-01'))).toBe(true);
    expect(spanFigures(laid, yearSpan(2026)).target).toBe(365);
  });

  it('amounts add up without dust and count whatever the day came to', () => {
    const habit = aHabit({
      measure: { kind: 'amount', unit: 'h', step: 0.1 },
      terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, atLeast: 1 }],
    });
    const list = Array.from({ length: 10 }, (_, index): Entry => ({
      habitId: 'h',
      day: formatDay(dayOf('2025-03-01') + index),
      amount: 0.1,
    }));
    expect(monthFigures(track(habit, list), monthOf('2025-03'), 0.85)).toMatchObject({ amount: 1, actual: 0 });
    expect(amountBetween(track(habit, list), { first: 0, last: dayOf('2025-03-02') })).toBeCloseTo(0.2);
  });

  it('the finish line is reached on the day that makes the number full', () => {
    const habit = aHabit({ finishLine: { days: 3 } });
    const laid = track(habit, doneOn('h', '2025-03-01', '2025-03-04', '2025-03-09', '2025-03-10'));
    expect(finishedOn(laid)).toBe(dayOf('2025-03-09'));
    expect([dayOfDone(laid, 4), dayOfDone(laid, 5), dayOfDone(laid, 0)]).toEqual([dayOf('2025-03-10'), null, null]);
    expect(finishedOn(track(aHabit(), []))).toBeNull();
  });

  it('the last 30 days stand against the 30 before', () => {
    const laid = track(
      aHabit({ startsOn: '2025-01-01' }),
      doneOn('h', '2025-01-21', '2025-02-10', '2025-02-19', '2025-03-20', '2025-02-18'),
    );
    expect(last30(laid)).toEqual({ done: 2, sum: 0, meanPerDoneDay: 0, change: { done: -1, sum: 0 } });
    expect(last30(track(aHabit(), [])).meanPerDoneDay).toBeNull();
  });

  it('weekdays add up to what was asked in twelve weeks', () => {
    const laid = track(aHabit({ startsOn: '2024-01-01' }), doneOn('h', '2025-03-17', '2025-03-10'));
    const byWeekday = keptByWeekday(laid);
    expect(byWeekday.monday).toEqual({ kept: 2, asked: 12, rate: 2 / 12, days: 12 });
    expect(Object.values(byWeekday).reduce((sum, each) => sum + each.asked, 0)).toBe(83);
    expect(yearOfDay(laid.horizon)).toBe(2026);
    expect(monthOfDay(laid.first)).toBe(monthOf('2024-01'));
  });
});
