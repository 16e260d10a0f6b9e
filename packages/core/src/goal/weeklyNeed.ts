import { TOLERANCE, tidySum } from '../number/exact.ts';

/** What is to be done from here: so much a week, or of whole things one every so many weeks. */
export type WeeklyNeed = {
  /** Never below what is needed, so that doing it does reach the target; 0 or more, whichever way the target lies. */
  amount: number;
  /** 1, but of fewer than one whole thing a week how many weeks there are for each. */
  everyWeeks: number;
  /** Rounded up from what is needed exactly. */
  isRounded: boolean;
  /** What amounts in the same sentence are rounded to. */
  grain: number;
};

const powerOfTen = (value: number): number => 10 ** Math.floor(Math.log10(value));

/** A value rounded to a grain, without dust. */
export const roundTo = (value: number, grain: number): number => tidySum(Math.round(value / grain) * grain);

/**
 * What a person would do each week to bring `needed` (in the unit, downwards below 0): rounded up to two digits, or to a
 * thousandth of the whole way where that is finer; whole things whole. `way` is how far it is from start to target.
 * @example weeklyNeed(7.02, 120, false) // 7.1 a week
 * @example weeklyNeed(0.16, 14, true) // 1 every 6 weeks
 */
export function weeklyNeed(needed: number, way: number, isWhole: boolean): WeeklyNeed {
  const size = Math.abs(needed);
  if (!(size > TOLERANCE)) return { amount: 0, everyWeeks: 1, isRounded: false, grain: isWhole ? 1 : 0.01 };
  if (isWhole) {
    const every = size < 1 ? Math.floor(1 / size + TOLERANCE) : 1;
    const amount = Math.ceil(size * every - TOLERANCE);
    return { amount, everyWeeks: every, isRounded: Math.abs(amount / every - size) > TOLERANCE, grain: 1 };
  }
  const grain = Math.min(powerOfTen(size) / 10, powerOfTen(Math.abs(way) || size) / 100);
  const amount = tidySum(Math.ceil(size / grain - TOLERANCE) * grain);
  return { amount, everyWeeks: 1, isRounded: Math.abs(amount - size) > TOLERANCE, grain };
}
