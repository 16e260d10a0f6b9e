import fc from 'fast-check';
import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn } from '../calendar/span.ts';
import { yearOfDay } from '../calendar/year.ts';
import { fullDayRuns, scoreOn, totalsOf } from '../day/dayScore.ts';
import { goalCourse } from '../goal/goalCourse.ts';
import { goalFigures } from '../goal/goalFigures.ts';
import { keptOver, keptTogether, weekdaysTogether } from '../habit/kept.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { LOG_SPANS, logFigures, logSpanOf } from '../habit/logSpan.ts';
import { periodOf, quotaSeenOn, quotaStanding } from '../habit/periods.ts';
import { runsOf } from '../habit/streak.ts';
import { planOf, togetherOf } from '../habit/targets.ts';
import { type Track, doneBetween, streakUnitOn } from '../habit/track.ts';
import { moodBeside, moodMeanBeside } from '../mood/mood.ts';
import type { CheckIn, Entry, Goal, KeyResult, Milestone, Step } from '../record/records.ts';
import { TODAY, checkHabits, entries, marks, someDay } from '../testing/arbitraries.ts';
import { runs } from '../testing/runs.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { addsUp, chunksOf } from './breakdown.ts';
import {
  currentOfKeyResult,
  daysLeftBreakdown,
  expectedOfGoal,
  expectedOfKeyResult,
  meanOfGoals,
  forecastBreakdown,
  neededBreakdown,
  paceBreakdown,
  progressOfGoal,
} from './goalBreakdown.ts';
import {
  againstPlan,
  againstTarget,
  amountsOfHabit,
  doneOfHabit,
  keptOfHabit,
  quotaOfHabit,
  keptOnWeekday,
  meanOfDoneDays,
  runOfHabit,
} from './habitBreakdown.ts';
import {
  countedDays,
  keptByHabits,
  keptByHabitsOn,
  ribbonsOfMonths,
  runOfFullDays,
  scoreOfDay,
  togetherInDays,
  togetherInSpan,
} from './togetherBreakdown.ts';

const spans = fc.tuple(someDay, fc.nat(500)).map(([first, length]): DaySpan => ({ first, last: first + length }));
const tracks: fc.Arbitrary<Track> = fc
  .tuple(checkHabits, entries)
  .map(([habit, list]) => buildTrack(habit, list, TODAY, 'monday'));
const several = fc.array(tracks, { minLength: 1, maxLength: 5 });

