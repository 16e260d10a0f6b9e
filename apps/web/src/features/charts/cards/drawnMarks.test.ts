import {
  type Entry,
  type PlateCell,
  bars,
  accountRecords,
  buildTrackFromYears,
  dayOf,
  emptyRecords,
  formatDay,
  monthsOfYear,
  monthsPlate,
  reportOf,
  scoreOn,
  shareLine,
  spanReview,
  totalsOf,
  weeksPlate,
  yearRing,
} from '@wimbel/core';
import { TODAY, aHabit } from '../../../testing/goalSamples.ts';
import { daysFigures, habitDaysFigures, keptFigures, rankingFigures } from './chartFigures.ts';
import { plateOfAll, plateOfHabit } from './chartValues.ts';
import { figuresCsv } from '../saving/figuresCsv.ts';

const FIRST = '2026-01-15';
const START = dayOf(FIRST);
const PASS_MARK = 0.85;
const terms = (schedule: object, more: object = {}) => [{ from: FIRST, schedule, ...more }] as never;

const habits = [
  aHabit('scales', { startsOn: FIRST, terms: terms({ kind: 'daily' }) }),
  aHabit('swim', { startsOn: FIRST, order: 2, terms: terms({ kind: 'perWeek', times: 3 }) }),
  aHabit('sand', {
    startsOn: FIRST,
    order: 3,
    measure: { kind: 'amount', unit: 'min', step: 10 },
    terms: terms({ kind: 'weekdays', days: ['monday', 'thursday'] }, { atLeast: 30 }),
  }),
];
const entries: Entry[] = Array.from({ length: TODAY - START + 1 }, (_, index) => formatDay(START + index)).flatMap(
  (day, index): Entry[] => [
    ...(index % 4 === 1 ? [] : [{ habitId: 'scales', day, mark: 'done' as const }]),
    ...(index % 3 === 0 ? [{ habitId: 'swim', day, mark: 'done' as const }] : []),
    ...(index % 5 === 0 ? [{ habitId: 'sand', day, amount: 15 + (index % 4) * 10 }] : []),
  ],
);
const records = { ...emptyRecords(), habits, entries };
const report = reportOf(records, TODAY);
const record = accountRecords(records);
const tracks = habits.map((habit) => buildTrackFromYears(habit, record.entriesOf(habit.id), TODAY, 'monday'));
const spanOf = (first: string, last: string) => ({ first: dayOf(first), last: dayOf(last) });
const YEAR = spanOf('2026-01-01', '2026-12-31');
const MONTH = spanOf('2026-11-01', '2026-11-30');
const WEEK = spanOf('2026-11-16', '2026-11-22');
const totals = totalsOf(tracks, TODAY);
const valueOf = plateOfAll(totals, START, PASS_MARK);

/** Each cell that is drawn, beside what the report says of its day. */
function expectAsReported(cells: readonly PlateCell[], count: number): void {
  expect(cells).toHaveLength(count);
  let compared = 0;
  for (const { day, kind, ratio, isFull } of cells) {
    const said = report.days[formatDay(day)];
    if (said === undefined || said.score === null) {
      expect([formatDay(day), kind]).toEqual([formatDay(day), 'dot']);
      continue;
    }
    expect(kind).toBe(said.score === 0 ? 'ring' : 'mark');
    expect(ratio).toBeCloseTo(said.score, 12);
    expect(isFull).toBe(said.score === 1);
    compared++;
  }
  expect(compared).toBeGreaterThan(20);
}

