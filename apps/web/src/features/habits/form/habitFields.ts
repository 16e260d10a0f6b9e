import { linkTarget } from '@wimbel/contract';
import { parseTyped } from '../../../text/amounts.ts';

/** A field as typed: what it says, and what is wrong with it. An empty one says nothing, and nothing is wrong. */
export type Typed = { value: number | undefined; fault: string | undefined };

const nothing: Typed = { value: undefined, fault: undefined };

/** A whole number of days, at least `least`. */
export function typedDays(text: string, least: number): Typed {
  if (text.trim() === '') return nothing;
  const value = parseTyped(text);
  if (value === null || !Number.isInteger(value) || value < least)
    return { value: undefined, fault: `Write a whole number, ${least} or more` };
  return { value, fault: undefined };
}

/** An amount of 0 or more. */
export function typedAmount(text: string): Typed {
  if (text.trim() === '') return nothing;
  const value = parseTyped(text);
  return value === null || value < 0
    ? { value: undefined, fault: 'Write a number, such as 12 or 7.5' }
    : { value, fault: undefined };
}

/** A link that can be opened; one without its scheme is taken for a web address. Null where it cannot. */
export function linkOf(text: string): string | null {
  const target = linkTarget(text);
  if (target === null) return null;
  try {
    return new URL(target).href;
  } catch {
    return null;
  }
}

/** An object without the keys that say nothing. */
export const withoutBlank = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined && value !== '')) as T;
