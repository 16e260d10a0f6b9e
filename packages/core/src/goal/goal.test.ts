import fc from 'fast-check';
import { monthOf } from '../calendar/month.ts';
import { LAST_DAY, dayOf } from '../calendar/plainDay.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { fraction, fractionOf } from '../number/fraction.ts';
import type { CheckIn, Goal, KeyResult, KeyResultMeasure, Milestone, Step } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { checkpointPoints, expectedOn } from './expected.ts';
import { goalFigures } from './goalFigures.ts';
import { keyResultFigures } from './keyResult.ts';
import { forecastOf, neededPerWeek, paceOf } from './pace.ts';
import { stepDays, stepState, stepsValue } from './steps.ts';
import { instantKey, valueOn, valuesInOrder } from './valueAt.ts';

const TODAY = dayOf('2025-03-11');
const goal = (more: Partial<Goal> = {}): Goal => ({
  id: 'g',
  title: 'Sail',
  startsOn: '2025-03-01',
  dueOn: '2025-03-21',
  state: 'open',
  order: 0,
  ...more,
});
const keyResult = (measure: KeyResultMeasure, more: Partial<KeyResult> = {}): KeyResult => ({
  id: 'k',
  goalId: 'g',
  title: 'Planks',
  order: 0,
  measure,
  ...more,
});
const checkIn = (day: string, value: number, madeAt = `${day}T10:00:00Z`): CheckIn => ({
  id: `${day}${value}${madeAt}`,
  keyResultId: 'k',
  day,
  value,
  madeAt,
});
const figures = (of: KeyResult, checkIns: CheckIn[] = [], more: { goal?: Goal; steps?: Step[] } = {}) =>
  keyResultFigures(of, {
    goal: more.goal ?? goal(),
    checkIns,
    steps: more.steps ?? [],
    trackOf: () => undefined,
    today: TODAY,
  });
const number = (start: number, target: number): KeyResultMeasure => ({ kind: 'number', start, target });

