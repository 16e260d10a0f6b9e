import fc from 'fast-check';
import {
  floorExact,
  isAtLeast,
  isMoreThan,
  isApproximately,
  roundRatio,
  shareOf,
  tidySum,
  wholePercent,
} from './exact.ts';

describe('comparing as if in exact arithmetic', () => {
  it('takes values closer than 1e-9 as equal', () => {
    expect(isApproximately(0.1 + 0.2, 0.3)).toBe(true);
    expect(isAtLeast(0.3, 0.1 + 0.2)).toBe(true);
    expect(isMoreThan(0.1 + 0.2, 0.3)).toBe(false);
    expect(isMoreThan(0.3001, 0.3)).toBe(true);
    expect([floorExact(0.1 * 3 * 10), floorExact(2.9999)]).toEqual([3, 2]);
  });

  it('lets NaN fail every comparison', () => {
    expect([isApproximately(NaN, 1), isAtLeast(NaN, 1), isMoreThan(NaN, 1), isAtLeast(1, NaN)]).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });

  it('rounds half up on whole parts', () => {
    expect([roundRatio(16, 7), roundRatio(3, 2), roundRatio(1, 2), roundRatio(2, 7), roundRatio(0, 7)]).toEqual([
      2, 2, 1, 0, 0,
    ]);
    fc.assert(
      fc.property(fc.nat(1e9), fc.integer({ min: 1, max: 1e6 }), (parts, whole) => {
        const rounded = roundRatio(parts, whole);
        expect(2 * whole * rounded).toBeLessThanOrEqual(2 * parts + whole);
        expect(2 * whole * (rounded + 1)).toBeGreaterThan(2 * parts + whole);
      }),
    );
  });

  it('sums without dust, and has no share of nothing', () => {
    expect(tidySum(0.1 + 0.2)).toBe(0.3);
    // What is left of equal sums is nothing.
    expect([tidySum(0.1 + 0.2 - 0.3), tidySum(0.3 - 0.1 - 0.2)]).toEqual([0, 0]);
    expect(shareOf(3, 0)).toBeNull();
    expect(shareOf(3, 4)).toBe(0.75);
  });
});

describe('percent for display', () => {
  it.each([
    [0, 0],
    [0.001, 1],
    [0.125, 13],
    [0.994, 99],
    [0.996, 99],
    [0.9999999, 99],
    [1, 100],
    [1.004, 100],
    [1.75, 175],
  ])('%f shows as %i', (ratio, percent) => expect(wholePercent(ratio)).toBe(percent));
});
