import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { yearSpan } from '../calendar/year.ts';
import { monthOf } from '../calendar/month.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { runsOf } from '../habit/streak.ts';
import { trendOf } from '../habit/trend.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { amountStems } from './amountStems.ts';
import { areaRing } from './areaRing.ts';
import { bars } from './bars.ts';
import { runsPicture } from './runsPicture.ts';
import { spread } from './spread.ts';
import { trendLine } from './trendLine.ts';
import { type PlateCell, plateLayers, yearPlate } from './yearPlate.ts';
import { yearRing } from './yearRing.ts';
import { runs } from '../testing/runs.ts';

const numbersIn = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('bars', () => {
  const size = { widthPx: 106, heightPx: 102, padPx: 1, axisPx: 5 };

  it('stand in even rooms, as high as their value of the most, with a gap where there is none', () => {
    const { bars: drawn, stepPx, yOf } = bars([0.5, null, 1, 0], 1, size);
    expect(drawn.map(({ heightPx, hasValue }) => [heightPx, hasValue])).toEqual([
      [50, true],
      [0, false],
      [100, true],
      [0, true],
    ]);
    expect(drawn.map(({ middle }) => Math.round(middle * 10) / 10)).toEqual([17.5, 42.5, 67.5, 92.5]);
    expect([stepPx, yOf(0), yOf(1), yOf(0.75)]).toEqual([25, 101, 1, 26]);
    drawn.forEach(({ x, middle, widthPx }) => expect(x + widthPx / 2).toBeCloseTo(middle, 9));
  });

  it('show the least value above 0, and end at the top where one is over the most', () => {
    const { bars: drawn } = bars([0.0001, 3], 1, size);
    expect(drawn.map(({ heightPx }) => heightPx)).toEqual([2, 100]);
    expect(drawn[0]!.widthPx).toBeLessThanOrEqual(34);
  });

  it('have a line from middle to middle that breaks where there is no value', () => {
    const { pathThrough } = bars([1, 1, 1, 1], 1, size);
    expect(pathThrough([0, 0.5, null, 1]).split('M').slice(1).map(numbersIn)).toEqual(
      [
        [17.5, 101, 42.5, 51],
        [92.5, 1],
      ].map((points) => points.map((each) => expect.closeTo(each, 1))),
    );
    expect(pathThrough([null, null, null, null])).toBe('');
  });

  it('cannot be drawn against nothing', () => {
    expect(() => bars([1], 0, size)).toThrow(RangeError);
    expect(() => bars([1], NaN, size)).toThrow(RangeError);
  });
});

