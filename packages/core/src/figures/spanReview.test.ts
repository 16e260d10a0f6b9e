import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { habitCourse } from '../chart/habitCourse.ts';
import { progressLine } from '../chart/progressLine.ts';
import { meanOfSeven, shareLine } from '../chart/shareLine.ts';
import { monthsPlate, weeksPlate, yearPlate } from '../chart/yearPlate.ts';
import { monthOf } from '../calendar/month.ts';
import { monthsOfYear } from '../calendar/year.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { type Entry, type Habit, PARTS_OF_DAY, type PartOfDay, emptyRecords } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { type ReviewFact, mostImproved, reviewFacts } from './reviewFacts.ts';
import { reportOf } from './report.ts';
import {
  REVIEW_SPANS,
  type ReviewSpan,
  daysCompared,
  partsOfSpan,
  reviewSpanOf,
  spanBefore,
  spanReview,
} from './spanReview.ts';
import { logSpanOf } from '../habit/logSpan.ts';

const TODAY = dayOf('2025-03-19');
const told = ({ first, last }: DaySpan): string => `${formatDay(first)} ${formatDay(last)}`;
const all = { first: dayOf('2024-11-05'), last: TODAY };

/** Three habits of two areas over two months. */
const habits: Habit[] = [
  aHabit({
    id: 'scales',
    areaId: 'music',
    startsOn: '2025-02-03',
    terms: [{ from: '2025-02-03', schedule: { kind: 'daily' } }],
  }),
  aHabit({
    id: 'swim',
    areaId: 'bay',
    order: 1,
    startsOn: '2025-02-03',
    terms: [{ from: '2025-02-03', schedule: { kind: 'perWeek', times: 3 } }],
  }),
  aHabit({
    id: 'cards',
    order: 2,
    startsOn: '2025-03-03',
    terms: [{ from: '2025-03-03', schedule: { kind: 'weekdays', days: ['monday', 'friday'] } }],
  }),
];
const days = (first: string, count: number, keep: (index: number) => boolean): string[] =>
  Array.from({ length: count }, (_, index) => dayOf(first) + index)
    .filter((_, index) => keep(index))
    .map(formatDay);
const entries: Entry[] = [
  ...doneOn('scales', ...days('2025-02-03', 44, (index) => index % 3 !== 1)),
  ...doneOn('swim', ...days('2025-02-03', 40, (index) => index % 2 === 0)),
  ...doneOn('cards', '2025-03-03', '2025-03-10', '2025-03-11'),
];
const tracks = habits.map((habit) =>
  buildTrack(
    habit,
    entries.filter((entry) => entry.habitId === habit.id),
    TODAY,
    'monday',
  ),
);
const review = (kind: ReviewSpan, day = TODAY) =>
  spanReview(tracks, {
    kind,
    span: reviewSpanOf(kind, day, 'monday', { first: dayOf('2025-02-03'), last: TODAY }),
    weekStart: 'monday',
    today: TODAY,
  });
const report = reportOf({ ...emptyRecords(), habits, entries }, TODAY);

