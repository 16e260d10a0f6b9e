import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { tidySum } from '../number/exact.ts';
import type { Entry, EntryPart, Habit } from '../record/records.ts';

/** How often a way of doing a habit was recorded up to a day, when last, and how much in all (null without amounts). */
export type VariantFigures = {
  id: string;
  name: string;
  group: string | null;
  times: number;
  last: PlainDay | null;
  amount: number | null;
};

/** Every variant of a habit in its order, as of `today`; several of one kind on a day count each. */
export function variantFigures(habit: Habit, entries: Iterable<Entry>, today: PlainDay): VariantFigures[] {
  const figures = new Map<string, VariantFigures>();
  for (const { id, name, group } of habit.variants ?? [])
    figures.set(id, { id, name, group: group ?? null, times: 0, last: null, amount: null });
  for (const { day, parts } of entries) {
    const at = dayOf(day);
    if (at > today) continue;
    for (const part of parts ?? []) {
      const each = figures.get(part.variantId);
      if (each === undefined) continue;
      each.times++;
      each.last = Math.max(each.last ?? at, at);
      if (part.amount !== undefined) each.amount = tidySum((each.amount ?? 0) + part.amount);
    }
  }
  return [...figures.values()];
}

/**
 * The entry with these parts. Where a part carries an amount the entry's amount is their sum; a check with parts is
 * done, and one whose last part is taken away is open again.
 */
export function withParts(entry: Entry, parts: EntryPart[], isAmount: boolean): Entry {
  const { parts: before, amount, mark, ...rest } = entry;
  const amounts = parts.flatMap((part) => (part.amount === undefined ? [] : [part.amount]));
  const hadAmounts = (before ?? []).some((part) => part.amount !== undefined);
  const kept = parts.length > 0 ? { ...rest, parts } : rest;
  if (!isAmount) return parts.length > 0 ? { ...kept, mark: 'done' } : kept;
  const marked = mark === undefined ? kept : { ...kept, mark };
  if (amounts.length > 0) return { ...marked, amount: tidySum(amounts.reduce((sum, each) => sum + each, 0)) };
  return hadAmounts || amount === undefined ? marked : { ...marked, amount };
}