describe('the year as one turn', () => {
  const today = dayOf('2026-11-24');
  const value = () => ({ ratio: 0.5, isFull: false });
  const ring = yearRing(2026, 'monday', today, value, { sidePx: 540 });
  const from = (cell: PlateCell) => {
    const [x, y] = [cell.x - ring.middlePx, cell.y - ring.middlePx];
    // Clockwise from the top, as a part of a turn.
    return { radius: Math.hypot(x, y), turn: (Math.atan2(x, -y) / (2 * Math.PI) + 1) % 1 };
  };
  const on = (day: string) => from(ring.cells.find((cell) => cell.day === dayOf(day))!);

  it('has a cell for each day, on the track of its weekday and the spoke of its week', () => {
    expect([ring.cells.length, ring.tracks.length, ring.months.length]).toEqual([365, 7, 12]);
    // 2026 begins on a Thursday: the fourth track of the first of 53 spokes.
    expect(on('2026-01-01').radius).toBeCloseTo(ring.tracks[3]!, 9);
    expect(on('2026-01-01').turn).toBeCloseTo(0.5 / 53, 9);
    expect(on('2026-01-05').radius).toBeCloseTo(ring.tracks[0]!, 9);
    expect(on('2026-01-05').turn).toBeCloseTo(1.5 / 53, 9);
    expect(on('2026-12-31').turn).toBeCloseTo(52.5 / 53, 9);
  });

  it('goes by the first day of the week', () => {
    const sunday = yearRing(2026, 'sunday', today, value, { sidePx: 540 });
    const first = sunday.cells[0]!;
    expect(Math.hypot(first.x - 270, first.y - 270)).toBeCloseTo(sunday.tracks[4]!, 9);
  });

  it('draws days as the plate does: of one size on every track, dots after today', () => {
    const radii = ring.cells.filter(({ kind }) => kind === 'mark').map(({ r }) => r);
    expect(new Set(radii).size).toBe(1);
    expect(ring.cells.filter(({ day }) => day > today).every(({ kind }) => kind === 'dot')).toBe(true);
    const plate = yearPlate(2026, today, value, { widthPx: 340, labelPx: 30, rowPx: 20 });
    expect(ring.cells.map(({ day, kind, ratio }) => [day, kind, ratio])).toEqual(
      plate.cells.map(({ day, kind, ratio }) => [day, kind, ratio]),
    );
  });

  it('keeps every mark inside of its side and clear of its neighbours, in any year and week', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1990, max: 2060 }),
        fc.constantFrom('monday' as const, 'sunday' as const, 'saturday' as const),
        (year, weekStart) => {
          const full = () => ({ ratio: 1, isFull: true });
          const { cells } = yearRing(year, weekStart, yearSpan(year).last, full, { sidePx: 400 });
          const seen = new Set(cells.map(({ x, y }) => `${Math.round(x * 4)} ${Math.round(y * 4)}`));
          expect(seen.size).toBe(cells.length);
          for (const { x, y, r } of cells) {
            expect(Math.min(x, y) - r).toBeGreaterThan(0);
            expect(Math.max(x, y) + r).toBeLessThan(400);
          }
          for (const [index, cell] of cells.slice(7).entries()) {
            const before = cells[index]!;
            expect(Math.hypot(cell.x - before.x, cell.y - before.y)).toBeGreaterThan(1.8 * cell.r);
          }
        },
      ),
      { numRuns: runs(20) },
    );
  });
});

describe('the cells of a heat map as paths', () => {
  const cell = (differs: Partial<PlateCell>): PlateCell => ({
    day: 0,
    x: 10,
    y: 10,
    r: 4,
    kind: 'mark',
    ratio: 1,
    isFull: false,
    ...differs,
  });
  const count = (path: string): number => (path.match(/M/g) ?? []).length;

  it('holds each cell once, by what it is', () => {
    const layers = plateLayers([
      cell({ kind: 'dot', r: 0.2 }),
      cell({ kind: 'ring' }),
      cell({ ratio: 0.5 }),
      cell({ ratio: 0.5, x: 20 }),
      cell({ isFull: true }),
    ]);
    expect([count(layers.dots), count(layers.rings), count(layers.eyes)]).toEqual([1, 1, 1]);
    expect(layers.marks.map(({ ratio, path }) => [ratio, count(path)])).toEqual([
      [0.5, 2],
      [1, 1],
    ]);
    // A circle of radius 4 around 10, 10, from its left end and back.
    expect(layers.marks[1]!.path).toBe('M6 10a4 4 0 1 0 8 0a4 4 0 1 0 -8 0');
  });

  it('tells twelve tones apart at most, none of them 0, and never loses a cell', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.001, max: 1, noNaN: true })), (ratios) => {
        const { marks } = plateLayers(ratios.map((ratio) => cell({ ratio })));
        expect(marks.length).toBeLessThanOrEqual(12);
        expect(marks.every(({ ratio }) => ratio > 0 && ratio <= 1)).toBe(true);
        expect(marks.reduce((sum, { path }) => sum + count(path), 0)).toBe(ratios.length);
      }),
    );
  });
});

