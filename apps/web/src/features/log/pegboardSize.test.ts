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
      (widthPx, isWide, days, span) => {
        const { cellPx, pegR, rowPx } = pegboardSize(widthPx, isWide, days, span);
        expect(cellPx).toBeGreaterThanOrEqual(24);
        expect(rowPx).toBeGreaterThanOrEqual(isWide ? 24 : 44);
        expect(2 * pegR).toBeLessThan(cellPx);
      },
    ),
  );
});

it('a whole month fits a screen of 1280 beside its names and figures', () => {
  const { namesPx, cellPx, weekGapPx, figuresPx } = pegboardSize(1082, true, 31, 'month');
  expect(namesPx + 31 * cellPx + 5 * weekGapPx + figuresPx).toBeLessThanOrEqual(1082);
});
