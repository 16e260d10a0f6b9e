import { LOG_SPANS } from '@wimbel/core';
import fc from 'fast-check';
import { pegboardSize } from './pegboardSize.ts';

it('a day is never narrower than its touch target, whatever the width and the span', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 280, max: 3000 }),
      fc.boolean(),
      fc.integer({ min: 7, max: 366 }),
      fc.constantFrom(...LOG_SPANS),
      fc.boolean(),
      (widthPx, isWide, days, span, isCompact) => {
        const { cellPx, pegR, rowPx } = pegboardSize(widthPx, isWide, days, span, isCompact);
        expect(cellPx).toBeGreaterThanOrEqual(24);
        expect(rowPx).toBeGreaterThanOrEqual(isCompact ? (isWide ? 24 : 36) : isWide ? 36 : 44);
        expect(2 * pegR).toBeLessThan(rowPx);
        expect(2 * pegR).toBeLessThan(cellPx);
      },
    ),
  );
});

it('a whole month fits a screen of 1280 beside its names and figures', () => {
  const { namesPx, cellPx, weekGapPx, figuresPx } = pegboardSize(1082, true, 31, 'month');
  expect(namesPx + 31 * cellPx + 5 * weekGapPx + figuresPx).toBeLessThanOrEqual(1082);
});

describe('on any device', () => {
  const spans = [
    ['week', 7],
    ['sevenDays', 7],
    ['month', 28],
    ['month', 31],
    ['sixWeeks', 42],
    ['quarter', 92],
    ['year', 366],
  ] as const;

  it.each(spans)('a %s of %i days has cells that a finger meets, names, and figures beside them', (span, days) => {
    for (const isWide of [false, true]) {
      for (let widthPx = 280; widthPx <= 2600; widthPx += 40) {
        const size = pegboardSize(widthPx, isWide, days, span);
        expect(size.cellPx).toBeGreaterThanOrEqual(24);
        expect(2 * size.pegR).toBeLessThan(size.cellPx);
        expect(size.namesPx).toBeGreaterThanOrEqual(120);
        expect(size.figuresPx).toBeGreaterThan(3 * size.figurePx);
      }
    }
  });

  it('a month that fits a wide screen is as wide as its room, or leaves it for the names', () => {
    for (let widthPx = 1110; widthPx <= 1400; widthPx += 10) {
      const { namesPx, cellPx, weekGapPx, figuresPx } = pegboardSize(widthPx, true, 31, 'month');
      const used = namesPx + 31 * cellPx + 5 * weekGapPx + figuresPx;
      expect(used).toBeLessThanOrEqual(widthPx);
      expect(widthPx - used).toBeLessThan(40);
    }
  });

  it('a phone gives a habit’s name two lines', () => {
    expect(pegboardSize(358, false, 30, 'month').rowPx).toBeGreaterThanOrEqual(2 * 15.5 + 18);
  });
});
