import { type PlainDay, formatDay } from '../calendar/plainDay.ts';
import type { Habit, Terms } from '../record/records.ts';
import { withFirstTermsFrom } from './firstTerms.ts';

/**
 * The habit with what a done day earns set from a day on, everything else of its terms as it is; days before keep what they
 * earned. 0 earns nothing. Terms that begin later get it too. `first` is the first day of its record.
 */
export function withPipsFrom(before: Habit, first: PlainDay, day: PlainDay, pips: number): Habit {
  const habit = withFirstTermsFrom(before, first);
  const from = formatDay(day);
  const earning = ({ pips: _, ...terms }: Terms): Terms => (pips > 0 ? { ...terms, pips } : terms);
  const later = habit.terms.filter((each) => each.from >= from).map(earning);
  const earlier = habit.terms.filter((each) => each.from < from);
  const current = earlier.at(-1);
  const begins = later.some((each) => each.from === from) || current === undefined;
  return { ...habit, terms: [...earlier, ...(begins ? [] : [earning({ ...current, from })]), ...later] };
}
