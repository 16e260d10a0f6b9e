import { curveNatural, lineRadial } from 'd3-shape';
import fc from 'fast-check';
import { monthOf, monthSpan } from '../calendar/month.ts';
import { dayOf } from '../calendar/plainDay.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { boring } from './boring.ts';
import { CURL_PATH } from './curl.ts';
import { fillPath } from './peg.ts';
import { pegboardColumns } from './pegboardColumns.ts';
import { cordsIn, pegStateOf } from './pegboardRow.ts';
import { shareLine } from './shareLine.ts';
import { toneScale } from './tone.ts';
import { yearPlate } from './yearPlate.ts';
import { runs } from '../testing/runs.ts';

const TODAY = dayOf('2025-03-12');
const track = (...done: string[]) => buildTrack(aHabit(), doneOn('h', ...done), TODAY, 'monday');

describe('the pegboard', () => {
  it('shows a day by what it came to', () => {
    const laid = buildTrack(
      aHabit({ pauses: [{ from: '2025-03-05', to: '2025-03-05' }] }),
      [
        ...doneOn('h', '2025-03-01'),
        { habitId: 'h', day: '2025-03-02', mark: 'rest' },
        { habitId: 'h', day: '2025-03-03', mark: 'missed' },
      ],
      TODAY,
      'monday',
    );
    expect(
      [
        '2025-02-28',
        '2025-03-01',
        '2025-03-02',
        '2025-03-03',
        '2025-03-04',
        '2025-03-05',
        '2025-03-12',
        '2025-03-13',
      ].map((day) => pegStateOf(laid, dayOf(day))),
    ).toEqual(['outside', 'done', 'rest', 'missed', 'blank', 'notAsked', 'blank', 'toCome']);
  });

  it('a flexible day that passed empty was not asked; today it can still be done', () => {
    const laid = buildTrack(
      aHabit({ terms: [{ from: '2025-03-01', schedule: { kind: 'perWeek', times: 2 } }] }),
      [],
      TODAY,
      'monday',
    );
    expect([pegStateOf(laid, TODAY - 1), pegStateOf(laid, TODAY)]).toEqual(['notAsked', 'blank']);
  });

  it('joins the done days of a run by a cord, clipped to the span, and none for a single day', () => {
    const laid = track('2025-03-02', '2025-03-03', '2025-03-04', '2025-03-08', '2025-03-10', '2025-03-11');
    const cords = cordsIn(laid, { first: dayOf('2025-03-03'), last: dayOf('2025-03-31') });
    expect(cords).toEqual([
      { first: dayOf('2025-03-03'), last: dayOf('2025-03-04') },
      { first: dayOf('2025-03-10'), last: dayOf('2025-03-11') },
    ]);
  });

  it('joins the done days of weeks in a row', () => {
    const laid = buildTrack(
      aHabit({ terms: [{ from: '2025-03-03', schedule: { kind: 'perWeek', times: 1 } }], startsOn: '2025-03-03' }),
      doneOn('h', '2025-03-05', '2025-03-11'),
      TODAY,
      'monday',
    );
    expect(cordsIn(laid, monthSpan(monthOf('2025-03')))).toEqual([
      { first: dayOf('2025-03-05'), last: dayOf('2025-03-11') },
    ]);
  });

  it('parts weeks by a gap and has a column for each day that exists', () => {
    const { columns, widthPx } = pegboardColumns(monthSpan(monthOf('2025-02')), 'monday', 20, 5);
    expect(columns).toHaveLength(28);
    expect(columns[2]!.x - columns[1]!.x).toBe(25);
    expect(columns.filter((column) => column.isWeekend)).toHaveLength(8);
    expect(widthPx).toBe(28 * 20 + 4 * 5);
  });
});

/** The curl as it was drawn: a natural spline through points of a spiral, to three decimals. */
function spiral(turns: number, points: number): string {
  const end = Math.PI * 0.78;
  const through = Array.from({ length: points + 1 }, (_, index): [number, number] => {
    const share = index / points;
    return [end - (1 - share) * turns * 2 * Math.PI, 0.07 + 0.43 * share];
  });
  return lineRadial()
    .curve(curveNatural)(through)!
    .replace(/(\.\d{3})\d+/g, '$1');
}