describe('progress', () => {
  it('is the way gone from the start to the target, upwards and downwards, clamped', () => {
    expect(figures(keyResult(number(0, 10)), [checkIn('2025-03-05', 4)])).toMatchObject({
      current: 4,
      progress: 0.4,
      raw: 0.4,
    });
    expect(figures(keyResult(number(80, 70)), [checkIn('2025-03-05', 75)])).toMatchObject({ progress: 0.5 });
    expect(figures(keyResult(number(0, 10)), [checkIn('2025-03-05', 12)])).toMatchObject({
      progress: 1,
      raw: 1.2,
      pace: 'reached',
      neededPerWeek: null,
    });
    expect(figures(keyResult(number(0, 10)), [checkIn('2025-03-05', -3)])).toMatchObject({
      progress: 0,
      raw: -0.3,
      forecast: null,
    });
  });

  it('stays between 0 and 1 for any numbers', () => {
    const value = fc.double({ min: -1e6, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(value, value, value, (start, target, current) => {
        fc.pre(Math.abs(start - target) > 1e-6);
        const { progress, expected } = figures(keyResult(number(start, target)), [checkIn('2025-03-02', current)]);
        expect(progress).toBeGreaterThanOrEqual(0);
        expect(progress).toBeLessThanOrEqual(1);
        expect(expected).toBe(0.5);
      }),
    );
  });

  it('takes the latest day, then the last made, and nothing of tomorrow', () => {
    const list = [
      checkIn('2025-03-09', 3),
      checkIn('2025-03-10', 5, '2025-03-10T08:00:00Z'),
      checkIn('2025-03-10', 6, '2025-03-10T08:00:00.000001Z'),
      checkIn('2025-03-12', 9),
    ];
    for (const order of [list, [...list].reverse()]) expect(figures(keyResult(number(0, 10)), order).current).toBe(6);
    const same = [
      checkIn('2025-03-10', 1, '2025-03-10T08:00:00Z'),
      checkIn('2025-03-10', 2, '2025-03-10T08:00:00.000Z'),
    ];
    expect(figures(keyResult(number(0, 10)), same).current).toBe(2);
    expect(instantKey('2025-03-10T08:00:00Z')).toBe(instantKey('2025-03-10T08:00:00.000Z'));
  });

  it('of a day before the first check-in is the start', () => {
    const values = valuesInOrder([checkIn('2025-03-05', 4), checkIn('2025-03-07', 6)], TODAY);
    expect(
      ['2025-03-04', '2025-03-05', '2025-03-06', '2025-03-08'].map((day) => valueOn(values, dayOf(day), 1)),
    ).toEqual([1, 4, 4, 6]);
  });

  it('counts a habit from the start to the due day, and nothing where the habit is gone', () => {
    const track = buildTrack(
      aHabit(),
      doneOn('h', '2025-03-02', '2025-03-05', '2025-03-08', '2025-03-10'),
      TODAY,
      'monday',
    );
    const counting = keyResult(
      { kind: 'habitDays', habitId: 'h', target: 4 },
      { startsOn: '2025-03-04', dueOn: '2025-03-09' },
    );
    const context = { goal: goal(), checkIns: [], steps: [], today: TODAY };
    expect(keyResultFigures(counting, { ...context, trackOf: () => track })).toMatchObject({
      current: 2,
      progress: 0.5,
      pace: 'overdue',
    });
    expect(keyResultFigures(counting, { ...context, trackOf: () => undefined })).toMatchObject({
      current: 0,
      progress: 0,
    });
  });
});

describe('what is expected', () => {
  it('grows evenly from the start to the due day', () => {
    const [start, due] = [dayOf('2025-03-01'), dayOf('2025-03-21')];
    expect([start - 1, start, start + 5, due, due + 9].map((day) => expectedOn(day, start, due))).toEqual([
      0, 0, 0.25, 1, 1,
    ]);
    expect([expectedOn(start - 1, start, start), expectedOn(start, start, start)]).toEqual([0, 1]);
  });

  it('bends at checkpoints inside the dates and leaves the others out', () => {
    const [start, due] = [dayOf('2025-01-01'), dayOf('2025-03-31')];
    const points = checkpointPoints(
      [
        { month: monthOf('2025-03'), target: 90 },
        { month: monthOf('2025-01'), target: 10 },
        { month: monthOf('2024-12'), target: 5 },
        { month: monthOf('2025-02'), target: 40 },
      ],
      { start, due, from: 0, to: 100 },
    );
    expect(points.map((point) => point.ratio)).toEqual([0.1, 0.4]);
    expect(expectedOn(dayOf('2025-02-14'), start, due, points)).toBeCloseTo(0.25);
  });

  it('never falls back and never leaves 0 to 1 without checkpoints', () => {
    fc.assert(
      fc.property(fc.nat(1000), fc.nat(1000), fc.integer({ min: -100, max: 2000 }), (start, length, day) => {
        const [now, next] = [expectedOn(day, start, start + length), expectedOn(day + 1, start, start + length)];
        expect(next).toBeGreaterThanOrEqual(now);
        expect(now).toBeGreaterThanOrEqual(0);
        expect(next).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('pace', () => {
  it.each([
    [1, null, null, 'reached'],
    [0.5, null, null, null],
    [0.99, 1, TODAY - 1, 'overdue'],
    [0.56, 0.5, TODAY + 9, 'ahead'],
    [0.55, 0.5, TODAY + 9, 'onPace'],
    [0.45, 0.5, TODAY + 9, 'onPace'],
    [0.44, 0.5, TODAY + 9, 'behind'],
    [null, 0.5, TODAY + 9, null],
  ] as const)('%s with %s expected, due %s, is %s', (progress, expected, due, pace) =>
    expect(paceOf(progress, expected, due, TODAY)).toBe(pace),
  );

  it('forecasts exactly, and only where something is under way', () => {
    const of = (progress: number, since: number) => forecastOf(fractionOf(progress), TODAY - since, TODAY);
    expect(of(0.7, 21)).toBe(TODAY + 9);
    expect(of(0.5, 10)).toBe(TODAY + 10);
    expect([of(0, 9), of(1, 9), of(0.5, 0), of(-0.2, 9)]).toEqual([null, null, null, null]);
    expect(of(0.0001, 3000)).toBeNull();
    expect(of(0.001, 2000)!).toBeLessThanOrEqual(LAST_DAY);
    // 85 days for one of eighteen parts are 1530 for all of them, not a day more.
    expect(forecastOf(fraction(1n, 18n), TODAY - 85, TODAY)).toBe(TODAY - 85 + 1530);
  });

  it('asks for a week at least of a day, and downwards below 0', () => {
    expect(neededPerWeek(14, TODAY + 14, TODAY)).toBe(7);
    expect(neededPerWeek(3, TODAY - 5, TODAY)).toBe(21);
    expect(neededPerWeek(-4, TODAY + 7, TODAY)).toBe(-4);
  });
});

describe('checkpoints', () => {
  it('tell by month what stood, what came, and whether it was enough', () => {
    const of = keyResult(
      { kind: 'money', currency: 'EUR', start: 100, target: 0 },
      { startsOn: '2025-01-01', dueOn: '2025-06-30', checkpoints: { '2025-02': 60, '2025-01': 80, '2025-05': 20 } },
    );
    const rows = figures(of, [checkIn('2025-01-20', 75), checkIn('2025-02-03', 70)]).checkpoints;
    expect(rows.map(({ target, start, end, growth, reached }) => [target, start, end, growth, reached])).toEqual([
      [80, 100, 75, -25, true],
      [60, 75, 70, -5, false],
      [20, 70, 70, 0, false],
    ]);
  });
});

describe('steps', () => {
  const step = (id: string, more: Partial<Step> = {}): Step => ({
    id,
    goalId: 'g',
    title: id,
    order: 0,
    keyResultId: 'k',
    ...more,
  });

  it.each([
    [{ doneOn: '2025-03-05' }, 'doneInTime'],
    [{ doneOn: '2025-03-05', dueOn: '2025-03-04' }, 'doneLate'],
    [{ doneOn: '2025-03-12', dueOn: '2025-03-10' }, 'overdue'],
    [{ dueOn: '2025-03-11' }, 'dueSoon'],
    [{ dueOn: '2025-03-18' }, 'dueSoon'],
    [{ dueOn: '2025-03-19' }, 'open'],
    [{}, 'open'],
  ] as const)('%j is %s', (more, state) => expect(stepState(step('s', more), TODAY)).toBe(state));

  it('with sub-steps are worth their mean, whatever their own mark', () => {
    const steps = [
      step('a', { doneOn: '2025-03-01' }),
      step('b', { parentId: 'a', doneOn: '2025-03-01' }),
      step('c', { parentId: 'a' }),
      step('d'),
    ];
    expect(stepsValue('k', steps, TODAY)).toEqual({ value: fraction(1n, 2n), count: 2 });
    expect(stepsValue('other', steps, TODAY)).toEqual({ value: fraction(0n), count: 0 });
    expect([stepDays(step('e', { startsOn: '2025-03-01', dueOn: '2025-03-03' })), stepDays(step('f'))]).toEqual([
      3,
      null,
    ]);
  });
});

describe('a goal', () => {
  const of = (keyResults: KeyResult[], milestones: Milestone[] = [], more: Partial<Goal> = {}) =>
    goalFigures(
      {
        goal: goal(more),
        keyResults,
        checkIns: [{ ...checkIn('2025-03-05', 1), keyResultId: 'y' }],
        steps: [],
        milestones,
      },
      () => undefined,
      TODAY,
    );

  it('is the weighted mean of its key results', () => {
    const { progress, expected, pace } = of([
      keyResult({ kind: 'yesNo' }, { id: 'y', weight: 3 }),
      keyResult(number(0, 10), { id: 'n' }),
    ]);
    expect(progress).toBe(0.75);
    expect(expected).toBe(0.5);
    expect(pace).toBe('ahead');
  });

  it('without key results goes by its milestones, with neither by nothing', () => {
    const milestone = (id: string, reachedOn?: string): Milestone => ({
      id,
      goalId: 'g',
      title: id,
      order: 0,
      ...(reachedOn ? { reachedOn } : {}),
    });
    expect(of([], [milestone('a', '2025-03-02'), milestone('b', '2025-04-02')]).progress).toBe(0.5);
    expect(of([])).toMatchObject({ progress: null, pace: null, expected: 0.5, daysLeft: 10 });
    const endless = goalFigures(
      { goal: { ...goal(), dueOn: undefined }, keyResults: [], checkIns: [], steps: [], milestones: [] },
      () => undefined,
      TODAY,
    );
    expect(endless).toMatchObject({ expected: null, daysLeft: null });
  });
});