describe('the spans of charts', () => {
  it('are the week, month, quarter and year of a day, and everything up to today', () => {
    expect(REVIEW_SPANS.map((kind) => told(reviewSpanOf(kind, TODAY, 'monday', all)))).toEqual([
      '2025-03-17 2025-03-23',
      '2025-03-01 2025-03-31',
      '2025-01-01 2025-03-31',
      '2025-01-01 2025-12-31',
      '2024-11-05 2025-03-19',
      '2024-11-05 2025-03-19',
    ]);
  });

  it('have one before them, except everything', () => {
    const before = REVIEW_SPANS.map((kind) => spanBefore(kind, reviewSpanOf(kind, TODAY, 'monday', all), 'monday'));
    expect(before.map((span) => span && told(span))).toEqual([
      '2025-03-10 2025-03-16',
      '2025-02-01 2025-02-28',
      '2024-10-01 2024-12-31',
      '2024-01-01 2024-12-31',
      null,
      '2024-06-23 2024-11-04',
    ]);
  });

  it('are compared with as many days of the span before where they still run, with all of it where they are over', () => {
    const today = dayOf('2026-11-24');
    const month = logSpanOf('month', today, 'monday');
    expect(daysCompared('month', month, 'monday', today)).toEqual({
      before: { first: dayOf('2026-10-01'), last: dayOf('2026-10-31') },
      compared: { first: dayOf('2026-10-01'), last: dayOf('2026-10-24') },
      isByNow: true,
    });
    expect(daysCompared('month', month, 'monday', dayOf('2026-12-02'))).toMatchObject({
      compared: { last: dayOf('2026-10-31') },
      isByNow: false,
    });
    // On 31 March the month before has no such day: all of it.
    const march = logSpanOf('month', dayOf('2026-03-30'), 'monday');
    expect(daysCompared('month', march, 'monday', dayOf('2026-03-30')).compared).toEqual({
      first: dayOf('2026-02-01'),
      last: dayOf('2026-02-28'),
    });
    expect(daysCompared('all', month, 'monday', today)).toEqual({ before: null, compared: null, isByNow: false });
  });

  it('fall into parts that cover them without a gap', () => {
    const parts = (kind: ReviewSpan) => partsOfSpan(kind, reviewSpanOf(kind, TODAY, 'monday', all), 'monday');
    expect(REVIEW_SPANS.map((kind) => parts(kind).length)).toEqual([7, 6, 14, 12, 2, 5]);
    const between = (last: string) =>
      partsOfSpan('days', { first: dayOf('2025-03-01'), last: dayOf(last) }, 'monday').length;
    expect([between('2025-03-14'), between('2025-03-15'), between('2025-12-31')]).toEqual([14, 3, 10]);
    expect(parts('all').map(told)).toEqual(['2024-01-01 2024-12-31', '2025-01-01 2025-12-31']);
    fc.assert(
      fc.property(fc.constantFrom(...REVIEW_SPANS), fc.integer({ min: 0, max: 30000 }), (kind, day) => {
        const span = reviewSpanOf(kind, day, 'sunday', { first: day - 900, last: day });
        const found = partsOfSpan(kind, span, 'sunday');
        expect(found[0]!.first).toBeLessThanOrEqual(span.first);
        expect(found.at(-1)!.last).toBeGreaterThanOrEqual(span.last);
        found.slice(1).forEach((part, index) => expect(part.first).toBe(found[index]!.last + 1));
      }),
    );
  });
});

