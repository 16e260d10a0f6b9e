import { LAST_DAY, type PlainDay } from '../calendar/plainDay.ts';
import { TOLERANCE, isAtLeast, isMoreThan } from '../number/exact.ts';
import { type Fraction, ceilOf, fraction, numberOf, over } from '../number/fraction.ts';

/** How a progress stands to what was expected by now. */
export type Pace = 'reached' | 'overdue' | 'ahead' | 'behind' | 'onPace';

/** How far progress may stand from what is expected and still be on pace. */
const MARGIN = 0.05;

/** Progress against what is expected; null without progress, or without a due day unless reached. */
export function paceOf(
  progress: number | null,
  expected: number | null,
  due: PlainDay | null,
  today: PlainDay,
): Pace | null {
  if (progress === null) return null;
  if (isAtLeast(progress, 1)) return 'reached';
  if (due === null) return null;
  if (today > due) return 'overdue';
  if (expected === null) return null;
  if (isMoreThan(progress, expected + MARGIN)) return 'ahead';
  return isMoreThan(expected - MARGIN, progress) ? 'behind' : 'onPace';
}

/**
 * The day the target is reached if things go on as since the start: start + ceil((today − start) / progress), exactly.
 * Null at 0, from 1 on, on the start day, and after the year 9999.
 * @example forecastOf(fraction(1n, 18n), 0, 85) // 1530
 */
export function forecastOf(progress: Fraction, start: PlainDay, today: PlainDay): PlainDay | null {
  const ratio = numberOf(progress);
  if (!(ratio > TOLERANCE) || isAtLeast(ratio, 1) || !(start < today)) return null;
  const day = start + ceilOf(over(fraction(BigInt(today - start)), progress));
  return day <= LAST_DAY ? day : null;
}

/** What each week from here must bring, in the key result's unit, negative downwards; at least one day is reckoned with. */
export function neededPerWeek(left: number, due: PlainDay, today: PlainDay): number {
  return left / (Math.max(1, due - today) / 7);
}
