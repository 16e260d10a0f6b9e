import fc from 'fast-check';
import { firstLines } from './useBoardLayout.ts';
import { within } from './useWindowed.ts';

const at = (x: number) => ({ x });
const startOf = ({ x }: { x: number }): number => x;

describe('what lies between two edges', () => {
  const items = [0, 30, 60, 90, 120].map(at);

  it('is all that is seen at least in part', () => {
    expect(within(items, startOf, 28, 60, 95).map(startOf)).toEqual([60, 90]);
    expect(within(items, startOf, 28, 57, 95).map(startOf)).toEqual([30, 60, 90]);
    expect(within(items, startOf, 28, -500, 5000)).toEqual(items);
  });

  it('is nothing before the first, after the last, and of nothing', () => {
    expect(within(items, startOf, 28, -100, -1)).toEqual([]);
    expect(within(items, startOf, 28, 149, 900)).toEqual([]);
    expect(within([], startOf, 28, 0, 100)).toEqual([]);
  });

  it('is what looking at each one would find, however many there are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 80 }), { maxLength: 400 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: -200, max: 8000 }),
        fc.integer({ min: 0, max: 2000 }),
        (gaps, sizePx, from, room) => {
          let x = 0;
          const list = gaps.map((gap) => at((x += gap)));
          const seen = list.filter((each) => each.x + sizePx >= from && each.x <= from + room);
          expect(within(list, startOf, sizePx, from, from + room)).toEqual(seen);
        },
      ),
    );
  });
});

describe('the first frame of a board', () => {
  const lines = Array.from({ length: 60 }, (_, line) => line);

  it('has the first of the lines, fewer the more days each has', () => {
    expect(firstLines(lines, 7)).toEqual(lines.slice(0, 10));
    expect(firstLines(lines, 31)).toEqual([0, 1, 2, 3]);
    expect(firstLines(lines, 366)).toEqual([0, 1, 2]);
  });

  it('has all of a few, and none of none', () => {
    expect(firstLines([1, 2], 31)).toEqual([1, 2]);
    expect(firstLines([], 31)).toEqual([]);
  });
});