describe('the review of a span', () => {
  it('of a month says what the report says: ranking, areas and every habit', () => {
    const march = review('month');
    const said = report.months['2025-03']!;
    expect(march.habits.map(({ id }) => id)).toEqual(said.ranking);
    for (const { id, figures } of march.habits) expect(report.habits[id]!.months['2025-03']).toMatchObject(figures);
    for (const { areaId, kept } of march.areas) expect(said.areas[areaId ?? 'none']).toMatchObject(kept);
    expect(march.areas).toHaveLength(Object.keys(said.areas).length);
    expect(said).toMatchObject(march.kept);
    for (const { id, kept } of march.habits) expect(kept).toEqual(report.habits[id]!.kept.month);
  });

  it('of a week and a year too', () => {
    for (const { id, figures } of review('week').habits)
      expect(report.habits[id]!.weeks['2025-03-17']).toEqual(figures);
    for (const { id, figures, kept } of review('year').habits) {
      expect(report.habits[id]!.years['2025']).toEqual(figures);
      expect(kept).toEqual(report.habits[id]!.kept.year);
    }
    const everything = review('all');
    const sum = Object.values(report.habits).reduce((total, each) => total + each.kept.all.kept, 0);
    expect(everything.kept.kept).toBe(sum);
    expect([everything.before, everything.keptBefore]).toEqual([null, null]);
  });

  it('compares with the span before, where a habit was there', () => {
    const march = review('month');
    const find = (id: string) => march.habits.find((each) => each.id === id)!;
    expect(find('cards')).toMatchObject({ keptBefore: null, rankBefore: null });
    // March has run for 19 days: the first 19 of February, of which the habits were there for 17.
    expect([march.isByNow, told(march.compared!)]).toEqual([true, '2025-02-01 2025-02-19']);
    expect(find('scales').keptBefore).toMatchObject({ kept: 11, asked: 17 });
    // 11 of 26 planned days against 9 of 11.
    expect(find('scales').rankBefore).toBe(2);
    // 17 days of three a week are 7.3.
    expect(march.keptBefore).toMatchObject({ kept: 11 + 7, asked: 17 + 7 });
    const february = review('month', dayOf('2025-02-10'));
    expect([february.isByNow, told(february.compared!)]).toEqual([false, '2025-01-01 2025-01-31']);
  });

  it('adds up done days by area, counts fixed weekdays, and knows the part that runs', () => {
    const march = review('month');
    expect(march.areas.map(({ areaId, done }) => [areaId, done])).toEqual([
      ['music', 12],
      ['bay', 7],
      [null, 3],
    ]);
    expect(march.weekdays.monday).toEqual({ kept: 4, asked: 6, rate: 4 / 6, days: 3 });
    expect(march.parts.filter(({ isRunning }) => isRunning).map(({ span }) => told(span))).toEqual([
      '2025-03-17 2025-03-23',
    ]);
    // April begins in its last week, and March ends there: of days to come nothing is asked yet.
    expect(march.parts.at(-1)!.kept).toEqual({ kept: 0, asked: 0, rate: null });
  });

  it('tells each part with what was kept up to its end, and knows the same sums of the days compared', () => {
    const year = review('year');
    expect(year.parts[2]!.toDate).toEqual(year.kept);
    expect(year.parts[0]!.toDate).toEqual({ kept: 0, asked: 0, rate: null });
    expect(year.parts[3]!.toDate).toEqual({ kept: 0, asked: 0, rate: null });
    expect(year.parts[1]!.toDate).toEqual(year.parts[1]!.kept);
    const march = review('month');
    const sum = march.past!.areas.reduce((total, area) => total + area.kept.asked, 0);
    expect(sum).toBe(march.keptBefore!.asked);
    expect(march.areas.reduce((total, area) => total + area.kept.kept, 0)).toBe(march.kept.kept);
    expect(review('all').past).toBeNull();
  });

  it('sums by the part of the day that habits belong to, in its order', () => {
    const moved = habits.map((habit, index) => ({ ...habit, partOfDay: PARTS_OF_DAY[[2, 0, 2][index]!]! }));
    const built = moved.map((habit, index) => ({ ...tracks[index]!, habit }));
    const { partsOfDay, kept } = spanReview(built, {
      kind: 'month',
      span: reviewSpanOf('month', TODAY, 'monday', all),
      weekStart: 'monday',
      today: TODAY,
    });
    expect(partsOfDay.map(({ part }) => part)).toEqual(['morning', 'evening']);
    expect(partsOfDay.reduce((sum, each) => sum + each.kept.asked, 0)).toBe(kept.asked);
  });

  it('knows the longest run of days in the span, and no more of it than lies inside', () => {
    const run = { habitId: 'scales', length: 2 };
    expect(review('month').run).toMatchObject(run);
    const alive = buildTrack(habits[0]!, doneOn('scales', ...days('2025-02-20', 28, () => true)), TODAY, 'monday');
    const over = (kind: ReviewSpan, day: number) =>
      spanReview([alive], {
        kind,
        span: reviewSpanOf(kind, day, 'monday', all),
        weekStart: 'monday',
        today: TODAY,
      }).run;
    expect(over('all', TODAY)).toEqual({
      habitId: 'scales',
      length: 28,
      first: dayOf('2025-02-20'),
      last: dayOf('2025-03-19'),
    });
    // It goes on past the end of February, and began before March.
    expect(over('month', dayOf('2025-02-20'))).toMatchObject({ length: 9, last: dayOf('2025-02-28') });
    expect(over('month', TODAY)).toMatchObject({ length: 19, first: dayOf('2025-03-01') });
    expect(over('month', dayOf('2025-01-20'))).toBeNull();
  });

  it('of a span with nothing in it is empty, not zero', () => {
    const empty = review('month', dayOf('2024-06-01'));
    expect([empty.kept.rate, empty.habits, empty.areas]).toEqual([null, [], []]);
    expect(reviewFacts(empty)).toEqual([]);
  });
});