describe('what a habit’s figures are made of adds up to them', () => {
  it('kept of asked, in any span', () => {
    fc.assert(
      fc.property(tracks, spans, (track, span) => {
        const breakdown = keptOfHabit(track, span);
        const { kept, asked } = keptOver(track, span);
        expect(breakdown.total).toEqual([kept, asked]);
        expect(addsUp(breakdown)).toBe(true);
        const numbers = [
          ...breakdown.parts.flatMap((part) => part.numbers),
          ...breakdown.adjustments.map(({ by }) => by),
        ];
        expect(numbers.every(Number.isInteger)).toBe(true);
        expect(breakdown.beyond).toBe(doneBetween(track, span) - kept);
        // No part is worth more than was done in it, and what is more than asked only takes away.
        const more = breakdown.adjustments.filter(({ why }) => why === 'moreThanAsked');
        expect(more.every(({ by }) => by < 0)).toBe(true);
      }),
    );
  });

  it('done against the target, in every span of the log', () => {
    fc.assert(
      fc.property(tracks, fc.constantFrom(...LOG_SPANS), someDay, (track, kind, day) => {
        const span = logSpanOf(kind, day, 'monday');
        const breakdown = againstTarget(track, kind, span);
        const { actual, target } = logFigures(track, kind, span, 0.85);
        expect(breakdown.total).toEqual([actual, target]);
        expect(addsUp(breakdown)).toBe(true);
        expect(breakdown.parts.every((part) => part.numbers.every(Number.isInteger))).toBe(true);
      }),
    );
  });

  it('done against the plan, in any span', () => {
    fc.assert(
      fc.property(tracks, spans, (track, span) => {
        const breakdown = againstPlan(track, span);
        expect(breakdown.total).toEqual([doneBetween(track, span), planOf(track, span)]);
        expect(addsUp(breakdown)).toBe(true);
      }),
    );
  });

  it('the mean mood on done days and on others, by how many days had which mood', () => {
    const moods = new Map(Array.from({ length: 60 }, (_, index) => [TODAY - index, 1 + (index % 5)] as const));
    let compared = 0;
    fc.assert(
      fc.property(checkHabits, fc.array(marks, { minLength: 60, maxLength: 60 }), (habit, list) => {
        const days = list.map((mark, ago): Entry => ({ habitId: 'h', day: formatDay(TODAY - ago), ...mark }));
        const track = buildTrack(habit, days, TODAY, 'monday');
        const span = { first: TODAY - 59, last: TODAY };
        const beside = moodBeside(track, span, moods);
        for (const side of ['done', 'other'] as const) {
          const breakdown = moodMeanBeside(track, span, moods, side);
          if (beside === null || breakdown === null) continue;
          expect(breakdown.total).toEqual([beside[side].mean, beside[side].days]);
          expect(addsUp(breakdown)).toBe(true);
          expect(addsUp({ ...breakdown, total: [beside[side].mean + 0.1, beside[side].days] })).toBe(false);
          compared++;
        }
      }),
    );
    expect(compared).toBeGreaterThan(runs(10));
  });

  it('the quota of a week or month, as seen on any day of it', () => {
    fc.assert(
      fc.property(tracks, fc.integer({ min: TODAY - 300, max: TODAY }), (track, day) => {
        for (const kind of ['weeks', 'months'] as const) {
          const { quota, done } =
            day === TODAY ? quotaStanding(track, kind, periodOf(track, kind, day)) : quotaSeenOn(track, kind, day);
          const breakdown = quotaOfHabit(track, kind, day);
          expect(breakdown.total).toEqual([done, quota]);
          expect(addsUp(breakdown)).toBe(true);
        }
      }),
    );
  });

  it('every run, in its unit, up to today and as it stood before; done days; days of a weekday', () => {
    fc.assert(
      fc.property(tracks, spans, fc.nat(6), fc.nat(400), (track, span, weekday, ago) => {
        const unit = streakUnitOn(track, TODAY);
        for (const run of [...runsOf(track, unit), ...runsOf(track, unit, TODAY - ago)]) {
          const breakdown = runOfHabit(track, run, unit);
          expect(breakdown.total).toEqual([run.length]);
          expect(addsUp(breakdown)).toBe(true);
        }
        expect(addsUp(doneOfHabit(track, span))).toBe(true);
        expect(doneOfHabit(track, span).total).toEqual([doneBetween(track, span)]);
        const onDay = Object.values(weekdaysTogether([track], span))[weekday]!;
        expect(keptOnWeekday(track, span, weekday).total).toEqual([onDay.kept, onDay.asked]);
      }),
    );
  });

  it('amounts, and the mean of done days', () => {
    const habit = aHabit({
      measure: { kind: 'amount', unit: 'min', step: 5 },
      terms: [{ from: '2025-01-01', schedule: { kind: 'daily' }, atLeast: 10 }],
      startsOn: '2025-01-01',
    });
    const list = ['2025-01-03', '2025-03-01', '2025-03-02', '2025-03-04'].map((day, index) => ({
      habitId: 'h',
      day,
      amount: 7.3 * (index + 1),
    }));
    const track = buildTrack(habit, list, TODAY, 'monday');
    expect(addsUp(amountsOfHabit(track, { first: track.first, last: TODAY }))).toBe(true);
    expect(amountsOfHabit(track, { first: track.first, last: TODAY }).total).toEqual([73]);
    // 14.6, 21.9 and 29.2 minutes on three done days; 7.3 lie before the window.
    expect(meanOfDoneDays(track)).toMatchObject({ how: 'ratio', total: [65.7 / 3] });
    expect(addsUp(meanOfDoneDays(track)!)).toBe(true);
    expect(meanOfDoneDays(buildTrack(habit, [], TODAY, 'monday'))).toBeNull();
  });

  it('says why it is not the bare sum: what was rounded, what was more than asked, what a person set', () => {
    const three = aHabit({
      startsOn: '2025-03-01',
      terms: [{ from: '2025-03-01', schedule: { kind: 'perWeek', times: 3 } }],
      monthTargets: { '2025-03': { days: 9 } },
    });
    const days = ['2025-03-03', '2025-03-04', '2025-03-05', '2025-03-06'];
    const planned = buildTrack({ ...three, monthTargets: {} }, doneOn('h', ...days), TODAY, 'monday');
    const week = { first: dayOf('2025-03-03'), last: dayOf('2025-03-09') };
    expect(keptOfHabit(planned, week)).toMatchObject({ total: [3, 3], beyond: 1, adjustments: [] });
    expect(keptOfHabit(planned, week).parts).toEqual([
      { of: { kind: 'days', span: week }, numbers: [3, 3], beyond: 1 },
    ]);
    // Sunday to Saturday are 18 of 42 parts of six whole weeks, but no row of them is a whole week: 1 + 3 + 3 of 8.
    const [rounded] = keptOfHabit(planned, { first: week.first - 1, last: week.last + 5 }).adjustments;
    expect(rounded).toEqual({ column: 1, why: 'rounded', by: 1 });
    const track = buildTrack(three, doneOn('h', ...days), TODAY, 'monday');
    const march = againstTarget(track, 'month', monthSpan(monthOfDay(week.first)));
    expect(march).toMatchObject({ total: [4, 9], adjustments: [{ column: 1, why: 'set' }] });
    expect(march.parts.map(({ numbers }) => numbers[0])).toEqual([0, 4, 0, 0, 0]);
  });
});

