/** A number held exactly, `n / d` in lowest terms with `d` above 0: what is divided by or rounded up must carry no dust. */
export type Fraction = { readonly n: bigint; readonly d: bigint };

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? (a < 0n ? -a : a) : gcd(b, a % b));

/** `n / d` in lowest terms. Throws a RangeError where `d` is 0. */
export function fraction(n: bigint, d: bigint = 1n): Fraction {
  if (d === 0n) throw new RangeError('a fraction of nothing: its lower number is 0');
  const common = gcd(n, d);
  const sign = d < 0n ? -1n : 1n;
  return common === 0n ? { n: 0n, d: 1n } : { n: (sign * n) / common, d: (sign * d) / common };
}

/** Nothing. */
export const ZERO = fraction(0n);
/** The whole. */
export const ONE = fraction(1n);

/**
 * A decimal as it is written: 0.1 is exactly one tenth, 1e-7 a ten-millionth.
 * Throws a RangeError for what is not a finite number.
 */
export function fractionOf(value: number): Fraction {
  const match = /^(-?)(\d+)(?:\.(\d+))?(?:e([+-]\d+))?$/.exec(String(value));
  if (match === null) throw new RangeError(`${value} is not a finite number`);
  const [, sign, whole = '', part = '', exponent = '0'] = match;
  const digits = BigInt(`${whole}${part}`) * (sign === '-' ? -1n : 1n);
  const shift = Number(exponent) - part.length;
  return shift >= 0 ? fraction(digits * 10n ** BigInt(shift)) : fraction(digits, 10n ** BigInt(-shift));
}

/** a + b. */
export const plus = (a: Fraction, b: Fraction): Fraction => fraction(a.n * b.d + b.n * a.d, a.d * b.d);
/** a − b. */
export const minus = (a: Fraction, b: Fraction): Fraction => fraction(a.n * b.d - b.n * a.d, a.d * b.d);
/** a × b. */
export const times = (a: Fraction, b: Fraction): Fraction => fraction(a.n * b.n, a.d * b.d);
/** a / b. Throws a RangeError where b is 0. */
export const over = (a: Fraction, b: Fraction): Fraction => fraction(a.n * b.d, a.d * b.n);

/** A fraction kept within 0–1. */
export const clamped = (value: Fraction): Fraction => (value.n < 0n ? ZERO : value.n > value.d ? ONE : value);

/** The mean of some fractions; throws a RangeError for none. */
export const meanOf = (all: readonly Fraction[]): Fraction =>
  over(all.reduce(plus, ZERO), fraction(BigInt(all.length)));

const SAFE = BigInt(Number.MAX_SAFE_INTEGER);
const SCALE = 10n ** 18n;

/** The nearest ordinary number; of very long fractions to 18 places. */
export function numberOf({ n, d }: Fraction): number {
  if (d <= SAFE && n <= SAFE && n >= -SAFE) return Number(n) / Number(d);
  return Number((n * SCALE) / d) / Number(SCALE);
}

const PER_TOLERANCE = 1_000_000_000n;

/** The smallest whole number not below the fraction, one less than 1e-9 above a whole number counting as that number. */
export function ceilOf({ n, d }: Fraction): number {
  const [top, bottom] = [n * PER_TOLERANCE - d, d * PER_TOLERANCE];
  const down = top / bottom;
  return Number(top > 0n && top % bottom !== 0n ? down + 1n : down);
}

const BILLIONTHS = 1e9;

/** A decimal in billionths, under which values count as equal: sums of these have no binary rounding. */
export const billionthsOf = (value: number): bigint => BigInt(Math.round(value * BILLIONTHS));

/** So many billionths. */
export const billionths = (count: bigint): Fraction => fraction(count, BigInt(BILLIONTHS));