describe('what a review says in words', () => {
  const base = review('month');
  const weekday = (kept: number, asked: number, dates = 4) => ({
    kept,
    asked,
    rate: asked === 0 ? null : kept / asked,
    days: dates,
  });
  const even = Object.fromEntries(
    Object.keys(base.weekdays).map((name) => [name, weekday(8, 10)]),
  ) as typeof base.weekdays;
  const habit = (id: string, now: [number, number], before: [number, number] | null) => ({
    ...base.habits[0]!,
    id,
    kept: weekday(...now),
    keptBefore: before && weekday(...before),
  });
  const kindsOf = (facts: ReviewFact[]) => facts.map((fact) => ('habitId' in fact ? fact.habitId : fact.kind));

  it('tells what was kept first, with the span before', () => {
    const [fact] = reviewFacts({
      ...base,
      kept: weekday(30, 40),
      keptBefore: weekday(20, 40),
      isByNow: false,
      habits: [],
      weekdays: even,
    });
    expect(fact).toEqual({ kind: 'kept', rate: 0.75, kept: 30, asked: 40, before: 0.5, isByNow: false });
  });

  it('compares what still runs with as many days of the span before', () => {
    expect(reviewFacts(base)[0]).toMatchObject({ isByNow: true, before: base.keptBefore!.rate });
  });

  it('names a part of the day where that stands out more than any weekday', () => {
    const part = (name: PartOfDay, kept: number, asked: number) => ({ part: name, kept: weekday(kept, asked) });
    const facts = (...partsOfDay: ReturnType<typeof part>[]) =>
      reviewFacts({ ...base, habits: [], weekdays: even, partsOfDay }).filter(({ kind }) => kind === 'partOfDay');
    expect(facts(part('morning', 9, 10), part('evening', 5, 10))).toEqual([
      { kind: 'partOfDay', part: 'evening', rate: 0.5, others: 0.9, isHarder: true },
    ]);
    expect(facts(part('morning', 9, 10), part('evening', 9, 10))).toEqual([]);
    // Habits of any time say nothing of a time; four asked days say too little.
    expect(facts(part('morning', 9, 10), part('any', 1, 10))).toEqual([]);
    expect(facts(part('morning', 9, 10), part('evening', 0, 4))).toEqual([]);
  });

  it('names the longest run of days from a week on, and never more than four facts', () => {
    const run = { habitId: 'scales', length: 7, first: TODAY - 6, last: TODAY };
    const facts = (length: number) => reviewFacts({ ...base, habits: [], weekdays: even, run: { ...run, length } });
    expect(facts(6).map(({ kind }) => kind)).toEqual(['kept']);
    expect(facts(7)[1]).toEqual({ kind: 'run', ...run });
    const many = reviewFacts({
      ...base,
      weekdays: { ...even, sunday: weekday(1, 10) },
      habits: [habit('up', [9, 10], [5, 10]), habit('down', [5, 10], [8, 10])],
      run,
    });
    expect(many.map(({ kind }) => kind)).toEqual(['kept', 'weekday', 'habit', 'habit']);
  });

  it('puts the habits that improved most first, those without a rate in both spans aside', () => {
    const improved = mostImproved({
      ...base,
      habits: [
        habit('down', [5, 10], [8, 10]),
        habit('new', [9, 10], null),
        habit('up', [9, 10], [5, 10]),
        habit('idle', [0, 0], [5, 10]),
      ],
    });
    expect(improved.map(({ habit: { id }, change }) => [id, Math.round(change * 100)])).toEqual([
      ['up', 40],
      ['down', -30],
    ]);
  });

  it('names a weekday only where it stands out by ten points, from four of its dates on', () => {
    const facts = (weekdays: Partial<typeof even>) =>
      reviewFacts({ ...base, habits: [], weekdays: { ...even, ...weekdays } }).filter(({ kind }) => kind === 'weekday');
    expect(facts({ sunday: weekday(8, 10) })).toEqual([]);
    expect(facts({ sunday: weekday(71, 100) })).toEqual([]);
    expect(facts({ sunday: weekday(7, 10) })).toEqual([
      { kind: 'weekday', weekday: 'sunday', rate: 0.7, others: 0.8, isHarder: true, isOfAll: false },
    ]);
    // All are compared or none: a day that was asked for and has too few dates makes the others wait for it.
    expect(facts({ monday: weekday(8, 10, 3), sunday: weekday(7, 10) })).toEqual([]);
    expect(facts({ monday: weekday(0, 0, 0), sunday: weekday(7, 10) })).toHaveLength(1);
    expect(facts({ sunday: weekday(10, 10) })).toMatchObject([{ rate: 1, isHarder: false }]);
    expect(facts({ sunday: weekday(0, 10, 3) })).toEqual([]);
    const whole = reviewFacts({
      ...base,
      habits: [],
      kept: weekday(55, 70),
      weekdays: { ...even, sunday: weekday(7, 10) },
    });
    expect(whole).toContainEqual(expect.objectContaining({ kind: 'weekday', isOfAll: true }));
    // The hardest is the lowest of all, though another day stands further from the rest for being asked more often.
    expect(facts({ monday: weekday(40, 100), sunday: weekday(2, 10) })).toMatchObject([{ weekday: 'sunday' }]);
  });

  it('names the habits that rose and fell most, by ten points and with enough asked in both', () => {
    const facts = (...some: ReturnType<typeof habit>[]) =>
      kindsOf(reviewFacts({ ...base, habits: some, weekdays: even })).slice(1);
    expect(
      facts(habit('up', [9, 10], [5, 10]), habit('more', [10, 10], [4, 10]), habit('down', [5, 10], [8, 10])),
    ).toEqual(['more', 'down']);
    const still = habit('still', [5, 10], [5, 10]);
    expect(facts(still, habit('too', [5, 10], [5, 10]))).toEqual([]);
    expect(facts(habit('few', [4, 4], [0, 10]), habit('new', [9, 10], null))).toEqual([]);
    expect(facts(habit('down', [1, 10], [9, 10]), still)).toEqual(['down']);
    // One habit alone shows what was kept.
    expect(facts(habit('down', [1, 10], [9, 10]))).toEqual([]);
  });
});

