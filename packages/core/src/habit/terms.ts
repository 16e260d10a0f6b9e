import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Schedule, Terms } from '../record/records.ts';

/** What a habit asks, with its days as numbers. */
export type HeldTerms = {
  from: PlainDay;
  schedule: Schedule;
  atLeast: number | null;
  atMost: number | null;
  pips: number;
};

/** The terms of a habit as numbers, in ascending order. Throws a RangeError where there are none. */
export function heldTerms(terms: readonly Terms[]): HeldTerms[] {
  if (terms.length === 0) throw new RangeError('a habit has at least one set of terms');
  return terms
    .map((each) => ({
      from: dayOf(each.from),
      schedule: each.schedule,
      atLeast: each.atLeast ?? null,
      atMost: each.atMost ?? null,
      pips: each.pips ?? 0,
    }))
    .sort((a, b) => a.from - b.from);
}

/** The place of the terms in force on a day: the latest with `from` ≤ day; before the first, the first. */
export function termsIndexOn(terms: readonly HeldTerms[], day: PlainDay): number {
  let index = 0;
  while (index + 1 < terms.length && terms[index + 1]!.from <= day) index++;
  return index;
}

/** The terms in force on a day. */
export const termsOn = (terms: readonly HeldTerms[], day: PlainDay): HeldTerms => terms[termsIndexOn(terms, day)]!;
