import { formatMonth } from '../calendar/month.ts';
import { dayOf } from '../calendar/plainDay.ts';
import { quoteOfDay } from '../day/quoteOfDay.ts';
import { type ProgressLineInput, monthTicks, progressLine } from './progressLine.ts';
import { timeLine } from './timeLine.ts';

const [FIRST, TODAY, LAST] = ['2025-01-01', '2025-01-11', '2025-01-21'].map(dayOf) as [number, number, number];
const SIZE = { widthPx: 230, heightPx: 120, padPx: 10, axisPx: 20 };
const input = (more: Partial<ProgressLineInput> = {}): ProgressLineInput => ({
  span: { first: FIRST, last: LAST },
  today: TODAY,
  progressAt: (day) => (day >= FIRST + 4 ? 0.4 : 0),
  expectedAt: (day) => (day - FIRST) / 20,
  checkpoints: [],
  forecast: null,
  ...more,
});

describe('the line of progress', () => {
  it('goes in steps up to today, beside the expected line over the whole way', () => {
    const line = progressLine(input(), SIZE);
    // Ten pixels a day from 20; 100 pixels from 0 to 1, upside down.
    expect(line.now).toEqual({ x: 120, y: 70 });
    expect(line.todayX).toBe(120);
    expect(line.path).toMatch(/^M20,110/);
    expect(line.path).toMatch(/60,110L60,70/);
    expect(line.path).toMatch(/120,70$/);
    expect(line.expectedPath).toMatch(/^M20,110.*L220,10$/);
    expect(line.forecastPath).toBe('');
  });

  it('leads on to the forecast day, cut off at the edge, and never backwards', () => {
    const to = (forecast: number) => progressLine(input({ forecast }), SIZE).forecastPath;
    expect(to(TODAY + 5)).toBe('M120 70L170 10');
    expect(to(TODAY + 20)).toMatch(/^M120 70L220 40(\.0|$)/);
    expect(to(TODAY)).toBe('');
  });

  it('marks checkpoints in the span, and leaves gaps where there is no progress', () => {
    const at = (day: number, ratio: number, reached: boolean) => ({ day, ratio, reached });
    const line = progressLine(
      input({
        checkpoints: [at(LAST, 1.4, false), at(FIRST + 5, 0.3, true), at(LAST + 1, 1, false)],
        progressAt: () => null,
      }),
      SIZE,
    );
    expect(line.checkpoints).toEqual([
      { x: 220, y: 10, reached: false },
      { x: 70, y: 80, reached: true },
    ]);
    expect([line.path, line.now]).toEqual(['', null]);
  });

  it('is drawn with as many points as can be seen, however far the due day', () => {
    const last = dayOf('9999-12-31');
    const asked = new Set<number>();
    const far = input({
      span: { first: FIRST, last },
      expectedAt: (day) => {
        asked.add(day);
        return (day - FIRST) / (last - FIRST);
      },
    });
    const line = progressLine(far, SIZE);
    expect(asked.size).toBeLessThan(2100);
    expect(asked.has(last)).toBe(true);
    expect(line.expectedPath).toMatch(/^M20,110.*L220,10$/);
  });

  it('before the start has no line yet', () => {
    const line = progressLine(input({ today: FIRST - 3 }), SIZE);
    expect([line.path, line.now, line.todayX]).toEqual(['', null, null]);
  });

  it('names the months that there is room for', () => {
    const names = (first: string, last: string, widthPx: number) => {
      const span = { first: dayOf(first), last: dayOf(last) };
      const perDay = widthPx / (span.last - span.first);
      return monthTicks(span, (day) => (day - span.first) * perDay).map(({ month }) => formatMonth(month));
    };
    expect(names('2025-01-15', '2025-04-15', 300)).toEqual(['2025-02', '2025-03', '2025-04']);
    expect(names('2025-01-01', '2026-12-31', 300)).toEqual([
      '2025-01',
      '2025-04',
      '2025-07',
      '2025-10',
      '2026-01',
      '2026-04',
      '2026-07',
      '2026-10',
    ]);
    expect(names('2025-01-05', '2025-01-25', 300)).toEqual([]);
    // Ten years over 300 pixels: 30 for each are too few for a name, so every second year has one.
    expect(names('2015-01-01', '2024-12-31', 300)).toEqual(['2016-01', '2018-01', '2020-01', '2022-01', '2024-01']);
    expect(names('2015-01-01', '2024-12-31', 400)).toHaveLength(10);
    expect(names('2015-01-01', '9999-12-31', 300).length).toBeLessThan(9);
  });
});

describe('the time line', () => {
  const thing = (id: string, on: number, after: string[] = [], from: number | null = null) => ({ id, on, from, after });
  const layout = timeLine(
    [thing('a', FIRST + 5), thing('b', FIRST + 10, ['a', 'elsewhere'], FIRST + 2), thing('c', FIRST + 30)],
    { goal: { first: FIRST, last: LAST }, today: TODAY },
    { widthPx: 320, rowPx: 40, padPx: 10 },
  );

  it('holds the goal, everything on it and today', () => {
    expect(layout.span).toEqual({ first: FIRST, last: FIRST + 30 });
    expect(layout.rows).toEqual([
      { id: 'a', y: 20, x1: 60, x2: 60 },
      { id: 'b', y: 60, x1: 30, x2: 110 },
      { id: 'c', y: 100, x1: 310, x2: 310 },
    ]);
    expect([layout.todayX, layout.heightPx]).toEqual([110, 120]);
  });

  it('links what must come first to what waits, where both are on it', () => {
    expect(layout.links).toEqual([{ from: 'a', to: 'b', path: 'M60 20C60 40 110 40 110 60' }]);
  });
});

describe('the quote of a day', () => {
  const quotes = ['c', 'a', 'b'].map((id) => ({ id, text: id }));

  it('is each in turn, the same all day', () => {
    expect([0, 1, 2, 3].map((day) => quoteOfDay(quotes, TODAY + day)!.id).sort()).toEqual(
      [...'abc', quoteOfDay(quotes, TODAY)!.id].sort(),
    );
    expect(quoteOfDay(quotes, TODAY)).toEqual(quoteOfDay([...quotes].reverse(), TODAY));
    expect(quoteOfDay(quotes, -1)).not.toBeNull();
    expect(quoteOfDay([], TODAY)).toBeNull();
  });
});