describe('the ring of areas', () => {
  const size = { outerPx: 100, innerPx: 60 };

  it('has parts as wide as their counts, filled from within as far as their shares', () => {
    const ring = areaRing(
      [
        { count: 3, share: 0.5 },
        { count: 1, share: 1.4 },
        { count: 0, share: 0.2 },
        { count: 4, share: null },
      ],
      size,
    );
    expect(ring.map(({ turn }) => turn)).toEqual([0.375, 0.125, 0, 0.5]);
    expect([ring[2]!.room, ring[2]!.filled, ring[3]!.filled]).toEqual(['', '', '']);
    // More than its share ends at the rim.
    expect(ring[1]!.filled).toBe(ring[1]!.room);
    const reach = (path: string): number => Math.max(...numbersIn(path).map(Math.abs));
    expect(reach(ring[0]!.filled)).toBeLessThanOrEqual(80);
    expect(reach(ring[0]!.room)).toBeLessThanOrEqual(100);
    // The first part's middle lies at three sixteenths of a turn: up to the right.
    expect(ring[0]!.label.x).toBeCloseTo(48 * Math.sin((2 * Math.PI * 3) / 16), 9);
    expect(ring[0]!.label.y).toBeCloseTo(-48 * Math.cos((2 * Math.PI * 3) / 16), 9);
  });

  it('of one area is whole', () => {
    const [only] = areaRing([{ count: 9, share: 1 }], size);
    expect(only!.turn).toBe(1);
    expect(only!.room).toContain('A100,100');
  });
});

describe('runs as arches', () => {
  const today = dayOf('2025-03-20');
  const days = ['2025-03-01', '2025-03-02', '2025-03-04', '2025-03-05', '2025-03-06', '2025-03-19', '2025-03-20'];
  const runs = runsOf(buildTrack(aHabit(), doneOn('h', ...days), today, 'monday'), 'days');
  const size = { widthPx: 215, heightPx: 110, padPx: 5, axisPx: 20 };

  it('are as wide as they took and as high as they are long', () => {
    const picture = runsPicture(runs, { first: dayOf('2025-03-01'), last: today }, size);
    expect(picture.arches.map(({ run }) => run.length)).toEqual([2, 3, 2]);
    expect([picture.most, picture.longest, picture.floor]).toEqual([3, 1, 105]);
    // Nineteen steps of ten pixels; three days of three are the whole height.
    expect(picture.arches[1]).toMatchObject({ x: 60, y: 5 });
    expect(picture.arches[0]!.y).toBeCloseTo(105 - (2 / 3) * 100, 9);
    expect(picture.arches[2]!.run.isAlive).toBe(true);
    expect(numbersIn(picture.arches[1]!.path)).toEqual([50, 105, 10, 100, 0, 0, 1, 70, 105]);
  });

  it('leave out what lies outside, and have none of none', () => {
    const later = runsPicture(runs, { first: dayOf('2025-03-10'), last: today }, size);
    expect(later.arches.map(({ run }) => formatDay(run.first))).toEqual(['2025-03-19']);
    const none = runsPicture([], { first: dayOf('2025-03-10'), last: today }, size);
    expect([none.arches, none.longest, none.most]).toEqual([[], null, 1]);
  });

  it('of a single day can be seen', () => {
    const [single] = runsPicture(
      [{ ...runs[0]!, length: 1, last: runs[0]!.first }],
      { first: 0, last: 30000 },
      size,
    ).arches;
    const [from, , , , , , , to] = numbersIn(single!.path);
    expect(to! - from!).toBeCloseTo(3, 6);
  });
});

describe('amounts by day', () => {
  const span = { first: 0, last: 3 };
  const amounts: (number | null)[] = [10, null, 0, 35];
  const layout = amountStems(
    span,
    (day) => amounts[day]!,
    (day) => (day < 2 ? { atLeast: 20 } : day === 2 ? null : { atMost: 30 }),
    (day) => day === 3,
    { widthPx: 105, heightPx: 90, padPx: 5, axisPx: 20 },
  );

  it('are stems from the floor, with a gap where there is none, and 0 where it is 0', () => {
    expect(layout.stems.map(({ day, x, value, isMet }) => [day, x, value, isMet])).toEqual([
      [0, 30, 10, false],
      [2, 70, 0, false],
      [3, 90, 35, true],
    ]);
    expect(layout.stems[1]!.y).toBe(layout.floor);
    const heights = layout.stems.map(({ y }) => layout.floor - y);
    expect(heights[2]! / heights[0]!).toBeCloseTo(3.5, 9);
    expect(layout.ticks[0]).toEqual({ value: 0, y: layout.floor });
  });

  it('stand beside what was asked: a step where the terms change, a gap where they name nothing', () => {
    const [first, second] = layout.limitPath.split('M').slice(1).map(numbersIn);
    const y = (value: number): number => layout.floor - ((layout.floor - layout.stems[0]!.y) * value) / 10;
    expect(first).toEqual([20, y(20), 40, y(20), 40, y(20), 60, y(20)].map((each) => expect.closeTo(each, 2)));
    expect(second).toEqual([80, y(30), 100, y(30)].map((each) => expect.closeTo(each, 2)));
  });

  it('of nothing have a floor all the same', () => {
    const empty = amountStems(
      span,
      () => null,
      () => null,
      () => false,
      { widthPx: 100, heightPx: 90, padPx: 5, axisPx: 20 },
    );
    expect([empty.stems, empty.limitPath, empty.floor]).toEqual([[], '', 85]);
  });
});

