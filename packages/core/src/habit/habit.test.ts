import fc from 'fast-check';
import { monthOf, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import type { Entry, Habit, Schedule, Terms } from '../record/records.ts';
import { TODAY, checkHabits, entries, schedules, someDay } from '../testing/arbitraries.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { dayOfDone, finishedOn } from './finishLine.ts';
import { keptByWeekday, keptOver, keptSpans } from './kept.ts';
import { buildTrack } from './layTrack.ts';
import { outcomeOn, isOpen, amountBetween, doneBetween, planPartsBetween, isScheduledOn, fillRatio } from './track.ts';
import { last30 } from './recent.ts';
import { PARTS_PER_DAY, namesDay, owedParts } from './schedule.ts';
import { runsOf, streakOf } from './streak.ts';
import { monthFigures, planOf, spanFigures, yearFigures, yearTargetOf } from './targets.ts';
import { heldTerms, termsOn } from './terms.ts';
import { quotaHistory, quotaStanding, periodOf } from './periods.ts';

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
          const runs = runsOf(laid, unit);
          runs.forEach((run, index) => {
            expect(run.length).toBeLessThanOrEqual(run.last - run.first + 1);
            expect(run.last).toBeLessThanOrEqual(TODAY);
            if (index > 0) expect(run.first).toBeGreaterThan(runs[index - 1]!.last);
            expect(run.isAlive && index < runs.length - 1).toBe(false);
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

  it('a change of terms from today on leaves every past figure alone', () => {
    fc.assert(
      fc.property(checkHabits, entries, schedules, (habit, list, schedule) => {
        const changed = {
          ...habit,
          terms: [...habit.terms.filter((each) => each.from < formatDay(TODAY)), { from: formatDay(TODAY), schedule }],
        };
        fc.pre(changed.terms.length > 1);
        const [before, after] = [track(habit, list), track(changed, list)];
        const yesterday = { first: before.first, last: TODAY - 1 };
        expect(doneBetween(after, yesterday)).toBe(doneBetween(before, yesterday));
        expect(planPartsBetween(after, yesterday)).toBe(planPartsBetween(before, yesterday));
        for (let day = before.first; day < TODAY; day += 11) expect(outcomeOn(after, day)).toBe(outcomeOn(before, day));
        const lastYear = yearSpan(2024);
        const endedWeeks = (laid: typeof before) =>
          quotaHistory(laid, 'weeks').filter((each) => each.period.last < TODAY - 7 && each.quota > 0);
        expect(endedWeeks(after)).toEqual(endedWeeks(before));
        expect(keptOver(after, { first: lastYear.first, last: lastYear.last - 6 }).kept).toBe(
          keptOver(before, { first: lastYear.first, last: lastYear.last - 6 }).kept,
        );
      }),
    );
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
        ).toBeLessThanOrEqual(1);
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
          const { actual, target, left, share, ribbon } = monthFigures(track(habit, list), month, 0.85);
          expect(actual + left).toBeGreaterThanOrEqual(target);
          expect(left).toBeGreaterThanOrEqual(0);
          expect(share === null).toBe(target === 0);
          expect(ribbon).toBe(share !== null && share >= 0.85 - 1e-9);
        },
      ),
    );
  });
});

describe('schedules and terms', () => {
  it('an interval counts from its terms, backwards too', () => {
    const schedule: Schedule = { kind: 'interval', every: 3 };
    expect([-6, -3, -1, 0, 1, 3].map((offset) => namesDay(schedule, 100, 100 + offset))).toEqual([
      true,
      true,
      false,
      true,
      false,
      true,
    ]);
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

  it('starts the habit earlier where it is recorded before its start, a bare note too', () => {
    const laid = track(aHabit(), [{ habitId: 'h', day: '2025-02-20', note: 'first try' }]);
    expect(laid.first).toBe(dayOf('2025-02-20'));
    expect(outcomeOn(laid, dayOf('2025-02-19'))).toBe('outside');
  });

  it('counts after the end where it is recorded after the end', () => {
    const habit = aHabit({ endsOn: '2025-03-05' });
    expect(track(habit, doneOn('h', '2025-03-08')).last).toBe(dayOf('2025-03-08'));
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