describe('what is drawn is what the report says', () => {
  it('of a year: each cell of the plate and of the ring', () => {
    expectAsReported(
      monthsPlate(monthsOfYear(2026), TODAY, valueOf, { widthPx: 400, labelPx: 30, rowPx: 20 }).cells,
      365,
    );
    expectAsReported(yearRing(2026, 'monday', TODAY, valueOf, { sidePx: 500 }).cells, 365);
  });

  it('of a month: each cell of the calendar', () => {
    expectAsReported(weeksPlate(MONTH, 'monday', TODAY, valueOf, { widthPx: 400, labelPx: 30, rowPx: 46 }).cells, 30);
  });

  it('of a week: each point of the share per day', () => {
    const { points } = shareLine(WEEK, (day) => scoreOn(totals, day, PASS_MARK).score, {
      widthPx: 400,
      heightPx: 100,
      padPx: 0,
      axisPx: 0,
    });
    expect(points.map(({ day, ratio, y }) => [formatDay(day), ratio, 100 - y])).toEqual(
      points.map(({ day }) => {
        const { score } = report.days[formatDay(day)]!;
        return [formatDay(day), score, expect.closeTo(score! * 100, 9)];
      }),
    );
    expect(points).toHaveLength(7);
  });

  it('of a habit: a mark for each done day of a week, a month and a year', () => {
    const swim = tracks[1]!;
    const own = plateOfHabit(swim, () => null);
    const full = (cells: readonly PlateCell[]): number => cells.filter(({ isFull }) => isFull).length;
    const size = { widthPx: 400, labelPx: 30, rowPx: 46 };
    const { weeks, months, years } = report.habits.swim!;
    expect(full(weeksPlate(WEEK, 'monday', TODAY, own, size).cells)).toBe(weeks['2026-11-16']!.actual);
    expect(full(weeksPlate(MONTH, 'monday', TODAY, own, size).cells)).toBe(months['2026-11']!.actual);
    expect(full(monthsPlate(monthsOfYear(2026), TODAY, own, size).cells)).toBe(years['2026']!.actual);
  });

  it('of what was kept: each bar as high as its part', () => {
    const review = spanReview(tracks, {
      kind: 'year',
      span: YEAR,
      weekStart: 'monday',
      passMark: PASS_MARK,
      today: TODAY,
    });
    const size = { widthPx: 400, heightPx: 102, padPx: 1, axisPx: 0 };
    const { bars: drawn } = bars(
      review.parts.map(({ kept }) => kept.rate),
      1,
      size,
    );
    const november = Object.values(report.habits).reduce(
      (sum, { kept: { month } }) => ({ kept: sum.kept + month.kept, asked: sum.asked + month.asked }),
      { kept: 0, asked: 0 },
    );
    expect(drawn[10]!.heightPx).toBeCloseTo((100 * november.kept) / november.asked, 9);
    expect(drawn[11]!.hasValue).toBe(false);
  });
});

describe('the figures behind a picture', () => {
  it('tell a short span day by day and a long one by month, the same in sum', () => {
    const kept = { first: START, last: TODAY };
    const short = daysFigures(totals, kept, PASS_MARK);
    expect(short.rows).toHaveLength(TODAY - START + 1);
    expect(short.rows[0]).toEqual([
      START,
      report.days[FIRST]!.done,
      report.days[FIRST]!.due,
      report.days[FIRST]!.score,
    ]);
    const early = { first: START - 400, last: TODAY };
    const long = daysFigures(totals, early, PASS_MARK);
    const sum = (rows: readonly (readonly (string | number | null)[])[], column: number): number =>
      rows.reduce((all, row) => all + Number(row[column]), 0);
    expect(long.rows.length).toBeLessThan(26);
    expect([sum(long.rows, 1), sum(long.rows, 2)]).toEqual([sum(short.rows, 1), sum(short.rows, 2)]);
    expect(sum(long.rows, 3)).toBe(Object.values(report.months).reduce((all, { fullDays }) => all + fullDays, 0));
  });

  it('tell what each day of a habit came to, with its amount', () => {
    const sand = habitDaysFigures(tracks[2]!, WEEK, (day) => (day % 2 ? 25 : null));
    expect(sand.columns.map(({ name }) => name)).toEqual(['Day', 'Came to', 'Amount']);
    expect(sand.rows).toHaveLength(7);
    expect(figuresCsv(sand).split('\n')[1]).toMatch(/^2026-11-16,.*,/);
    const before = habitDaysFigures(tracks[2]!, spanOf('2020-01-01', '2020-02-01'), null);
    expect(before.rows).toEqual([]);
  });

  it('stand beside the span before, and go into a file with nothing where there is none', () => {
    const kept = (keptDays: number, asked: number) => ({
      kept: keptDays,
      asked,
      rate: asked === 0 ? null : keptDays / asked,
    });
    const figures = keptFigures('Weekday', [
      { name: 'Monday', kept: kept(3, 4), before: kept(1, 2) },
      { name: 'Tuesday, "late"', kept: kept(0, 0), before: null },
    ]);
    expect(figuresCsv(figures)).toBe('Weekday,Kept,Due,Rate,Before\nMonday,3,4,0.75,0.5\n"Tuesday, ""late""",0,0,,');
  });

  it('rank the habits as the review does', () => {
    const review = spanReview(tracks, {
      kind: 'month',
      span: MONTH,
      weekStart: 'monday',
      passMark: PASS_MARK,
      today: TODAY,
    });
    const { rows } = rankingFigures(review, (id) => id.toUpperCase());
    expect(rows.map(([name]) => name)).toEqual(report.months['2026-11']!.ranking.map((id) => id.toUpperCase()));
    expect(rows.map((row) => row[1])).toEqual([1, 2, 3]);
  });
});