describe('what figures over several habits are made of adds up to them', () => {
  it('kept of asked, with and without a weekday; done against targets and plans', () => {
    fc.assert(
      fc.property(several, spans, fc.constantFrom(...LOG_SPANS), fc.nat(6), (own, span, kind, weekday) => {
        const { kept, asked } = keptTogether(own, span);
        expect(keptByHabits(own, span).total).toEqual([kept, asked]);
        const onDay = Object.values(weekdaysTogether(own, span))[weekday]!;
        expect(keptByHabitsOn(own, span, weekday).total).toEqual([onDay.kept, onDay.asked]);
        const days = logSpanOf(kind, span.first, 'monday');
        const { actual, target } = togetherOf(own.map((track) => logFigures(track, kind, days, 0.85)));
        expect(togetherInSpan(own, kind, days).total).toEqual([actual, target]);
        for (const breakdown of [
          keptByHabits(own, span),
          keptByHabitsOn(own, span, weekday),
          togetherInSpan(own, kind, days),
          togetherInDays(own, span),
        ])
          expect(addsUp(breakdown)).toBe(true);
      }),
    );
  });

  it('the score of a day, full and bright days, their runs, ribbons', () => {
    fc.assert(
      fc.property(several, fc.integer({ min: TODAY - 60, max: TODAY }), spans, (own, day, span) => {
        const totals = totalsOf(own, TODAY);
        const { done, due } = scoreOn(totals, day, 0.85);
        expect(scoreOfDay(own, totals, day).total).toEqual([done, due]);
        const months = [2025 * 12, 2025 * 12 + 1];
        for (const breakdown of [
          scoreOfDay(own, totals, day),
          countedDays(totals, span, 0.85, 'fullDays'),
          countedDays(totals, span, 0.85, 'brightDays'),
          ribbonsOfMonths(own, months, 0.85),
          ...fullDayRuns(totals).map((run) => runOfFullDays(totals, run, 'monday')),
        ])
          expect(addsUp(breakdown)).toBe(true);
      }),
    );
  });
});

