import { amountFault, parseTyped } from '../../text/amounts.ts';
import { tidySum } from '@wimbel/core';

/** The ratio that a percentage as typed stands for; null for anything but 0 to 100. */
export function ratioOfPercent(text: string): number | null {
  const value = parseTyped(text.replace('%', ''));
  return value === null || value < 0 || value > 100 ? null : tidySum(value / 100);
}

export const passMarkFault = (text: string): string | null =>
  ratioOfPercent(text) === null ? 'Write a percentage from 0 to 100' : null;

/** What is wrong with a number of days as typed; none at all is no target, and fine. */
export const dayTargetFault =
  (most: number) =>
  (text: string): string | null => {
    if (text.trim() === '') return null;
    const days = parseTyped(text);
    return days !== null && Number.isInteger(days) && days >= 1 && days <= most
      ? null
      : `Write a whole number from 1 to ${most}, or nothing`;
  };

/** What is wrong with a currency code as typed; nothing at all is none, and fine. */
export function currencyFault(text: string): string | null {
  const code = text.trim().toUpperCase();
  if (code === '') return null;
  return /^[A-Z]{3}$/.test(code) ? null : 'A currency has three letters, such as EUR';
}

type Mark = { atLeast: string; symbol: string };

/** What is wrong with a scale of day marks as typed; null where it ascends and each step has its sign. */
export function dayMarksFault(marks: readonly Mark[]): string | null {
  let before = 0;
  for (const { atLeast, symbol } of marks) {
    const count = parseTyped(atLeast);
    if (amountFault(atLeast) !== null || count === null || !Number.isInteger(count))
      return 'Write how many habits, as a whole number';
    if (count <= before)
      return before === 0 ? 'The first sign needs at least 1 habit' : 'Each sign needs more habits than the one before';
    if (symbol.trim() === '') return 'Give every step a sign';
    before = count;
  }
  return null;
}
