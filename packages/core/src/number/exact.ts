/**
 * Comparisons and roundings decided as if in exact arithmetic on the decimals as written:
 * two values closer than 1e-9 count as equal.
 */
export const TOLERANCE = 1e-9;

/** Whether two numbers are the same but for rounding in the last places. */
export const isApproximately = (a: number, b: number): boolean => Math.abs(a - b) < TOLERANCE;

/** a ≥ b. */
export const isAtLeast = (a: number, b: number): boolean => a - b > -TOLERANCE;

/** a > b. */
export const isMoreThan = (a: number, b: number): boolean => a - b >= TOLERANCE;

/** The largest whole number that is not above `value`: 2.9999999999 gives 3. */
export const floorExact = (value: number): number => Math.floor(value + TOLERANCE);

/** Half up, on whole parts of a whole: 3 / 2 gives 2, 16 / 7 gives 2. Both must be whole numbers, `whole` above 0. */
export const roundRatio = (parts: number, whole: number): number => Math.floor((2 * parts + whole) / (2 * whole));

/** A sum of decimals without the dust of binary fractions: 0.1 + 0.2 gives 0.3. Keeps 12 significant digits; less than {@link TOLERANCE} is 0. */
export function tidySum(value: number): number {
  if (Number.isSafeInteger(value)) return value;
  return Math.abs(value) < TOLERANCE ? 0 : Number(value.toPrecision(12));
}

/** `part / whole`, or null where the whole is 0. */
export const shareOf = (part: number, whole: number): number | null => (whole > 0 ? part / whole : null);

/**
 * Whole percent for display, half up; a ratio under 1 never shows as 100, one over 0 never as 0.
 * @example wholePercent(0.996) // 99
 */
export function wholePercent(ratio: number): number {
  const percent = Math.floor(ratio * 100 + 0.5 + TOLERANCE);
  if (percent >= 100 && !isAtLeast(ratio, 1)) return 99;
  if (percent <= 0 && ratio > 0) return 1;
  return percent;
}
