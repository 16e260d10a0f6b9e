import fc from 'fast-check';
import {
  ceilOf,
  fraction,
  fractionOf,
  meanOf,
  minus,
  numberOf,
  over,
  plus,
  billionths,
  billionthsOf,
} from './fraction.ts';

describe('fractions', () => {
  it('hold decimals as they are written, and give them back', () => {
    expect([0.1, -2.5, 1e-7, 1e21, 0, 12].map(fractionOf)).toEqual([
      fraction(1n, 10n),
      fraction(-5n, 2n),
      fraction(1n, 10_000_000n),
      fraction(10n ** 21n),
      fraction(0n),
      fraction(12n),
    ]);
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e3, max: 1e3 }), (value) =>
        expect(numberOf(fractionOf(value))).toBeCloseTo(value, 9),
      ),
    );
    expect(() => fractionOf(NaN)).toThrow(RangeError);
    expect(() => fraction(1n, 0n)).toThrow(RangeError);
  });

  it('add up without dust: three tenths are 0.3, and a mean of means stays exact', () => {
    expect(plus(fractionOf(0.1), fractionOf(0.2))).toEqual(fractionOf(0.3));
    expect(minus(fractionOf(0.3), fractionOf(0.1))).toEqual(fractionOf(0.2));
    expect(meanOf([fraction(1n, 9n), fraction(0n)])).toEqual(fraction(1n, 18n));
    expect(billionths([0.1, 0, 0.2, 33.33].reduce((sum, each) => sum + billionthsOf(each), 0n))).toEqual(
      fractionOf(33.63),
    );
  });

  it('are rounded up to whole numbers, a hair above one counting as that one', () => {
    expect(ceilOf(over(fraction(85n), fraction(1n, 18n)))).toBe(1530);
    expect(ceilOf(fraction(15_300_000_001n, 10_000_000n))).toBe(1531);
    expect(ceilOf(plus(fraction(7n), fraction(1n, 10_000_000_000n)))).toBe(7);
    expect([fraction(-5n, 2n), fraction(0n), fraction(1n, 3n)].map(ceilOf)).toEqual([-2, 0, 1]);
  });

  it('longer than an ordinary number can hold are told to eighteen places', () => {
    expect(numberOf(fraction(10n ** 30n + 1n, 3n * 10n ** 30n))).toBeCloseTo(1 / 3, 15);
  });
});