describe('what a goal’s figures are made of adds up to them', () => {
  const goal: Goal = { id: 'g', title: 'G', startsOn: '2025-01-01', dueOn: '2025-06-30', state: 'open', order: 0 };
  const keyResult = (id: string, measure: KeyResult['measure'], more: Partial<KeyResult> = {}): KeyResult => ({
    id,
    goalId: 'g',
    title: id,
    order: 0,
    measure,
    ...more,
  });
  const keyResults = [
    keyResult('planks', { kind: 'number', start: 2, target: 14 }, { weight: 2, checkpoints: { '2025-02': 5 } }),
    keyResult('money', { kind: 'money', currency: 'EUR', start: 100, target: 0 }, { dueOn: '2025-04-30' }),
    keyResult('rig', { kind: 'steps' }),
    keyResult('days', { kind: 'habitDays', habitId: 'h', target: 60 }),
    keyResult('sailed', { kind: 'yesNo' }),
  ];
  const steps: Step[] = [
    { id: 'a', goalId: 'g', keyResultId: 'rig', title: 'a', order: 0 },
    { id: 'a1', goalId: 'g', parentId: 'a', title: 'a1', order: 0, doneOn: '2025-02-01' },
    { id: 'a2', goalId: 'g', parentId: 'a', title: 'a2', order: 1 },
    { id: 'b', goalId: 'g', keyResultId: 'rig', title: 'b', order: 1, doneOn: '2025-03-01' },
    { id: 'c', goalId: 'g', title: 'c', order: 2 },
  ];
  const days = fc.integer({ min: dayOf('2024-11-01'), max: TODAY });
  const checkIns: fc.Arbitrary<CheckIn[]> = fc
    .array(fc.tuple(fc.constantFrom('planks', 'money', 'sailed'), days, fc.integer({ min: 0, max: 120 })))
    .map((all) =>
      all.map(([keyResultId, day, value], index): CheckIn => ({
        id: `${keyResultId} ${day} ${index}`,
        keyResultId,
        day: formatDay(day),
        value: keyResultId === 'sailed' ? value % 2 : value,
        madeAt: '2025-03-01T10:00:00Z',
      })),
    );
  const track = buildTrack(aHabit(), doneOn('h', '2025-03-02', '2025-03-05'), TODAY, 'monday');

  it('progress, what was expected, pace, forecast, what is needed, for the goal and every key result', () => {
    fc.assert(
      fc.property(checkIns, days, (made, today) => {
        const records = { goal, keyResults, checkIns: made, steps, milestones: [] };
        const course = goalCourse(records, () => track, today);
        const figures = goalFigures(records, () => track, today);
        const progress = progressOfGoal(records, course, today)!;
        expect(progress.total[1]).toBeCloseTo(figures.progress!, 12);
        expect(expectedOfGoal(records, course, today)!.total[1]).toBeCloseTo(figures.expected!, 12);
        const all = [
          progress,
          expectedOfGoal(records, course, today),
          paceBreakdown(figures.progress, figures.expected),
        ];
        for (const {
          keyResult: { id },
          keyResult: of,
          course: own,
        } of course.keyResults) {
          const its = figures.keyResults[id]!;
          const current = currentOfKeyResult(of, own, steps, today, 'monday');
          expect(current.total[0]! + (of.measure.kind === 'steps' ? 0 : its.from)).toBeCloseTo(its.current, 9);
          all.push(
            current,
            expectedOfKeyResult(of, own, steps, today),
            paceBreakdown(its.progress, its.expected),
            forecastBreakdown(own.start, today, its.forecast),
            neededBreakdown(own, its.neededPerWeek, today),
          );
        }
        for (const breakdown of all) expect(breakdown === null || addsUp(breakdown)).toBe(true);
      }),
    );
  });

  it('goes by milestones or steps where there are no key results, and by nothing where there is nothing', () => {
    const milestones: Milestone[] = [
      { id: 'm', goalId: 'g', title: 'm', order: 0, reachedOn: '2025-02-01' },
      { id: 'n', goalId: 'g', title: 'n', order: 1 },
    ];
    const of = (more: { milestones?: Milestone[]; steps?: Step[] }) => {
      const records = { goal, keyResults: [], checkIns: [], steps: [], milestones: [], ...more };
      const course = goalCourse(records, () => undefined, TODAY);
      return { breakdown: progressOfGoal(records, course, TODAY), progress: course.progressAt(TODAY) };
    };
    expect(of({ milestones, steps })).toMatchObject({ breakdown: { total: [1, 2] }, progress: 0.5 });
    const loose = steps.map(({ keyResultId: _, ...step }) => step);
    expect(of({ steps: loose })).toMatchObject({ breakdown: { total: [1.5, 3] }, progress: 0.5 });
    expect(of({})).toEqual({ breakdown: null, progress: null });
  });

  it('the mean of several goals is what each of them brings', () => {
    const of = (state: Goal['state'], progress: number | null) => ({ goal: { ...goal, state }, progress });
    const mean = meanOfGoals([of('open', 0.4), of('reached', null), of('dropped', 0.1), of('open', null)])!;
    expect(mean.parts).toHaveLength(3);
    expect(mean.total[1]).toBeCloseTo((0.4 + 1 + 0) / 3, 12);
    expect(addsUp(mean)).toBe(true);
    expect(meanOfGoals([of('dropped', 0.1)])).toBeNull();
  });

  it('days left are those of each month up to the due day', () => {
    const left = daysLeftBreakdown(dayOf('2025-06-30'), TODAY);
    expect(left.parts.map(({ numbers }) => numbers[0])).toEqual([11, 30, 31, 30]);
    expect([addsUp(left), left.total]).toEqual([true, [102]]);
    expect(daysLeftBreakdown(TODAY - 3, TODAY).total).toEqual([3]);
  });
});

describe('the pieces that a span is told in', () => {
  it('cover it without a gap, and are few enough to read', () => {
    fc.assert(
      fc.property(someDay, fc.nat(6000), (first, length) => {
        const span = { first, last: first + length };
        const chunks = chunksOf(span, 'monday');
        expect(chunks.reduce((sum, chunk) => sum + daysIn(chunk), 0)).toBe(daysIn(span));
        chunks.slice(1).forEach((chunk, index) => expect(chunk.first).toBe(chunks[index]!.last + 1));
        expect(chunks.length).toBeLessThanOrEqual(28);
        expect(yearOfDay(chunks.at(-1)!.last)).toBe(yearOfDay(span.last));
      }),
    );
  });

  it('a sum that is off is seen', () => {
    const parts = [{ of: { kind: 'canWait' as const }, numbers: [1, 2] }];
    const of = (total: number[]) => addsUp({ how: 'sum', columns: ['done', 'asked'], parts, adjustments: [], total });
    expect([of([1, 2]), of([1, 3]), of([0, 2])]).toEqual([true, false, false]);
  });
});