describe('a part filled peg', () => {
  it('is empty, whole, or filled from below', () => {
    expect([fillPath(10, 10, 8, 0), fillPath(10, 10, 8, NaN)]).toEqual(['', '']);
    expect(fillPath(10, 10, 8, 1)).toContain('a8 8 0 1 0');
    expect(fillPath(10, 10, 8, 0.5)).toBe('M2 10A8 8 0 0 0 18 10Z');
    expect(CURL_PATH).toBe(spiral(1.62, 28));
  });
});

describe('the year as a plate', () => {
  const size = { widthPx: 344, labelPx: 34, rowPx: 20 };

  it('has a cell for each day of the year, none for days that do not exist', () => {
    expect(yearPlate(2024, TODAY, () => null, size).cells).toHaveLength(366);
    const plate = yearPlate(2025, TODAY, () => null, size);
    expect(plate.cells).toHaveLength(365);
    expect(plate.rows).toHaveLength(12);
    expect(plate.cells.every((cell) => cell.kind === 'dot')).toBe(true);
  });

  it('lets the area of a mark grow in step with its ratio, and draws no value for days to come', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), (ratio) => {
        const areaOf = (value: number) =>
          yearPlate(2025, TODAY, () => ({ ratio: value, isFull: false }), size).cells[0]!.r ** 2;
        expect(areaOf(ratio)).toBeCloseTo(areaOf(1) * (0.12 + 0.88 * ratio), 6);
      }),
      { numRuns: runs(20) },
    );
    const kinds = yearPlate(2025, TODAY, (day) => ({ ratio: day % 2 === 0 ? 0 : null, isFull: false }), size).cells.map(
      (cell) => cell.kind,
    );
    expect(kinds[0]).not.toBe(kinds[1]);
    expect(new Set(kinds.slice(80))).toEqual(new Set(['dot']));
  });
});

describe('share per day as a line', () => {
  it('leaves a gap where a day has no share', () => {
    const span = { first: 0, last: 9 };
    const { points, meanPath, xOf, yOf } = shareLine(span, (day) => (day === 4 ? null : day / 9), {
      widthPx: 110,
      heightPx: 100,
      padPx: 5,
      axisPx: 0,
    });
    expect(points.map((point) => point.day)).toEqual([0, 1, 2, 3, 5, 6, 7, 8, 9]);
    expect(meanPath.match(/M/g)).toHaveLength(2);
    expect([xOf(0), xOf(9), yOf(0), yOf(1)]).toEqual([5, 105, 95, 5]);
    expect(shareLine(span, () => null, { widthPx: 110, heightPx: 100, padPx: 5, axisPx: 0 })).toMatchObject({
      points: [],
      meanPath: '',
    });
  });
});

describe('the boring', () => {
  it('bores each hole as deep as its progress, ticks what was expected, and goes through when reached', () => {
    const { holes } = boring(
      [
        { id: 'a', progress: 0.5, expected: 0.25 },
        { id: 'b', progress: 1, expected: null },
        { id: 'c', progress: 0, expected: 1 },
      ],
      { widthPx: 300, heightPx: 100, widestPx: 40 },
    );
    expect(holes.map((hole) => [hole.depth, hole.isThrough, hole.tick?.y ?? null])).toEqual([
      [50, false, 25],
      [100, true, null],
      [0, false, 100],
    ]);
    expect(holes[2]!.path).toBe('');
    expect(holes.every((hole) => hole.left >= 0 && hole.left + hole.width <= 300)).toBe(true);
    expect(holes[0]!.x).toBeLessThan(holes[1]!.x);
  });

  it('tones run from one colour to the other', () => {
    const tone = toneScale('#000000', '#ffffff');
    expect([tone(0), tone(1), tone(7)]).toEqual(['rgb(0, 0, 0)', 'rgb(255, 255, 255)', 'rgb(255, 255, 255)']);
  });
});
