import type { Kept } from '@wimbel/core';
import { number, outOf } from './amounts.ts';
import { percent } from './format.ts';

/** "12 of 18 kept, 67 %", or that nothing was due: a kept rate with its two numbers. */
export const keptWords = ({ kept, asked, rate }: Kept): string =>
  rate === null ? 'nothing due' : `${outOf(kept, asked)} kept, ${percent(rate)}`;

/** "17 of the target of 20, 3 left": done days against a target that somebody set; of a span that is over "3 short". */
export function targetWords(done: number, target: number, left: number, isOver = false): string {
  const rest = left === 0 ? 'reached' : `${number(left)} ${isOver ? 'short' : 'left'}`;
  return `${number(done)} of the target of ${number(target)}, ${rest}`;
}