describe('the trend', () => {
  const today = dayOf('2025-05-01');
  const track = (...done: string[]) => buildTrack(aHabit(), doneOn('h', ...done), today, 'monday');
  const march = Array.from({ length: 31 }, (_, index) => formatDay(dayOf('2025-03-01') + index));
  const whole = { first: dayOf('2025-03-01'), last: dayOf('2025-05-01') };

  it('is what was kept of four weeks, week by week up to the end', () => {
    const trend = trendOf(track(...march), whole);
    expect(trend.map(({ day }) => formatDay(day)).slice(-2)).toEqual(['2025-04-24', '2025-05-01']);
    const at = (day: string) => trend.find((point) => point.day === dayOf(day))!.kept;
    expect(at('2025-03-27')).toMatchObject({ kept: 27, asked: 27, rate: 1 });
    // Of 28 days up to 10 April 18 lie in March.
    expect(at('2025-04-10')).toMatchObject({ kept: 18, asked: 28 });
    // Today is still open.
    expect(at('2025-05-01')).toMatchObject({ kept: 0, asked: 27, rate: 0 });
  });

  it('says nothing before two weeks of record, nor after the habit has ended', () => {
    const early = trendOf(track(...march), whole).filter(({ kept }) => kept.rate === null);
    expect(early.map(({ day }) => formatDay(day))).toEqual(['2025-03-06', '2025-03-13']);
    const ended = buildTrack(aHabit({ endsOn: '2025-03-31' }), doneOn('h', ...march), today, 'monday');
    const told = trendOf(ended, whole).filter(({ kept }) => kept.rate !== null);
    expect(formatDay(told.at(-1)!.day)).toBe('2025-04-03');
    expect(trendOf(track(), { first: today + 1, last: today + 30 })).toEqual([]);
  });

  it('is drawn with a gap where it has no rate, and named by its months', () => {
    const kept = (rate: number | null) => ({ kept: 0, asked: 0, rate });
    const points = [1, null, 0.5, 0].map((rate, index) => ({ day: whole.first + index * 20, kept: kept(rate) }));
    const line = trendLine(points, whole, { widthPx: 320, heightPx: 110, padPx: 5, axisPx: 5 });
    expect(line.path.match(/M/g)).toHaveLength(2);
    expect(line.points.map(({ y }) => y)).toEqual([5, 55, 105]);
    expect(line.points[1]!.x).toBeCloseTo(5 + (40 / 61) * 310, 9);
    expect(line.ticks.map(({ month }) => month)).toEqual([monthOf('2025-03'), monthOf('2025-04'), monthOf('2025-05')]);
  });
});

describe('numbers that stand beside one another', () => {
  it('are moved apart no more than is needed, and stay inside', () => {
    expect(spread([10, 50, 52], 17, 200)).toEqual([10, 50, 67]);
    expect(spread([190, 192, 30], 17, 200)).toEqual([183, 200, 30]);
    expect(spread([], 17, 200)).toEqual([]);
  });

  it('never come nearer than the gap, in their order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 180 }), { maxLength: 10 }), (middles) => {
        const moved = spread(middles, 17, 190);
        const order = middles.map((_, index) => index).sort((a, b) => middles[a]! - middles[b]! || a - b);
        order.slice(1).forEach((index, place) => {
          expect(moved[index]! - moved[order[place]!]!).toBeGreaterThanOrEqual(17 - 1e-9);
        });
        expect(Math.max(0, ...moved)).toBeLessThanOrEqual(190);
      }),
    );
  });
});
