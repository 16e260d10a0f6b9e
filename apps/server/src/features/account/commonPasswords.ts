import { dictionary } from '@zxcvbn-ts/language-common';

const COMMON: ReadonlySet<string> = new Set(Object.values(dictionary['passwords-common']).map(String));

/** Signs and digits that people put around a word. */
const AROUND = /^[\d\W_]{0,4}|[\d\W_]{0,4}$/g;

/** A text that is one piece over and over, such as "abcabcabcabc". */
const REPEATS = /^(.{1,6}?)\1+$/s;

/**
 * Whether a password is one that many people have, by a list of 49,000 of them: as it is, in other letter case, with a few digits
 * or signs around it, or a piece over and over.
 */
export function isCommonPassword(password: string): boolean {
  const lower = password.toLowerCase();
  return COMMON.has(lower) || COMMON.has(lower.replaceAll(AROUND, '')) || REPEATS.test(lower);
}