describe('the pictures of a span', () => {
  it('a habit adds up its done days against the target, beside its plan, and begins with its first day', () => {
    const [scales] = tracks;
    const march = { first: dayOf('2025-03-01'), last: dayOf('2025-03-31') };
    const course = habitCourse(scales!, march, 10)!;
    const at = (day: string) => [
      course.doneBy(dayOf(day)),
      course.plannedBy(dayOf(day)),
      course.input.progressAt(dayOf(day)),
    ];
    expect(at('2025-03-03')).toEqual([2, 30 / 31, 0.2]);
    expect(at('2025-03-19')).toEqual([12, 190 / 31, 1.2]);
    // More than its target is drawn above it, where there is more; less leaves the target at the top.
    const topOf = (target: number): number => {
      const { input } = habitCourse(scales!, march, target)!;
      return progressLine(input, { widthPx: 300, heightPx: 140, padPx: 10, axisPx: 20 }).yOf(1);
    };
    expect([topOf(10), topOf(12), topOf(20)]).toEqual([expect.closeTo(10 + 120 / 6, 9), 10, 10]);
    expect(course.plannedBy(dayOf('2025-04-30'))).toBe(10);
    const february = habitCourse(scales!, { first: dayOf('2025-02-01'), last: dayOf('2025-02-28') }, 26)!;
    expect(february.input.progressAt(dayOf('2025-02-02'))).toBeNull();
    expect(february.input.expectedAt(dayOf('2025-02-28'))).toBe(1);
    expect(habitCourse(scales!, march, 0)).toBeNull();
  });

  it('a plate has a row for each of its months; a year’s is that of its twelve', () => {
    const size = { widthPx: 340, labelPx: 30, rowPx: 20 };
    const value = () => ({ ratio: 0.5, isFull: false });
    const quarter = monthsPlate([monthOf('2025-01'), monthOf('2025-02'), monthOf('2025-03')], TODAY, value, size);
    expect([quarter.rows.length, quarter.cells.length, quarter.heightPx]).toEqual([3, 90, 60]);
    expect(quarter.cells.find(({ day }) => day === TODAY)).toMatchObject({ x: 30 + 18.5 * 10, y: 50, kind: 'mark' });
    expect(yearPlate(2025, TODAY, value, size)).toEqual(monthsPlate(monthsOfYear(2025), TODAY, value, size));
  });

  it('a month stands as a calendar: a row for each week, its days in their columns', () => {
    const march = { first: dayOf('2025-03-01'), last: dayOf('2025-03-31') };
    const plate = weeksPlate(march, 'monday', TODAY, () => ({ ratio: 1, isFull: true }), {
      widthPx: 380,
      labelPx: 30,
      rowPx: 46,
    });
    expect(plate.rows.map(({ label }) => formatDay(label))).toEqual([
      '2025-02-24',
      '2025-03-03',
      '2025-03-10',
      '2025-03-17',
      '2025-03-24',
      '2025-03-31',
    ]);
    expect([plate.cells.length, plate.heightPx]).toEqual([31, 276]);
    // 1 March is a Saturday, the sixth of seven columns of 50 pixels; 31 March a Monday of the sixth week.
    expect(plate.cells[0]).toMatchObject({ x: 30 + 5.5 * 50, y: 23, kind: 'mark', isFull: true });
    expect(plate.cells[30]).toMatchObject({ x: 30 + 0.5 * 50, y: 23 + 5 * 46, kind: 'dot' });
  });

  it('the mean of seven days takes those that have a share, four at least, and leaves gaps', () => {
    const ratios: (number | null)[] = [1, 0, null, 1, 0, 1, null, 1];
    const ratioOf = (day: number): number | null => ratios[day] ?? null;
    expect(ratios.map((_, day) => meanOfSeven(day, ratioOf))).toEqual([null, null, null, null, 0.5, 0.6, null, 0.6]);
    const line = shareLine({ first: 0, last: 7 }, ratioOf, { widthPx: 90, heightPx: 120, padPx: 10, axisPx: 10 });
    // Two stretches: days 4 and 5, and day 7 by itself.
    expect(line.meanPath.match(/M/g)).toHaveLength(2);
    const [x, y] = /^M([\d.]+),([\d.]+)/.exec(line.meanPath)!.slice(1).map(Number);
    expect(x).toBeCloseTo(line.xOf(4), 2);
    expect(y).toBeCloseTo(line.yOf(0.5), 2);
  });
});
