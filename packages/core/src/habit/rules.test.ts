import fc from 'fast-check';
import { scoreOn, totalsOf } from '../day/dayScore.ts';
import { type PlainDay, dayOf, formatDay, weekdayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { entryYearsOf, withEntriesOn } from '../record/entryYears.ts';
import { type Entry, type Habit, emptyRecords } from '../record/records.ts';
import { FIRST, TODAY, checkHabits, entries, marks, someDay } from '../testing/arbitraries.ts';
import { literalHabit, literalScore } from '../testing/literal.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { weekSpan } from '../calendar/week.ts';
import { askedBetween } from './asked.ts';
import { reportOf } from '../figures/report.ts';
import { withFirstTermsFrom } from './firstTerms.ts';
import { keptOver, keptTogether } from './kept.ts';
import { countedDone, keptGroups } from './keptPeriods.ts';
import { buildTrack, buildTrackFromYears, trackAfter } from './buildTrack.ts';
import { monthSpan } from '../calendar/month.ts';
import { periodOf, quotaSeenOn } from './periods.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { daysToRibbon, monthFiguresAgainst, monthTargetOf, yearTargetOf } from './targets.ts';
import { runsOf } from './streak.ts';
import { doneBetween } from './track.ts';
import { runs } from '../testing/runs.ts';

const track = (habit: Habit, list: readonly Entry[], today = TODAY) => buildTrack(habit, list, today, 'monday');
const spans = fc.tuple(someDay, fc.nat(200)).map(([first, length]): DaySpan => ({ first, last: first + length }));

/** Several habits, each with entries of its own. */
const several = fc.array(fc.tuple(checkHabits, entries), { minLength: 1, maxLength: 7 });

describe('every figure agrees with the rules taken word by word', () => {
  it('what was kept of what was asked, in any span', () => {
    fc.assert(
      fc.property(checkHabits, entries, spans, (habit, list, span) => {
        const { kept, asked } = keptOver(track(habit, list), span);
        expect({ kept, asked }).toEqual(literalHabit(habit, list, TODAY).kept(span));
      }),
      { numRuns: runs(300) },
    );
  });

  it('the score of a day over several habits', () => {
    fc.assert(
      fc.property(several, (habits) => {
        const totals = totalsOf(
          habits.map(([habit, list]) => track(habit, list)),
          TODAY,
        );
        const literal = habits.map(([habit, list]) => literalHabit(habit, list, TODAY));
        for (let day = TODAY; day > TODAY - 50; day--) {
          const { done, due } = scoreOn(totals, day, 0.85);
          expect({ day, done, due }).toEqual({ day, ...literalScore(literal, day) });
        }
      }),
    );
  });
});

describe('what a span may hold', () => {
  it('is never more kept than done in it, nor than asked', () => {
    fc.assert(
      fc.property(checkHabits, entries, spans, (habit, list, span) => {
        const laid = track(habit, list);
        const { kept, asked } = keptOver(laid, span);
        expect(kept).toBeLessThanOrEqual(asked);
        expect(kept).toBeLessThanOrEqual(doneBetween(laid, span));
      }),
    );
  });

  it('asks what its parts ask: exactly under named days, within a day for each part under other terms', () => {
    fc.assert(
      fc.property(
        checkHabits,
        entries,
        someDay,
        fc.array(fc.nat(40), { minLength: 2, maxLength: 6 }),
        (habit, list, first, lengths) => {
          const laid = track(habit, list);
          const parts: DaySpan[] = [];
          let from = first;
          for (const length of lengths) parts.push({ first: from, last: (from += length + 1) - 1 });
          const whole = keptOver(laid, { first, last: from - 1 });
          const sum = parts.reduce((total, part) => total + keptOver(laid, part).asked, 0);
          const isNamed =
            laid.targets === null &&
            habit.terms.every(({ schedule }) => schedule.kind === 'daily' || schedule.kind === 'weekdays');
          // An interval and the other terms are rounded apart, so that each part may be off by a day twice.
          expect(Math.abs(whole.asked - sum)).toBeLessThanOrEqual(isNamed ? 0 : 2 * parts.length);
        },
      ),
    );
  });

  it('of whole weeks, under terms that ask whole days of a week, is what its weeks come to', () => {
    const byWeek = checkHabits.map(({ monthTargets: _, ...habit }): Habit => ({
      ...habit,
      terms: habit.terms.filter(({ schedule }) => schedule.kind !== 'interval' && schedule.kind !== 'perMonth'),
    }));
    let compared = 0;
    fc.assert(
      fc.property(byWeek, entries, fc.integer({ min: FIRST, max: TODAY }), fc.nat(30), (habit, list, day, more) => {
        fc.pre(habit.terms.length > 0);
        const weeks = Array.from({ length: more + 1 }, (_, i) => weekSpan(day + i * 7, 'monday'));
        const last = weeks.at(-1)!.last;
        const laid = track(habit, list);
        const each = weeks.map((week) => keptOver(laid, week));
        // Weeks in which terms change, a pause lies or the habit begins ask parts of days.
        const isWhole = weeks.every((week) => Number.isInteger(askedBetween(laid, week).parts / PARTS_PER_DAY));
        if (!isWhole || last >= TODAY) return;
        compared++;
        const { kept, asked } = keptOver(laid, { first: weeks[0]!.first, last });
        expect({ kept, asked }).toEqual({
          kept: each.reduce((sum, week) => sum + week.kept, 0),
          asked: each.reduce((sum, week) => sum + week.asked, 0),
        });
      }),
      { numRuns: runs(300) },
    );
    expect(compared).toBeGreaterThan(runs(60));
  });

  it('counts of each of its weeks and months no more than its cap', () => {
    fc.assert(
      fc.property(checkHabits, entries, spans, (habit, list, span) => {
        const laid = track(habit, list);
        const sum = keptGroups(laid, span).reduce(
          (all, { stretches, cap }) =>
            all +
            Math.min(
              cap,
              stretches.reduce((done, stretch) => done + doneBetween(laid, stretch), 0),
            ),
          0,
        );
        expect(sum).toBe(countedDone(laid, span));
      }),
    );
  });

  it('adds up over habits', () => {
    fc.assert(
      fc.property(several, spans, (habits, span) => {
        const tracks = habits.map(([habit, list]) => track(habit, list));
        const each = tracks.map((laid) => keptOver(laid, span));
        expect(keptTogether(tracks, span)).toMatchObject({
          kept: each.reduce((sum, { kept }) => sum + kept, 0),
          asked: each.reduce((sum, { asked }) => sum + asked, 0),
        });
      }),
    );
  });

  it('of a habit without an end does not change by what is recorded after its week and month', () => {
    fc.assert(
      fc.property(
        checkHabits,
        entries,
        fc.integer({ min: FIRST, max: TODAY }),
        someDay,
        marks,
        (made, list, day, later, mark) => {
          const { endsOn: _, ...habit } = made;
          const periodEnd = Math.max(
            periodOf({ weekStart: 'monday' }, 'weeks', day).last,
            periodOf({ weekStart: 'monday' }, 'months', day).last,
          );
          fc.pre(later > periodEnd && day >= dayOf(habit.startsOn));
          const more = [
            ...list.filter((each) => each.day !== formatDay(later)),
            { habitId: 'h', day: formatDay(later), ...mark },
          ];
          const [before, after] = [track(habit, list), track(habit, more)];
          const scoreOf = (laid: typeof before) => scoreOn(totalsOf([laid], TODAY), day, 0.85);
          expect(scoreOf(after)).toEqual(scoreOf(before));
          const upTo = { first: Math.min(before.first, day), last: Math.min(day, TODAY - 1) };
          expect(keptOver(after, upTo)).toEqual(keptOver(before, upTo));
        },
      ),
    );
  });
});

describe('a habit laid out again after a change', () => {
  const changes = fc.array(fc.tuple(someDay, fc.option(marks)), { minLength: 1, maxLength: 4 });

  it('is what laying it out whole gives, or says that it has to be', () => {
    let again = 0;
    fc.assert(
      fc.property(checkHabits, entries, changes, (made, list, changed) => {
        const habit = { ...made, startsOn: formatDay(FIRST) };
        let years = entryYearsOf(list);
        const before = buildTrackFromYears(habit, years, TODAY, 'monday');
        const latest = new Map(
          changed.map(([day, mark]) => [day, mark && { habitId: 'h', day: formatDay(day), ...mark }]),
        );
        years = withEntriesOn(years, latest);
        const after = trackAfter(
          before,
          [...latest].map(([day, entry]) => ({ day, entry })),
        );
        if (after === null) return;
        again++;
        expect(after).toEqual(buildTrackFromYears(habit, years, TODAY, 'monday'));
      }),
      { numRuns: runs(300) },
    );
    expect(again).toBeGreaterThan(runs(100));
  });

  it('leaves the track before as it was', () => {
    const before = track(aHabit(), doneOn('h', '2025-03-10'));
    const copy = track(aHabit(), doneOn('h', '2025-03-10'));
    trackAfter(before, [{ day: dayOf('2025-03-11'), entry: { habitId: 'h', day: '2025-03-11', mark: 'done' } }]);
    expect(before).toEqual(copy);
    // What is recorded for a day to come is not there yet.
    const later = { habitId: 'h', day: formatDay(TODAY + 1), mark: 'done' as const };
    expect(trackAfter(before, [{ day: TODAY + 1, entry: later }])).toBe(before);
  });
});

describe('runs as they stood at the end of a day', () => {
  it('are those of a record that knows nothing later, once the day is decided', () => {
    let compared = 0;
    fc.assert(
      fc.property(checkHabits, entries, marks, fc.integer({ min: 1, max: 300 }), (habit, list, mark, ago) => {
        const until = TODAY - ago;
        // Something is recorded of the day itself, so that it is decided and the habit has begun.
        const decided: Entry = {
          habitId: 'h',
          day: formatDay(until),
          ...mark,
          ...(mark.mark ? {} : { mark: 'missed' }),
        };
        const all = [...list.filter(({ day }) => day !== decided.day), decided];
        const known = all.filter(({ day }) => dayOf(day) <= until);
        const endless = { ...habit, endsOn: undefined };
        const then = buildTrack(endless, known, until, 'monday');
        const now = buildTrack(endless, all, TODAY, 'monday');
        // A week or month whose last day is over is decided; on that very day it still ran.
        const isLast = { days: false, weeks: weekdayOf(until) === 6, months: formatDay(until + 1).endsWith('-01') };
        for (const unit of ['days', 'weeks', 'months'] as const) {
          if (isLast[unit]) continue;
          expect(runsOf(now, unit, until)).toEqual(runsOf(then, unit));
          compared += runsOf(then, unit).length;
        }
      }),
      { numRuns: runs(400) },
    );
    expect(compared).toBeGreaterThan(runs(50));
  });

  it('today are all there are', () => {
    fc.assert(
      fc.property(checkHabits, entries, (habit, list) => {
        const laid = track(habit, list);
        for (const unit of ['days', 'weeks', 'months'] as const)
          expect(runsOf(laid, unit, TODAY)).toEqual(runsOf(laid, unit));
      }),
    );
  });
});

describe('a quota as seen on a day', () => {
  const three = aHabit({
    startsOn: '2025-03-03',
    terms: [{ from: '2025-03-03', schedule: { kind: 'perWeek', times: 3 } }],
  });
  const seen = (list: Entry[], day: string) => {
    const { quota, done, remaining } = quotaSeenOn(track(three, list), 'weeks', dayOf(day));
    return [done, quota, remaining];
  };

  it('knows what was done by then, and the days that were left', () => {
    const list = doneOn('h', '2025-03-03', '2025-03-06', '2025-03-08');
    expect(['2025-03-03', '2025-03-05', '2025-03-06', '2025-03-09'].map((day) => seen(list, day))).toEqual([
      [1, 3, 6],
      [1, 3, 4],
      [2, 3, 3],
      [3, 3, 0],
    ]);
  });

  it('does not know of rest marked for later days', () => {
    const rests = (['2025-03-05', '2025-03-06', '2025-03-07'] as const).map((day): Entry => ({
      habitId: 'h',
      day,
      mark: 'rest',
    }));
    // Four days of three a week owe 1.7; before the rest they owed three.
    expect(seen(rests, '2025-03-04')).toEqual([0, 3, 5]);
    expect(seen(rests, '2025-03-07')).toEqual([0, 2, 2]);
  });
});

describe('targets', () => {
  const weekly = (more: Partial<Habit> = {}) =>
    track(
      aHabit({
        startsOn: '2025-01-01',
        terms: [{ from: '2025-01-01', schedule: { kind: 'perWeek', times: 1 } }],
        ...more,
      }),
      [],
    );

  it('of a year are what its months set and the plan of the others in one sum', () => {
    expect(yearTargetOf(weekly(), 2025).days).toBe(52);
    expect(yearTargetOf(weekly({ monthTargets: { '2025-02': { days: 10 } } }), 2025).days).toBe(58);
    // An amount is set for some months only: the year has none. The days are still planned.
    const amounts = { '2025-02': { amount: 30 }, '2025-03': { amount: 40, onward: true }, '2025-05': { onward: true } };
    expect(yearTargetOf(weekly({ monthTargets: amounts }), 2025)).toEqual({ days: 52, amount: null });
    const every = { '2025-01': { amount: 30 }, '2025-02': { amount: 40, onward: true } };
    expect(yearTargetOf(weekly({ monthTargets: every }), 2025)).toEqual({ days: 52, amount: 470 });
    expect(yearTargetOf(weekly({ monthTargets: every, endsOn: '2025-03-09' }), 2025).amount).toBe(110);
  });

  it('are nothing in a year or month without a day of the habit, whatever is set', () => {
    const ended = weekly({ endsOn: '2025-01-31', yearTargets: { '2026': { days: 40, amount: 9 } } });
    expect(yearTargetOf(ended, 2026)).toEqual({ days: 0, amount: null });
  });

  it('of a month are not moved by a reward alone', () => {
    const february = monthSpan(2025 * 12 + 1).first;
    const targets = { '2025-01': { days: 6, onward: true }, '2025-02': { reward: 'A new string' } };
    const month = (of: PlainDay) => monthTargetOf(weekly({ monthTargets: targets }), Math.floor(of));
    expect(february).toBe(dayOf('2025-02-01'));
    expect(month(2025 * 12 + 1).days).toBe(6);
    expect(monthFiguresAgainst(weekly(), 2025 * 12 + 1, { days: 0, amount: null }, 0.85).share).toBeNull();
  });
});

it('a ribbon is so many done days away, none once the pass mark is reached', () => {
  const missing = (actual: number, target: number, passMark = 0.85): number =>
    daysToRibbon({ actual, target }, passMark);
  // 85 % of 30 are 25.5: 26 days.
  expect([missing(0, 30), missing(25, 30), missing(26, 30), missing(30, 30)]).toEqual([26, 1, 0, 0]);
  // 0.1 of 30 are 3, not a hair more.
  expect([missing(2, 30, 0.1), missing(3, 30, 0.1), missing(0, 20)]).toEqual([1, 0, 17]);
});

it('the first terms of a habit begun earlier, as its record has it, move no figure', () => {
  let moved = 0;
  fc.assert(
    fc.property(checkHabits, entries, (habit, list) => {
      const { first } = track(habit, list);
      const begun = withFirstTermsFrom(habit, first);
      if (begun !== habit) moved++;
      const of = (each: Habit) => reportOf({ ...emptyRecords(), habits: [each], entries: list }, TODAY);
      expect(of(begun)).toEqual(of(habit));
      expect(withFirstTermsFrom(begun, first)).toBe(begun);
    }),
  );
  expect(moved).toBeGreaterThan(runs(20));
});
